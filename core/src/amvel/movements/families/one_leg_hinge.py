"""Hinge at a worktop: on both legs, then on one."""

from dataclasses import replace

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Frames, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, PELVIS_DROPS, TRUNK_ROUNDS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import WORKTOP
from amvel.movements.positions import both, left_foot_up, trunk_lean, weight_on_one_foot
from amvel.movements.promise import LEAN
from amvel.movements.standing_support import HOLD, WORKTOP_CM, at_the_counter


def _frames(one_leg: bool) -> Frames:
    def frames(s: Setting) -> list[Frame]:
        start, lean = at_the_counter(s, "firm hand"), s.number("lean_deg")
        if one_leg:
            start = weight_on_one_foot(start, s.body, "weight on one leg")
        down = start.aim(*trunk_lean(s.body, lean)).with_(
            "leaning from the hips", **both(hip_flexion=lean + 3.0, knee_flexion=10.0)
        )
        down = down.free_(
            **both(hip_flexion=0.2, ankle_dorsiflexion=0.1, shoulder_flexion=0.1, elbow_flexion=0.1)
        )
        if one_leg:
            down = left_foot_up(down)
            down = down.with_(
                "one leg back, hinged",
                left_hip_flexion=0.0,
                left_knee_flexion=6.0,
                left_ankle_dorsiflexion=0.0,
                left_hip_abduction=0.0,
            )
        return [start, down]

    return frames


def _one_hand(s: Setting) -> list[Frame]:
    """The hand of the free side rests on the hip bone."""
    hand = {"left_shoulder_flexion": -20.0, "left_shoulder_abduction": 30.0, "left_elbow_flexion": 85.0}
    return [_let_go(f, **hand, left_wrist_extension=0.0, left_forearm_pronation=10.0) for f in _frames(True)(s)]


def _hand_down(s: Setting) -> list[Frame]:
    """The hand of the free side hangs towards the standing foot while the spine stays level."""
    frames = _frames(True)(s)
    start = [
        _let_go(f, left_shoulder_flexion=5.0, left_elbow_flexion=10.0, left_wrist_extension=0.0)
        for f in frames[:1]
    ]
    lean = s.number("lean_deg")
    down = _let_go(
        frames[1], left_shoulder_flexion=lean + 5.0, left_elbow_flexion=4.0, left_wrist_extension=0.0
    )
    return [*start, down.with_("opposite hand down")]


def _let_go(frame: Frame, **arm: float) -> Frame:
    return frame.lift("left.palm").unaim("left.wrist", "left.fingertips").with_(**arm)


_LEAN = Parameter("lean_deg", "lean from the hips", "deg", 25, low=10, high=45, grid=5, easier="down", shows=LEAN)
FAMILY = (
    Ladder(
        "one_leg_hinge",
        "Hinge at a worktop",
        "standing",
        "The hips fold, the spine stays one piece: the way to every bag on the floor.",
        replaces=("toe_touching", "seated_rounding"),
        setup=("Stand at a worktop, or behind a chair too heavy to tip, hands on it.",),
        cues=("sit bones back, breastbone forward", "the foot stays in line"),
        faults=(TRUNK_ROUNDS, PELVIS_DROPS, BREATH_HELD),
        felt="buttocks and the back of the thighs",
        not_felt="the low back",
        breath=breath(inhale("to fold"), back=exhale("to stand up")),
        parameters=(_LEAN, WORKTOP_CM, HOLD),
        props=(WORKTOP,),
        arrow="breastbone",
    )
    .rung(
        "both_legs",
        "Both legs",
        _frames(False),
        Dose(8, 2, 5.0),
        {"hip_bend": 0.9, "hip_back": 0.6, "leg_loading": 0.4},
        3,
        do=(
            "Hands on the worktop, feet hip-wide.",
            "Breathe {in} and push the sit bones back, spine one piece.",
            "Breathe {out} and stand up, driving through both heels.",
        ),
    )
    .rung(
        "one_leg",
        "One leg",
        _frames(True),
        Dose(8, 2, 6.0),
        {"hip_bend": 0.9, "hip_back": 0.8, "balance": 0.6, "leg_loading": 0.5},
        5,
        sides=True,
        do=(
            "Hands on the worktop, weight on one foot.",
            "Breathe {in} and fold at that hip while the other leg goes back as a counterweight.",
            "Breathe {out} and stand up, driving through the heel.",
        ),
    )
    .rung(
        "one_hand",
        "One leg, one hand",
        _one_hand,
        Dose(8, 2, 7.0),
        {"hip_bend": 0.9, "hip_back": 0.9, "balance": 0.7, "turning": 0.3, "leg_loading": 0.5},
        5,
        sides=True,
        do=(
            "One hand on the worktop, weight on the foot of that side.",
            "Breathe {in} and fold; the free arm hangs, the pelvis stays square.",
            "Breathe {out} and drive through the heel to stand.",
        ),
    )
    .rung(
        "hand_down",
        "Opposite hand down, level spine",
        _hand_down,
        Dose(8, 2, 8.0),
        {"hip_bend": 1.0, "hip_back": 0.9, "balance": 0.8, "turning": 0.6, "leg_loading": 0.5},
        6,
        sides=True,
        arrow="left.fingertips",
        parameters=(replace(_LEAN, default=40, low=25, high=55), WORKTOP_CM, HOLD),
        more_faults=(Fault("reaches_from_the_back", "reaches from the back", "the shoulder comes down and the hip does not", "the trunk bends where the hip should", "stop at the knee; sit bones further back"),),
        do=(
            "One hand on the worktop, weight on one foot.",
            "Breathe {in} and fold until the free hand comes down towards the foot, spine level.",
            "Breathe {out} and drive through the heel to stand; change sides.",
        ),
    )
    .family()
)
