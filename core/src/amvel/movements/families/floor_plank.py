"""Plank on the floor: on forearms, from the knees, then full length."""

import numpy as np

from amvel.movements.breath import steady
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.positions import FACE_DOWN, FLOOR, both
from amvel.movements.wrong import Wrong

_SIDES = ("left", "right")


def _pitched(deg: float) -> np.ndarray:
    """Face down, the shoulders higher than the feet."""
    a = np.radians(deg)
    return FACE_DOWN @ np.array([[np.cos(a), 0, -np.sin(a)], [0, 1, 0], [np.sin(a), 0, np.cos(a)]])


def _plank(s: Setting, knees: bool) -> Frame:
    angles = {
        f"{x}.{k}": v
        for x in _SIDES
        for k, v in (
            ("shoulder.flexion", 75.0),
            ("elbow.flexion", 90.0),
            ("knee.flexion", 40.0 if knees else 2.0),
            ("ankle.dorsiflexion", 0.0),
            ("toes.extension", 55.0),
        )
    }
    joints = (
        "shoulder.flexion",
        "elbow.flexion",
        *(("knee.flexion",) if knees else ("ankle.dorsiflexion", "toes.extension")),
    )
    surfaces = {
        "floor": FLOOR,
        "hand support": Surface("hand support", "level", s.number("raised_cm"), 0.6, title="block"),
    }
    frame = Frame(
        "forearms and knees" if knees else "forearms and toes",
        _pitched(8.0),
        (0, 0, 30),
        angles,
        {f"{x}.{j}": 0.1 for x in _SIDES for j in joints},
        surfaces=surfaces,
    )
    lower = ("knee_front", "toe_tip") if knees else ("ball",)
    frame = frame.touch(
        *(Touch(f"{x}.{p}", "hand support") for x in _SIDES for p in ("elbow_tip", "forearm_side")),
        *(Touch(f"{x}.{p}", "floor", strategy="rests" if p == "toe_tip" else None) for x in _SIDES for p in lower),
    )
    if knees:
        frame = frame.with_(**both(ankle_dorsiflexion=-30.0, toes_extension=10.0)).free_(
            **both(ankle_dorsiflexion=0.2)
        )
    under = (Aim(f"{x}.elbow", "x", 0.0, origin=f"{x}.shoulder", must_hold=False, weight=0.5) for x in _SIDES)
    return frame.aim(Aim("left.hip", "x", 0.0, origin="right.hip", must_hold=False), *under).facts_(
        on_floor=True, hand_support_level=3
    )


def _knees(s: Setting) -> list[Frame]:
    return [_plank(s, knees=True)]


def _full(s: Setting) -> list[Frame]:
    return [_plank(s, knees=False)]


def _one_foot(s: Setting) -> list[Frame]:
    start = _plank(s, knees=False)
    off = start.lift("left.ball").with_("one foot light", left_hip_flexion=-8.0, left_knee_flexion=4.0)
    return [start, off.with_(left_ankle_dorsiflexion=-10.0)]


_RAISED = Parameter("raised_cm", "height under the forearms", "cm", 0, low=0, high=50, grid=5, easier="up", nothing_at=0)
FAMILY = (
    Ladder(
        "floor_plank",
        "Plank on the floor",
        "hands and knees",
        "The wall plank laid down: one line on forearms and knees, then on forearms and toes.",
        setup=("Forearms on the mat, elbows under the shoulders.",),
        cues=(
            "forearms press the floor away, ribs down",
            "buttocks set, head in line",
            "stop at the first sag",
        ),
        faults=(
            BACK_HOLLOWS,
            Fault("hips_pike", "hips pike", "the seat goes up", "the belly has let go", "front of the hips forward", Wrong({"left.hip.flexion": 26, "right.hip.flexion": 26})),
            SHOULDER_CLIMBS,
            BREATH_HELD,
        ),
        felt="belly, buttocks and round the shoulder blades",
        not_felt="the low back, the shoulders",
        breath=steady("breathe on, longer out than in"),
        parameters=(_RAISED,),
    )
    .rung(
        "on_knees",
        "Forearms and knees",
        _knees,
        Dose(3, 1, 23.0, hold_s=20),
        {"resist_extension": 0.9, "upper_back": 0.5, "deep_control": 0.4},
        5,
        also=("Knees down, hips straight: one line from knee to crown.",),
        after=("wall_plank/forearms",),
        do=(
            "Elbows under the shoulders, knees down; with sore elbows straight arms on the heels of the hands.",
            "Press the forearms into the floor and straighten the hips until crown, hips and knees are one line; breathe on.",
            "Sink back onto the knees at the first sag.",
        ),
    )
    .rung(
        "full_length",
        "Full length",
        _full,
        Dose(2, 1, 33.0, hold_s=30),
        {"resist_extension": 1.0, "upper_back": 0.6, "deep_control": 0.4},
        7,
        after=("wall_plank/forearms",),
        also=("Toes tucked, heels back: one line from heel to crown; 30 to 60 seconds in the end.",),
        do=(
            "Elbows under the shoulders, toes tucked, buttocks set.",
            "Straighten both knees and push the heels back: one line from crown to heel; breathe on.",
            "Knees down first, before the low back gives.",
        ),
    )
    .rung(
        "one_foot_light",
        "Full length, one foot light",
        _one_foot,
        Dose(4, 2, 8.0),
        {"resist_extension": 1.0, "turning": 0.7, "hip_back": 0.6, "upper_back": 0.6},
        8,
        sides=True,
        arrow="left.heel",
        more_faults=(Fault("hips_swing", "hips swing", "the pelvis moves over the foot that stays", "the trunk gives the weight away", "feet wider; less off the floor"),),
        do=(
            "Up in the full plank, pelvis level.",
            "Breathe {out} and take one foot off by a finger’s breadth; nothing else answers.",
            "Put it down, breathe {in}, and take the other.",
        ),
    )
    .family()
)
