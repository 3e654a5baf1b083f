"""What a screening test declares."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from amvel.case import Case
from amvel.sources import Source


@dataclass(frozen=True)
class Reading:
    """What a result means. `level` is ok, watch, refer, stop or none (no interpretation)."""

    text: str
    level: str
    source: Source


@dataclass(frozen=True)
class Field:
    """One entry of a test's form."""

    name: str
    title: str
    unit: str
    kind: str  # number, count, choice, yes_no
    low: float = 0
    high: float = 0
    choices: tuple[tuple[str, str], ...] = ()
    optional: bool = False


@dataclass(frozen=True)
class ScreenTest:
    """One test: how it is done, entered, read, and for how long it holds."""

    id: str
    title: str
    measures: str
    protocol: tuple[str, ...]
    safety: str
    fields: tuple[Field, ...]
    validity_days: int
    read: Callable[[Any, Case], Reading]
    source: Source
    per_side: bool = False
    timer: str = ""  # stopwatch, counter or ''
    gate: bool = False
    benign: dict[str, Any] | None = None  # a plausible good result, used to count what the test can decide
    adverse: dict[str, Any] | None = None

    def __post_init__(self) -> None:
        for name in ("protocol", "safety", "fields"):
            if not getattr(self, name):
                raise ValueError(f"screening/{self.id}: '{name}' is missing")


def current(case: Case, test_id: str, validity_days: int) -> list[Any]:
    """Results of this test that still hold, newest first."""
    found = [t for t in case.tests if t.test == test_id and (case.as_of - t.on).days <= validity_days]
    return sorted(found, key=lambda t: t.on, reverse=True)


def newest(case: Case, test_id: str, validity_days: int) -> list[Any]:
    """All results of the last day on which this test was done, if they still hold.

    Several results of one day all count and the worst decides, whatever order they were entered in.
    """
    found = current(case, test_id, validity_days)
    return [t for t in found if t.on == found[0].on]
