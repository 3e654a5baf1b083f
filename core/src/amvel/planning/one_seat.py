"""One seat for a programme where one will do, and what is put on it where it has to be higher than it is."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from amvel.body import Anthropometry
from amvel.case import Case, Room
from amvel.fitting.fit import Fit
from amvel.fitting.furniture import seat_for
from amvel.fitting.seats import seat_drawing
from amvel.fitting.stacking import stack
from amvel.languages import said
from amvel.movements import Profiler, Request, find
from amvel.movements.room_measures import FitId
from amvel.movements.seats import seat_of
from amvel.planning.dose import at_dose
from amvel.planning.item import Item, SetUp
from amvel.safety import Envelope, check
from amvel.safety.verdict import valid_overrides
from amvel.sources import COMMON_PRACTICE

_CLOSE_CM = 1.0  # a level seat that far from the one that is asked is the same one (our choice)
_SAME_CM = 0.5  # what a length is told apart by


def on_one_seat(
    items: Sequence[Item], case: Case, envelope: Envelope, profiler: Profiler, context: str
) -> tuple[Item, ...]:
    """The same movements, all of them on one height of the seat if every one of them is open on it; else each as it is.

    Of several such heights the one that the seats of this room have with what is put on them for most movements, so that what
    is got ready, planned and printed is one number; then the one that most of them have already, then the lower one.
    """
    room, body = case.room_for(context), profiler.body

    def all_open(moved: Sequence[Item]) -> bool:
        return all(_open(new, case, envelope, profiler, context) for new, old in zip(moved, items, strict=True) if new != old)

    def ready_at(height: float) -> int:
        return sum(_is_ready(_at(item, height), body, room) for item in items)

    def got_ready(asked: Sequence[Item]) -> tuple[Item, ...]:
        ready = [(_as_got_ready(item, body, room), item) for item in asked]
        return tuple(new if new == old or _open(new, case, envelope, profiler, context) else old for new, old in ready)

    asked = [h for i in items for h in sat_on_cm(i)]
    heights = {*asked, *(h for i in items for h in sat_on_cm(_as_got_ready(i, body, room)))}
    for height in sorted(heights, key=lambda h: (-ready_at(h), -asked.count(h), h)):
        moved = [_at(item, height) for item in items]
        if all_open(moved):
            return got_ready(moved)
    return got_ready(items)


def _is_ready(item: Item, body: Anthropometry, room: Room) -> bool:
    """Whether the room has just this seat, by itself or with what is put on it."""
    raised = raised_seat(item, body, room)
    return bool(sat_on_cm(item)) and (raised is None or (raised.of_pieces and abs(raised.height_cm - max(sat_on_cm(item))) < _SAME_CM))


def _as_got_ready(item: Item, body: Anthropometry, room: Room) -> Item:
    """On the height that the seat of this room has with what is put on it; as it is where both sides differ."""
    raised = raised_seat(item, body, room) if len(set(sat_on_cm(item))) == 1 else None
    return item if raised is None else _at(item, raised.height_cm)


def sat_on_cm(item: Item) -> list[float]:
    """How high the seat of each set-up of a movement is; empty where nobody sits."""
    seat = seat_of(find(item.ref)[1])
    return [] if seat is None else [float(own.values[seat.id]) for own in item.set_ups if seat.id in own.values]


def _at(item: Item, height: float) -> Item:
    seat = seat_of(find(item.ref)[1])
    return item if seat is None else replace(item, set_ups=tuple(_seat(s, seat.id, height) for s in item.set_ups))


def _seat(own: SetUp, seat: str, height: float) -> SetUp:
    if own.values.get(seat, height) == height:
        return own
    return replace(own, values={**own.values, seat: height}, verdict="modified" if own.verdict == "as_is" else own.verdict)


def _open(item: Item, case: Case, envelope: Envelope, profiler: Profiler, context: str) -> bool:
    family, step = find(item.ref)
    seat = seat_of(step)
    for own in item.set_ups:
        if seat is not None and not seat.low <= float(own.values[seat.id]) <= seat.high:
            return False
        profile = at_dose(profiler.profile(Request(family, step, own.side, own.values)), own.repetitions, own.sets, own.hold_s)
        if not check(profile, envelope, context, valid_overrides(case.overrides, envelope, case.as_of, item.ref, own.side)).allowed:
            return False
    return True


@dataclass(frozen=True)
class Raised:
    """What is put on a seat of the room, as it reads, how high one sits on it then, and whether it is made of what is there."""

    says: str
    height_cm: float
    of_pieces: bool


def raised_seat(item: Item, body: Anthropometry, room: Room) -> Raised | None:
    """What raises the seat of this room to the height that a movement asks; None when it is high enough.

    What would raise it further than to the same seat is not said: the movement was judged on the height that it asks.
    """
    asked = max(sat_on_cm(item), default=0.0)
    seat = seat_for(body, room, arms=any(need.with_arms for need in find(item.ref)[1].props))
    if not asked or seat is None or asked - seat.height_cm < _SAME_CM:
        return None
    made = stack(asked - seat.height_cm, room, _CLOSE_CM, at_least=True)
    of_pieces = made is not None and seat.height_cm + made.height_cm <= asked + _CLOSE_CM
    what = made.says() if made is not None and of_pieces else said("something firm")
    height_cm = seat.height_cm + made.height_cm if made is not None and of_pieces else asked
    return Raised(said("{what} on the {seat}: {cm} cm", what=what, seat=seat.name, cm=height_cm), height_cm, of_pieces)


def put_on_the_seat(item: Item, body: Anthropometry, room: Room) -> str:
    """The same in words; '' when the seat is high enough."""
    raised = raised_seat(item, body, room)
    return raised.says if raised else ""


def seats_to_prepare(items: Sequence[Item], profiler: Profiler, room: Room, fitted: Sequence[Fit]) -> list[Fit]:
    """What is fitted, with the seats that these movements are done on instead of one that nobody sits on.

    A seat for level thighs is no use where a limit asks for a higher one: then that one is got ready, once.
    """
    asked = {h for i in items for h in sat_on_cm(i)}
    raised = dict.fromkeys(r for i in items if (r := raised_seat(i, profiler.body, room)))
    asked -= {r.height_cm for r in raised}
    level = [f for f in fitted if f.id is FitId.SEAT and any(abs(h - f.value) <= _CLOSE_CM for h in asked)]
    high_enough = max((r.height_cm for r in raised), default=0.0)  # to rise from: said once
    rest = [
        f
        for f in fitted
        if (f.id not in _OF_THE_SEAT or level) and not (f.id is FitId.RISING_SEAT and f.value <= high_enough)
    ]
    made = [
        Fit(FitId.SEAT_RAISE, said("seat"), r.height_cm, r.height_cm - _CLOSE_CM, r.height_cm + _CLOSE_CM, r.says, COMMON_PRACTICE, drawing=seat_drawing(r.height_cm))
        for r in raised
    ]
    return [*made, *rest]


_OF_THE_SEAT = frozenset((FitId.SEAT, FitId.SEAT_RAISE, FitId.FOOT_REST))

__all__ = ["on_one_seat", "put_on_the_seat", "raised_seat", "sat_on_cm", "seats_to_prepare"]
