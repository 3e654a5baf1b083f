"""Carry-over: a diagonal reach to a shelf, one hand on the worktop."""

from amvel.body.capacities import TRUNK_SHARE
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, RIBS_FLARE, SHOULDER_CLIMBS
from amvel.movements.frames import Aim, Frame, Prop
from amvel.movements.ladder import Ladder
from amvel.movements.needs import WORKTOP
from amvel.movements.promise import TRUNK_TURN, joint
from amvel.movements.session_part import SessionPart
from amvel.movements.standing_support import HOLD, WORKTOP_CM, at_the_counter


def _reach(s: Setting, load_kg: float) -> list[Frame]:
    start = at_the_counter(s, "firm hand")
    free = start.lift("left.palm").unaim("left.wrist", "left.fingertips")
    low = free.with_(
        "hand at the hip", left_shoulder_flexion=20.0, left_elbow_flexion=70.0, left_wrist_extension=0.0
    )
    over = Aim("centre_of_mass", "x", 7.0, origin="right.ankle")
    turn = s.number("turn_deg")
    turned = {f"{r}_rotation": -turn * share for r, share in TRUNK_SHARE["rotation"].items()}
    high = low.aim(over).with_(
        "reached across and up",
        left_shoulder_flexion=s.number("arm_deg"),
        left_elbow_flexion=10.0,
        left_shoulder_abduction=-8.0,
        **turned,
    )
    frames = [low, high]
    if load_kg:
        jar = Prop("weight", ("left.knuckles",), 9)
        frames = [f.pull(("left.palm", (0.0, 0.0, -load_kg * 9.81))).hold(jar) for f in frames]
    return frames


def _empty(s: Setting) -> list[Frame]:
    return _reach(s, 0.0)


def _jar(s: Setting) -> list[Frame]:
    return _reach(s, s.number("load_kg"))


_ARM = Parameter("arm_deg", "how high the arm goes", "deg", 125, low=70, high=150, grid=5, easier="down", shows=joint("left.shoulder.flexion"))
_TURN = Parameter("turn_deg", "turn of the rib cage", "deg", 10, low=0, high=20, grid=1, easier="down", shows=TRUNK_TURN)
_LOAD = Parameter("load_kg", "what is put up", "kg", 0.5, low=0.25, high=2, grid=0.25, easier="down")
FAMILY = (
    Ladder(
        "reach_to_a_shelf",
        "Reach to a shelf",
        "standing",
        "Across and up, with ribs that stay on the pelvis: what kitchens ask for.",
        part=SessionPart.CARRIES_OVER,
        setup=("Stand at a worktop, one hand firm on it, a shelf ahead to the other side.",),
        cues=("breathe out, ribs stay, then the arm leaves", "grow from the feet, not from the low back"),
        faults=(BACK_HOLLOWS, RIBS_FLARE, SHOULDER_CLIMBS, BREATH_HELD),
        felt="the waist and round the shoulder blade",
        not_felt="the low back, the top of the shoulder",
        breath=breath(exhale("to reach"), back=inhale("to come back")),
        sides=True,
        props=(WORKTOP,),
        arrow="left.fingertips",
        parameters=(_ARM, _TURN, WORKTOP_CM, HOLD),
    )
    .rung(
        "empty_hand",
        "Empty hand",
        _empty,
        Dose(6, 1, 6.0),
        {"turning": 0.6, "upper_back": 0.5, "resist_extension": 0.4},
        2,
        do=(
            "One hand firm on the worktop.",
            "Breathe {out}, then let the other hand reach across and up to the shelf; grow from the feet.",
            "Breathe {in} and bring it down.",
        ),
    )
    .rung(
        "with_a_jar",
        "With a jar",
        _jar,
        Dose(6, 1, 7.0),
        {"turning": 0.7, "upper_back": 0.6, "resist_extension": 0.6},
        4,
        parameters=(_ARM, _TURN, _LOAD, WORKTOP_CM, HOLD),
        more_faults=(Fault("jar_far_from_the_body", "jar far from the body", "the jar goes up in a wide arc", "the back leans against the load", "past the breastbone, close, then up"),),
        do=(
            "One hand firm on the worktop, a jar in the other, close to you.",
            "Breathe {out} and put the jar on the shelf, ribs on the pelvis.",
            "Breathe {in}; next time take it down again.",
        ),
    )
    .family()
)
