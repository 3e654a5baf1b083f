"""The rule-book: rules found by file, each a short function with its sources."""

import importlib
import pkgutil
from collections.abc import Callable
from dataclasses import dataclass
from datetime import date
from functools import lru_cache

from amvel.safety import rules as rule_files
from amvel.safety.limits import Answer, Envelope
from amvel.screening import Findings
from amvel.sources import Source


@dataclass(frozen=True)
class Rule:
    """One condition's rule: since when it is in force, when it was last checked and must be again."""

    id: str
    title: str
    about: str
    sources: tuple[Source, ...]
    since: date
    checked: date
    check_again: date
    answer: Callable[[Findings], Answer]

    def __post_init__(self) -> None:
        if not self.sources or not self.about:
            raise ValueError(f"rule {self.id}: sources or description missing")


@lru_cache(maxsize=1)
def rulebook() -> dict[str, Rule]:
    """Every rule by id."""
    found = []
    for module in pkgutil.iter_modules(rule_files.__path__):
        rule = getattr(importlib.import_module(f"{rule_files.__name__}.{module.name}"), "RULE", None)
        if not isinstance(rule, Rule) or rule.id != module.name:
            raise ValueError(f"safety/rules/{module.name}.py: declares no RULE of that name")
        found.append(rule)
    return {r.id: r for r in found}


def envelope(findings: Findings) -> Envelope:
    """Every limit, obligation and referral that the rule-book draws from the findings.

    All limits are kept; on the same quantity the strictest decides and every one that breaks is named.
    """
    answers = [rule.answer(findings) for rule in rulebook().values()]
    return Envelope(
        tuple(x for a in answers for x in a.limits),
        tuple(x for a in answers for x in a.obligations),
        tuple(x for a in answers for x in a.referrals),
    )
