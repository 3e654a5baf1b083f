"""Straight-leg raise to the side."""

from collections.abc import Callable

from amvel.body import Anthropometry
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, ROLLS_BACK
from amvel.movements.feedback import ROLL_UNDER_THE_WAIST
from amvel.movements.frames import Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import legs_slope_deg, side_lying
from amvel.movements.needs import CUSHION
from amvel.movements.promise import joint
from amvel.movements.wrong import Wrong

_CUSHION_CM = 10.0


def _lying(s: Setting, lower_straight: bool) -> Frame:
    frame = side_lying(s.body).lift("left.foot_inner")
    frame = frame.with_(
        "upper leg long",
        left_hip_flexion=-2.0,
        left_knee_flexion=2.0,
        left_ankle_dorsiflexion=-5.0,
        left_hip_abduction=4.0,
    )
    if lower_straight:
        frame = frame.with_(right_hip_flexion=8.0, right_knee_flexion=4.0, right_ankle_dorsiflexion=0.0)
        # The long lower leg lies from hip to foot; what the knee meets on the way is carried too.
        soft = Touch("right.knee_side", "floor", places=False)
        return frame.lift("right.knee_side").touch(Touch("right.foot_outer", "floor"), soft)
    return frame.with_(right_hip_flexion=45.0, right_knee_flexion=90.0)


def _raise(s: Setting, lower_straight: bool, cushion: bool = False) -> list[Frame]:
    start = _lying(s, lower_straight)
    if cushion:
        start = start.with_(right_hip_flexion=2.0, left_hip_flexion=2.0).free_(left_hip_abduction=0.1)
        held = start.between("cushion", "left.foot_inner", "right.foot_inner", _CUSHION_CM, axis="z")
        both_off = held.lift("right.knee_side", "right.foot_outer").free_(right_hip_abduction=0.1)
        return [held, both_off.with_("cushion lifted by both", left_hip_abduction=s.number("out_deg"))]
    return [
        start,
        start.with_("leg raised", left_hip_abduction=s.number("out_deg"), left_ankle_dorsiflexion=5.0),
    ]


def _bent(s: Setting) -> list[Frame]:
    return _raise(s, False)


def _long(s: Setting) -> list[Frame]:
    return _raise(s, True)


def _cushion(s: Setting) -> list[Frame]:
    return _raise(s, True, cushion=True)


def _out(default: float | Callable[[Anthropometry], float], high: float = 35) -> Parameter:
    return Parameter(
        "out_deg", "how far the leg goes up", "deg", default, low=8, high=high, grid=3, easier="down", shows=joint("left.hip.abduction"))


FAMILY = (
    Ladder(
        "side_leg_raise",
        "Straight-leg raise to the side",
        "on the side",
        "The leg lifts in line with the body; the waist stays long.",
        setup=(
            "Lie on your side, head padded level, space under the waist.",
            "Upper leg long, a little behind the body, toes slightly in.",
        ),
        cues=("lift from the side of the buttock", "the tempo is your breath", "as slow down as up"),
        faults=(
            ROLLS_BACK,
            Fault(
                "leg_drifts_forward",
                "leg drifts forward",
                "the foot comes in front",
                "the thigh has taken over",
                "heel a little behind you", Wrong({"left.hip.flexion": 28}),
            ),
            BREATH_HELD,
        ),
        felt="the side of the upper buttock; tiring by the fourth or fifth",
        not_felt="the front of the thigh, the waist",
        feedback=(ROLL_UNDER_THE_WAIST,),
        breath=breath(inhale("to lift with the ankle pointing"), back=exhale("to lower with the ankle flexing")),
        breath_custom=True,
        sides=True,
        arrow="left.ankle",
    )
    .rung(
        "lower_knee_bent",
        "Lower knee bent",
        _bent,
        Dose(10, 2, 6.0),
        {"hip_out": 0.9, "turning": 0.3},
        3,
        parameters=(_out(20),),
        do=(
            "On your side with the lower knee bent, a wall behind you that the heel may brush.",
            "Breathe {in} and lift the long upper leg as far as the waist stays long, ankle pointing.",
            "Breathe {out} and lower it just as slowly, ankle flexing.",
        ),
    )
    .rung(
        "both_legs_long",
        "Both legs long",
        _long,
        Dose(10, 2, 6.0),
        {"hip_out": 0.9, "turning": 0.4, "side_bend": 0.2},
        4,
        parameters=(_out(20),),
        more_faults=(Fault("toes_turn_up", "toes turn up", "the foot looks to the ceiling at the top", "the front of the hip lifts the leg", "heel first and a little behind; lower", Wrong({"left.hip.rotation": -26})),),
        do=(
            "On your side with both legs long, the wall behind you.",
            "Breathe {in} and lift the upper leg a little behind the body, toes slightly in.",
            "Breathe {out}, lower it, and do not let it fall on the other one.",
        ),
    )
    .rung(
        "with_cushion",
        "Slow, a cushion between the legs",
        _cushion,
        Dose(8, 2, 8.0),
        {"hip_out": 0.8, "side_bend": 0.3, "deep_control": 0.4},
        5,
        also=("A firm cushion between the feet, pressed lightly by both legs.",),
        cues=("press first, then both legs leave the floor together", "as slow down as up", "the waist stays long"),
        parameters=(_out(lambda body: 9.0 + legs_slope_deg(body), high=26),),  # the lower hip has to bring its leg across as far
        props=(CUSHION,),
        more_faults=(Fault("pressing_stops", "pressing stops", "the cushion gets loose as the legs come up", "the lower leg is left behind", "press first, lift a finger’s breadth only"),),
        do=(
            "A firm cushion between the feet, pressed lightly by both legs.",
            "Press first, then lift both legs together a finger’s breadth, the waist long.",
            "Lower over a slow breath and let the pressing go.",
        ),
    )
    .family()
)
