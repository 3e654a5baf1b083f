"""Limits, obligations and referrals: what findings become."""

import math
from dataclasses import dataclass, field
from datetime import date
from enum import Enum
from functools import cached_property
from typing import Any, Literal, NamedTuple

from amvel.content import RULES, version
from amvel.languages import Message, said, said_together, term
from amvel.movements import find, library
from amvel.movements.course import told_when_asked
from amvel.movements.levels import SAYS
from amvel.movements.stance import RISE_SAYS, STANCE_SAYS
from amvel.quantities import LEVEL, quantity
from amvel.quantities.amount import with_unit
from amvel.sources import Source

Strength = Literal["forbidden", "limit", "caution"]
STRENGTHS: tuple[Strength, ...] = ("forbidden", "limit", "caution")  # strongest first

DONE_AT_ALL = "performed"  # the quantity that every step has by being done
# Units whose numbers are ours: on screen and paper they are words.
_IN_WORDS = {LEVEL: SAYS, "stance": STANCE_SAYS, "rise": RISE_SAYS}


def in_words(value: float, unit: str) -> str:
    """What a pose has of a quantity; '' for what is or is not there."""
    if unit == "0/1" or math.isinf(value):
        return ""
    if unit in _IN_WORDS:
        words = _IN_WORDS[unit]
        level = math.ceil(value - 0.05)
        return said("here: {what}", what=words[level]) if level in words else said("here: more than {what}", what=words[max(words)])
    return said("here {amount}", amount=with_unit(said("{number}", number=float(value)), unit))


# Without a side, and with one.
_AT_MOST = (said("{title} at most {amount}"), said("{side} {title} at most {amount}"))
_AT_LEAST = (said("{title} at least {amount}"), said("{side} {title} at least {amount}"))


class Place(Enum):
    """Where a limit looks: how it reads, and the column that is 1 there ('' for everywhere)."""

    ANYWHERE = ("always", "")
    STANDING = ("standing", "standing")
    ON_ONE_LEG = ("on one leg", "one_leg_stance")
    SITTING = ("sitting", "sitting")
    FACE_DOWN = ("face down", "face_down")
    ON_THE_BACK = ("on the back", "on_the_back")
    HANDS_AND_KNEES = ("hands and knees", "on_hands_and_knees")
    KNEELING = ("kneeling", "kneeling")
    LYING_FLAT = ("lying flat", "lying_flat")
    ON_THE_FLOOR = ("on the floor", "floor_transfer")
    LYING = ("lying", "lying")
    SPINE_LOADED = ("while the spine is loaded", "loaded")
    EXERCISES = ("in exercises", "exercise")

    def __init__(self, says: str, column: str) -> None:
        self.says, self.column = said(says), column


# Whether frames are at a place is read off them before anything is told of the whole movement.
if unread := [place.name for place in Place if told_when_asked(place.column)]:
    raise ValueError(f"Place.{unread[0]}: its column is told of the whole movement, so that its frames do not show it")


class Origin(Enum):
    """Why a limit is there: a rule that a finding meets, something that nobody has shown yet, or a person's word."""

    RULE = "rule"
    NOT_SHOWN = "not_shown"
    CLINICIAN = "clinician"
    SPECIALIST = "specialist"


class Reader(Enum):
    """Whom the measure of a caution is told."""

    PERSON = "person"
    HELPER = "helper"  # whoever is beside the person, at home as well
    SPECIALIST = "specialist"


RULEBOOK_VERSION = version("2026.11", RULES)


@dataclass(frozen=True)
class Limit:
    """A bound on one quantity.

    `quantity` is a profile column; an unsided name of a sided quantity means both sides.
    `at_least` turns the bound into a lower one.  `when` narrows where it holds, `at_home` to who is alone, `only_step` to one step or family.
    `opened_by` are the tests that could show what is missing; `assumes` are assumptions that made the bound what it is.
    `waits_for` names who must clear it, `event_on` the day before which no clearing counts; `grade` of `grades` says how far a graded return has come.
    """

    id: str
    quantity: str
    bound: float
    reason: str
    source: Source
    strength: Strength = "limit"
    at_least: bool = False
    when: Place = Place.ANYWHERE
    at_home: bool = False
    measure: str = ""
    read_by: Reader = Reader.PERSON
    set_by: str = "rule-book"
    review_on: date | None = None
    valid_until: date | None = None
    next_grade: str = ""
    only_step: str = ""
    waits_for: str = ""
    event_on: date | None = None
    grade: int = 0
    grades: int = 0
    origin: Origin = Origin.RULE
    opened_by: tuple[str, ...] = ()
    assumes: frozenset[str] = frozenset()

    def __post_init__(self) -> None:
        object.__setattr__(self, "bound", self._as_it_is_said(quantity(self.quantity).decimals))
        if self.strength not in STRENGTHS:
            raise ValueError(f"limit {self.id}: strength '{self.strength}' is not known")
        if not self.reason:
            raise ValueError(f"limit {self.id}: a reason is missing")
        if self.strength == "caution" and not self.measure:
            raise ValueError(f"limit {self.id}: a caution needs the measure that goes with it")

    def _as_it_is_said(self, decimals: int) -> float:
        """The bound to as many decimals as anybody reads, to the safe side: what is judged by is what stands on the page."""
        scale = 10.0 ** max(1, decimals)
        steps = self.bound * scale
        return (math.ceil(steps - 1e-6) if self.at_least else math.floor(steps + 1e-6)) / scale

    @property
    def rule(self) -> str:
        """The rule that set it: the first part of its id."""
        return self.id.partition(".")[0]

    @property
    def unit(self) -> str:
        return quantity(self.quantity).unit

    def binds_in(self, context: str) -> bool:
        """Whether it holds in this context: what holds for who is alone holds at home only."""
        return context == "home" or not self.at_home

    @property
    def bound_in_words(self) -> str:
        """The bound where its number is ours alone; '' elsewhere."""
        return _IN_WORDS[self.unit][int(self.bound)] if self.unit in _IN_WORDS else ""

    @property
    def condition(self) -> str:
        """Where it holds, in words: 'always', 'standing at home'."""
        if not self.at_home:
            return self.when.says
        return "home" if self.when is Place.ANYWHERE else said("{says} at home", says=term(self.when.says))

    def says(self) -> str:
        """One line: 'rounding under load at most 10°'."""
        title = quantity(self.quantity).title
        side = said(self.quantity.split(".")[0]) if "." in self.quantity else None
        if self.only_step and self.quantity == DONE_AT_ALL and not self.at_least:
            where = said_together((" (", self.condition, ")")) if self.condition != Place.ANYWHERE.says else said("")
            return said("not: {what}", what=self._step_in_words()) + where
        places = ([self.condition] if self.condition != Place.ANYWHERE.says else []) + ([self._step_in_words()] if self.only_step else [])
        place = said_together(part for where in places for part in (" (", said(where), ")"))
        if self.unit == "0/1" and not self.at_least:
            return said("no {title}", title=title) + (said_together((", ", side)) if side else said("")) + place
        if self.unit in _IN_WORDS:
            return said("{title} up to: {bound_in_words}", title=term(title), bound_in_words=term(self.bound_in_words)) + (said(" (at home)") if self.at_home else "")
        amount = with_unit(said("{number}", number=float(self.bound)), self.unit)
        sentence = (_AT_LEAST if self.at_least else _AT_MOST)[side is not None]
        return said(sentence, side=side, title=title, amount=amount) + place

    def _step_in_words(self) -> Message:
        """The title of the family, or of the family and the step, that it is about."""
        if self.only_step in library():
            return said(library()[self.only_step].title)
        family, step = find(self.only_step)
        return said_together((family.title, step.title), ": ")


@dataclass(frozen=True)
class Obligation:
    """Something the programme must contain: any of these purposes on so many days a week, for so many working minutes a day.

    With `both_sides` only what is done on each side counts.
    """

    id: str
    title: str
    purposes: tuple[str, ...]
    days_per_week: int
    reason: str
    source: Source
    minutes: float = 0.0
    both_sides: bool = False


@dataclass(frozen=True)
class Referral:
    """Something that must be asked of a clinician; `duty` is the one of its rule that it comes from."""

    id: str
    text: str
    source: Source
    duty: str = ""


@dataclass(frozen=True)
class Answer:
    """What one rule says of one case."""

    limits: tuple[Limit, ...] = ()
    obligations: tuple[Obligation, ...] = ()
    referrals: tuple[Referral, ...] = ()


class Binding(NamedTuple):
    """Limits that close what breaks them."""

    on_frames: tuple[Limit, ...]
    on_the_whole: tuple[Limit, ...]  # on what is told of a whole movement when somebody asks


@dataclass(frozen=True)
class Envelope:
    """Everything that binds one case."""

    limits: tuple[Limit, ...]
    obligations: tuple[Obligation, ...]
    referrals: tuple[Referral, ...]
    by_id: dict[str, Limit] = field(hash=False, compare=False, default_factory=dict)

    @cached_property
    def binding(self) -> Binding:
        """Its limits but for the cautions."""
        limits = [x for x in self.limits if x.strength != "caution"]
        return Binding(tuple(x for x in limits if not told_when_asked(x.quantity)), tuple(x for x in limits if told_when_asked(x.quantity)))

    @cached_property
    def looked_up(self) -> dict[tuple[Any, ...], Any]:
        """What is looked up in its limits once (see `verdict`)."""
        return {}

    def __post_init__(self) -> None:
        self.by_id.update({limit.id: limit for limit in self.limits})
        if len(self.by_id) != len(self.limits):
            raise ValueError("two limits share an id")
