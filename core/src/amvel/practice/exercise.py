"""What is asked about an invented case, with the answers of the rule-book: the next test, a set of steps, the referrals."""

import random
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from amvel.engine import Engine
from amvel.movements import Family, Step, library
from amvel.planning.next_test import Due, due_tests
from amvel.practice.invented import invented
from amvel.safety import AS_IS, EXCLUDED, MODIFIED, Verdict, rulebook

STEPS, OPTIONS = 6, 4
_AT_ONCE = 14  # families judged at a time


class Judgement(StrEnum):
    """What a trainee says of a step."""

    AS_IT_IS = "as_it_is"
    CHANGED = "changed"
    OUT = "out"


_OF = {AS_IS: Judgement.AS_IT_IS, MODIFIED: Judgement.CHANGED, EXCLUDED: Judgement.OUT}


@dataclass(frozen=True)
class Asked:
    """One step to be judged; the answer with its verdict."""

    verdict: Verdict
    answer: Judgement


@dataclass(frozen=True)
class Exercise:
    """One invented case with its questions."""

    seed: int
    level: int
    about: str
    engine: Engine
    steps: tuple[Asked, ...]
    tests: tuple[Due, ...]  # options, in an order that says nothing
    best_tests: tuple[str, ...]  # those that decide about as much as the best
    referrals: tuple[str, ...]  # that the case asks for
    other_referrals: tuple[str, ...]  # that it does not

    @property
    def conditions(self) -> tuple[str, ...]:
        return tuple(c.kind for c in self.engine.case.conditions)


def exercise(seed: int, level: int, on: date, about: str = "") -> Exercise:
    """The same questions for the same seed, level and day."""
    engine = invented(seed, level, on, about)
    rng = random.Random(f"{seed} {level} {about} asks")
    tests = [d for d in due_tests(engine) if not d.unsafe]
    options = tests[:1] + rng.sample(tests[1:], min(OPTIONS - 1, len(tests[1:])))
    asked = tuple(dict.fromkeys(r.text for r in engine.envelope.referrals))
    others = sorted({r for r in _referrals_of_others(engine)} - set(asked))
    return Exercise(
        seed,
        level,
        about,
        engine,
        tuple(_steps(rng, engine)),
        tuple(rng.sample(options, len(options))),
        tuple(d.test.id for d in options if d.expected >= _ABOUT * max((x.expected for x in options), default=0.0)),
        asked,
        tuple(rng.sample(others, min(3, len(others)))),
    )


_ABOUT = 0.9  # a test that decides nine tenths of the best is as good an answer (our choice)


def _steps(rng: random.Random, engine: Engine) -> Iterator[Asked]:
    """Some of each kind, as far as there are: those that are out for a limit of a finding first."""
    found = _judged(rng, engine)
    by: dict[Judgement, list[Verdict]] = {j: [] for j in Judgement}
    for v in found.values():
        by[_OF[v.verdict]].append(v)
    chosen: list[Verdict] = []
    for judgement, count in ((Judgement.OUT, 2), (Judgement.CHANGED, 2), (Judgement.AS_IT_IS, 2)):
        chosen += _different(rng, by[judgement], count, chosen)
    rest = [v for v in found.values() if v not in chosen]
    chosen += _different(rng, rest, STEPS - len(chosen), chosen)
    rng.shuffle(chosen)
    yield from (Asked(v, _OF[v.verdict]) for v in chosen)


def _judged(rng: random.Random, engine: Engine) -> dict[str, Verdict]:
    """Some families after the other, until there are enough of each kind."""
    order = [f for f in library() if not library()[f].daily_task]
    rng.shuffle(order)
    found: dict[str, Verdict] = {}
    for i in range(0, len(order), _AT_ONCE):
        families = frozenset(order[i : i + _AT_ONCE])

        def only(family: Family, step: Step, among: frozenset[str] = families) -> bool:
            return family.id in among

        found |= {v.ref: v for v in engine.judge_only(only, ("home",), engine.values) if v.verdict in _OF}
        kinds = [_OF[v.verdict] for v in found.values()]
        if all(kinds.count(j) >= 2 for j in Judgement):
            break
    return found


def _different(rng: random.Random, among: Sequence[Verdict], count: int, beside: Sequence[Verdict]) -> list[Verdict]:
    """Of as many families as possible."""
    out: list[Verdict] = []
    for v in rng.sample(list(among), len(among)):
        if len(out) == count:
            break
        if v.family not in {x.family for x in (*out, *beside)}:
            out.append(v)
    return out


def _referrals_of_others(engine: Engine) -> Iterator[str]:
    """Duties of rules that do not concern this case, as they are printed in the rule-book."""
    own = {r.id.partition(".")[0] for r in engine.envelope.referrals}
    yield from (d.when for rule in rulebook().values() if rule.id not in own for d in rule.duties)


__all__ = ["Asked", "Exercise", "Judgement", "exercise"]
