"""A ladder under construction: what its rungs share is said once."""

from dataclasses import replace
from typing import Any

from amvel.movements.declaration import Dose, Family, Frames, Position, Step
from amvel.movements.room_measures import FitId
from amvel.movements.session_part import SessionPart


class Ladder:
    """Collects rungs, easiest first.  Each rung may say its own set-up, cues, faults and words instead of the shared ones."""

    def __init__(
        self,
        id: str,
        title: str,
        position: Position,
        about: str,
        replaces: tuple[str, ...] = (),
        asked_for: bool = False,
        part: SessionPart = SessionPart.WORKS,
        hitched_side_first: bool = False,
        fits: tuple[FitId, ...] = (),
        **shared: Any,
    ) -> None:
        self.id, self.title, self.position, self.about, self.replaces = id, title, position, about, replaces
        self.asked_for, self.part, self.hitched_side_first = asked_for, part, hitched_side_first
        self.fits, self.shared = fits, shared
        self.steps: list[Step] = []

    def rung(
        self,
        id: str,
        title: str,
        frames: Frames,
        dose: Dose,
        purposes: dict[str, float],
        effort: float,
        **own: Any,
    ) -> "Ladder":
        """One more step. `also` is added to the shared set-up, `more_faults` to the shared faults."""
        said = {**self.shared, **own}
        said["setup"] = (*said["setup"], *said.pop("also", ()))
        own_faults = said.pop("more_faults", ())
        step = Step(id=id, title=title, frames=frames, dose=dose, purposes=purposes, effort=effort, **said)
        self.steps.append(step.watching(*own_faults))
        return self

    def family(self, daily_task: bool = False) -> Family:
        """The finished family; a malformed one fails here, at import."""
        steps = tuple(self.steps)
        more = (self.part, self.hitched_side_first, self.fits)
        return Family(self.id, self.title, self.position, self.about, steps, self.replaces, self.asked_for, daily_task, *more)


def held(dose: Dose, seconds: float) -> Dose:
    """The same dose with a hold."""
    return replace(dose, hold_s=seconds, seconds=max(dose.seconds, seconds + 3))
