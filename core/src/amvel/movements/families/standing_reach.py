"""Standing reach: leg back at a worktop, then the opposite arm, then less hand."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Frames, Parameter, Setting
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, PELVIS_DROPS
from amvel.movements.frames import Aim, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import WORKTOP
from amvel.movements.positions import left_foot_up, trunk_lean, weight_on_one_foot
from amvel.movements.promise import LEAN, joint
from amvel.movements.standing_support import HANDS_OF_A_SIDE, HOLD, WORKTOP_CM, at_the_counter, ways_to_hold


def _frames(support: str, arm: bool = False) -> Frames:
    def frames(s: Setting) -> list[Frame]:
        start = at_the_counter(s, support)
        shifted = weight_on_one_foot(start, s.body, "weight on one leg")
        back = left_foot_up(shifted)
        back = back.with_(
            "leg back, low",
            left_hip_flexion=-s.number("back_deg"),
            left_knee_flexion=4.0,
            left_ankle_dorsiflexion=0.0,
            left_hip_abduction=0.0,
        )
        back = back.aim(Aim("left.hip", "z", 0.0, origin="right.hip", weight=0.5, must_hold=False))
        if arm:
            back = back.lift("right.palm", "right.fingertips").unaim("right.wrist", "right.fingertips")
            back = back.with_(
                "leg back, opposite arm up",
                right_shoulder_flexion=120.0,
                right_elbow_flexion=8.0,
                right_wrist_extension=0.0,
            )
        return [start, shifted, back]

    return frames


def _hinge(s: Setting) -> list[Frame]:
    """Trunk and free leg tip together over the standing hip."""
    frames, lean = _frames("firm hand")(s), s.number("lean_deg")
    tipped = (
        frames[-1]
        .aim(*trunk_lean(s.body, lean))
        .with_(
            "tipped forward as one piece",
            left_hip_flexion=-s.number("back_deg"),
            right_hip_flexion=lean + 3.0,
            right_knee_flexion=8.0,
        )
    )
    give = {f"{x}_{j}": 0.1 for x in ("left", "right") for j in ("shoulder_flexion", "elbow_flexion")}
    return [*frames, tipped.free_(**give, right_hip_flexion=0.2, right_ankle_dorsiflexion=0.1)]


_LEAN = Parameter(
    "lean_deg", "lean of trunk and leg together", "deg", 15, low=5, high=30, grid=5, easier="down", shows=LEAN)
_BACK = Parameter("back_deg", "how far the leg goes back", "deg", 12, low=4, high=18, grid=2, easier="down", shows=joint("left.hip.flexion").turned())
FAMILY = (
    Ladder(
        "standing_reach",
        "Standing reach",
        "standing",
        "What opposite arm and leg does, standing: for who cannot kneel.",
        replaces=("arm_or_leg_slide",),
        setup=("Stand tall at a worktop, feet hip-wide.",),
        cues=("low and long, from the buttock", "the hip bones look ahead"),
        faults=(BACK_HOLLOWS, PELVIS_DROPS, BREATH_HELD),
        felt="the buttock of the leg that goes back, the side of the standing hip",
        not_felt="the low back",
        breath=breath(exhale("to reach"), back=inhale("to come back")),
        sides=True,
        parameters=(_BACK, WORKTOP_CM),
        props=(WORKTOP,),
        arrow="left.heel",
    )
    .rung(
        "leg_back",
        "Leg back, firm hands",
        _frames("firm hand"),
        Dose(6, 2, 6.0),
        {"hip_back": 0.9, "balance": 0.5, "hip_out": 0.3},
        3,
        parameters=(_BACK, *ways_to_hold("firm hand", HANDS_OF_A_SIDE)),
        do=(
            "Both hands firm on the worktop, tall on one leg.",
            "Breathe {out} and reach the other leg low and long behind you, from the buttock.",
            "Breathe {in} and put it down beside the other.",
        ),
    )
    .rung(
        "opposite_arm",
        "Opposite arm, one hand",
        _frames("firm hand", arm=True),
        Dose(6, 2, 7.0),
        {"hip_back": 0.9, "upper_back": 0.4, "turning": 0.5, "balance": 0.6},
        4,
        parameters=(_BACK, WORKTOP_CM, HOLD),
        do=(
            "One hand firm on the worktop.",
            "Breathe {out} and reach one leg back and the arm of the other side ahead, both low.",
            "Breathe {in} and bring both home.",
        ),
    )
    .rung(
        "hinge_as_one",
        "Hinge forward as one piece",
        _hinge,
        Dose(6, 2, 8.0),
        {"hip_back": 1.0, "hip_bend": 0.5, "upper_back": 0.4, "balance": 0.7, "turning": 0.4},
        5,
        parameters=(_BACK, _LEAN, WORKTOP_CM, HOLD),
        more_faults=(Fault("opens_to_the_side", "opens to the side", "hip and chest turn towards the leg that is up", "the standing hip gives way", "both hip bones look at the floor; lower"),),
        do=(
            "One hand on the worktop, leg back, opposite arm ahead.",
            "Breathe {out} and tip forward a little from the standing hip: arm, trunk and leg are one piece.",
            "Breathe {in} and come upright as one piece.",
        ),
    )
    .rung(
        "fingertips",
        "Fingertips",
        _frames("fingertips"),
        Dose(6, 2, 7.0),
        {"hip_back": 0.9, "balance": 0.8, "hip_out": 0.4},
        4,
        do=(
            "Only the fingertips on the worktop.",
            "Breathe {out} and reach one leg low behind you; the fingers do not press.",
            "Breathe {in} and put it down.",
        ),
    )
    .rung(
        "hands_hover",
        "Hands hover",
        _frames("hands hover"),
        Dose(6, 2, 8.0),
        {"hip_back": 0.9, "balance": 1.0, "hip_out": 0.5},
        5,
        do=(
            "Hands a finger’s breadth above the worktop.",
            "Breathe {out} and reach one leg low behind you, hips square; touch only if you sway.",
            "Breathe {in} and put it down.",
        ),
    )
    .family()
)
