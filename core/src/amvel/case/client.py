"""The open input: one client's case.  Units stand in the names; unknown fields are refused."""

from collections.abc import Mapping
from datetime import date, time, timedelta
from functools import reduce
from operator import or_
from typing import TYPE_CHECKING, Annotated, Any, Literal

from pydantic import Field, model_validator

from amvel.case import conditions, results
from amvel.case.between_sections import faults_between
from amvel.case.condition import Condition as _AnyCondition
from amvel.case.earlier_formats import forward
from amvel.case.faults import fault, faults_of
from amvel.case.goals import Goal
from amvel.case.imperial import to_metric
from amvel.case.local_time import LocalTime
from amvel.case.parts import Part, Sex, Side
from amvel.case.registry import models_in
from amvel.case.result import Result as _AnyResult
from amvel.case.room import Room
from amvel.case.stop_sign_names import StopSignName
from amvel.case.texts import TooDeep, no_texts
from amvel.case.visits import Decision, Visit
from amvel.languages import Language, said
from amvel.numbers import LocalValues

CONDITIONS = models_in(conditions, _AnyCondition, "kind")
RESULTS = models_in(results, _AnyResult, "test")
if TYPE_CHECKING:  # the unions are made of what the folders hold
    from amvel.case.condition import Condition
    from amvel.case.result import Result as TestResult
else:
    Condition = Annotated[reduce(or_, CONDITIONS.values()), Field(discriminator="kind")]
    TestResult = Annotated[reduce(or_, RESULTS.values()), Field(discriminator="test")]
Reached = Literal["yes", "no", "unknown"]
LEAST_NUMBER, MOST_NUMBER = -1000.0, 10_000.0  # beyond what any figure of the rule-book is


class Person(Part):
    """Who is screened. `tallest_stature_cm` is the tallest the person remembers."""

    name: str = Field(default="", max_length=120)
    birth_date: date
    sex: Sex = Field(description="selects the segment and score tables")
    stature_cm: float = Field(ge=95, le=220)
    mass_kg: float = Field(ge=14, le=220)
    tallest_stature_cm: float | None = Field(default=None, ge=95, le=225)
    last_stature_cm: float | None = Field(
        default=None, ge=95, le=225, description="stature at the last measurement before this one"
    )
    popliteal_height_cm: float | None = Field(default=None, ge=20, le=58)
    arm_span_cm: float | None = Field(default=None, ge=90, le=240)


class Consent(Part):
    """Recorded before the first test."""

    on: date
    given_by: Literal["client", "proxy"]
    capacity_confirmed: bool


class StopSignAnswers(Part):
    """The stop signs asked on this day; `present` lists those answered yes.

    `asked` names them one by one; left empty it means the questions that everybody is asked, not those that a
    condition adds.
    """

    asked_on: date
    asked: tuple[StopSignName, ...] = ()
    present: tuple[StopSignName, ...] = ()


class Tolerates(Part):
    """Positions the person can get to and stay in, as asked or tried."""

    floor: Reached = "unknown"
    lying_flat: Reached = "unknown"
    lying_propped: Reached = "unknown"
    face_down: Reached = "unknown"
    left_side: Reached = "unknown"
    right_side: Reached = "unknown"
    kneeling: Reached = "unknown"
    hands_and_knees: Reached = "unknown"
    sitting_unsupported: Reached = "unknown"
    standing: Reached = "unknown"
    bed_transfer: Literal["alone", "with_help", "hoist", "unknown"] = "unknown"
    sitting_minutes: int | None = Field(default=None, ge=1, le=240, description="how long at a time")
    standing_minutes: int | None = Field(default=None, ge=1, le=240, description="how long at a time")
    helper_at_home: Literal["nobody", "somebody", "shown_how"] = Field(
        default="nobody", description="who is in the room during practice at home, and whether it was shown how to help"
    )


LONGEST_AWAY = timedelta(days=366)


class Away(Part):
    """Days on which nothing is practised: a journey, a feast."""

    first: date
    last: date

    @model_validator(mode="after")
    def _ends(self) -> "Away":
        if not self.first <= self.last <= self.first + LONGEST_AWAY:
            raise fault(said("at or after the first day, and within a year of it"), "last")
        return self


class Wishes(Part):
    minutes: int = Field(default=25, ge=5, le=90)
    effort_0_to_10: int = Field(default=6, ge=1, le=10)
    days_per_week: int = Field(default=4, ge=1, le=7)
    at: LocalTime = Field(default=time(10, 0), description="when a session suits best")
    medicine_hours: tuple[LocalTime, ...] = Field(
        default=(), description="when medicine is taken that movement goes better with"
    )
    likes: tuple[str, ...] = Field(default=(), max_length=40, description="families or 'family/step'")
    dislikes: tuple[str, ...] = Field(default=(), max_length=40, description="families or 'family/step'")
    away: tuple[Away, ...] = Field(default=(), max_length=24)
    goals: tuple[Goal, ...] = ()


class Understanding(Part):
    """How instructions arrive best, and what is hard to bear."""

    language: Language = Field(default="en", description="of what the client takes home")
    by: tuple[Literal["words", "showing", "touch", "pictures", "rhythm"], ...] = ()
    dislikes: tuple[Literal["touch", "bands", "noise", "lying_flat", "closed_eyes"], ...] = ()


ClinicianProfession = Literal["physician", "surgeon", "midwife", "physiotherapist", "occupational_therapist", "nurse", "other"]
# Whose word may loosen: our choice; local rules prevail.
CLEARING_PROFESSIONS: tuple[ClinicianProfession, ...] = ("physician", "surgeon", "midwife", "physiotherapist")


class ClinicianWord(Part):
    """What a clinician forbids, limits or clears, as it was written.

    `quantity` and `bound` say what is forbidden or limited; `step` ('family' or 'family/step') narrows it, or is what is
    forbidden; `load_kg` and `gentle_only` limit what is held and the effort.  `clears` names a rule, or one limit of it,
    whose limits wait for a clinician; with `bound` it is cleared only as far as that number.  Whoever loosens needs the
    `profession` for it; anybody named here may forbid or limit.
    """

    kind: Literal["forbids", "limits", "clears"]
    name: str = Field(min_length=2, max_length=120)
    role: str = Field(min_length=2, max_length=80, description="as it stands on the paper, to be printed")
    profession: ClinicianProfession | None = None
    on: date
    document: str = Field(default="", max_length=200)
    reason: str = Field(default="", max_length=300)
    quantity: str = ""
    side: Side | None = None
    bound: float | None = Field(default=None, ge=0, le=1000)
    clears: str = ""
    step: str = Field(default="", max_length=120, description="'family' or 'family/step'")
    load_kg: float | None = Field(default=None, ge=0, le=100)
    gentle_only: bool = False
    valid_until: date | None = None
    recorded_by: str = Field(default="", max_length=150, description="log-in of whoever entered it; empty outside a practice's records")
    reported: bool = Field(default=False, description="entered by somebody else than the clinician: loosens only when confirmed")
    confirmed_by: str = Field(default="", max_length=150)
    confirmed_on: date | None = None
    withdrawn_on: date | None = None

    @property
    def may_clear(self) -> bool:
        """Whether who said it has a profession that loosens, and said it here or was confirmed by a second person."""
        return self.profession in CLEARING_PROFESSIONS and not self.waits_for_confirmation

    @property
    def waits_for_confirmation(self) -> bool:
        """Reported, and nobody else than whoever entered it has seen the document."""
        return self.reported and (not self.confirmed_by or self.confirmed_by == self.recorded_by)

    @model_validator(mode="after")
    def _says_something(self) -> "ClinicianWord":
        for name, text in (("name", self.name), ("role", self.role)):
            if not text.strip():
                raise fault(said("say who said it"), name)
        if self.kind == "clears" and self.reported and len(self.document.strip()) < 3:
            raise fault(said("what is only reported loosens nothing without the document that says so"), "document")
        if self.kind == "clears" and not self.clears:
            raise fault(said("name the rule or the limit that is cleared"), "clears")
        if self.kind == "forbids" and not (self.quantity or self.step):
            raise fault(said("name what is forbidden, or a step"), "quantity")
        if self.valid_until is not None and not self.on <= self.valid_until <= self.on + LONGEST_WORD:
            raise fault(said("lies after the day of the word, and at most five years later"), "valid_until")
        if self.kind == "limits":
            if not (self.quantity or self.load_kg is not None or self.gentle_only):
                raise fault(said("name what is limited, or a load, or gentle only"), "quantity")
            if self.quantity and self.bound is None:
                raise fault(said("give the number that must not be passed"), "bound")
        return self


class OwnLimit(Part):
    """A stricter bound by the specialist, with a reason and a day to look at it again."""

    quantity: str = Field(min_length=3)
    side: Side | None = None
    bound: float = Field(ge=0, le=1000)
    reason: str = Field(min_length=5, max_length=300)
    by: str = Field(min_length=2, max_length=120)
    on: date
    review_on: date | None = None


class Review(Part):
    """A look at a temporary limit: it passes when the movement is done strongly, with confidence and without a flare."""

    rule: str = Field(min_length=3, description="the rule whose limits were reviewed")
    side: Side | None = None
    on: date
    done_strongly: bool
    confidence_0_to_10: int = Field(ge=0, le=10)
    next_day_flare: bool
    by: str = Field(default="", max_length=120)

    @property
    def passed(self) -> bool:
        return self.done_strongly and self.confidence_0_to_10 >= CONFIDENT and not self.next_day_flare


CONFIDENT = 7  # of 10: our choice


LONGEST_OVERRIDE = timedelta(days=90)  # our choice; then it is looked at again
LONGEST_WORD = timedelta(days=5 * 366)  # our choice: nobody writes a letter for longer


class Override(Part):
    """One limit, one step, one side, opened by a person with the right to it until a day."""

    limit_id: str
    step: str
    side: Side | Literal["both"]
    by: str = Field(min_length=2, max_length=120)
    role: Literal["specialist", "clinician"]
    reason: str = Field(min_length=5, max_length=300)
    on: date
    expires_on: date
    withdrawn_on: date | None = None
    withdrawn_by: str = Field(default="", max_length=120)

    @model_validator(mode="after")
    def _says_why_and_ends(self) -> "Override":
        if len(self.reason.strip()) < 5:
            raise fault(said("say why"), "reason")
        if len(self.by.strip()) < 2:
            raise fault(said("say who"), "by")
        if self.expires_on <= self.on:
            raise fault(said("must lie after the day it was given"), "expires_on")
        if self.expires_on > self.on + LONGEST_OVERRIDE:
            raise fault(said("an override lasts {days} days at most; then look at it again", days=LONGEST_OVERRIDE.days), "expires_on")
        return self


class LocalNumber(Part):
    """A figure of the rule-book as it is here: of the house that has put it in force, or on trial.

    `rule` is the rule, test or standard that owns it. It belongs to the house and not to the client, as the day does.
    """

    rule: str = Field(min_length=3, max_length=80)
    number: str = Field(min_length=1, max_length=80)
    value: float = Field(ge=LEAST_NUMBER, le=MOST_NUMBER)


class Case(Part):
    """One client, as of one day."""

    format: Literal["amvel-case-2"] = "amvel-case-2"
    as_of: date
    person: Person
    consent: Consent | None = None
    stop_signs: StopSignAnswers | None = None
    conditions: tuple[Condition, ...] = ()
    tests: tuple[TestResult, ...] = ()
    room: Room = Room()
    other_rooms: tuple[Room, ...] = Field(
        default=(), description="rooms beside the first, such as the centre's"
    )
    tolerates: Tolerates = Tolerates()
    wishes: Wishes = Wishes()
    overrides: tuple[Override, ...] = ()
    understanding: Understanding = Understanding()
    clinician_words: tuple[ClinicianWord, ...] = ()
    own_limits: tuple[OwnLimit, ...] = ()
    reviews: tuple[Review, ...] = ()
    visits: tuple[Visit, ...] = Field(default=(), description="what was done in sessions, step by step")
    decisions: tuple[Decision, ...] = Field(default=(), description="on what the engine proposed after visits")
    schools: dict[str, str] = Field(default={}, description="answers to the schools' questions, by question")
    family_schools: dict[str, dict[str, str]] = Field(
        default={}, description="other answers for single families"
    )
    previous_steps: tuple[str, ...] = Field(
        default=(), description="steps of the last programme, 'family/step'"
    )
    local_numbers: tuple[LocalNumber, ...] = Field(
        default=(), max_length=400, description="figures of the rule-book that are others where this client is"
    )

    @model_validator(mode="after")
    def _its_sections_agree(self) -> "Case":
        for wrong in faults_between(self):
            raise wrong
        return self

    @property
    def local_values(self) -> LocalValues:
        """The figures that are others here, by their owner and name."""
        return {(n.rule, n.number): n.value for n in self.local_numbers}

    def with_local(self, values: LocalValues) -> "Case":
        """The same client where these figures hold as well."""
        both = {**self.local_values, **values}
        numbers = tuple(LocalNumber(rule=rule, number=number, value=value) for (rule, number), value in both.items())
        return self.model_copy(update={"local_numbers": numbers})

    def room_for(self, context: str) -> Room:
        """The room of a context: the one named for it, else the first that serves both, else the first."""
        rooms = (self.room, *self.other_rooms)
        named = [r for r in rooms if r.used_for == context]
        return (named or [r for r in rooms if r.used_for == "both"] or [self.room])[0]


class CaseError(ValueError):
    """The case is refused; `faults` holds (path, reason) pairs."""

    def __init__(self, faults: list[tuple[str, str]]) -> None:
        super().__init__("; ".join(f"{path}: {reason}" for path, reason in faults))
        self.faults = faults


DEEPEST = 20  # levels of nesting: a case has half of them


def read_case(data: Any) -> Case:
    """Validate a case, metric or imperial; raises CaseError with one fault per field."""
    _refuse_what_is_no_text(data)
    return _validated(to_metric(forward(data)))


def amended(case: Case, sections: Mapping[str, Any]) -> Case:
    """The same case with sections replaced, as data or as parts that were read before: only data are read anew, and what
    must hold between sections is looked at again. Raises CaseError with one fault per field."""
    _refuse_what_is_no_text(dict(sections))
    return _validated({**dict(case), **to_metric(dict(sections))})


def _refuse_what_is_no_text(data: Any) -> None:
    try:
        faults: list[tuple[str, str]] = [(path, said("holds a character that is no text")) for path in no_texts(data, DEEPEST)]
    except TooDeep as error:
        raise CaseError([(error.path, error.args[0])]) from error
    if faults:
        raise CaseError(faults)


def _validated(data: Any) -> Case:
    from pydantic import ValidationError

    try:
        return Case.model_validate(data)
    except ValidationError as error:
        raise CaseError(faults_of(error.errors(), without=_TAGS)) from error


# The words that pydantic puts into a path to say which kind of condition or test it tried.
_TAGS = frozenset(CONDITIONS) | frozenset(RESULTS)
