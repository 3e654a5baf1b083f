"""What stands in for what is not there, and what raises the seat: what somebody takes to hand before a movement."""

from amvel.body import Anthropometry
from amvel.case import Room
from amvel.fitting.needs import check_room
from amvel.movements import find
from amvel.planning.item import Item
from amvel.planning.one_seat import put_on_the_seat


def to_take(item: Item, body: Anthropometry, room: Room) -> tuple[str, ...]:
    """Each in words; empty where everything is there as it is."""
    family, step = find(item.ref)
    stand_ins = check_room(body, room, family, step, [dict(s.values) for s in item.set_ups]).stand_ins
    raised = put_on_the_seat(item, body, room)
    return (*stand_ins, raised) if raised else stand_ins


__all__ = ["to_take"]
