"""What a step needs of a room: what is there, what a household thing stands in for, and what is lacking."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from amvel.body import Anthropometry
from amvel.case import PROPS, Room
from amvel.fitting.furniture import firm_bed, usable_seats
from amvel.languages import said
from amvel.movements import Family, Step
from amvel.movements.bed import lies_on_bed
from amvel.movements.needs import WALL, Furniture, Need, Thing


@dataclass(frozen=True)
class Use:
    """What serves one need: `what` in words, and whether it only stands in."""

    id: Thing
    what: str
    stands_in_for: str = ""


@dataclass(frozen=True)
class RoomCheck:
    """What a step uses in this room, and what it lacks; `lacking` is empty when it can be done here."""

    uses: tuple[Use, ...]
    lacking: tuple[str, ...]

    @property
    def stand_ins(self) -> tuple[str, ...]:
        return _in_their_place(self.uses)


def _in_their_place(uses: Iterable[Use]) -> tuple[str, ...]:
    return tuple(said("{what} as the {thing}", what=said(u.what), thing=said(u.stands_in_for)) for u in uses if u.stands_in_for)


def check_room(
    body: Anthropometry, room: Room, family: Family, step: Step, set_ups: Sequence[dict[str, float | str]]
) -> RoomCheck:
    """Every need of a step in one room, for all of its sides; `set_ups` are the values of each."""
    needs = list(step.props)
    if family.position == "at the wall" and WALL not in needs:
        needs.append(WALL)
    found = dict.fromkeys(_first(body, room, serves) for values in set_ups for serves in _served(step, needs, values))
    return RoomCheck(
        tuple(x for x in found if isinstance(x, Use)), tuple(x for x in found if not isinstance(x, Use))
    )


def _served(step: Step, needs: list[Need], values: dict[str, float | str]) -> list[tuple[Thing, ...]]:
    on_bed = lies_on_bed(values)
    served = [need.on_bed if on_bed else need.serves for need in needs]
    there = (p.need for p in step.parameters if p.need and values.get(p.id, p.nothing_at) != p.nothing_at)
    return served + [need.on_bed if on_bed else need.serves for need in there]


def _first(body: Anthropometry, room: Room, serves: tuple[Thing, ...]) -> Use | str:
    """The first alternative that is there, else a stand-in, else what is lacking in words."""
    for thing in serves:
        if isinstance(thing, Furniture):
            name = _furniture(body, room, thing)
            if name:
                return Use(thing, name)
        elif room.has(thing):
            return Use(thing, PROPS[thing].title)
    for thing in serves:
        if not isinstance(thing, Furniture) and PROPS[thing].stand_in:
            return Use(thing, PROPS[thing].stand_in, PROPS[thing].title)
    lacking = serves[0]
    return said(lacking.value) if isinstance(lacking, Furniture) else said("a {thing}", thing=PROPS[lacking].title)


def stand_ins_for(room: Room, things: Sequence[str]) -> tuple[str, ...]:
    """What stands in for small things that are not there; of what nothing stands in for, nothing."""
    missing = (PROPS[t] for t in things if not room.has(t))
    return _in_their_place(Use(p.title, p.stand_in, p.title) for p in missing if p.stand_in)


def _furniture(body: Anthropometry, room: Room, piece: Furniture) -> str:
    """The name of what serves; '' when nothing does."""
    seats = usable_seats(room, body)
    if piece is Furniture.ARMS:
        seats = [s for s in seats if s.arms]
    found = {
        Furniture.SEAT: seats[0].name if seats else "",
        Furniture.ARMS: seats[0].name if seats else "",
        Furniture.WALL: "wall" if room.wall else "",
        Furniture.WORKTOP: "worktop" if room.worktop else "",
        Furniture.RAIL: "rail" if room.rail else "",
        Furniture.TABLE: "table" if room.table_height_cm is not None else "",
        Furniture.LOW_TABLE: "low table" if room.low_table_height_cm is not None else "",
        Furniture.BED: "bed" if firm_bed(room) else "",
        Furniture.HEAD_END: "head end of the bed" if firm_bed(room) and room.bed_head_end else "",
        Furniture.ANCHOR: "anchor for the band" if room.anchor else "",
    }
    return found[piece]


__all__ = ["RoomCheck", "Use", "check_room", "stand_ins_for"]
