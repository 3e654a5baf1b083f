"""One seat for a programme where one will do, and what is put on it where it has to be higher than it is."""

from collections.abc import Sequence
from dataclasses import replace

from amvel.body import Anthropometry
from amvel.case import Case, Room
from amvel.fitting.furniture import seat_for
from amvel.fitting.stacking import stack
from amvel.languages import said
from amvel.movements import Profiler, Request, find
from amvel.movements.seats import SEAT
from amvel.planning.dose import at_dose
from amvel.planning.item import Item, SetUp
from amvel.safety import Envelope, check
from amvel.safety.verdict import valid_overrides

_CLOSE_CM = 1.0  # a seat that much lower than asked is left as it is (our choice)


def on_one_seat(
    items: Sequence[Item], case: Case, envelope: Envelope, profiler: Profiler, context: str
) -> tuple[Item, ...]:
    """The same movements, all of them on one height of the seat if every one of them is open on it; else as they are.

    Of several such heights the one that most of them have already, then the lower one.
    """
    heights = [h for i in items for s in i.set_ups if (h := s.values.get(SEAT.id)) is not None]
    for height in sorted(set(heights), key=lambda h: (-heights.count(h), float(h))):
        moved = [_at(item, height) for item in items]
        if all(_open(new, case, envelope, profiler, context) for new, old in zip(moved, items, strict=True) if new != old):
            return tuple(moved)
    return tuple(items)


def _at(item: Item, height: float | str) -> Item:
    return replace(item, set_ups=tuple(_seat(s, height) for s in item.set_ups))


def _seat(own: SetUp, height: float | str) -> SetUp:
    if own.values.get(SEAT.id, height) == height:
        return own
    return replace(own, values={**own.values, SEAT.id: height}, verdict="modified" if own.verdict == "as_is" else own.verdict)


def _open(item: Item, case: Case, envelope: Envelope, profiler: Profiler, context: str) -> bool:
    family, step = find(item.ref)
    seat = next((p for p in step.parameters if p.id == SEAT.id), None)
    for own in item.set_ups:
        if seat is not None and not seat.low <= float(own.values[SEAT.id]) <= seat.high:
            return False
        profile = at_dose(profiler.profile(Request(family, step, own.side, own.values)), own.repetitions, own.sets, own.hold_s)
        if not check(profile, envelope, context, valid_overrides(case.overrides, envelope, case.as_of, item.ref, own.side)).allowed:
            return False
    return True


def put_on_the_seat(item: Item, body: Anthropometry, room: Room) -> str:
    """What raises the seat of this room to the height that a movement asks; '' when it is high enough."""
    asked = max((float(h) for s in item.set_ups if (h := s.values.get(SEAT.id)) is not None), default=0.0)
    seat = seat_for(body, room, arms=any(need.with_arms for need in find(item.ref)[1].props))
    if not asked or seat is None or asked - seat.height_cm < _CLOSE_CM:
        return ""
    made = stack(asked - seat.height_cm, room, _CLOSE_CM)
    what = made.says() if made is not None else said("something firm")
    return said("{what} on the {seat}: {cm} cm", what=what, seat=seat.name, cm=asked)


__all__ = ["on_one_seat", "put_on_the_seat"]
