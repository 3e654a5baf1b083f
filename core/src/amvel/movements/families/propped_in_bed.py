"""Propped in bed: the head end is up, and the trunk works from the slope, for who may not lie flat and does not sit up yet."""

from dataclasses import replace

from amvel.movements.breath import breath, exhale, inhale, steady
from amvel.movements.declaration import Dose, Fault, Parameter, Setting, once
from amvel.movements.faults import BREATH_HELD, RIBS_FLARE, SHOULDER_CLIMBS, TRUNK_SINKS
from amvel.movements.frames import Frame, Touch
from amvel.movements.ladder import Ladder, held
from amvel.movements.lying_positions import supine_crook
from amvel.movements.positions import both, trunk_lean
from amvel.movements.promise import LEAN, joint
from amvel.movements.propped import HEAD_END_UP, risen
from amvel.movements.sign import Sign
from amvel.movements.wrong import Wrong

# Who leans back sits on what is behind the sit bones as well.
_ON_THE_SEAT = (
    *(Touch(f"{s}.sit_bone", "floor") for s in ("left", "right")),
    *(Touch(p, "floor", places=False) for p in ("left.buttock", "right.buttock", "sacrum")),
)
_HEELS_AWAY = 0.32  # of stature from the sit bones: knees a little bent, so that the hips have room (our estimate)
_FLAT_DEG = 90.0  # how far a trunk leans back that lies flat


@once
def _rest(s: Setting) -> Frame:
    legs = supine_crook(s.body, _HEELS_AWAY * 100 * s.body.stature_m).lift("left.ball", "right.ball")
    return legs.with_("leaning on the slope", **both(ankle_dorsiflexion=-8.0))


def _press(s: Setting) -> list[Frame]:
    return [_rest(s)]


def _arm(s: Setting) -> list[Frame]:
    up = _rest(s).lift("left.wrist").with_(
        "one arm long", left_shoulder_flexion=s.number("arm_deg"), left_shoulder_abduction=0.0, left_elbow_flexion=5.0, left_forearm_pronation=0.0
    )
    return [_rest(s), up]


def _away(s: Setting, arms_deg: float) -> list[Frame]:
    """The whole trunk comes off the slope as one piece, turning over the hips."""
    start = _rest(s)
    further_deg = _FLAT_DEG - s.number(HEAD_END_UP.id) - s.number("back_deg")
    off = start.lift("occiput", "upper_back", "sacrum", "left.wrist", "right.wrist")
    hips = {f"{side}.hip.flexion": off.angles[f"{side}.hip.flexion"] + further_deg for side in ("left", "right")}
    off = replace(off, root=risen(off.root, further_deg), angles={**off.angles, **hips})
    off = off.touch(*_ON_THE_SEAT).aim(*trunk_lean(s.body, -s.number("back_deg")))
    return [start, off.with_("away from the slope", **both(shoulder_flexion=arms_deg, shoulder_abduction=0.0, elbow_flexion=8.0, forearm_pronation=0.0))]


def _comes_away(s: Setting) -> list[Frame]:
    return _away(s, 75.0)


def _arm_while_away(s: Setting) -> list[Frame]:
    start, away = _away(s, 75.0)
    return [start, away, away.with_("one arm higher", left_shoulder_flexion=s.number("arm_deg"))]


_SLOPE = replace(HEAD_END_UP, default=45.0, low=30, nothing_at=None)
# From less than half upright the weight would lie behind the seat, and the feet would leave the bed.
_STEEP = replace(_SLOPE, low=45, high=60)
_BACK = Parameter("back_deg", "how far the trunk still leans back", "deg", 20, low=10, high=25, grid=5, easier="up", shows=LEAN.turned())


def _up_to(default: float, high: float) -> Parameter:
    return Parameter("arm_deg", "how high the arm goes", "deg", default, low=60, high=high, grid=10, easier="down", shows=joint("left.shoulder.flexion"))


FAMILY = (
    Ladder(
        "propped_in_bed",
        "Propped in bed",
        "on the back",
        "The head end is up; first the arms press and reach, then the trunk comes away from the slope in one piece.",
        setup=("Head end raised, or a wedge behind the back from the seat to the head.", "The seat well back in the bend, knees a little bent, heels down."),
        cues=("long from the seat to the crown", "the ribs stay over the pelvis"),
        faults=(
            SHOULDER_CLIMBS,
            TRUNK_SINKS,
            Fault(
                "slides_down", "slides down the bed", "the seat leaves the bend and the low back rounds", "the feet do not hold, or the slope is too steep",
                "seat back into the bend, a cushion before the feet", Wrong({"lumbar.flexion": 24, "neck.flexion": 10}),
            ),
            BREATH_HELD,
        ),
        felt="the belly and between the shoulder blades",
        not_felt="the neck, the front of the hips, a head that swims",
        breath=breath(exhale("to move"), back=inhale("to come back")),
        parameters=(_SLOPE,),
        props=(),
    )
    .rung(
        "hands_press", "Hands press the bed", _press, held(Dose(6, 1, 6.0), 3), {"upper_back": 0.5, "deep_control": 0.4}, 1,
        signs=(Sign.PRESS,), breath=steady("out while the hands press, in while they let go"),
        do=(
            "Lean on the slope, hands beside the hips.",
            "Breathe {out} and press both hands down into the bed, shoulder blades wide and low.",
            "Breathe {in} and let go without sinking.",
        ),
    )
    .rung(
        "one_arm_long", "One arm long", _arm, Dose(6, 1, 6.0), {"upper_back": 0.5, "turning": 0.2, "deep_control": 0.3}, 2,
        sides=True, arrow="left.fingertips", parameters=(_SLOPE, _up_to(110, 150)),
        more_faults=(RIBS_FLARE,),
        do=(
            "Lean on the slope, arms beside you.",
            "Breathe {out} and lift one long arm ahead and up, as high as the ribs stay.",
            "Breathe {in} and lay it down; the other arm next.",
        ),
    )
    .rung(
        "comes_away", "Away from the slope", _comes_away, Dose(5, 2, 6.0), {"resist_extension": 0.5, "hip_bend": 0.4, "position_change": 0.3}, 4,
        arrow="forehead", parameters=(_STEEP, _BACK),
        more_faults=(Fault("chin_leads", "chin leads", "the chin pokes ahead as the trunk comes away", "the neck pulls the trunk", "chin back; begin from the breastbone", Wrong({"neck.flexion": 18, "head.nod": -14})),),
        do=(
            "Both arms reach ahead at the height of the breastbone.",
            "Breathe {out} and bring the whole trunk away from the slope in one piece, bending only in the hips.",
            "Breathe {in} and lower it as slowly, still in one piece.",
        ),
    )
    .rung(
        "arm_higher_while_away", "Away from the slope, one arm higher", _arm_while_away, Dose(5, 2, 8.0),
        {"resist_extension": 0.6, "upper_back": 0.4, "turning": 0.3}, 5, sides=True, arrow="left.fingertips", shown=(1, -1), parameters=(_STEEP, _BACK, _up_to(120, 140)),
        do=(
            "Come away from the slope in one piece, both arms ahead.",
            "Breathe {out} and lift one arm higher; the other stays, and the trunk does not lean back.",
            "Breathe {in}, bring it down beside the other, and change arms before you go back.",
        ),
    )
    .family()
)
