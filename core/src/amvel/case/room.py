"""The rooms in which a client practises: furniture, floor and props, as somebody with a tape measure finds them."""

from typing import Literal

from pydantic import Field, model_validator

from amvel.case.faults import fault
from amvel.case.parts import Part
from amvel.case.props import PROPS
from amvel.languages import said

Firmness = Literal["firm", "soft", "unknown"]


class Seat(Part):
    """A chair, stool or bench. `height_cm` is where one sits, pressed down."""

    name: str = Field(max_length=60)
    height_cm: float = Field(ge=20, le=90)
    depth_cm: float | None = Field(default=None, ge=20, le=70)
    firmness: Firmness = "unknown"
    arms: bool = False
    castors: bool = False


class Prop(Part):
    """Something small. `size_cm` is its thickness or diameter where that matters, `count` how many there are."""

    kind: str = Field(description="an id of the prop catalogue")
    size_cm: float | None = Field(default=None, ge=0.5, le=80)
    count: int = Field(default=1, ge=1, le=20)


class Room(Part):
    """What is there.

    `props` may be given as bare ids.  What is not said is not there; of floor and soles, what is not said is taken as
    slippery until somebody has looked.
    """

    name: str = Field(default="home", max_length=60)
    used_for: Literal["both", "home", "visit"] = "both"
    seats: tuple[Seat, ...] = ()
    wall: bool = True
    worktop: bool = False
    worktop_height_cm: float | None = Field(default=None, ge=50, le=120)
    table_height_cm: float | None = Field(default=None, ge=50, le=100)
    low_table_height_cm: float | None = Field(default=None, ge=10, le=60)
    floor_mat: bool = False
    free_floor_cm: float | None = Field(default=None, ge=50, le=1000)
    floor_grip: Literal["grips", "slips", "unknown"] = "unknown"
    soles: Literal["good_soles", "bare_feet", "socks", "unknown"] = "unknown"
    bed_height_cm: float | None = Field(default=None, ge=20, le=90)
    bed_firmness: Firmness = "unknown"
    bed_head_end: bool = Field(default=False, description="the head end of the bed can be raised and stays where it is put")
    rail: bool = Field(default=False, description="a fixed rail or bar beside where one rises and stands")
    rail_height_cm: float | None = Field(default=None, ge=50, le=120)
    anchor: bool = Field(default=False, description="a handle or closed door at chest height that holds a band")
    props: tuple[Prop, ...] = ()

    @model_validator(mode="before")
    @classmethod
    def _bare_ids(cls, data: object) -> object:
        if isinstance(data, dict) and isinstance(data.get("props"), list | tuple):
            props = [{"kind": p} if isinstance(p, str) else p for p in data["props"]]
            return {**data, "props": props}
        return data

    @model_validator(mode="after")
    def _known_props(self) -> "Room":
        for i, prop in enumerate(self.props):
            if prop.kind not in PROPS:
                raise fault(said("there is no prop '{kind}'; known are {kinds}", kind=prop.kind, kinds=", ".join(PROPS)), "props", i, "kind")
        return self

    def has(self, kind: str) -> bool:
        return any(p.kind == kind for p in self.props)

    def prop(self, kind: str) -> Prop | None:
        """The first prop of a kind, or None."""
        return next((p for p in self.props if p.kind == kind), None)
