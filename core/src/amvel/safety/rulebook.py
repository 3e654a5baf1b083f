"""The rule-book: rules found by file, each with its numbers, its sources and a short function under them."""

import importlib
import pkgutil
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from datetime import date
from functools import lru_cache
from types import ModuleType
from typing import Any

from amvel.safety import capacity
from amvel.safety import rules as rule_files
from amvel.safety.limits import STRENGTHS, Answer, Envelope, Limit, Origin
from amvel.safety.words import apply_words
from amvel.screening import Findings
from amvel.sources import Source

CHECKED, CHECK_AGAIN = date(2026, 11, 24), date(2027, 11, 24)
Numbers = Mapping[str, float]
Draft = Mapping[tuple[str, str], float]


@dataclass(frozen=True)
class Number:
    """One figure of a rule, in force since a day. Several of one name are its versions."""

    id: str
    value: float
    unit: str
    says: str
    source: Source
    since: date


@dataclass(frozen=True)
class Example:
    """What a rule must say of a case fragment: limits by id with their bound, None for absent; obligations, referrals."""

    says: str
    given: dict[str, Any] = field(hash=False)
    limits: dict[str, float | None] = field(hash=False, default_factory=dict)
    obliges: tuple[str, ...] = ()
    refers: tuple[str, ...] = ()


@dataclass(frozen=True)
class Rule:
    """One condition's rule: since when it is in force, when it was last checked and must be again."""

    id: str
    title: str
    about: str
    sources: tuple[Source, ...]
    since: date
    answer: Callable[[Findings, Numbers], Answer]
    numbers: tuple[Number, ...] = ()
    examples: tuple[Example, ...] = ()
    checked: date = CHECKED
    check_again: date = CHECK_AGAIN

    def __post_init__(self) -> None:
        for name in ("sources", "about", "examples"):
            if not getattr(self, name):
                raise ValueError(f"rule {self.id}: '{name}' is missing")

    def in_force(self, on: date, draft: Draft | None = None) -> dict[str, float]:
        """Every number as of a day; before its first version the oldest stands in.  A draft replaces some to see what would change."""
        found: dict[str, Number] = {}
        for n in sorted(self.numbers, key=lambda n: n.since):
            if n.since <= on or n.id not in found:
                found[n.id] = n
        values = {k: n.value for k, n in found.items()}
        return {k: (draft or {}).get((self.id, k), v) for k, v in values.items()}


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


def numbers_of_later(on: date) -> tuple[str, ...]:
    """Rules of which a number was not in force yet on that day, so that its oldest version stands in: one line each."""
    late = {r.title: min(n.since for n in r.numbers if n.since > on) for r in rulebook().values() if _late(r, on)}
    return tuple(f"{title}: judged by the numbers of {since}, the oldest there are" for title, since in late.items())


def _late(rule: Rule, on: date) -> bool:
    first = {n.id: min(m.since for m in rule.numbers if m.id == n.id) for n in rule.numbers}
    return any(since > on for since in first.values())


def _says_first(limit: Limit) -> tuple[bool, bool]:
    """What is forbidden is said first, what only waits to be shown last; otherwise as the rules stand."""
    return limit.origin is Origin.NOT_SHOWN, limit.strength != STRENGTHS[0]


def envelope(findings: Findings, draft: Draft | None = None) -> Envelope:
    """Every limit, obligation and referral that the rule-book draws from the findings.

    All limits are kept; on the same quantity the strictest decides and every one that breaks is named.
    Clinicians' words and the specialist's own stricter limits come on top.
    """
    day = findings.case.as_of
    answers = [rule.answer(findings, rule.in_force(day, draft)) for rule in rulebook().values()]
    limits, referrals = apply_words(findings.case, [x for a in answers for x in a.limits])
    return Envelope(
        tuple(sorted(limits, key=_says_first)),
        tuple(x for a in answers for x in a.obligations),
        (*(x for a in answers for x in a.referrals), *referrals),
    )
