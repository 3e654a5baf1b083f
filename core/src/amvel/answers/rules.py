"""The rule-book as plain data, with every number and source."""

from typing_extensions import TypedDict

from amvel.numbers import Number
from amvel.safety import rulebook
from amvel.screening.standard import Standard
from amvel.screening.standards import standards
from amvel.sources import Source


class NumberData(TypedDict):
    """One figure with its source in one line."""

    id: str
    value: float
    unit: str
    says: str
    source: str
    since: str


class SourceData(TypedDict):
    """A source part by part, and in one line."""

    kind: str
    authors: str
    year: int | None
    title: str
    where: str
    quoted_for: str
    reading: bool
    from_memory: bool
    says: str


class RuleData(TypedDict):
    """One rule, or what one test decides by."""

    id: str
    title: str
    about: str
    sources: list[SourceData]
    since: str
    read_on: str
    check_again_on: str
    check_by: str
    duties: list[str]
    numbers: list[NumberData]
    examples: list[str]


def rules() -> list[RuleData]:
    """The rule-book as data, with every version of its numbers; then what tests decide by."""
    of_rules: list[RuleData] = [
        {
            "id": r.id,
            "title": r.title,
            "about": r.about,
            "sources": [source_data(s) for s in r.sources],
            "since": r.since.isoformat(),
            "read_on": r.read_on.isoformat(),
            "check_again_on": r.check_again_on.isoformat(),
            "check_by": r.check_by.says,
            "duties": [d.when for d in r.duties],
            "numbers": [number_data(n) for n in r.numbers],
            "examples": [e.says for e in r.examples],
        }
        for r in rulebook().values()
    ]
    return of_rules + [_standard_data(s) for s in standards().values()]


def _standard_data(s: Standard) -> RuleData:
    sources = list(dict.fromkeys(n.source for n in s.numbers))
    return {
        "id": s.id,
        "title": s.title,
        "about": s.about,
        "sources": [source_data(x) for x in sources],
        "since": min(n.since for n in s.numbers).isoformat(),
        "read_on": s.read_on.isoformat(),
        "check_again_on": s.check_again_on.isoformat(),
        "check_by": s.check_by.says,
        "duties": [],
        "numbers": [number_data(n) for n in s.numbers],
        "examples": [],
    }


def number_data(n: Number) -> NumberData:
    """One figure with its source in one line."""
    return {
        "id": n.id,
        "value": n.value,
        "unit": n.unit,
        "says": n.says,
        "source": n.source.told,
        "since": n.since.isoformat(),
    }


def source_data(s: Source) -> SourceData:
    """A source part by part, and in one line."""
    return {
        "kind": s.kind,
        "authors": s.authors,
        "year": s.year,
        "title": s.title,
        "where": s.where,
        "quoted_for": s.quoted_for,
        "reading": s.reading,
        "from_memory": s.from_memory,
        "says": s.told,
    }
