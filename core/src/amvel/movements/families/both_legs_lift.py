"""Both-legs lift, lying on the side."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, RIBS_FLARE, ROLLS_BACK
from amvel.movements.feedback import ROLL_UNDER_THE_WAIST
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import legs_slope_deg, side_lying
from amvel.movements.promise import joint
from amvel.movements.wrong import Wrong

_HAND = {
    "left_shoulder_flexion": 62.0,
    "left_shoulder_abduction": -12.0,
    "left_elbow_flexion": 62.0,
    "left_forearm_pronation": 60.0,
    "left_wrist_extension": 70.0,
    "right_shoulder_flexion": 130.0,  # the lower arm makes room for the hand in front
}


def _lying(s: Setting, hand: bool) -> Frame:
    frame = side_lying(s.body).lift("left.foot_inner")
    for side in ("left", "right"):
        frame = frame.with_(
            "legs long, a little in front",
            **{f"{side}_hip_flexion": 14.0, f"{side}_knee_flexion": 4.0, f"{side}_ankle_dorsiflexion": 0.0},
        )
    soft = Touch("right.knee_side", "floor", places=False)
    frame = frame.lift("right.knee_side").touch(Touch("right.foot_outer", "floor"), soft)
    frame = frame.with_(left_hip_abduction=2.0)
    if hand:
        frame = frame.with_(**_HAND).free_(left_shoulder_flexion=0.3, left_elbow_flexion=0.3)
        stacked = (
            Aim("left.hip", "y", 0.0, origin="right.hip", weight=0.5),
            Aim("left.shoulder", "y", 0.0, origin="right.shoulder", weight=0.5),
        )
        return frame.touch(Touch("left.palm", "floor")).aim(*stacked).free_(left_shoulder_abduction=0.3)
    return frame.with_(left_shoulder_flexion=90.0, left_shoulder_abduction=-88.0, left_elbow_flexion=4.0)


def _lift(s: Setting, hand: bool) -> list[Frame]:
    start, up = _lying(s, hand), s.number("up_deg")
    lifted = start.lift("right.knee_side", "right.foot_outer").with_(
        "both legs off", left_hip_abduction=up + 2.0, right_hip_abduction=-up
    )
    if s.school("side_lift") == "side_crunch":
        lifted = lifted.with_(lumbar_side_bend=_CRUNCH_DEG).free_(lower_thoracic_side_bend=2.0)
    return [start, lifted]


def _with_hand(s: Setting) -> list[Frame]:
    return _lift(s, True)


def _light(s: Setting) -> list[Frame]:
    frames = _lift(s, True)
    return [f.lift("left.palm").touch(Touch("left.fingertips", "floor")) for f in frames]


def _top_arm(s: Setting) -> list[Frame]:
    """The upper arm points at the ceiling; nothing in front helps."""
    frames = _lift(s, False)
    up = {"left_shoulder_flexion": 0.0, "left_shoulder_abduction": 88.0, "left_elbow_flexion": 4.0}
    return [f.with_(**up) for f in frames]


_CRUNCH_DEG = 5.0  # "a small side bend": our reading

# So far that the legs come clear of the floor, whatever the build.
_UP = Parameter("up_deg", "how far the legs lift", "deg", lambda body: 9.0 + legs_slope_deg(body), low=4, high=14, grid=1, easier="down", shows=joint("right.hip.abduction").turned())
FAMILY = (
    Ladder(
        "both_legs_lift",
        "Both-legs lift",
        "on the side",
        "Both legs lift from a long waist and lower to hover.",
        setup=(
            "Lie on your side, legs long and a little in front, head padded level.",
            "Lengthen the lower waist with the hand first.",
        ),
        cues=("the whole waist stays long, only the legs leave", "lower to hover, not to the floor"),
        faults=(
            RIBS_FLARE,
            ROLLS_BACK,
            Fault(
                "back_of_the_waist_pulls",
                "back of the waist pulls",
                "the body bends backward",
                "the back muscle has taken over",
                "legs a little further in front", Wrong({"lumbar.flexion": -18}),
            ),
            BREATH_HELD,
        ),
        felt="the side of the waist",
        not_felt="the back of the waist, the lower hip",
        feedback=(ROLL_UNDER_THE_WAIST,),
        breath=breath(exhale("to lift"), back=inhale("to lower")),
        sides=True,
        arrow="left.ankle",
        parameters=(_UP,),
    )
    .rung("hand_in_front", "Hand in front", _with_hand, Dose(8, 2, 5.0), {"side_bend": 0.8, "hip_out": 0.4}, 5,
        after=("side_leg_raise/lower_knee_bent",),
        do=(
            "On your side, legs long and a little ahead, the upper hand firm in front.",
            "Breathe {out} and lift both legs together from a long waist.",
            "Breathe {in} and lower to just above the floor.",
        ),
    )
    .rung(
        "lighter_hand",
        "Lighter hand",
        _light,
        Dose(10, 2, 5.0),
        {"side_bend": 0.9, "hip_out": 0.4, "turning": 0.3},
        6,
        more_faults=(Fault("hand_pushes_again", "hand pushes again", "the fingertips turn white", "the waist has had enough", "lift less high, or take the hand back"),),
        do=(
            "The same, with only the fingertips in front.",
            "Breathe {out} and lift both legs a little; the fingers do not push.",
            "Breathe {in} and lower to hover.",
        ),
    )
    .rung(
        "top_arm_up",
        "Top arm to the ceiling",
        _top_arm,
        Dose(10, 2, 6.0),
        {"side_bend": 1.0, "hip_out": 0.4, "turning": 0.5},
        7,
        also=("The upper arm points to the ceiling and stays there.",),
        do=(
            "The same, the upper arm to the ceiling.",
            "Breathe {out} and lift both legs; the arm stays upright, the trunk does not roll.",
            "Breathe {in} and lower to hover; then the other side, the same number.",
        ),
    )
    .family()
)
