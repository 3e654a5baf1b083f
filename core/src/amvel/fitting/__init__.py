"""Fitting: the room's furniture against this body."""

from amvel.fitting.drawing import fit_figure
from amvel.fitting.fit import Fit
from amvel.fitting.furniture import Refused, refused, seat_for, usable_seats
from amvel.fitting.needs import RoomCheck, check_room
from amvel.fitting.plan import fits, fits_used, to_prepare
from amvel.fitting.reach import wall_distance_cm
from amvel.fitting.start_values import start_values, within_reach

__all__ = [
    "Fit",
    "Refused",
    "RoomCheck",
    "check_room",
    "fit_figure",
    "fits",
    "fits_used",
    "refused",
    "seat_for",
    "start_values",
    "to_prepare",
    "usable_seats",
    "wall_distance_cm",
    "within_reach",
]
