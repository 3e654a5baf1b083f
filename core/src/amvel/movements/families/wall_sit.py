"""Wall sit with a tuck."""

from dataclasses import replace

from amvel.movements.breath import breath, breathe, exhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, PELVIS_DROPS
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.needs import WALL
from amvel.movements.positions import (
    SIDEWAYS,
    both,
    hip_wide,
    left_foot_up,
    standing,
    stands_on_both,
    weight_between_feet,
    weight_on_one_foot,
)
from amvel.movements.promise import joint
from amvel.movements.wrong import Wrong


def _sat(s: Setting) -> Frame:
    knee = s.number("knee_deg")
    frame = standing(s.body).unaim("centre_of_mass", "com.upper_thorax", "left.ankle", "right.ankle")
    wall = Surface("wall behind", "back", 0.0, friction=0.5, stiffness_n_per_m=1.5e4, title="wall")
    frame = replace(frame, surfaces={**frame.surfaces, "wall behind": wall})
    frame = frame.with_(
        "sitting on the wall",
        **both(knee_flexion=knee, hip_flexion=knee, shoulder_flexion=2.0),
        lumbar_flexion=4.0,
    )
    frame = frame.free_(**both(hip_flexion=0.3, ankle_dorsiflexion=0.1))
    frame = frame.touch(Touch("sacrum", "wall behind"), Touch("upper_back", "wall behind", places=False))
    return frame.aim(Aim("left.ankle", "x", 0.0, origin="right.ankle")).facts_(hand_support_level=1)


def _hold(s: Setting) -> list[Frame]:
    return [_sat(s)]


def _light(s: Setting) -> list[Frame]:
    sat = _sat(s).aim(*stands_on_both(s.body), weight_between_feet(s.body)).free_(**SIDEWAYS)
    return [
        sat,
        sat.lift("left.heel")
        .unaim("left.foot_inner")
        .aim(hip_wide(s.body, "ball"))
        .with_("one heel light")
        .free_(left_ankle_dorsiflexion=0.1)
        .touch(Touch("left.heel", "floor", bears=False, gap_cm=3.0)),
    ]


def _lifted(s: Setting) -> list[Frame]:
    """The weight goes over one foot before the other leaves; the wall keeps the back of the pelvis."""
    sat = _sat(s)
    shifted = weight_on_one_foot(sat, s.body)
    off = left_foot_up(shifted)
    knee = s.number("knee_deg")
    return [
        sat,
        shifted,
        off.with_(
            "one foot lifted",
            left_hip_flexion=knee + 15.0,
            left_knee_flexion=knee + 20.0,
            left_hip_abduction=0.0,
        ),
    ]


_KNEE = Parameter("knee_deg", "bend of the knees", "deg", 45, low=15, high=80, grid=5, easier="down", shows=joint("left.knee.flexion"))
FAMILY = (
    Ladder(
        "wall_sit",
        "Wall sit with tuck",
        "at the wall",
        "The wall carries the pelvis, the thighs carry you.",
        setup=(
            "Back of the pelvis on the wall, feet ahead of it, floor not slippery.",
            "A slight tuck, upper body relaxed.",
        ),
        cues=("both feet equally heavy", "the back of the pelvis stays on the wall"),
        faults=(
            PELVIS_DROPS,
            Fault(
                "leans_on_the_upper_back",
                "leans on the upper back",
                "the shoulders take the weight",
                "the easy cheat",
                "breastbone over the pelvis", Wrong({"left.hip.flexion": -12, "right.hip.flexion": -12}),
            ),
            BREATH_HELD,
        ),
        felt="thighs and low belly",
        not_felt="the knees",
        breath=breath(exhale("to unweight"), end=breathe("breathe on while you stay")),
        parameters=(_KNEE,),
        props=(WALL,),
    )
    .rung(
        "both_feet",
        "Both feet",
        _hold,
        Dose(4, 2, 12.0, hold_s=10),
        {"leg_loading": 0.7, "deep_control": 0.3, "sit_to_stand": 0.4},
        4,
        do=(
            "Back of the pelvis on the wall, feet ahead, knees bent to the mark; a slight tuck.",
            "Stay and breathe on, both feet equally heavy, the upper body at ease.",
            "Push up along the wall to rest.",
        ),
    )
    .rung(
        "one_heel_light",
        "One heel light",
        _light,
        Dose(4, 2, 8.0),
        {"leg_loading": 0.8, "turning": 0.4, "hip_out": 0.4, "sit_to_stand": 0.4},
        5,
        sides=True,
        arrow="left.heel",
        do=(
            "Back of the pelvis on the wall, slide down to your mark.",
            "Breathe {out} and let one heel come up; the pelvis does not shift.",
            "Put it down, breathe {in}; then the other.",
        ),
    )
    .rung(
        "one_foot_lifted",
        "One foot lifted",
        _lifted,
        Dose(3, 2, 8.0),
        {"leg_loading": 0.9, "turning": 0.6, "hip_out": 0.5, "sit_to_stand": 0.4, "deep_control": 0.3},
        7,
        sides=True,
        arrow="left.knee",
        parameters=(replace(_KNEE, default=30),),
        more_faults=(Fault("shifts_along_the_wall", "shifts along the wall", "the pelvis slides towards the foot that stays", "the weight was not shared before", "both feet light in turn first; then off"),),
        do=(
            "Back of the pelvis on the wall, slide down to your mark.",
            "Breathe {out} and take one foot off the floor by a finger’s breadth.",
            "Put it down before the pelvis drops; slide up to rest.",
        ),
    )
    .family()
)
