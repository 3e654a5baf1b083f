"""Step and reach: one foot steps ahead, the opposite arm reaches; the hands help less and less."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Frames, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, KNEE_FALLS_IN, PELVIS_DROPS
from amvel.movements.frames import Aim, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import WORKTOP
from amvel.movements.positions import SIDEWAYS, hip_wide
from amvel.movements.promise import joint
from amvel.movements.standing_support import at_the_counter, ways_to_hold
from amvel.movements.stepping import stepped_ahead
from amvel.movements.wrong import Wrong


def _frames(support: str) -> Frames:
    def frames(s: Setting) -> list[Frame]:
        start = at_the_counter(s, support).aim(Aim("left.hip", "x", 0.0, origin="right.hip", weight=0.3))
        step = s.number("step_cm")
        ahead = start.unaim("left.ankle", "centre_of_mass").aim(
            Aim("left.ankle", "x", step, origin="right.ankle"),
            hip_wide(s.body),
            Aim("centre_of_mass", "x", 0.6 * step + 6.0, origin="right.ankle", weight=0.5),
            Aim("centre_of_mass", "y", 6.0 * s.body.stature_m, origin="right.ankle", weight=0.5),
        )
        ahead = ahead.lift("right.palm", "right.fingertips").unaim("right.wrist", "right.fingertips")
        reached = ahead.with_(
            "stepped and reaching",
            left_hip_flexion=22.0,
            left_knee_flexion=14.0,
            right_hip_flexion=-4.0,
            right_knee_flexion=6.0,
            right_shoulder_flexion=s.number("reach_deg"),
            right_elbow_flexion=8.0,
            right_wrist_extension=0.0,
        )
        give = {"left_hip_flexion": 0.1, "left_knee_flexion": 0.2, "right_hip_flexion": 0.1}
        reached = reached.lift("right.heel").free_(**give, **SIDEWAYS, right_toes_extension=0.2)
        return [start, *stepped_ahead(start, s.body, step), reached]

    return frames


_STEP = Parameter("step_cm", "length of the step", "cm", 26, low=12, high=50, grid=2, easier="down")
_REACH = Parameter("reach_deg", "how high the arm reaches", "deg", 95, low=30, high=150, grid=5, easier="down", shows=joint("right.shoulder.flexion"))
_WORDS = {
    "firm hand": (
        "firm_hand",
        "Firm hand",
        "The hand of the stepping side stays firm on the worktop.",
        (
            "One hand firm on the worktop beside you.",
            "Breathe {in} and step ahead; arrive; breathe {out} and reach ahead with the free hand.",
            "Breathe {in} and push back to the start.",
        ),
    ),
    "fingertips": (
        "fingertips",
        "Fingertips",
        "Only the fingertips touch.",
        (
            "Only the fingertips on the worktop beside you.",
            "Breathe {in} and step ahead; arrive; breathe {out} and reach, eyes on the hand.",
            "Push back to the start in one step.",
        ),
    ),
    "hands hover": (
        "hands_hover",
        "Hands hover",
        "The hand hovers just above the worktop.",
        (
            "The hand a finger’s breadth above the worktop.",
            "Breathe {in} and step ahead; arrive; breathe {out} and reach without touching.",
            "Push back in one step, and stand still before the next.",
        ),
    ),
}
_LADDER = Ladder(
    "step_and_reach",
    "Step and reach",
    "standing",
    "The step that catches a stumble, practised slowly with an arm that asks for something.",
    setup=("Stand sideways along a worktop, feet hip-wide, the way ahead free.",),
    cues=("step, arrive, then reach", "ribs over the pelvis, eyes on the hand", "push back to the start"),
    faults=(
        KNEE_FALLS_IN,
        PELVIS_DROPS,
        Fault("reaches_before_arriving", "reaches before arriving", "the arm pulls the trunk after it", "hurry", "step, count one, reach", Wrong({"left.hip.flexion": 20, "right.hip.flexion": 20})),
        BREATH_HELD,
    ),
    felt="thigh and buttock of the leg ahead",
    not_felt="the low back, dizziness",
    breath=breath((inhale("to step"), exhale("to reach")), back=inhale("to come back")),
    sides=True,
    parameters=(_STEP, _REACH),
    props=(WORKTOP,),
    arrow="left.heel",
)
for _support, _balance, _effort in (("firm hand", 0.5, 3), ("fingertips", 0.8, 4), ("hands hover", 1.0, 5)):
    _id, _title, _line, _do = _WORDS[_support]
    _LADDER.rung(
        _id,
        _title,
        _frames(_support),
        Dose(8, 1, 6.0),
        {"balance": _balance, "leg_loading": 0.5, "turning": 0.3, "hip_out": 0.3},
        _effort,
        also=(_line,),
        do=_do,
        parameters=(_STEP, _REACH, *ways_to_hold(_support)),
    )
FAMILY = _LADDER.family()
