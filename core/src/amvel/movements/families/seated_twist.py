"""Seated twist with a weight."""

import math

from amvel.body.capacities import TRUNK_SHARE
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS, TRUNK_SINKS
from amvel.movements.frames import Aim, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import FIRM_CHAIR, HOUSEHOLD_WEIGHT
from amvel.movements.positions import both, sitting
from amvel.movements.promise import TRUNK_TURN
from amvel.movements.seats import SEAT


def _twist(s: Setting) -> list[Frame]:
    force = s.number("weight_kg") * 9.81 / 2
    start = sitting(s.body, s.number("seat_cm")).with_(
        **both(shoulder_flexion=55.0, elbow_flexion=50.0, shoulder_abduction=-6.0)
    )
    start = start.pull(*((f"{x}.palm", (0.0, 0.0, -force)) for x in ("left", "right")))
    start = start.between("weight", "left.palm", "right.palm", _WEIGHT_CM).free_(**both(shoulder_abduction=0.1))
    turned = {f"{r}_rotation": s.number("turn_deg") * share for r, share in TRUNK_SHARE["rotation"].items()}
    # The arms stay as they hold the weight; across is no longer the room's left and right.
    across = start.with_("turned with the weight", **turned).unaim("left.palm")
    angle = math.radians(s.number("turn_deg"))
    way = (-math.sin(angle), math.cos(angle), 0.0)
    return [start, across.aim(Aim("left.palm", "across", _WEIGHT_CM, origin="right.palm", direction=way))]


_WEIGHT_CM = 12.0


_TURN = Parameter("turn_deg", "turn of the rib cage", "deg", 38, low=5, high=45, grid=1, easier="down", shows=TRUNK_TURN)
_KG = Parameter("weight_kg", "weight in the hands", "kg", 3, low=0.5, high=5, grid=0.5, easier="down")
FAMILY = (
    Ladder(
        "seated_twist",
        "Seated twist with a weight",
        "sitting",
        "Often asked for: a loaded turn to its end.",
        asked_for=True,
        setup=("Sit tall, a weight in both hands.",),
        cues=("turn the breastbone, not the arms",),
        faults=(TRUNK_SINKS, SHOULDER_CLIMBS, BREATH_HELD),
        felt="the waist",
        not_felt="the low back",
        breath=breath(exhale("to turn"), back=inhale("to come back")),
        sides=True,
        arrow="left.palm",
        view="front",
        parameters=(_TURN, _KG, SEAT),
        props=(FIRM_CHAIR, HOUSEHOLD_WEIGHT),
    )
    .rung("with_weight", "With a weight", _twist, Dose(6, 1, 4.0), {"turning": 0.7}, 5,
        do=(
            "Sit with a weight in both hands.",
            "The trunk turns with the weight to one side.",
            "Then to the other.",
        ),
    )
    .family()
)
