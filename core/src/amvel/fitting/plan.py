"""Every fit of one person in one room, in the order in which a room is set up."""

from collections.abc import Callable
from typing import NamedTuple

from amvel.case import Room
from amvel.fitting import grip, lying, reach, seats
from amvel.fitting.fit import Fit
from amvel.movements import Family, Profiler, Request, Step
from amvel.movements.declaration import Position
from amvel.movements.room_measures import FitId, Measured
from amvel.safety import Envelope


def _no_poses() -> list[Request]:
    return []


class _Making(NamedTuple):
    """How some fits are made, and the poses that this looks at without having to search."""

    ids: tuple[FitId, ...]
    make: Callable[[], list[Fit]]
    poses: Callable[[], list[Request]] = _no_poses


def fits(profiler: Profiler, room: Room, envelope: Envelope, only: frozenset[FitId] | None = None) -> list[Fit]:
    """All of them, or those whose ids are in `only`; a pose that this body cannot take has no fit."""
    steps = (
        _Making((FitId.SEAT, FitId.SEAT_RAISE, FitId.FOOT_REST), lambda: seats.level_thighs(profiler, room)),
        _Making((FitId.HIP_SEAT,), lambda: seats.under_a_hip_limit(profiler, room, envelope)),
        _Making((FitId.RISING_SEAT,), lambda: seats.lowest_to_rise_from(profiler, room, envelope)),
        _Making((FitId.CALF_SUPPORT,), lambda: lying.calf_support(profiler, room)),
        _Making((FitId.HEAD_SIDE,), lambda: lying.head_on_the_side(profiler, room), lambda: lying.side_poses(profiler)),
        _Making((FitId.HEAD_BACK,), lambda: lying.head_on_the_back(profiler, room)),
        _Making((FitId.CHEST,), lambda: lying.under_the_chest(profiler, room)),
        _Making((FitId.WAIST_ROLL,), lambda: lying.waist_roll(profiler)),
        _Making((FitId.HANDS_LEVEL,), lambda: reach.hands_level(profiler, room), lambda: reach.hands_poses(profiler)),
        _Making((FitId.WALL,), lambda: reach.wall_distance(profiler, room)),
        _Making((FitId.GRIP,), lambda: _grip(profiler, room)),
        _Making((FitId.SPACER, FitId.BELT), lambda: reach.spacer_and_belt(profiler)),
        _Making((FitId.BAND_ANCHOR,), lambda: reach.band_anchor(profiler, room), lambda: reach.band_poses(profiler, room)),
        _Making((FitId.OVER_CHAIR,), lambda: reach.over_the_chair(profiler, room)),
        _Making((FitId.FREE_FLOOR,), lambda: lying.free_floor(profiler, room), lambda: lying.floor_poses(profiler)),
    )
    wanted = [step for step in steps if only is None or only & set(step.ids)]
    profiler.profiles([r for step in wanted for r in step.poses()])  # in one batch
    return [f for step in wanted for f in step.make() if only is None or f.id in only]


def _grip(profiler: Profiler, room: Room) -> list[Fit]:
    return [g for w in reach.wall_distance(profiler, room) for g in grip.wall_grip(profiler, room, w.value)]


_OF_POSITION: dict[Position, tuple[FitId, ...]] = {
    "on the side": (FitId.HEAD_SIDE, FitId.WAIST_ROLL),
    "on the back": (FitId.HEAD_BACK,),
    "hands and knees": (FitId.HANDS_LEVEL,),
}
_OF_MEASURE = {
    Measured.SEAT: (FitId.SEAT, FitId.SEAT_RAISE, FitId.FOOT_REST, FitId.HIP_SEAT),
    Measured.CALF_SUPPORT: (FitId.CALF_SUPPORT,),
}


def fits_used(family: Family, step: Step) -> frozenset[FitId]:
    """The fits that one step uses: by its family, its position and the measures that it takes from the room."""
    measured = [i for p in step.parameters if p.measured is not None for i in _OF_MEASURE.get(p.measured, ())]
    return frozenset((*family.fits, *_OF_POSITION.get(family.position, ()), *measured))


def to_prepare(found: list[Fit]) -> list[Fit]:
    """What the client gets ready: fits that ask for something, other seats than the best one left out.

    Grip that is there asks for nothing; only where it is lacking does the client read of it.
    """
    asking = [f for f in found if f.value > 0 and f.best]
    return [f for f in asking if f.id is not FitId.GRIP or not f.fits]


__all__ = ["fits", "fits_used", "to_prepare"]
