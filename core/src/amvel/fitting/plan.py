"""Every fit of one person in one room, in the order in which a room is set up."""

from collections.abc import Callable

from amvel.case import Room
from amvel.fitting import grip, lying, reach, seats
from amvel.fitting.fit import Fit
from amvel.movements import Family, Profiler, Step
from amvel.safety import Envelope


def fits(profiler: Profiler, room: Room, envelope: Envelope, only: frozenset[str] | None = None) -> list[Fit]:
    """All of them, or those whose ids are in `only`; a pose that this body cannot take has no fit."""
    steps: tuple[tuple[tuple[str, ...], Callable[[], list[Fit]]], ...] = (
        (("seat", "seat_raise", "foot_rest"), lambda: seats.level_thighs(profiler, room)),
        (("hip_seat",), lambda: seats.under_a_hip_limit(profiler, room, envelope)),
        (("rising_seat",), lambda: seats.lowest_to_rise_from(profiler, room, envelope)),
        (("calf_support",), lambda: lying.calf_support(profiler, room)),
        (("head_side",), lambda: lying.head_on_the_side(profiler, room)),
        (("head_back",), lambda: lying.head_on_the_back(profiler, room)),
        (("waist_roll",), lambda: lying.waist_roll(profiler)),
        (("hands_level",), lambda: reach.hands_level(profiler, room)),
        (("wall",), lambda: reach.wall_distance(profiler, room)),
        (("grip",), lambda: _grip(profiler, room)),
        (("spacer", "belt"), lambda: reach.spacer_and_belt(profiler)),
        (("band_anchor",), lambda: reach.band_anchor(profiler, room)),
        (("over_chair",), lambda: reach.over_the_chair(profiler, room)),
        (("free_floor",), lambda: lying.free_floor(profiler, room)),
    )
    wanted = [make for ids, make in steps if only is None or only & set(ids)]
    return [f for make in wanted for f in make() if only is None or f.id in only]


def _grip(profiler: Profiler, room: Room) -> list[Fit]:
    return [g for w in reach.wall_distance(profiler, room) for g in grip.wall_grip(profiler, room, w.value)]


# Which fits a movement uses, by its position and by what it stands on.
_BY_POSITION = {
    "on the side": ("head_side", "waist_roll"),
    "on the back": ("head_back",),
    "hands and knees": ("hands_level",),
}
_BY_FAMILY = {
    "wall_plank": ("wall", "grip"),
    "squeeze_and_push": ("spacer", "belt"),
    "over_chair_lift": ("over_chair",),
    "band_press_out_seated": ("band_anchor",),
    "band_press_out_standing": ("band_anchor",),
    "band_press_out_kneeling": ("band_anchor",),
    "sit_to_stand": ("rising_seat",),
    "rise_and_carry": ("rising_seat",),
}
_BY_PARAMETER = {
    "seat_cm": ("seat", "seat_raise", "foot_rest", "hip_seat"),
    "calf_support_cm": ("calf_support",),
}


def fits_used(family: Family, step: Step) -> frozenset[str]:
    """The ids of the fits that one step uses."""
    ids = [*_BY_POSITION.get(family.position, ()), *_BY_FAMILY.get(family.id, ())]
    for p in step.parameters:
        ids += _BY_PARAMETER.get(p.id, ())
    return frozenset(ids)


def to_prepare(found: list[Fit]) -> list[Fit]:
    """What the client gets ready: fits that ask for something, other seats than the best one left out.

    Grip that is there asks for nothing; only where it is lacking does the client read of it.
    """
    asking = [f for f in found if f.value > 0 and f.best]
    return [f for f in asking if f.id != "grip" or not f.fits]


__all__ = ["fits", "fits_used", "to_prepare"]
