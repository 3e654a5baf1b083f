"""One movement from its declared frames through those in between: which frames there are, and what was measured over all of them."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache
from itertools import pairwise
from typing import NamedTuple

import numpy as np

from amvel.body import (
    Falls,
    Posed,
    PoseFault,
    PoseSpec,
    Skeleton,
    computed,
    demand_names,
    demand_table,
)
from amvel.body.tree import Array
from amvel.movements.acting import ACTING, acts
from amvel.movements.columns import Columns, Later
from amvel.movements.coordination import Asking, Part, moving_limbs
from amvel.movements.frames import Frame
from amvel.movements.levels import LEVEL_COLUMNS, Ceilings, count_as_named
from amvel.movements.placed import PlacedFrames
from amvel.movements.profile import Declared, Profile, Request
from amvel.movements.promise import broken
from amvel.movements.reshaped import Sent
from amvel.movements.shown_angles import Reading
from amvel.movements.stance import low_seat_cm, rise_level, stance_level
from amvel.movements.travel import Travel
from amvel.quantities import REGISTRY, base_id


class Course:
    """Declared frames with those in between: for each the declared one that it is at (`key`) or how far beyond (`share`).

    A movement with a frame that this body cannot take is not looked at in between: it is out already.
    """

    def __init__(
        self, declared: Sequence[tuple[Frame, ...]], names: Sequence[str], out_of_reach: Sequence[bool], between: Sequence[int]
    ) -> None:
        """`names` are those of the declared frames, with their steps; `out_of_reach` says which contacts are not met, `between` how
        many frames are looked at between two of each movement: all of those that have any the same number."""
        self.between = max(between, default=0)
        self.frames: list[Frame] = []
        self.frame_names: list[str] = []
        self.names: list[str] = []  # each with its step
        self.spans: list[range] = []
        self.steps: list[int] = []
        key: list[int] = []
        share: list[float] = []
        at = 0
        for group, own in zip(declared, between, strict=True):
            inner = 0 if any(out_of_reach[at : at + len(group)]) else own
            start = len(key)
            for i, frame in enumerate(group):
                last = i + 1 == len(group)
                for k in range(1 if last else inner + 1):
                    key.append(at + i)
                    share.append(k / (inner + 1))
                    on = "" if k == 0 else f" → {group[i + 1].name}"
                    self.frames.append(frame)
                    self.frame_names.append(frame.name + on)
                    self.names.append(names[at + i] if k == 0 else f"{names[at + i]} → {names[at + i + 1]}")
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
        self._asking = {i: Asking.by(frames[i]) for rows in self.every for i in rows}

    def between(self, travel: Travel, rows: list[int]) -> list[Part]:
        """The ways between these rows."""
        return [Part(travel, self.number[a, b], self._asking[a], self._asking[b]) for a, b in pairwise(rows)]


# What is told of a whole movement, the same in all of its frames: at once, or when somebody asks for it.
_AT_ONCE = ("exercise", "speed_deg_s")
_COORDINATION, _RISING = ("coordination",), ("rise_level", "low_seat_cm")
WHEN_ASKED = frozenset((*_COORDINATION, *_RISING, *ACTING))
_IDS_WHEN_ASKED = frozenset(map(base_id, WHEN_ASKED))
OF_MOVEMENTS = (*_AT_ONCE, *sorted(WHEN_ASKED))


@lru_cache(maxsize=1024)
def told_when_asked(name: str) -> bool:
    """Whether a quantity, by its id or by a column of it, is told of a whole movement when somebody asks."""
    return base_id(name) in _IDS_WHEN_ASKED


def _complete() -> None:
    """Raise ValueError naming a quantity that is registered and not computed, or computed and not registered."""
    found = computed() | set(map(base_id, OF_MOVEMENTS)) | LEVEL_COLUMNS | {"stance_level"}
    for name in sorted(found ^ set(REGISTRY)):
        what = "no profile computes it" if name in REGISTRY else "it is computed and not registered"
        raise ValueError(f"quantities.{name}: {what}")


_complete()


@lru_cache(maxsize=2)
def _names(levels: bool) -> tuple[str, ...]:
    """The columns of a profile: of each frame, then of whole movements."""
    return (*demand_names(), "stance_level", *(sorted(LEVEL_COLUMNS) if levels else ()), *OF_MOVEMENTS)


@dataclass(frozen=True)
class MeasuredBatch:
    """What was measured over all frames of a batch; `specs` are the declared ones as the pose solver took them."""

    skeleton: Skeleton
    course: Course
    specs: Sequence[PoseSpec]
    frames: PlacedFrames
    ceilings: Ceilings | None

    @cached_property
    def posed(self) -> Posed:
        return self.frames.posed(self.skeleton)

    @cached_property
    def columns(self) -> Columns:
        """With room for what is told of whole movements."""
        facts, asked = [f.facts for f in self.course.frames], self.frames.asked
        names = _names(self.ceilings is not None)
        table = demand_table(self.skeleton, self.posed, asked, facts, len(names))
        table[-len(OF_MOVEMENTS) :] = 0.0
        columns = Columns.named(names, table)
        columns.fill({"stance_level": stance_level(self.skeleton, asked.lines, columns)})
        if self.ceilings is not None:
            columns.fill(self.ceilings.columns(columns))
        return columns

    def profiles(self, requests: Sequence[Request]) -> list[Profile]:
        """One for each movement of the batch."""
        self._tell_of_each(requests)
        found = [self._profile(movement, request) for movement, request in enumerate(requests)]
        self.columns.find_extremes([p.columns for p in found])
        return found

    def _tell_of_each(self, requests: Sequence[Request]) -> None:
        """Fill in what is the same in all frames of a movement and told at once, and the levels of steps that are named as one."""
        columns, spans = self.columns, self.course.spans
        frames = [len(span) for span in spans]
        exercise = [float(not r.family.daily_task) for r in requests]
        columns.fill({"exercise": np.repeat(exercise, frames), "speed_deg_s": np.repeat(self._speed_deg_s(requests), frames)})
        if self.ceilings is not None:
            count_as_named(columns, [r.label for r in requests], spans, self.ceilings)

    def _speed_deg_s(self, requests: Sequence[Request]) -> Array:
        """Of each movement the joint that travels furthest, over half a repetition."""
        whole_rad, parts = self._travel.whole_rad.max(axis=1), self.course.parts
        for m, span in enumerate(self.course.spans):
            if parts.repeated[m] != parts.every[m]:  # a way in is no part of the repetition
                repeated = [i for i in span if not self.course.frames[i].facts.way_in]
                whole_rad[m] = np.ptp(self.posed.angles[repeated], axis=0).max()
        seconds = np.array([max(0.5, r.step.dose.seconds / 2) for r in requests])
        found: Array = np.degrees(whole_rad) / seconds
        return found

    @cached_property
    def _travel(self) -> Travel:
        return Travel(self.skeleton, self.posed, self.course.spans, list(self.course.parts.number))

    @cached_property
    def _sent(self) -> list[Sent]:
        posed = self.posed
        return Sent.of_each(posed.angles, posed.least, posed.most, [span.start for span in self.course.spans])

    @cached_property
    def _reading(self) -> Reading:
        return Reading(self.skeleton, self.posed, np.degrees(self.posed.angles - self.frames.asked.neutral))

    @cached_property
    def _all_stand(self) -> list[bool]:
        """Of each movement whether its supports balance it in all of its frames."""
        found: list[bool] = np.logical_and.reduceat(self.frames.stands, [span.start for span in self.course.spans]).tolist()
        return found

    def _profile(self, movement: int, request: Request) -> Profile:
        course, span = self.course, self.course.spans[movement]
        rows, declared = slice(span.start, span.stop), course.parts.repeated[movement]
        measured = self.columns.part(rows)
        whole = _Whole(course, self._travel, movement, self.frames.asked.lines[rows], measured)
        return Profile(
            request,
            tuple(course.frame_names[rows]),
            Columns(measured.index, measured.of_frames, Later(WHEN_ASKED, whole.told)),
            self._fault(movement, request),
            tuple(course.frames[rows]),
            self.posed.part(rows),
            tuple(i - span.start for i in declared),
            Declared(course.names[rows], self.specs, course.key[rows], course.share[rows], self.frames.met, self.frames.asked.neutral, rows),
            self._sent[movement],
        )

    def _fault(self, movement: int, request: Request) -> PoseFault | None:
        """Why this body cannot take a pose of these, a parameter whose promise they do not keep, or a fall."""
        span, declared = self.course.spans[movement], self.course.parts.repeated[movement]
        fault = next((f for f in self.posed.faults[span.start : span.stop] if f), None)
        shows = request.step.shows
        if not fault and shows:
            fault = broken(shows, request.values, request.side, self._reading, declared, request.label)
        if not fault and not self._all_stand[movement]:
            fault = Falls(next(self.course.names[i] for i in span if not self.frames.stands[i]))
        return fault


class _Whole(NamedTuple):
    """One movement of a batch as a whole: one value of what is told for all of its frames."""

    course: Course
    travel: Travel
    movement: int
    lines: Array
    measured: Columns

    @property
    def every(self) -> list[int]:
        return self.course.parts.every[self.movement]

    @property
    def repeated(self) -> list[int]:
        return self.course.parts.repeated[self.movement]

    def told(self, name: str) -> dict[str, float]:
        """What is told when somebody asks for it, with what is found beside it."""
        if name in _COORDINATION:
            return self._coordination()
        return self._rising() if name in _RISING else self._acting()

    def _coordination(self) -> dict[str, float]:
        parts = self.course.parts.between(self.travel, self.repeated)
        return {"coordination": float(moving_limbs(self.travel.whole_rad[self.movement], parts))}

    def _rising(self) -> dict[str, float]:
        rise = rise_level(self.lines, self.measured)
        frames = (self.course.frames[i] for i in self.repeated)
        seats_cm = [f.surfaces["seat"].at_cm for f in frames if "seat" in f.surfaces]
        return {"rise_level": rise, "low_seat_cm": low_seat_cm(rise, seats_cm)}

    def _acting(self) -> dict[str, float]:
        parts, frames = self.course.parts.between(self.travel, self.every), [self.course.frames[i] for i in self.every]
        return acts(self.travel, self.movement, self.every, frames, parts, self.measured)
