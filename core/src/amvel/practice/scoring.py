"""What was judged rightly, and how it was wrong: too lax, too strict, a referral missed; and what to practise next."""

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date, timedelta
from enum import StrEnum

from amvel.practice.exercise import Exercise, Judgement


class ErrorKind(StrEnum):
    """The kinds of errors, the gravest first."""

    TOO_LAX = "too_lax"
    MISSED_REFERRAL = "missed_referral"
    TOO_STRICT = "too_strict"
    NEEDLESS_REFERRAL = "needless_referral"
    OTHER_TEST = "other_test"
    NEED_MISSED = "need_missed"
    TOO_LONG = "too_long"
    OUT_OF_ORDER = "out_of_order"


@dataclass(frozen=True)
class Answers:
    """What the rule-book says: of each step, which tests are as good as the best, and which of the offered referrals are due."""

    steps: Mapping[str, Judgement]
    best_tests: tuple[str, ...]
    asks_test: bool
    referrals: frozenset[str]
    offered: frozenset[str]


def answers_of(e: Exercise) -> Answers:
    return Answers(
        {a.verdict.ref: a.answer for a in e.steps},
        e.best_tests,
        bool(e.tests),
        frozenset(map(str, e.referrals)),
        frozenset(map(str, (*e.referrals, *e.other_referrals))),
    )


@dataclass(frozen=True)
class Result:
    """Right answers of all, errors by kind."""

    right: int
    asked: int
    errors: Mapping[ErrorKind, int]

    @property
    def share(self) -> float:
        return self.right / self.asked if self.asked else 1.0


_STRICT = (Judgement.AS_IT_IS, Judgement.CHANGED, Judgement.OUT)


def scored_against(answers: Answers, steps: Mapping[str, Judgement], test: str = "", referrals: frozenset[str] = frozenset()) -> Result:
    """Every question once; what was not answered is wrong the careful way round, as if it had been closed."""
    errors: Counter[ErrorKind] = Counter()
    for ref, answer in answers.steps.items():
        difference = _STRICT.index(steps.get(ref, Judgement.OUT)) - _STRICT.index(answer)
        if difference:
            errors[ErrorKind.TOO_LAX if difference < 0 else ErrorKind.TOO_STRICT] += 1
    if answers.asks_test:
        errors[ErrorKind.OTHER_TEST] += test not in answers.best_tests
    told = referrals & answers.offered
    errors[ErrorKind.MISSED_REFERRAL] += len(answers.referrals - told)
    errors[ErrorKind.NEEDLESS_REFERRAL] += len(told - answers.referrals)
    count = len(answers.steps) + answers.asks_test + len(answers.offered)
    return Result(count - errors.total(), count, {k: n for k, n in errors.items() if n})


@dataclass(frozen=True)
class Practised:
    """One attempt: on which day, about which conditions, how much of it was right."""

    on: date
    conditions: tuple[str, ...]
    share: float


PASSED = 0.8  # of the answers (our choice)
# Days until a condition comes again after so many passed attempts in a row; growing intervals hold longer than even ones
# (spacing effect: Cepeda et al. 2006, from memory; the days are our choice).
DAYS = (1, 3, 7, 16, 35)


def due(attempts: Iterable[Practised], known: Iterable[str], today: date) -> list[str]:
    """Conditions to practise: those whose day has come, the longest overdue first, then those never seen."""
    rows: dict[str, int] = {}
    last: dict[str, date] = {}
    for a in sorted(attempts, key=lambda a: a.on):
        for c in a.conditions:
            rows[c] = rows.get(c, 0) + 1 if a.share >= PASSED else 0
            last[c] = a.on
    come = {c: last[c] + timedelta(days=DAYS[min(rows[c], len(DAYS)) - 1] if rows[c] else 0) for c in last}
    overdue = sorted((c for c, day in come.items() if day <= today), key=lambda c: (come[c], c))
    return [*overdue, *(c for c in sorted(known) if c not in last)]


__all__ = ["Answers", "ErrorKind", "Practised", "Result", "answers_of", "due", "scored_against"]
