"""What a family and a step declare.  A malformed declaration fails at import, naming the item and the fault."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property, wraps
from typing import Literal, TypeVar, cast, get_args

from amvel.body import Anthropometry, Capacities
from amvel.case.purposes import PURPOSES
from amvel.languages import said
from amvel.movements.breath import Breath
from amvel.movements.feedback import Feedback
from amvel.movements.frames import Frame
from amvel.movements.needs import Need
from amvel.movements.promise import Shown
from amvel.movements.room_measures import FitId, Measured
from amvel.movements.session_part import SessionPart
from amvel.movements.sign import Sign
from amvel.movements.wrong import Wrong

Position = Literal[
    "on the back",
    "on the side",
    "hands and knees",
    "face down",
    "kneeling",
    "sitting",
    "at the wall",
    "standing",
]
POSITIONS: tuple[Position, ...] = get_args(Position)
ON_FLOOR = frozenset(("on the back", "on the side", "hands and knees", "face down", "kneeling"))


SMALLEST_SHARE = 1 / 3  # of the usual range of a movement (our reading of common practice)


class DeclarationError(ValueError):
    """A family, step or parameter is declared wrongly; the message names the item and what is missing."""


@dataclass(frozen=True)
class Parameter:
    """A measure of the set-up or range that may be changed, and in which direction that is easier.

    Numbers have low, high and grid in `unit`; choices are listed from hardest to easiest.
    `default` may depend on the body.  At `nothing_at` the thing is not there, and nobody has to be told.  `easier` is empty for what stands in the room as it is: nothing is solved with it, and it begins with what is `measured` of it.
    """

    id: str
    title: str
    unit: str
    default: float | str | Callable[[Anthropometry], float]
    low: float = 0.0
    high: float = 0.0
    grid: float = 1.0
    easier: str = "down"
    choices: tuple[str, ...] = ()
    shows: Shown | None = None  # the angle that it sets; required of every parameter in degrees
    nothing_at: float | str | None = None
    still_itself: float | None = None  # towards easier no further than this; a third of the usual range where nothing is said
    need: Need | None = None  # what has to be there for any other value
    measured: Measured | None = None  # of the room: it begins with what was measured there
    changed: str = ""  # how a change of it reads, with {before} and {after}; from and to where nothing is said
    bends_the_hips: bool = False  # of who sits: a change says what it does to the hips
    moves: frozenset[str] = frozenset()  # which declared quantities it decides, beside what geometry shows

    def __post_init__(self) -> None:
        if self.unit == "deg" and self.shows is None:
            raise DeclarationError(f"parameter {self.id} ('{self.title}'): an angle must say where it shows")
        if self.unit == "cm" and self.low == 0 and self.default == 0 and self.nothing_at != 0:
            raise DeclarationError(f"parameter {self.id} ('{self.title}'): what begins at 0 cm must say that nothing is there then")

    def default_for(self, body: Anthropometry) -> float | str:
        """The default for one body, rounded to the grid and inside the range."""
        value = self.default(body) if callable(self.default) else self.default
        if isinstance(value, str):
            return value
        return min(self.high, max(self.low, round(value / self.grid) * self.grid))

    def smallest(self, usual: float | str) -> float:
        """The smallest value at which the step is still itself: a range that is cut to a sliver is another movement, or none."""
        if self.still_itself is not None:
            return self.still_itself
        own_range = self.shows is not None and self.easier == "down"
        return SMALLEST_SHARE * float(usual) if own_range else self.low

    def candidates(self, start: float | str) -> list[float | str]:
        """Values from `start` towards easier, nearest first; the grid does not depend on any finding."""
        if self.choices:
            at = self.choices.index(str(start))
            return list(self.choices[at + 1 :])
        if not self.easier:
            return []
        sign, end = (1, self.high) if self.easier == "up" else (-1, max(self.low, self.smallest(start)))
        count = int(max(0.0, sign * (end - float(start))) / self.grid + 1e-6)
        return [round(float(start) + sign * self.grid * (i + 1), 6) for i in range(count)]


@dataclass(frozen=True)
class Fault:
    """A fault: its id in a log, its name, what is seen, what it means, the cue that corrects it, and how it looks where it can be seen."""

    id: str
    name: str
    seen: str
    means: str
    cue: str
    looks: Wrong | None = None
    breath: bool = False  # the breath itself has failed

    def __post_init__(self) -> None:
        if not self.id.isidentifier():
            raise DeclarationError(f"fault '{self.name}': '{self.id}' is no id")

    def worded(self) -> "Fault":
        """The same, its texts as messages."""
        return replace(self, name=said(self.name), seen=said(self.seen), means=said(self.means), cue=said(self.cue))


@dataclass(frozen=True)
class Dose:
    """First dose. `repetitions` per side where the step has sides; one repetition lasts `seconds`."""

    repetitions: int
    sets: int = 1
    seconds: float = 6.0
    hold_s: float = 0.0
    note: str = ""

    def minutes(self, sides: int) -> float:
        """Working time with a rest of 30 s between sets."""
        return (self.repetitions * self.sets * self.seconds * sides + 30.0 * (self.sets - 1)) / 60.0


class RangesWanted(Exception):
    """A step asked for ranges where it was to be placed for any."""


@dataclass(frozen=True)
class Setting:
    """What a step is placed for: the body, its ranges (None: any), and the parameters' values."""

    body: Anthropometry
    ranges: Capacities | None
    values: Mapping[str, float | str]

    @property
    def capacities(self) -> Capacities:
        """The ranges; raises RangesWanted where the step is placed for any."""
        if self.ranges is None:
            raise RangesWanted
        return self.ranges

    def number(self, name: str) -> float:
        return float(self.values[name])

    def word(self, name: str) -> str:
        return str(self.values[name])

    def school(self, question: str) -> str:
        """The school's answer that changes this pose; empty for the default."""
        return str(self.values.get(f"school.{question}", ""))


    @cached_property
    def known(self) -> dict[Callable[["Setting"], object], object]:
        """What was declared for it already (see `once`)."""
        return {}


Declared = TypeVar("Declared")


def once(declare: Callable[[Setting], Declared]) -> Callable[[Setting], Declared]:
    """For what several frames of a step begin with: declared once for each setting, however often it is asked for."""

    @wraps(declare)
    def found(s: Setting) -> Declared:
        if declare not in s.known:
            s.known[declare] = declare(s)
        return cast(Declared, s.known[declare])

    return found


Frames = Callable[[Setting], list[Frame]]


@dataclass(frozen=True, eq=False)  # declared once: itself, and quick to look up
class Step:
    """One rung of a ladder."""

    id: str
    title: str
    frames: Frames
    setup: tuple[str, ...]
    cues: tuple[str, ...]
    faults: tuple[Fault, ...]
    felt: str
    not_felt: str
    breath: Breath
    dose: Dose
    purposes: dict[str, float]
    sides: bool = False
    effort: float = 3.0
    parameters: tuple[Parameter, ...] = ()
    props: tuple[Need, ...] = ()
    held: bool = False
    needs_unsupported_stand: bool = False
    # Filled where the side is a way of doing it and not what is trained, so that one that is open will do: how it
    # reads, with {side} and {other}.
    side_says: str = ""
    arrow: str = ""
    view: str = "side"
    shown: tuple[int, ...] = (0, -1)
    signs: tuple[Sign, ...] = ()  # what the picture says where nothing is seen to move
    after: tuple[str, ...] = ()  # what goes before, 'family/step', beside the rung below
    breath_custom: bool = False  # its breath is a custom of its own: no school changes it
    feedback: tuple[Feedback, ...] = ()  # what tells whether it is right, and when it misleads
    do: tuple[str, ...] = ()  # what to do, in one to three sentences: start, action, return; {in} and {out} are the breath of the school

    def __post_init__(self) -> None:
        for name in ("id", "title", "setup", "cues", "faults", "felt", "not_felt", "breath", "purposes", "do"):
            if not getattr(self, name):
                raise DeclarationError(f"step {self.id or '?'}: '{name}' is missing")
        names = [f.id for f in self.faults]
        if len(set(names)) < len(names):
            raise DeclarationError(f"step {self.id}: two faults share an id")
        unknown = set(self.purposes) - set(PURPOSES)
        if unknown:
            raise DeclarationError(f"step {self.id}: unknown purposes {sorted(unknown)}")

    def defaults(self, body: Anthropometry) -> dict[str, float | str]:
        return {p.id: p.default_for(body) for p in self.parameters}

    @cached_property
    def shows(self) -> dict[str, tuple[str, Shown]]:
        """The title of each parameter that is an angle, and where it shows."""
        return {p.id: (p.title, p.shows) for p in self.parameters if p.shows is not None}

    def watching(self, *faults: Fault) -> "Step":
        """The same step with faults of its own before those of its family: they are what this rung goes wrong in."""
        return replace(self, faults=(*faults, *self.faults))


@dataclass(frozen=True, eq=False)  # declared once: itself, and quick to look up
class Family:
    """A ladder of steps, easiest first.

    `asked_for` families are those that clients ask for and that are usually screened out: they are judged, so that
    mechanism and substitute can be named, but no programme is built of them.  A `daily_task` (rising, rolling, getting
    up by the taught way) is judged by its technique: what the trunk was shown to hold in exercises does not close it.
    """

    id: str
    title: str
    position: Position
    about: str
    steps: tuple[Step, ...]
    replaces: tuple[str, ...] = ()
    asked_for: bool = False
    daily_task: bool = False
    part: SessionPart = SessionPart.WORKS
    hitched_side_first: bool = False  # lying on the side: the one that usually hitches goes down first
    fits: tuple[FitId, ...] = ()  # what is fitted for it, beside what its position and its measures ask for
    index: dict[str, Step] = field(init=False, hash=False, compare=False, default_factory=dict)

    def __post_init__(self) -> None:
        if self.position not in POSITIONS:
            raise DeclarationError(f"family {self.id}: unknown position '{self.position}'")
        if not self.steps:
            raise DeclarationError(f"family {self.id}: no steps")
        self.index.update({s.id: s for s in self.steps})
        if len(self.index) != len(self.steps):
            raise DeclarationError(f"family {self.id}: two steps share an id")

    @property
    def on_floor(self) -> bool:
        return self.position in ON_FLOOR

    def ref(self, step: Step) -> str:
        return f"{self.id}/{step.id}"

    def neighbours(self, step: Step) -> tuple[str, str]:
        """The step below and the one above on this ladder; empty at its ends."""
        at = self.steps.index(step)
        below = self.ref(self.steps[at - 1]) if at else ""
        above = self.ref(self.steps[at + 1]) if at + 1 < len(self.steps) else ""
        return below, above
