"""Seat heights, shared by every family that sits."""

from amvel.body import Anthropometry
from amvel.body.anthropometry import popliteal_height_m
from amvel.movements.declaration import Parameter
from amvel.movements.room_measures import Measured


def own_seat_cm(body: Anthropometry) -> float:
    """The seat at which this person's thighs lie level with the feet flat."""
    known = body.measures.popliteal_height_m
    return 100 * (known if known is not None else popliteal_height_m(body.stature_m)) + 2


SEAT = Parameter("seat_cm", "seat height", "cm", own_seat_cm, low=26, high=66, grid=1, easier="up", bends_the_hips=True, measured=Measured.SEAT)
