"""Long sit: tall with long legs, raised as much as the hamstrings need."""

from dataclasses import replace

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Parameter, Setting
from amvel.movements.families.seated_rounding import long_sitting
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, TRUNK_ROUNDS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import BLOCK_OR_TOWEL
from amvel.movements.positions import both
from amvel.movements.promise import joint


def _apart(s: Setting) -> list[Frame]:
    return [long_sitting(s, s.number("apart_deg"), s.number("raise_cm"))]


def _arms(s: Setting) -> list[Frame]:
    start = long_sitting(s, s.number("apart_deg"), s.number("raise_cm"))
    return [
        start,
        start.with_(
            "arms overhead",
            **both(shoulder_flexion=s.number("arm_deg"), elbow_flexion=8.0, shoulder_abduction=8.0),
        ),
    ]


def _wide(default: float) -> Parameter:
    return Parameter("apart_deg", "each leg out", "deg", default, low=5, high=30, grid=5, easier="down", shows=joint("left.hip.abduction"))


_RAISE = Parameter("raise_cm", "firm raise under the seat", "cm", 8, low=4, high=30, grid=2, easier="up")
_ARM = Parameter("arm_deg", "how high the arms go", "deg", 150, low=90, high=160, grid=10, easier="down", shows=joint("left.shoulder.flexion"))
FAMILY = (
    Ladder(
        "long_sit",
        "Long sit",
        "sitting",
        "Tall on the sit bones with long legs; the raise takes what the hamstrings do not give.",
        setup=("Sit on a firm raise on the floor, never a soft pillow, legs long and apart.", "Feet drawn up."),
        cues=("grow, heels reach away", "if the back rounds, raise the seat"),
        faults=(TRUNK_ROUNDS, BACK_HOLLOWS, BREATH_HELD),
        felt="the back of the thighs, the back holding tall",
        not_felt="tingling down the leg",
        breath=breath(inhale("to grow"), back=exhale("to soften")),
        props=(BLOCK_OR_TOWEL,),
    )
    .rung(
        "on_a_high_raise",
        "On a high raise",
        _apart,
        Dose(5, 2, 7.0),
        {"upper_back": 0.3, "hip_bend": 0.4, "breath": 0.3},
        1,
        parameters=(replace(_RAISE, default=20), _wide(15)),
        also=("A raise of two hands’ height: the back stays tall before the legs are long.",),
        do=(
            "On a raise of two hands’ height, legs long, feet drawn up.",
            "Breathe {in} and grow, heels reaching away.",
            "Breathe {out} and soften the knees, not the back.",
        ),
    )
    .rung(
        "legs_apart",
        "Legs apart",
        _apart,
        Dose(5, 2, 7.0),
        {"upper_back": 0.4, "hip_bend": 0.4, "breath": 0.3},
        2,
        parameters=(_RAISE, _wide(15)),
        do=(
            "On a lower raise, legs long and a little apart.",
            "Breathe {in} and grow from both sit bones; breathe {out} and stay.",
            "If the back rounds, take the higher raise.",
        ),
    )
    .rung(
        "wider",
        "Wider",
        _apart,
        Dose(5, 2, 7.0),
        {"upper_back": 0.4, "hip_bend": 0.4, "breath": 0.3},
        2,
        parameters=(_RAISE, _wide(25)),
        do=(
            "Legs as wide as the pelvis stays upright.",
            "Breathe {in} and grow; breathe {out} and let both heels reach further apart.",
            "Bring the legs together with your hands.",
        ),
    )
    .rung(
        "arms_overhead",
        "Arms overhead",
        _arms,
        Dose(5, 2, 8.0),
        {"upper_back": 0.6, "hip_bend": 0.4},
        3,
        parameters=(_RAISE, _wide(15), _ARM),
        arrow="left.fingertips",
        do=(
            "Legs long, arms by the sides.",
            "Breathe {in} and lift both arms ahead and up while the crown grows; ribs stay.",
            "Breathe {out} and lower them.",
        ),
    )
    .family()
)
