"""What a fit is: one measure of the set-up, with its tolerance, what makes it up, and how it is drawn."""

from dataclasses import dataclass, field

import numpy as np

from amvel.body import JOINTS
from amvel.languages import said
from amvel.movements import Profile, Profiler, Request, find
from amvel.movements.room_measures import FitId
from amvel.sources import Source


@dataclass(frozen=True)
class Mark:
    """A measure in the drawing, between two points in cm of the body's own frame of the picture.

    `kind` is 'up' (a height at the landmark `at`), 'along' (level, between two landmarks) or 'wall' (from the toes).
    """

    kind: str
    at: str
    to: str = ""
    value_cm: float = 0.0
    base_cm: float = 0.0


@dataclass(frozen=True)
class Drawing:
    """Which pose the fit is shown on."""

    ref: str
    side: str = "both"
    values: dict[str, float | str] = field(default_factory=dict, hash=False)
    frame: int = 0
    marks: tuple[Mark, ...] = ()


@dataclass(frozen=True)
class Fit:
    """One thing to set up: `value` in `unit`, good between `low` and `high`, in words, and what it is made of."""

    id: FitId
    title: str
    value: float
    low: float
    high: float
    says: str
    source: Source
    unit: str = "cm"
    made_of: str = ""
    fits: bool = True
    drawing: Drawing | None = None
    best: bool = True  # of several that would do, the one to take

    def __post_init__(self) -> None:
        object.__setattr__(self, "title", said(self.title))


def pose(profiler: Profiler, ref: str, side: str = "both", **values: float | str) -> Request:
    """A step at its defaults but for these values."""
    family, step = find(ref)
    return Request(family, step, side, {**step.defaults(profiler.body), **values})


def posed(profiler: Profiler, ref: str, side: str = "both", **values: float | str) -> Profile:
    """The profile of such a step."""
    return profiler.profile(pose(profiler, ref, side, **values))


def heights_cm(profiler: Profiler, profile: Profile, frame: int = 0) -> dict[str, tuple[float, float, float]]:
    """Every landmark of one declared frame, (x, y, z) in cm."""
    profile = profiler.posed(profile)
    assert profile.posed is not None
    points = 100 * profile.posed.points[profile.rows[frame]]
    return {
        n: (float(points[i, 0]), float(points[i, 1]), float(points[i, 2]))
        for n, i in profiler.skeleton.landmarks.index.items()
    }


def standing_cm(profiler: Profiler) -> dict[str, tuple[float, float, float]]:
    """Landmarks in cm of the body with every joint at zero."""
    angles = np.zeros((1, len(JOINTS)))
    placed = profiler.skeleton.place(np.zeros((1, 3)), np.eye(3)[None], angles)
    points = 100 * profiler.skeleton.points(placed)[0]
    return {
        n: (float(points[i, 0]), float(points[i, 1]), float(points[i, 2]))
        for n, i in profiler.skeleton.landmarks.index.items()
    }


__all__ = ["Drawing", "Fit", "Mark", "heights_cm", "pose", "posed", "standing_cm"]
