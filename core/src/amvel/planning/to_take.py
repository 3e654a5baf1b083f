"""What stands in for what is not there, and what raises the seat: what somebody takes to hand before a movement."""

from amvel.body import Anthropometry
from amvel.case import Room
from amvel.fitting.needs import check_room, stand_ins_for
from amvel.movements import find
from amvel.movements.schools import feedback_of
from amvel.planning.item import Item
from amvel.planning.one_seat import put_on_the_seat


def to_take(item: Item, body: Anthropometry, room: Room, schools: dict[str, str]) -> tuple[str, ...]:
    """Each in words; empty where everything is there as it is.  `schools` are the choices that hold for its family."""
    raised = put_on_the_seat(item, body, room)
    taken = taken_instead(item, body, room, schools)
    return (*taken, raised) if raised else taken


def taken_instead(item: Item, body: Anthropometry, room: Room, schools: dict[str, str]) -> tuple[str, ...]:
    """The same without the seat, which is got ready once for all."""
    family, step = find(item.ref)
    tell = stand_ins_for(room, tuple(f.thing for f in feedback_of(family, step, schools) if f.thing))
    stand_ins = check_room(body, room, family, step, [dict(s.values) for s in item.set_ups]).stand_ins
    return tuple(dict.fromkeys((*stand_ins, *tell)))


__all__ = ["taken_instead", "to_take"]
