"""What a step needs of a room: what is there, what a household thing stands in for, and what is lacking.

A phrase of a step's props names one need; its alternatives are tried in order.  Furniture starts with a capital here:
Seat, Arms, Wall, Worktop, Table, LowTable, Bed, Anchor; everything else is an id of the prop catalogue.
"""

from dataclasses import dataclass

from amvel.body import Anthropometry
from amvel.case import PROPS, Room
from amvel.fitting.furniture import firm_bed, usable_seats
from amvel.movements import Family, Step
from amvel.movements.bed import lies_on_bed

ALTERNATIVES: dict[str, tuple[str, ...]] = {
    "firm chair": ("Seat",),
    "firm chair with arms": ("Arms",),
    "arm rest or worktop": ("Arms", "Worktop"),
    "worktop": ("Worktop", "Seat"),
    "worktop or sturdy chair back": ("Worktop", "Seat"),
    "wall": ("Wall",),
    "firm bed": ("Bed",),
    "table": ("Table", "Worktop"),
    "chair or box": ("Seat", "LowTable", "box"),
    "seat or box": ("Seat", "LowTable", "box"),
    "box or low table": ("LowTable", "box", "Seat"),
    "anchor at chest height": ("Anchor",),
    "cushion": ("cushion",),
    "towel": ("towel",),
    "strap": ("strap", "belt"),
    "belt": ("belt", "strap"),
    "band": ("band",),
    "band or strap round the foot": ("band", "strap"),
    "bag": ("bag",),
    "weight": ("weight",),
    "light weight": ("weight",),
    "household weight": ("weight",),
    "household roll": ("household_roll", "cushion"),
    "long roller or rolled mat (unstable)": ("long_roller",),
    "thick pad": ("thick_pad", "blanket"),
    "cloth": ("cloth",),
    "firm block or folded towel": ("block", "towel", "books"),
}
_FURNITURE = {
    "Seat": "a firm chair without castors",
    "Arms": "a firm chair with arms",
    "Wall": "a free wall",
    "Worktop": "a worktop or a sturdy chair",
    "Table": "a sturdy table",
    "LowTable": "a low table or firm box",
    "Bed": "a firm bed",
    "Anchor": "something at chest height that holds a band",
}


class UnknownNeed(ValueError):
    """A step names a prop that no alternative is declared for; the message names it."""


@dataclass(frozen=True)
class Use:
    """What serves one need: `what` in words, its id, and whether it only stands in."""

    id: str
    what: str
    stands_in_for: str = ""


@dataclass(frozen=True)
class RoomCheck:
    """What a step uses in this room, and what it lacks; `lacking` is empty when it can be done here."""

    uses: tuple[Use, ...]
    lacking: tuple[str, ...]

    @property
    def stand_ins(self) -> tuple[str, ...]:
        return tuple(f"{u.what} for the {u.stands_in_for}" for u in self.uses if u.stands_in_for)


def check_room(
    body: Anthropometry, room: Room, family: Family, step: Step, values: dict[str, float | str]
) -> RoomCheck:
    """Every need of a step in one room; raises UnknownNeed for a phrase without alternatives."""
    phrases = list(step.props)
    if family.position == "at the wall" and "wall" not in phrases:
        phrases.append("wall")
    if lies_on_bed(values) and "firm bed" not in phrases:
        phrases.append("firm bed")
    uses, lacking = [], []
    for phrase in phrases:
        found = _first(body, room, phrase)
        if isinstance(found, Use):
            uses.append(found)
        else:
            lacking.append(found)
    return RoomCheck(tuple(uses), tuple(lacking))


def _first(body: Anthropometry, room: Room, phrase: str) -> Use | str:
    """The first alternative that is there, else a stand-in, else what is lacking in words."""
    if phrase not in ALTERNATIVES:
        raise UnknownNeed(f"no alternatives are declared for '{phrase}'")
    ids = ALTERNATIVES[phrase]
    for id in ids:
        if id[0].isupper():
            name = _furniture(body, room, id)
            if name:
                return Use(id, name)
        elif room.has(id):
            return Use(id, PROPS[id].title)
    for id in ids:
        if not id[0].isupper() and PROPS[id].stand_in:
            return Use(id, PROPS[id].stand_in, PROPS[id].title)
    return _FURNITURE.get(ids[0]) or f"a {PROPS[ids[0]].title}"


def _furniture(body: Anthropometry, room: Room, id: str) -> str:
    """The name of what serves; '' when nothing does."""
    seats = usable_seats(room, body)
    if id == "Arms":
        seats = [s for s in seats if s.arms]
    found = {
        "Seat": seats[0].name if seats else "",
        "Arms": seats[0].name if seats else "",
        "Wall": "wall" if room.wall else "",
        "Worktop": "worktop" if room.worktop else "",
        "Table": "table" if room.table_height_cm is not None else "",
        "LowTable": "low table" if room.low_table_height_cm is not None else "",
        "Bed": "bed" if firm_bed(room) else "",
        "Anchor": "anchor for the band" if room.anchor else "",
    }
    return found[id]


__all__ = ["ALTERNATIVES", "RoomCheck", "UnknownNeed", "Use", "check_room"]
