"""Seat heights, shared by every family that sits."""

from amvel.body import Anthropometry
from amvel.body.anthropometry import popliteal_height_m
from amvel.movements.declaration import Parameter, Step
from amvel.movements.room_measures import Measured


def own_seat_cm(body: Anthropometry) -> float:
    """The seat at which this person's thighs lie level with the feet flat."""
    known = body.measures.popliteal_height_m
    return 100 * (known if known is not None else popliteal_height_m(body.stature_m)) + 2


def seat_of(step: Step) -> Parameter | None:
    """The height of what is sat on in this step; None where nobody sits."""
    return next((p for p in step.parameters if p.measured is Measured.SEAT), None)


SEAT = Parameter("seat_cm", "seat height", "cm", own_seat_cm, low=26, high=66, grid=1, easier="up", bends_the_hips=True, measured=Measured.SEAT)
