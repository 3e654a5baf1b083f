"""The rule-book line by line, so that a clinician can go through it and sign each line off."""

import hashlib
from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from functools import lru_cache

from amvel.checked import Profession
from amvel.numbers import Number
from amvel.safety.rulebook import Rule, rulebook
from amvel.screening.standards import standards
from amvel.sources import Kind, Source


class Doubt(StrEnum):
    """Why a line wants a clinician's eye."""

    OURS = "ours"  # our own number, or our reading of a source's words
    PRACTICE = "practice"  # a fact of the trade without a source
    MEMORY = "memory"  # a source's own number, quoted without the work at hand


@dataclass(frozen=True)
class Line:
    """One number of a rule or a test, or the sentence of a rule that has none."""

    owner: str
    title: str
    number: str
    says: str
    value: float | None
    unit: str
    source: Source
    since: date
    check_by: Profession

    @property
    def doubt(self) -> Doubt:
        """The strongest of its doubts: what is ours comes before what only lacks its source."""
        if self.source.reading or self.source.kind is Kind.OURS:
            return Doubt.OURS
        return Doubt.PRACTICE if self.source.kind is Kind.PRACTICE else Doubt.MEMORY

    @property
    def digest(self) -> str:
        """Changes with anything that was signed: the words, the number, its source, its day."""
        said = f"{self.says}|{self.value}|{self.unit}|{self.source!r}|{self.since}"
        return hashlib.sha256(said.encode()).hexdigest()[:16]


@lru_cache(maxsize=1)
def lines() -> tuple[Line, ...]:
    """Every line, by rule and then by test; of several versions of a number the newest."""
    out: list[Line] = []
    for rule in rulebook().values():
        out += [_line(rule.id, rule.title, n, rule.check_by) for n in _newest(rule.numbers)] or [_sentence(rule)]
    for s in standards().values():
        out += [_line(s.id, s.title, n, s.check_by) for n in _newest(s.numbers)]
    return tuple(out)


def line_of(owner: str, number: str) -> Line | None:
    """The line of that name; None when there is none."""
    return next((x for x in lines() if (x.owner, x.number) == (owner, number)), None)


def _newest(numbers: tuple[Number, ...]) -> list[Number]:
    return list({n.id: n for n in sorted(numbers, key=lambda n: n.since)}.values())


def _line(owner: str, title: str, n: Number, who: Profession) -> Line:
    return Line(owner, title, n.id, n.says, n.value, n.unit, n.source, n.since, who)


def _sentence(rule: Rule) -> Line:
    return Line(rule.id, rule.title, "", rule.about, None, "", rule.sources[0], rule.since, rule.check_by)


__all__ = ["Doubt", "Line", "line_of", "lines"]
