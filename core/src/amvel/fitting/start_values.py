"""A step's parameters as a person meets them in a room."""

import math

from amvel.body import Capacities
from amvel.case import Room
from amvel.fitting.furniture import seat_for
from amvel.fitting.reach import ARM_LOAD_PERCENT_BW, wall_distance_cm
from amvel.movements import Family, Parameter, Profiler, Step
from amvel.movements.families.sit_to_stand import ARM_REST_CM
from amvel.movements.needs import Furniture
from amvel.movements.promise import reach_deg

_WORKTOP_CM = 90.0  # of a usual kitchen, while nobody has measured it (common practice, no source)


def start_values(profiler: Profiler, room: Room, family: Family, step: Step) -> dict[str, float | str]:
    """Defaults, with the furniture that is there as high as it was measured, and the fitted distance from the wall."""
    values = step.defaults(profiler.body)
    if "seat_cm" in values:
        seat = seat_for(profiler.body, room, arms=any(need.with_arms for need in step.props))
        if seat is not None:
            p = next(p for p in step.parameters if p.id == "seat_cm")
            values["seat_cm"] = min(p.high, max(p.low, float(math.floor(seat.height_cm))))
    for p in step.parameters:
        measured = _measured_cm(profiler, room, p.height_of) if p.height_of is not None else None
        if measured is not None:
            values[p.id] = min(p.high, max(p.low, measured))
    if "hand_cm" in values:
        values["hand_cm"] = _hand_cm(profiler, room, float(values["seat_cm"]))
    values = within_reach(step, values, profiler.capacities)
    if "wall_cm" in values and family.id == "wall_plank":
        values["wall_cm"] = wall_distance_cm(profiler, ARM_LOAD_PERCENT_BW)
    return values


def _measured_cm(profiler: Profiler, room: Room, piece: Furniture) -> float | None:
    """How high a piece of this room is; None where nobody has measured it, or it is not there."""
    if piece is Furniture.SEAT:
        seat = seat_for(profiler.body, room)
        return None if seat is None else seat.height_cm
    if piece is Furniture.WORKTOP:
        return room.worktop_height_cm if room.worktop else room.rail_height_cm if room.rail else None
    raise ValueError(f"{piece}: its height is no measure of a room")


def within_reach(step: Step, values: dict[str, float | str], capacities: Capacities) -> dict[str, float | str]:
    """The same measures, angles no further than the joints of this person go, on each parameter's grid."""
    return {**values, **{p.id: _reached(p, float(values[p.id]), capacities) for p in step.parameters if p.shows}}


def _reached(p: Parameter, value: float, capacities: Capacities) -> float:
    reach = reach_deg(p.shows, capacities) if p.shows else math.inf
    if value <= reach:
        return value
    return max(p.low, math.floor(reach / p.grid + 1e-6) * p.grid)


def _hand_cm(profiler: Profiler, room: Room, seat_cm: float) -> float:
    """The arm rest of the seat where there is one, else the rail, else the worktop beside it."""
    seat = seat_for(profiler.body, room, arms=True)
    if (seat is not None and seat.arms) or not (room.worktop or room.rail):
        return seat_cm + ARM_REST_CM
    measured = room.rail_height_cm if room.rail else room.worktop_height_cm
    return measured if measured is not None else _WORKTOP_CM


__all__ = ["start_values", "within_reach"]
