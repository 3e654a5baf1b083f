"""What the client wants to do again: in their own words, and as a task that the planner knows or that was mapped by hand.

The words are shown as they are and never read by a program: which task they mean is chosen.
"""

from enum import StrEnum
from typing import Any

from pydantic import Field, model_validator

from amvel.case.faults import fault
from amvel.case.parts import Part
from amvel.case.purposes import Purpose
from amvel.languages import said


class Task(StrEnum):
    """Tasks of daily life, work and leisure, by the value that stands in a case."""

    DRESSING = "dressing"
    SHOES = "shoes"
    BATH = "bath"
    BED = "bed"
    RISING = "rising"
    FLOOR = "floor"
    STAIRS = "stairs"
    WALKING = "walking"
    RUNNING = "running"
    SHOPPING = "shopping"
    CARRYING_A_CHILD = "carrying_a_child"
    LIFTING = "lifting"
    CARRYING = "carrying"
    REACHING_UP = "reaching_up"
    KITCHEN = "kitchen"
    HOUSEWORK = "housework"
    GARDEN = "garden"
    SITTING_AT_WORK = "sitting_at_work"
    STANDING_AT_WORK = "standing_at_work"
    DRIVING = "driving"
    TRANSFER = "transfer"
    SWIMMING = "swimming"
    DANCING = "dancing"
    SINGING = "singing"
    PLAYING_MUSIC = "playing_music"


class Goal(Part):
    """One goal; `asks` is what the specialist says it asks of the body where no task of the list is meant."""

    words: str = Field(min_length=1, max_length=200, description="as the client said it; shown, never parsed")
    task: Task | None = Field(default=None, description="the task of the list that is meant")
    asks: tuple[Purpose, ...] = Field(default=(), description="a task of one's own: what it asks of the body, the most important first")

    @model_validator(mode="before")
    @classmethod
    def _words_alone(cls, data: Any) -> Any:
        """Cases of before hold the words alone."""
        return {"words": data} if isinstance(data, str) else data

    @model_validator(mode="after")
    def _one_or_the_other(self) -> "Goal":
        if not self.words.strip():
            raise fault(said("say the goal as the client said it"), "words")
        if self.task is not None and self.asks:
            raise fault(said("a task of the list says itself what it asks; choose one of the two"), "asks")
        if len(set(self.asks)) < len(self.asks):
            raise fault(said("each thing once"), "asks")
        return self

    @property
    def mapped(self) -> bool:
        """Whether anything can be planned for it."""
        return self.task is not None or bool(self.asks)
