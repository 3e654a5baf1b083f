"""A step's parameters as a person meets them in a room."""

import math

from amvel.body import Capacities
from amvel.case import Room
from amvel.fitting.furniture import seat_for
from amvel.fitting.reach import ARM_LOAD_PERCENT_BW, wall_distance_cm
from amvel.movements import Family, Parameter, Profiler, Step
from amvel.movements.families.sit_to_stand import ARM_REST_CM
from amvel.movements.promise import reach_deg
from amvel.movements.room_measures import FitId, Measured

_WORKTOP_CM = 90.0  # of a usual kitchen, while nobody has measured it (common practice, no source)


def start_values(profiler: Profiler, room: Room, family: Family, step: Step) -> dict[str, float | str]:
    """Defaults, with the furniture that is there as high as it was measured, and the fitted distance from the wall."""
    values = step.defaults(profiler.body)
    with_arms = any(need.with_arms for need in step.props)
    for p in step.parameters:
        measured = _measured_cm(profiler, room, p.measured, with_arms) if p.measured is not None else None
        if measured is not None:
            values[p.id] = min(p.high, max(p.low, measured))
    values = within_reach(step, values, profiler.capacities)
    if FitId.WALL in family.fits:
        near = wall_distance_cm(profiler, ARM_LOAD_PERCENT_BW)
        values |= {p.id: near for p in step.parameters if p.measured is Measured.WALL}
    return values


def _measured_cm(profiler: Profiler, room: Room, of: Measured, with_arms: bool) -> float | None:
    """As it stands in this room; None where nobody has measured it, it is not there, or it is made for the person."""
    match of:
        case Measured.SEAT | Measured.SEAT_AS_SUPPORT:
            seat = seat_for(profiler.body, room, arms=with_arms)
            return None if seat is None else float(math.floor(seat.height_cm))
        case Measured.WORKTOP:
            return room.worktop_height_cm if room.worktop else room.rail_height_cm if room.rail else None
        case Measured.HAND_REST:
            return _hand_cm(profiler, room)
        case Measured.CALF_SUPPORT | Measured.WALL:
            return None


def within_reach(step: Step, values: dict[str, float | str], capacities: Capacities) -> dict[str, float | str]:
    """The same measures, angles no further than the joints of this person go, on each parameter's grid."""
    return {**values, **{p.id: _reached(p, float(values[p.id]), capacities) for p in step.parameters if p.shows}}


def _reached(p: Parameter, value: float, capacities: Capacities) -> float:
    reach = reach_deg(p.shows, capacities) if p.shows else math.inf
    if value <= reach:
        return value
    return max(p.low, math.floor(reach / p.grid + 1e-6) * p.grid)


def _hand_cm(profiler: Profiler, room: Room) -> float | None:
    """The arm rest of the seat where there is one, else the rail, else the worktop beside it; None without any seat."""
    seat = seat_for(profiler.body, room, arms=True)
    if seat is not None and (seat.arms or not (room.worktop or room.rail)):
        return math.floor(seat.height_cm) + ARM_REST_CM
    if not (room.worktop or room.rail):
        return None
    measured = room.rail_height_cm if room.rail else room.worktop_height_cm
    return measured if measured is not None else _WORKTOP_CM


__all__ = ["start_values", "within_reach"]
