"""What a step needs beside the body: furniture and small props, each need declared once with what may serve for it.

The alternatives of a need are tried in order: furniture, or ids of the prop catalogue (`case.props`).  What a need means
for the pose (it is hard, it pulls, it is unstable) and whether it can be had on a bed stands beside its words.
"""

from dataclasses import dataclass
from enum import Enum


class Furniture(Enum):
    """What stands in a room; the value is how it is called where it lacks."""

    SEAT = "a firm chair without castors"
    ARMS = "a firm chair with arms"
    WALL = "a free wall"
    WORKTOP = "a worktop or a sturdy chair"
    RAIL = "a fixed rail"
    TABLE = "a sturdy table"
    LOW_TABLE = "a low table or firm box"
    BED = "a firm bed"
    HEAD_END = "a bed whose head end rises"
    ANCHOR = "something at chest height that holds a band"


Thing = Furniture | str  # furniture, or an id of the prop catalogue


@dataclass(frozen=True)
class Need:
    """One thing that a step needs: how it reads, and what serves for it.

    `on_bed` are the alternatives that can stand or lie on a bed beside the client; with none the step stays on the
    floor.  `hard` is pressed by the body and gives nothing; `round_the_foot` holds a foot.
    """

    says: str
    serves: tuple[Thing, ...]
    on_bed: tuple[Thing, ...]
    hard: bool = False
    pulls: bool = False
    round_the_foot: bool = False
    unstable: bool = False

    @property
    def with_arms(self) -> bool:
        """Whether the arms of a chair serve."""
        return Furniture.ARMS in self.serves


def _soft(says: str, *serves: str, **more: bool) -> Need:
    """A small prop: it comes along to the bed."""
    return Need(says, serves, serves, **more)


def _stands(says: str, *serves: Thing, on_bed: tuple[str, ...] = ()) -> Need:
    """Furniture: it stays on the floor, unless something that can stand on a bed serves as well."""
    return Need(says, serves, on_bed)


FIRM_CHAIR = _stands("firm chair", Furniture.SEAT)
CHAIR_WITH_ARMS = _stands("firm chair with arms", Furniture.ARMS)
ARM_REST_OR_WORKTOP = _stands("arm rest or worktop", Furniture.ARMS, Furniture.RAIL, Furniture.WORKTOP)
WORKTOP = _stands("worktop", Furniture.WORKTOP, Furniture.SEAT)
WORKTOP_OR_CHAIR_BACK = _stands("worktop or sturdy chair back", Furniture.WORKTOP, Furniture.RAIL, Furniture.SEAT)
WALL = _stands("wall", Furniture.WALL)
FIRM_BED = Need("firm bed", (Furniture.BED,), (Furniture.BED,))
TABLE = _stands("table", Furniture.TABLE, Furniture.WORKTOP)
_ON_A_BED = ("bolster", "box")  # what carries calves there: firm, as high as a seat, and it does not roll
CHAIR_OR_BOX = _stands("chair or box", Furniture.SEAT, Furniture.LOW_TABLE, "box", on_bed=_ON_A_BED)
SEAT_OR_BOX = _stands("seat or box", Furniture.SEAT, Furniture.LOW_TABLE, "box", on_bed=_ON_A_BED)
BOX_OR_LOW_TABLE = _stands("box or low table", Furniture.LOW_TABLE, "box", Furniture.SEAT, on_bed=_ON_A_BED)
ANCHOR = _stands("anchor at chest height", Furniture.ANCHOR)
CUSHION = _soft("cushion", "cushion")
TOWEL = _soft("towel", "towel")
STRAP = _soft("strap", "strap", "belt")
BELT = _soft("belt", "belt", "strap")
BAND = _soft("band", "band", pulls=True)
BAND_ROUND_THE_FOOT = _soft("band or strap round the foot", "band", "strap", pulls=True, round_the_foot=True)
BAG = _soft("bag", "bag")
LIGHT_WEIGHT = _soft("light weight", "weight")
HOUSEHOLD_WEIGHT = _soft("household weight", "weight")
HOUSEHOLD_ROLL = _soft("household roll", "household_roll", "cushion")
THICK_PAD = _soft("thick pad", "thick_pad", "blanket")
CLOTH = _soft("cloth", "cloth")
BLOCK_OR_TOWEL = _soft("firm block or folded towel", "block", "towel", "books", hard=True)
# On a mattress it would sink in on one side and roll off on the other.
LONG_ROLLER = Need("long roller or rolled mat (unstable)", ("long_roller",), (), hard=True, unstable=True)
BACK_WEDGE = Need("wedge or stack of firm cushions behind the back, or the head end of the bed", ("back_wedge",), (Furniture.HEAD_END, "back_wedge"))
HEEL_WEDGE = _soft("wedge under the heels", "heel_wedge", "books")


__all__ = [
    "ANCHOR",
    "ARM_REST_OR_WORKTOP",
    "BACK_WEDGE",
    "BAG",
    "BAND",
    "BAND_ROUND_THE_FOOT",
    "BELT",
    "BLOCK_OR_TOWEL",
    "BOX_OR_LOW_TABLE",
    "CHAIR_OR_BOX",
    "CHAIR_WITH_ARMS",
    "CLOTH",
    "CUSHION",
    "FIRM_BED",
    "FIRM_CHAIR",
    "HEEL_WEDGE",
    "HOUSEHOLD_ROLL",
    "HOUSEHOLD_WEIGHT",
    "LIGHT_WEIGHT",
    "LONG_ROLLER",
    "SEAT_OR_BOX",
    "STRAP",
    "TABLE",
    "THICK_PAD",
    "TOWEL",
    "WALL",
    "WORKTOP",
    "WORKTOP_OR_CHAIR_BACK",
    "Furniture",
    "Need",
    "Thing",
]
