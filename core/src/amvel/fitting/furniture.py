"""Which furniture may be used at all, and the seat that suits a body best."""

from dataclasses import dataclass

from amvel.body import Anthropometry
from amvel.case import Room, Seat
from amvel.languages import said
from amvel.movements.seats import own_seat_cm
from amvel.sources import COMMON_PRACTICE, ours

SAFE_FURNITURE = COMMON_PRACTICE
TOO_LOW = ours("a seat under three quarters of the own seat height is not risen from")
_TOO_LOW_SHARE = 0.75


@dataclass(frozen=True)
class Refused:
    """Furniture that is not used, and why."""

    what: str
    reason: str


def why_not_seat(seat: Seat, body: Anthropometry) -> str:
    """The reason why this seat is not used; '' when it may be."""
    if seat.castors:
        return said("has castors: it can roll away when rising")
    if seat.firmness == "soft":
        return said("too soft: the pelvis sinks and tips back, and rising asks too much")
    lowest = _TOO_LOW_SHARE * own_seat_cm(body)
    if seat.height_cm < lowest:
        return said("{cm} cm is too low to rise from; at least {lowest_cm} cm for this person", cm=seat.height_cm, lowest_cm=round(lowest))
    return ""


def usable_seats(room: Room, body: Anthropometry) -> list[Seat]:
    """Seats that may be used."""
    return [s for s in room.seats if not why_not_seat(s, body)]


def refused(room: Room, body: Anthropometry) -> list[Refused]:
    """Everything in the room that is not used, with the reason."""
    out = [Refused(s.name, why) for s in room.seats if (why := why_not_seat(s, body))]
    if room.bed_height_cm is not None and room.bed_firmness == "soft":
        out.append(
            Refused(said("bed"), said("too soft to lie on for exercise: the pelvis sinks; a board or the floor instead"))
        )
    return out


def seat_for(body: Anthropometry, room: Room, arms: bool = False) -> Seat | None:
    """The usable seat whose height is nearest to this person's own; with arms when asked and there."""
    usable = usable_seats(room, body)
    with_arms = [s for s in usable if s.arms]
    pool = with_arms if arms and with_arms else usable
    return min(pool, key=lambda s: abs(s.height_cm - own_seat_cm(body)), default=None)


def firm_bed(room: Room) -> bool:
    """Whether there is a bed that may be lain on."""
    return room.bed_height_cm is not None and room.bed_firmness != "soft"


__all__ = ["Refused", "firm_bed", "refused", "seat_for", "usable_seats", "why_not_seat"]
