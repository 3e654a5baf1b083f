"""Fitting: the room's furniture against this body."""

from amvel.fitting.room import Fit, Refused, fits, refused_seats, seat_for, start_values, wall_distance_cm

__all__ = ["Fit", "Refused", "fits", "refused_seats", "seat_for", "start_values", "wall_distance_cm"]
