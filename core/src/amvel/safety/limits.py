"""Limits, obligations and referrals: what findings become."""

from dataclasses import dataclass, field
from datetime import date

from amvel.content import RULES, version
from amvel.quantities import quantity
from amvel.sources import Source

STRENGTHS = ("forbidden", "limit", "caution")  # strongest first
# Where a limit looks, by the column that is 1 there; each may be followed by ' at home'.
PLACES = {
    "standing": "standing",
    "on one leg": "one_leg_stance",
    "sitting": "sitting",
    "face down": "face_down",
    "on the back": "on_the_back",
    "hands and knees": "on_hands_and_knees",
    "kneeling": "kneeling",
    "lying flat": "lying_flat",
    "on the floor": "floor_transfer",
    "under load": "loaded",
}
AT_HOME = " at home"
WHEN = ("always", "home", *PLACES, *(p + AT_HOME for p in PLACES))
RULEBOOK_VERSION = version("2026.11", RULES)


@dataclass(frozen=True)
class Limit:
    """A bound on one quantity.

    `quantity` is a profile column; an unsided name of a sided quantity means both sides.
    `at_least` turns the bound into a lower one.  `when` narrows where it holds, `only_step` to one step or family.
    `waits_for` names who must clear it, `event_on` the day before which no clearing counts; `grade` of `grades` says how far a graded return has come.
    """

    id: str
    quantity: str
    bound: float
    reason: str
    source: Source
    strength: str = "limit"
    at_least: bool = False
    when: str = "always"
    measure: str = ""
    set_by: str = "rule-book"
    review_on: date | None = None
    valid_until: date | None = None
    next_grade: str = ""
    only_step: str = ""
    waits_for: str = ""
    event_on: date | None = None
    grade: int = 0
    grades: int = 0

    def __post_init__(self) -> None:
        quantity(self.quantity)
        if self.strength not in STRENGTHS or self.when not in WHEN:
            raise ValueError(f"limit {self.id}: strength '{self.strength}' or when '{self.when}' is not known")
        if not self.reason:
            raise ValueError(f"limit {self.id}: a reason is missing")
        if self.strength == "caution" and not self.measure:
            raise ValueError(f"limit {self.id}: a caution needs the measure that goes with it")

    @property
    def unit(self) -> str:
        return quantity(self.quantity).unit

    def says(self) -> str:
        """One line: 'rounding under load at most 10°'."""
        title = quantity(self.quantity).title
        side = f"{self.quantity.split('.')[0]} " if "." in self.quantity else ""
        word = "at least" if self.at_least else "at most"
        place = "" if self.when == "always" else f" ({self.when})"
        place += f" ({self.only_step.replace('/', ': ').replace('_', ' ')})" if self.only_step else ""
        if self.unit == "0/1" and not self.at_least:
            return f"{side}{title}: not" + place
        unit = (
            "°"
            if self.unit == "deg"
            else ""
            if self.unit in ("count", "0/1", "0–3", "0–10")
            else f" {self.unit}"
        )
        return f"{side}{title} {word} {self.bound:g}{unit}{place}"


@dataclass(frozen=True)
class Obligation:
    """Something the programme must contain: any of these purposes on so many days a week."""

    id: str
    title: str
    purposes: tuple[str, ...]
    days_per_week: int
    reason: str
    source: Source


@dataclass(frozen=True)
class Referral:
    """Something that must be asked of a clinician."""

    id: str
    text: str
    source: Source


@dataclass(frozen=True)
class Answer:
    """What one rule says of one case."""

    limits: tuple[Limit, ...] = ()
    obligations: tuple[Obligation, ...] = ()
    referrals: tuple[Referral, ...] = ()


@dataclass(frozen=True)
class Envelope:
    """Everything that binds one case."""

    limits: tuple[Limit, ...]
    obligations: tuple[Obligation, ...]
    referrals: tuple[Referral, ...]
    by_id: dict[str, Limit] = field(hash=False, compare=False, default_factory=dict)

    def __post_init__(self) -> None:
        self.by_id.update({limit.id: limit for limit in self.limits})
        if len(self.by_id) != len(self.limits):
            raise ValueError("two limits share an id")
