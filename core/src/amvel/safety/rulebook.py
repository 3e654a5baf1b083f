"""The rule-book: rules found by file, each with its numbers, its sources and a short function under them."""

import importlib
import pkgutil
from collections.abc import Callable
from dataclasses import dataclass, field
from datetime import date
from functools import cached_property, lru_cache
from types import ModuleType
from typing import Any

from amvel.body import Capacities
from amvel.case import Case, read_case
from amvel.checked import READ_AGAIN_AFTER, Profession
from amvel.languages import said, term
from amvel.numbers import LocalValues, Number, Numbers, in_force
from amvel.remembered import Remembered
from amvel.safety import capacity
from amvel.safety import rules as rule_files
from amvel.safety.limits import STRENGTHS, Answer, Envelope, Limit, Origin
from amvel.safety.words import apply_words
from amvel.screening import Findings
from amvel.screening.standard import Standard
from amvel.screening.standards import standards
from amvel.sources import Source


@dataclass(frozen=True)
class Duty:
    """A duty to refer that a rule has, and when it arises."""

    id: str
    when: str

    def __post_init__(self) -> None:
        object.__setattr__(self, "when", said(self.when))


@dataclass(frozen=True)
class Example:
    """What a rule must say of a case fragment: limits by id with their bound, None for absent; obligations, referrals."""

    says: str
    given: dict[str, Any] = field(hash=False)
    limits: dict[str, float | None] = field(hash=False, default_factory=dict)
    obliges: tuple[str, ...] = ()
    refers: tuple[str, ...] = ()

    def __post_init__(self) -> None:
        object.__setattr__(self, "says", said(self.says))


@dataclass(frozen=True)
class Rule:
    """One condition's rule: since when it is in force, when its lines were last read, and who should go through them next.

    `read_on` is the day on which *this* rule was last read against the sources as we remember them; nobody but
    `check_by` can say that it is right.
    """

    id: str
    title: str
    about: str
    sources: tuple[Source, ...]
    since: date
    answer: Callable[[Findings, Numbers], Answer]
    numbers: tuple[Number, ...] = ()
    examples: tuple[Example, ...] = ()
    duties: tuple[Duty, ...] = field(kw_only=True)  # every rule lists its referrals, or says that there are none
    read_on: date = field(kw_only=True)
    check_by: Profession = field(kw_only=True)

    @property
    def check_again_on(self) -> date:
        """When it is to be read again at the latest."""
        return self.read_on + READ_AGAIN_AFTER

    def __post_init__(self) -> None:
        for name in ("sources", "about", "examples"):
            if not getattr(self, name):
                raise ValueError(f"rule {self.id}: '{name}' is missing")
        for name in ("title", "about"):
            object.__setattr__(self, name, said(getattr(self, name)))

    def in_force(self, on: date, local: LocalValues) -> Numbers:
        """Every number of this rule as of a day, where these figures are others; see `numbers.in_force`."""
        return in_force(self.id, self.numbers, on, local)

    @cached_property
    def remembered(self) -> Remembered[Findings, Answer]:
        """What it says of a case, asked again only where what it looked at reads otherwise; a referral that it does not declare
        is a fault of the rule."""
        return Remembered(self._asked, (Case, Capacities))

    def _asked(self, findings: Findings, n: Numbers) -> Answer:
        answer = self.answer(findings, n)
        undeclared = {r.duty for r in answer.referrals}.difference(d.id for d in self.duties)
        if undeclared:
            raise ValueError(f"rule {self.id}: refers for {sorted(undeclared)}, which its duties do not list")
        return answer


@lru_cache(maxsize=1)
def rulebook() -> dict[str, Rule]:
    """Every rule by id."""
    found = _rules_in(capacity) + _rules_in(rule_files)
    return {r.id: r for r in found}


def _rules_in(package: ModuleType) -> list[Rule]:
    found = []
    for module in pkgutil.iter_modules(package.__path__):
        rule = getattr(importlib.import_module(f"{package.__name__}.{module.name}"), "RULE", None)
        if not isinstance(rule, Rule) or rule.id != module.name:
            raise ValueError(f"{package.__name__}.{module.name}: declares no RULE of that name")
        found.append(rule)
    return found


EXAMPLES_ARE_OF = date(2026, 11, 24)  # the day to which what examples say of weeks and months is counted


def example_case(example: Example) -> Case:
    """The fragment, on the day of the examples, in a healthy woman of 45 whose results are of that day."""
    given, day = dict(example.given), EXAMPLES_ARE_OF.isoformat()
    person = {"birth_date": "1981-03-03", "sex": "female", "stature_cm": 165, "mass_kg": 64, **given.pop("person", {})}
    tests = [{"on": day, **t} for t in given.pop("tests", [])]
    return read_case({"as_of": day, "person": person, "tests": tests, **given})


def numbers_of_later(on: date) -> tuple[str, ...]:
    """What has a number that was not in force yet on that day, so that its oldest version stands in: one line each."""
    owners: list[Rule | Standard] = [*rulebook().values(), *standards().values()]
    late = {o.title: min(n.since for n in o.numbers if n.since > on) for o in owners if _late(o.numbers, on)}
    return tuple(said("{title}: judged by the numbers of {since}, the oldest there are", title=term(title), since=term(since)) for title, since in late.items())


def _late(numbers: tuple[Number, ...], on: date) -> bool:
    first = {n.id: min(m.since for m in numbers if m.id == n.id) for n in numbers}
    return any(since > on for since in first.values())


@lru_cache(maxsize=64)
def _numbers_in_force(on: date, local: frozenset[tuple[tuple[str, str], float]]) -> tuple[Numbers, ...]:
    """The numbers of every rule, in their order."""
    return tuple(rule.in_force(on, dict(local)) for rule in rulebook().values())


def _says_first(limit: Limit) -> tuple[bool, bool]:
    """What is forbidden is said first, what only waits to be shown last; otherwise as the rules stand."""
    return limit.origin is Origin.NOT_SHOWN, limit.strength != STRENGTHS[0]


def envelope(findings: Findings) -> Envelope:
    """Every limit, obligation and referral that the rule-book draws from the findings.

    All limits are kept; on the same quantity the strictest decides and every one that breaks is named.
    Clinicians' words and the specialist's own stricter limits come on top.
    """
    case = findings.case
    numbers = _numbers_in_force(case.as_of, frozenset(case.local_values.items()))
    answers = [rule.remembered.of(findings, n) for rule, n in zip(rulebook().values(), numbers, strict=True)]
    limits, referrals = apply_words(case, [x for a in answers for x in a.limits])
    return Envelope(
        tuple(sorted(limits, key=_says_first)),
        tuple(x for a in answers for x in a.obligations),
        (*(x for a in answers for x in a.referrals), *referrals),
    )
