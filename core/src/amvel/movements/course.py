"""One movement from its declared frames through those in between: which frames there are, and what was measured over all of them."""

import numpy as np

from amvel.body import (
    Falls,
    Flat,
    Posed,
    PoseFault,
    PoseSpec,
    Skeleton,
    computed,
)
from amvel.body.tree import Array, Flags
from amvel.movements.acting import ACTING, acts
from amvel.movements.columns import Columns
from amvel.movements.coordination import moving_limbs, parts_of
from amvel.movements.frames import Frame
from amvel.movements.levels import LEVEL_COLUMNS, Ceilings, as_named
from amvel.movements.profile import Declared, Profile, Request
from amvel.movements.promise import broken
from amvel.movements.stance import low_seat_cm, rise_level
from amvel.quantities import REGISTRY


def first_of(faults: list[PoseFault | None], more: list[PoseFault | None]) -> list[PoseFault | None]:
    return [a or b for a, b in zip(faults, more, strict=True)]


class Course:
    """Declared frames with those in between: for each the declared one that it is at (`key`) or how far beyond (`share`).

    A movement with a frame that this body cannot take is not looked at in between: it is out already.
    """

    def __init__(
        self, declared: list[list[Frame]], keys: list[PoseSpec], faults: list[PoseFault | None], between: int
    ) -> None:
        self.keys = keys
        self.frames: list[Frame] = []
        self.names: list[str] = []
        self.spans: list[range] = []
        self.steps: list[int] = []
        key: list[int] = []
        share: list[float] = []
        at = 0
        for group in declared:
            inner = 0 if any(faults[at : at + len(group)]) else between
            start = len(key)
            for i, frame in enumerate(group):
                last = i + 1 == len(group)
                for k in range(1 if last else inner + 1):
                    key.append(at + i)
                    share.append(k / (inner + 1))
                    on = "" if k == 0 else f" → {group[i + 1].name}"
                    self.frames.append(frame.named(frame.name + on) if k else frame)
                    self.names.append(keys[at + i].name if k == 0 else f"{keys[at + i].name} → {keys[at + i + 1].name}")
            self.spans.append(range(start, len(key)))
            self.steps.append(inner + 1)
            at += len(group)
        self.key, self.share = np.array(key, dtype=np.int64), np.array(share)


# What is added to what was computed of each frame: of a movement, or read from several columns.
_OF_MOVEMENTS = frozenset(("coordination", "exercise", "speed_deg_s", "stance_level", "rise_level", "low_seat_cm")) | ACTING


def _complete() -> None:
    """Raise ValueError naming a quantity that is registered and not computed, or computed and not registered."""
    found = computed() | _OF_MOVEMENTS | LEVEL_COLUMNS
    for name in sorted(found ^ set(REGISTRY)):
        what = "no profile computes it" if name in REGISTRY else "it is computed and not registered"
        raise ValueError(f"quantities.{name}: {what}")


_complete()


def measured_over(
    skeleton: Skeleton,
    request: Request,
    span: range,
    course: Course,
    flat: Flat,
    posed: Posed,
    stands: Flags,
    columns: "Columns",
    ceilings: Ceilings | None,
) -> Profile:
    rows = slice(span.start, span.stop)
    own = posed.part(rows)
    fault = next((f for f in own.faults if f), None)
    repeated = np.array([not f.facts.way_in for f in course.frames[span.start : span.stop]])
    declared = [int(i) for i in np.flatnonzero((course.share[rows] == 0) & repeated)]
    if not fault:
        step = request.step
        shows = {p.id: p.shows for p in step.parameters}
        titles = {p.id: p.title for p in step.parameters}
        neutral = flat.neutral[rows]
        fault = broken(shows, titles, request.values, request.side, skeleton, own, neutral, declared, request.label)
    if not fault and not stands[rows].all():
        falling = span.start + int(np.argmin(stands[rows]))
        fault = Falls(course.names[falling])
    # A limb that has to come up before the repetition has to act for that: `every` holds the way in too.
    every = [int(i) for i in np.flatnonzero(course.share[rows] == 0)]
    frames = [course.frames[span.start + i] for i in every]
    parts = parts_of(own.angles, every, frames)
    told = [course.frames[span.start + i] for i in declared]
    repeated_parts = parts if declared == every else parts_of(own.angles, declared, told)
    more = {
        "coordination": np.full(len(span), float(moving_limbs(own.angles, repeated_parts))),
        "exercise": np.full(len(span), float(not request.family.daily_task)),
        "speed_deg_s": np.full(len(span), _speed_deg_s(own.angles[repeated], request.step.dose.seconds)),
    }
    measured = columns.part(rows)
    acting = acts(own, skeleton, every, frames, parts, measured)
    more |= {k: np.full(len(span), v) for k, v in acting.items()}
    rise = rise_level(skeleton, own, measured)
    more["rise_level"] = np.full(len(span), rise)
    seats_cm = [f.surfaces["seat"].at_cm for f in told if "seat" in f.surfaces]
    more["low_seat_cm"] = np.full(len(span), low_seat_cm(rise, seats_cm))
    if ceilings is not None:
        more |= as_named(request.label, measured, ceilings)
    return Profile(
        request,
        tuple(course.frames[i].name for i in span),
        measured.with_(more),
        fault,
        tuple(course.frames[i] for i in span),
        own,
        tuple(declared),
        Declared(course.keys, course.key[rows], course.share[rows], flat, rows),
    )


def _speed_deg_s(angles: Array, seconds: float) -> float:
    """The joint that travels furthest, over half a repetition."""
    return float(np.degrees(np.ptp(angles, axis=0).max()) / max(0.5, seconds / 2))
