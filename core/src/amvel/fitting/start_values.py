"""A step's parameters as a person meets them in a room."""

import math

from amvel.case import Room
from amvel.fitting.furniture import seat_for
from amvel.fitting.reach import ARM_LOAD_PERCENT_BW, wall_distance_cm
from amvel.movements import Family, Profiler, Step


def start_values(profiler: Profiler, room: Room, family: Family, step: Step) -> dict[str, float | str]:
    """Defaults, with the seat that is there and the fitted distance from the wall."""
    values = step.defaults(profiler.body)
    if "seat_cm" in values:
        seat = seat_for(profiler.body, room, arms=any("arms" in p for p in step.props))
        if seat is not None:
            p = next(p for p in step.parameters if p.id == "seat_cm")
            values["seat_cm"] = min(p.high, max(p.low, float(math.floor(seat.height_cm))))
    if "wall_cm" in values and family.id == "wall_plank":
        values["wall_cm"] = wall_distance_cm(profiler, ARM_LOAD_PERCENT_BW)
    return values


__all__ = ["start_values"]
