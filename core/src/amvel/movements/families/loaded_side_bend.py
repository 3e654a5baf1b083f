"""Loaded side bend."""

from amvel.body.capacities import TRUNK_SHARE
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.families.one_side_carry import _stand
from amvel.movements.faults import BREATH_HELD, PELVIS_DROPS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import BAG
from amvel.movements.promise import TRUNK_SIDE
from amvel.movements.wrong import Wrong


def _bend(s: Setting) -> list[Frame]:
    start, by = _stand(s), s.number("bend_deg")
    bent = {f"{r}_side_bend": by * share for r, share in TRUNK_SHARE["side_bend"].items()}
    return [start, start.with_("bent to the bag", **bent)]


_BEND = Parameter("bend_deg", "side bend", "deg", 22, low=3, high=30, grid=1, easier="down", shows=TRUNK_SIDE)
_LOAD = Parameter("load_kg", "what the bag holds", "kg", 4, low=0.5, high=8, grid=0.5, easier="down")
FAMILY = (
    Ladder(
        "loaded_side_bend",
        "Loaded side bend",
        "standing",
        "Often asked for: a bend to the side with a weight.",
        asked_for=True,
        setup=("Stand with a bag in one hand.",),
        cues=("slide the bag down the leg and come up",),
        faults=(Fault("leans_forward", "leans forward", "the chest drops", "the load is too much", "lighter", Wrong({"left.hip.flexion": 20, "right.hip.flexion": 20})), PELVIS_DROPS, BREATH_HELD),
        felt="the other side of the waist",
        not_felt="the low back",
        breath=breath(inhale("to bend"), back=exhale("to come up")),
        sides=True,
        view="front",
        arrow="left.palm",
        parameters=(_BEND, _LOAD),
        props=(BAG,),
    )
    .rung("with_bag", "With a bag", _bend, Dose(8, 1, 4.0), {"side_bend": 0.7}, 5,
        do=(
            "Stand with a bag in one hand.",
            "The trunk bends to the side of the bag.",
            "Up again.",
        ),
    )
    .family()
)
