"""What was done: visits and sessions at home, movement by movement and side by side, as they were logged."""

from collections.abc import Iterator
from datetime import date, time
from typing import Literal

from pydantic import Field, model_validator

from amvel.case.faults import fault
from amvel.case.local_time import LocalTime
from amvel.case.parts import Part, Side
from amvel.languages import said

LoggedSide = Literal["left", "right", "both"]
Ended = Literal["target", "form", "symptom", "time", "person"]
Where = Literal[
    "head", "neck", "shoulder", "arm", "wrist", "upper_back", "low_back", "belly", "pelvic_floor", "groin", "buttock", "hip",
    "thigh", "knee", "calf", "foot", "chest",
]  # fmt: skip
What = Literal["pain", "pinching", "tingling", "pain_down_the_leg", "pelvic_pressure", "dizziness", "breathlessness"]
_OF_EACH = Field(ge=0, le=10)
LONGEST_VISIT_MIN = 240
RISE_THAT_STOPS = 2  # of 10: pain that rises by so much ends the movement (common practice, no source)


class FaultSeen(Part):
    """A fault by its id, the repetition at which it came, and whether it was unaware (cued, went on) or tired (ended the set)."""

    fault: str = Field(min_length=2, max_length=60)
    repetition: int = Field(ge=1, le=200)
    meaning: Literal["unaware", "tired"] | None = None


class SetDone(Part):
    """One set of one side.

    `clean` counts clean repetitions; `discarded` those that began before the breath and count for nothing.
    """

    side: LoggedSide = "both"
    target: int = Field(ge=1, le=200)
    clean: int = Field(ge=0, le=200)
    with_faults: int = Field(default=0, ge=0, le=200)
    discarded: int = Field(default=0, ge=0, le=200)
    held_s: float | None = Field(default=None, ge=0, le=900, description="longest clean hold")
    ended_by: Ended
    faults: tuple[FaultSeen, ...] = Field(default=(), max_length=200)

    @property
    def reached(self) -> bool:
        return self.ended_by == "target" and self.clean >= self.target

    @property
    def clean_throughout(self) -> bool:
        """To its target without a fault; a fault that a cue put right is a reason to stay, not to go on."""
        return self.reached and not (self.with_faults or self.faults)


class CueTried(Part):
    """One of the cues that the step declares, by its place in their order."""

    cue: int = Field(ge=0, le=20)
    worked: bool


class Comparison(Part):
    """The two sides against each other, at the end of a pair."""

    range: Literal["same", "left_less", "right_less"]
    ease: Literal["same", "left_less", "right_less"]
    coming_back: Literal["same", "left_less", "right_less"]


class Symptom(Part):
    """Something felt that should not be, during a movement."""

    what: What
    where: Where
    side: Side | None = None
    rise_0_to_10: int = _OF_EACH
    spreading: bool = False

    @property
    def stops(self) -> bool:
        """Whether it ends the movement by rule: everything but pain that rises less than 2 of 10 and stays in place."""
        return self.what != "pain" or self.spreading or self.rise_0_to_10 >= RISE_THAT_STOPS


class MovementDone(Part):
    """One movement of a visit."""

    step: str = Field(min_length=3, max_length=120, description="'family/step'")
    sets: tuple[SetDone, ...] = Field(default=(), max_length=20)
    cues: tuple[CueTried, ...] = Field(default=(), max_length=20, description="in the order in which they were tried")
    compared: Comparison | None = None
    symptoms: tuple[Symptom, ...] = Field(default=(), max_length=20)
    effort_0_to_10: int | None = Field(default=None, ge=0, le=10)
    confidence_0_to_10: int | None = Field(default=None, ge=0, le=10)
    felt: tuple[Where, ...] = Field(default=(), max_length=17)
    skipped: Literal["time", "tired", "symptom", "no_room", "not_wanted"] | None = None

    @model_validator(mode="after")
    def _done_or_skipped(self) -> "MovementDone":
        if bool(self.sets) == (self.skipped is not None):
            raise fault(said("a movement has sets, or the reason why it was skipped"), "sets")
        return self

    @property
    def stopped_by_symptom(self) -> bool:
        return any(s.stops for s in self.symptoms)

    def reached(self, side: str | None = None) -> bool:
        """Whether every set, of one side where it is named, came to its target in clean repetitions."""
        own = [s for s in self.sets if side is None or s.side in (side, "both")]
        return bool(own) and all(s.reached for s in own) and not self.stopped_by_symptom

    def clean_throughout(self, side: str | None = None) -> bool:
        """The same without a single fault."""
        return self.reached(side) and all(s.clean_throughout for s in self.sets if side is None or s.side in (side, "both"))


class NextDay(Part):
    """How it was the day after: asked before the next session, or told from home."""

    told_on: date
    soreness_0_to_10: int | None = Field(default=None, ge=0, le=10, description="none where it was not told")
    flare: bool = Field(description="the old complaint was worse than usual")
    where: Where | None = None


class Visit(Part):
    """One session: with the specialist, or at home.  `id` is given by the device that logged it."""

    id: str = Field(min_length=8, max_length=64, pattern=r"^[A-Za-z0-9-]+$")
    on: date
    began: LocalTime | None = None
    context: Literal["visit", "home"]
    by: Literal["specialist", "assistant", "client", "carer"]
    session: Literal["A", "B", "C"] = "A"
    minutes: float | None = Field(default=None, ge=0, le=LONGEST_VISIT_MIN)
    pain_before_0_to_10: int | None = Field(default=None, ge=0, le=10)
    pain_where: Where | None = None
    slept: Literal["well", "badly"] | None = None
    strength_left_0_to_10: int | None = Field(default=None, ge=0, le=10, description="what is left for today, as the client says")
    effort_0_to_10: int | None = Field(default=None, ge=0, le=10)
    movements: tuple[MovementDone, ...] = Field(default=(), max_length=60)
    next_day: NextDay | None = None

    @model_validator(mode="after")
    def _told_later(self) -> "Visit":
        if self.next_day is not None and self.next_day.told_on < self.on:
            raise fault(said("lies before the visit"), "next_day", "told_on")
        return self

    @property
    def seen(self) -> bool:
        """Whether somebody of the trade was there: what is told from home has been seen by nobody."""
        return self.by in ("specialist", "assistant")

    @property
    def flared(self) -> bool:
        return self.next_day is not None and self.next_day.flare


class Decision(Part):
    """What a person decided on a proposal: taken, taken otherwise, or not, with the reason; `step` is the movement that it is about."""

    proposal: str = Field(min_length=3, max_length=200, description="id of the proposal")
    step: str = Field(default="", max_length=120, description="'family/step'")
    on: date
    answer: Literal["accepted", "changed", "declined"]
    reason: str = Field(default="", max_length=300)
    by: str = Field(default="", max_length=120)

    @model_validator(mode="after")
    def _says_why(self) -> "Decision":
        if self.answer != "accepted" and len(self.reason.strip()) < 5:
            raise fault(said("say why it was not taken as it was proposed"), "reason")
        return self


def went_clean(visit: Visit, done: MovementDone) -> bool:
    """Clean to its target on every side without a fault, and no flare the day after."""
    return done.clean_throughout() and not visit.flared


def in_order(visits: tuple[Visit, ...]) -> list[Visit]:
    """By the day and hour at which they began; the order in which they arrived says nothing."""
    return sorted(visits, key=lambda v: (v.on, v.began or time(0), v.id))


def sessions_of_step(visits: tuple[Visit, ...], step: str) -> Iterator[tuple[Visit, MovementDone]]:
    """Every session in which a step was done and not skipped, in order."""
    for visit in in_order(visits):
        for done in visit.movements:
            if done.step == step and done.sets:
                yield visit, done


__all__ = [
    "Comparison",
    "CueTried",
    "Decision",
    "FaultSeen",
    "MovementDone",
    "NextDay",
    "SetDone",
    "Symptom",
    "Visit",
    "in_order",
    "sessions_of_step",
    "went_clean",
]
