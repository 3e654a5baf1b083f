"""The figures that rules and tests decide by, each with its source and the day from which it holds."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date
from functools import lru_cache

from amvel.languages import said
from amvel.sources import Source

Numbers = Mapping[str, float]
LocalValues = Mapping[tuple[str, str], float]  # (owner, number) -> the value that holds in this house, or is on trial


@dataclass(frozen=True, eq=False)  # declared once: itself, and quick to look up
class Number:
    """One figure, in force since a day. Several of one name are its versions."""

    id: str
    value: float
    unit: str
    says: str
    source: Source
    since: date

    def __post_init__(self) -> None:
        for name in ("unit", "says"):
            object.__setattr__(self, name, said(getattr(self, name)))


def in_force(owner: str, numbers: Iterable[Number], on: date, local: LocalValues) -> Numbers:
    """Every number as of a day; before its first version the oldest stands in.  Where a house has a value of its own, that one."""
    values = _of_day(tuple(numbers), on)
    return {k: local.get((owner, k), v) for k, v in values.items()} if local else values


@lru_cache(maxsize=1024)
def _of_day(numbers: tuple[Number, ...], on: date) -> Numbers:
    found: dict[str, Number] = {}
    for n in sorted(numbers, key=lambda n: n.since):
        if n.since <= on or n.id not in found:
            found[n.id] = n
    return {k: n.value for k, n in found.items()}
