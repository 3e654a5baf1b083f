"""What a screening test declares."""

from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any, Literal, TypeVar

from amvel.case import RESULTS, Case, Field, Result, form_of
from amvel.case.result import Takes
from amvel.checked import Profession
from amvel.languages import said
from amvel.movements.levels import Way
from amvel.numbers import Number, Numbers, in_force
from amvel.screening.standard import Standard
from amvel.sources import Source

POSITIONS = ("paper", "sitting", "standing", "lying", "on the floor", "hands and knees", "face down")
Timer = Literal["", "stopwatch", "counter"]
TIMERS: tuple[Timer, ...] = ("", "stopwatch", "counter")
_HIDDEN = frozenset(("test", "on", "side", "trials"))


@dataclass(frozen=True)
class Reading:
    """What a result means. `level` is ok, watch, refer, stop or none (no interpretation)."""

    text: str
    level: str
    source: Source


@dataclass(frozen=True)
class Outcome:
    """A result that is thought possible, with its prior probability (our estimate, stated where it is used)."""

    says: str
    probability: float
    result: dict[str, Any] = field(hash=False)


@dataclass(frozen=True)
class RealChange:
    """What is known of a test's error: spread of results and agreement of two tests, from which the band follows."""

    sd: float
    icc: float
    unit: str
    source: Source


@dataclass(frozen=True)
class TimedHold:
    """Of which wall of the trunk a timed hold tells, and the steps of the library that are its pose on the feet and on the knees.

    Without them the trunk is held level over an edge, which is no step of the library.
    """

    way: Way
    feet: str = ""
    knees: str = ""


@dataclass(frozen=True)
class ScreenTest:
    """One test: how it is done, entered, read, and for how long it holds.

    `poses` are steps of the library whose verdict decides whether the test is safe for this client;
    `avoid` gives a reason to leave it out, '' when there is none; `instead` says what to do then.
    """

    id: str
    measures: str
    protocol: tuple[str, ...]
    safety: str
    validity_days: int
    read: Callable[[Any, Case, Numbers], Reading]
    source: Source
    position: str
    outcomes: tuple[Outcome, ...]
    timer: Timer = ""
    gate: bool = False
    poses: tuple[str, ...] = ()
    avoid: Callable[[Case], str] = lambda case: ""
    instead: str = ""
    unlocks: str = ""
    ages: tuple[int, int] = (0, 130)
    change: RealChange | None = None
    timed: TimedHold | None = None
    on_own_feet: bool = False  # nobody can have done it who does not walk
    numbers: tuple[Number, ...] = ()
    check_by: Profession = Profession.PHYSIOTHERAPY
    standard: Standard | None = None  # whose numbers it reads by, when it has none of its own
    fields: tuple[Field, ...] = field(init=False, default=())

    def __post_init__(self) -> None:
        for name in ("measures", "protocol", "safety", "outcomes", "unlocks"):
            if not getattr(self, name):
                raise ValueError(f"screening/{self.id}: '{name}' is missing")
        if self.position not in POSITIONS or self.timer not in TIMERS:
            raise ValueError(f"screening/{self.id}: position or timer is not known")
        if abs(sum(o.probability for o in self.outcomes) - 1) > 1e-6:
            raise ValueError(f"screening/{self.id}: the priors of the outcomes do not sum to one")
        object.__setattr__(self, "fields", form_of(self.model, _HIDDEN))
        object.__setattr__(self, "protocol", tuple(said(line) for line in self.protocol))
        for name in ("measures", "safety", "instead", "unlocks"):
            object.__setattr__(self, name, said(getattr(self, name)))

    @property
    def owner(self) -> str:
        """Under what name its numbers stand in the rule-book."""
        return f"test.{self.id}"

    def in_force(self, case: Case) -> Numbers:
        """Its numbers as of the day of a case, where this client is."""
        if self.standard is not None:
            return self.standard.in_force(case)
        return in_force(self.owner, self.numbers, case.as_of, case.local_values)

    def reading(self, result: Any, case: Case) -> Reading:
        """What a result means, by the numbers of the day of the case."""
        return self.read(result, case, self.in_force(case))

    @property
    def model(self) -> type[Result]:
        return RESULTS[self.id]

    @property
    def title(self) -> str:
        return said(self.model.TITLE)

    @property
    def group(self) -> str:
        return said(self.model.GROUP)

    @property
    def per_side(self) -> bool:
        return "side" in self.model.model_fields

    @property
    def trials(self) -> Takes:
        """'' or what the protocol takes of several trials."""
        return self.model.TAKES


R = TypeVar("R", bound=Result)


def results(case: Case, model: type[R]) -> list[R]:
    """Every result of this kind, whatever its age."""
    return [t for t in case.tests if isinstance(t, model)]


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
