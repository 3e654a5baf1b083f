"""Hinge at a chair back: on both legs, then on one."""

from amvel.movements.declaration import Dose, Frames, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, PELVIS_DROPS, TRUNK_ROUNDS
from amvel.movements.frames import Aim, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.positions import both, trunk_lean
from amvel.movements.standing_support import at_the_counter


def _frames(one_leg: bool) -> Frames:
    def frames(s: Setting) -> list[Frame]:
        start, lean = at_the_counter(s.body, "firm hand"), s.number("lean_deg")
        if one_leg:
            over = Aim("centre_of_mass", "y", 0.0, origin="right.ankle", weight=0.5)
            give = {f"{x}_{j}": 0.1 for x in ("left", "right") for j in ("hip_abduction", "ankle_inversion")}
            start = start.aim(over).free_(**give).with_("weight on one leg")
        down = start.aim(*trunk_lean(s.body, lean)).with_(
            "leaning from the hips", **both(hip_flexion=lean + 3.0, knee_flexion=10.0)
        )
        down = down.free_(
            **both(hip_flexion=0.2, ankle_dorsiflexion=0.1, shoulder_flexion=0.1, elbow_flexion=0.1)
        )
        if one_leg:
            down = down.lift("left.heel", "left.ball").unaim("left.ankle")
            down = down.with_(
                "one leg back, hinged", left_hip_flexion=0.0, left_knee_flexion=6.0, left_ankle_dorsiflexion=0.0
            )
        return [start, down]

    return frames


_LEAN = Parameter("lean_deg", "lean from the hips", "deg", 25, low=10, high=45, grid=5, easier="down")
FAMILY = (
    Ladder(
        "one_leg_hinge",
        "Hinge at a chair back",
        "standing",
        "The hips fold, the spine stays one piece: the way to every bag on the floor.",
        replaces=("toe_touching", "seated_rounding"),
        setup=("Stand behind a heavy chair or at a worktop, hands on it.",),
        cues=("sit bones back, breastbone forward", "the foot stays in line"),
        faults=(TRUNK_ROUNDS, PELVIS_DROPS, BREATH_HELD),
        felt="buttocks and the back of the thighs",
        not_felt="the low back",
        breath="in to fold, out to stand up",
        parameters=(_LEAN,),
        props=("worktop",),
        arrow="breastbone",
    )
    .rung(
        "both_legs",
        "Both legs",
        _frames(False),
        Dose(8, 2, 5.0),
        {"hip_bend": 0.9, "hip_back": 0.6, "leg_loading": 0.4},
        3,
    )
    .rung(
        "one_leg",
        "One leg",
        _frames(True),
        Dose(8, 2, 6.0),
        {"hip_bend": 0.9, "hip_back": 0.8, "balance": 0.6, "leg_loading": 0.5},
        5,
        sides=True,
    )
    .family()
)
