"""One movement from its declared frames through those in between: which frames there are, and what was measured over all of them."""

from itertools import pairwise

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
from amvel.movements.coordination import Asking, Part, moving_limbs
from amvel.movements.frames import Frame
from amvel.movements.levels import LEVEL_COLUMNS, Ceilings, as_named
from amvel.movements.profile import Declared, Profile, Request
from amvel.movements.promise import broken
from amvel.movements.stance import low_seat_cm, rise_level
from amvel.movements.travel import Travel
from amvel.quantities import REGISTRY, base_id


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
        self.parts = Parts(self.spans, share, self.frames)


class Parts:
    """The declared frames of each movement of a batch, by row, and the ways between them.

    A limb that has to come up before the repetition has to act for that: `every` holds the way in too, `repeated` does not.
    """

    def __init__(self, spans: list[range], share: list[float], frames: list[Frame]) -> None:
        self.frames = frames
        self.every = [[i for i in span if share[i] == 0.0] for span in spans]
        self.repeated = [[i for i in rows if not frames[i].facts.way_in] for rows in self.every]
        self.number = {pair: k for k, pair in enumerate(dict.fromkeys(p for rows in (*self.every, *self.repeated) for p in pairwise(rows)))}
        self._asking = {i: Asking(frames[i]) for rows in self.every for i in rows}

    def between(self, travel: Travel, rows: list[int]) -> list[Part]:
        """The ways between these rows."""
        return [Part(travel, self.number[a, b], self._asking[a], self._asking[b]) for a, b in pairwise(rows)]


# What is added to what was computed of each frame: of a movement, or read from several columns.
OF_MOVEMENTS = ("coordination", "exercise", "speed_deg_s", "rise_level", "low_seat_cm", *ACTING)


def _complete() -> None:
    """Raise ValueError naming a quantity that is registered and not computed, or computed and not registered."""
    found = computed() | set(map(base_id, OF_MOVEMENTS)) | LEVEL_COLUMNS | {"stance_level"}
    for name in sorted(found ^ set(REGISTRY)):
        what = "no profile computes it" if name in REGISTRY else "it is computed and not registered"
        raise ValueError(f"quantities.{name}: {what}")


_complete()


def measured_over(
    skeleton: Skeleton,
    request: Request,
    movement: int,
    course: Course,
    flat: Flat,
    posed: Posed,
    travel: Travel,
    stands: Flags,
    columns: Columns,
    ceilings: Ceilings | None,
) -> Profile:
    """The profile of one movement of a batch; `columns` (of the batch) have room for what is told of whole movements, which
    is filled in here."""
    span = course.spans[movement]
    rows = slice(span.start, span.stop)
    own, measured = posed.part(rows), columns.part(rows)
    declared = [i - span.start for i in course.parts.repeated[movement]]
    fault = next((f for f in own.faults if f), None)
    fault = fault or _unkept(skeleton, request, own, flat.neutral[rows], declared)
    if not fault and not stands[rows].all():
        fault = Falls(course.names[span.start + int(np.argmin(stands[rows]))])
    measured.fill(_of_the_whole(skeleton, request, movement, course, own, travel, measured))
    if ceilings is not None:
        measured.fill(as_named(request.label, measured, ceilings))
    return Profile(
        request,
        tuple(course.frames[i].name for i in span),
        measured,
        fault,
        tuple(course.frames[i] for i in span),
        own,
        tuple(declared),
        Declared(course.keys, course.key[rows], course.share[rows], flat, rows),
    )


def _unkept(skeleton: Skeleton, request: Request, own: Posed, neutral: Array, declared: list[int]) -> PoseFault | None:
    """The fault of a parameter whose promise these declared frames do not keep."""
    shows = {p.id: p.shows for p in request.step.parameters}
    titles = {p.id: p.title for p in request.step.parameters}
    return broken(shows, titles, request.values, request.side, skeleton, own, neutral, declared, request.label)


def _of_the_whole(
    skeleton: Skeleton, request: Request, movement: int, course: Course, own: Posed, travel: Travel, measured: Columns
) -> dict[str, float]:
    """What is told of a whole movement: one value for all of its frames."""
    every, repeated = course.parts.every[movement], course.parts.repeated[movement]
    parts = course.parts.between(travel, every)
    whole_rad = travel.whole_rad[movement]
    coordination = moving_limbs(whole_rad, parts if repeated == every else course.parts.between(travel, repeated))
    if repeated != every:
        frames = (course.frames[i] for i in course.spans[movement])
        whole_rad = np.ptp(own.angles[[not f.facts.way_in for f in frames]], axis=0)
    rise = rise_level(skeleton, own, measured)
    seats_cm = [f.surfaces["seat"].at_cm for f in (course.frames[i] for i in repeated) if "seat" in f.surfaces]
    return {
        "coordination": float(coordination),
        "exercise": float(not request.family.daily_task),
        "speed_deg_s": _speed_deg_s(whole_rad, request.step.dose.seconds),
        "rise_level": rise,
        "low_seat_cm": low_seat_cm(rise, seats_cm),
        **acts(travel, movement, every, [course.frames[i] for i in every], parts, measured),
    }


def _speed_deg_s(whole_rad: Array, seconds: float) -> float:
    """The joint that travels furthest, over half a repetition."""
    return float(np.degrees(whole_rad.max()) / max(0.5, seconds / 2))
