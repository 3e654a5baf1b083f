"""Rolling to the side as one unit, and back: how every position on the floor or bed is left."""

import numpy as np

from amvel.body import but
from amvel.movements.back_shape import rounded_deg
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Setting
from amvel.movements.faults import BREATH_HELD
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import side_lying, supine_crook
from amvel.movements.positions import FACE_UP, both
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong

# What the rolling body meets on its way: each carries wherever it touches.
_ROLLING = (
    "right.shoulder_side",
    "right.hip_side",
    "right.buttock",
    "upper_back",
    "sacrum",
    "right.foot_outer",
    "right.knee_side",
)


def _soft(frame: Frame) -> Frame:
    known = {t.landmark for t in frame.touches}
    return frame.touch(*(Touch(p, "floor", places=False) for p in _ROLLING if p not in known))


def _turned(deg: float) -> np.ndarray:
    """On the back, turned to the right about the long axis."""
    a = np.radians(-deg)
    return FACE_UP @ np.array([[np.cos(a), -np.sin(a), 0], [np.sin(a), np.cos(a), 0], [0, 0, 1.0]])


def _start(s: Setting, arm: dict[str, float]) -> Frame:
    return _soft(supine_crook(s.body)).with_("knees bent and together", **arm)


def _half(s: Setting, arm: dict[str, float], deg: float) -> Frame:
    """Shoulders and pelvis half-way round together, knees stacked."""
    frame = supine_crook(s.body).lift(
        "occiput", "upper_back", "sacrum", *(f"{x}.{p}" for x in ("left", "right") for p in ("heel", "ball"))
    )
    frame = frame.unaim("left.hip", "left.heel", "right.heel")
    frame = but(frame, root=_turned(deg), root_at_cm=(0, 0, 14))
    frame = frame.with_(
        "half-way, as one unit",
        **both(hip_flexion=60.0, knee_flexion=85.0, ankle_dorsiflexion=-10.0),
        **arm,
        right_hip_abduction=8.0,
        left_hip_abduction=-6.0,
    )
    frame = frame.touch(
        Touch("right.buttock" if deg < 60 else "right.hip_side", "floor"),
        Touch("right.shoulder_side", "floor"),
        Touch("right.foot_outer", "floor"),
    )
    frame = _soft(frame).free_(right_hip_abduction=0.2, right_hip_rotation=0.2, right_ankle_inversion=0.3)
    return frame.aim(Aim("left.hip", "x", 0.0, origin="right.hip", weight=0.3))


def _side(s: Setting) -> Frame:
    return _soft(side_lying(s.body))


_FREE_ARM = {"left_shoulder_flexion": 70.0, "left_shoulder_abduction": -14.0, "left_elbow_flexion": 10.0}


def _arms(s: Setting) -> dict[str, float]:
    """The lower arm ahead of the ribs that roll onto it: further from shoulders that a round back brings down."""
    return {**_FREE_ARM, "right_shoulder_flexion": 60.0 + rounded_deg(s.body) / 2, "right_elbow_flexion": 15.0}


def _to_the_side(s: Setting) -> list[Frame]:
    arm = _arms(s)
    return [_start(s, arm), _half(s, arm, 45.0), _half(s, arm, 75.0).with_("nearly on the side"), _side(s)]


def _half_and_back(s: Setting) -> list[Frame]:
    arm = _arms(s)
    return [_start(s, arm), _half(s, arm, 30.0)]


FAMILY = (
    Ladder(
        "roll_to_the_side",
        "Roll to the side",
        "on the back",
        "Shoulders, ribs and pelvis turn together: the way up that never sits up.",
        part=SessionPart.CARRIES_OVER,
        replaces=("sit_up",),
        setup=(
            "Lie on your back, knees bent and together; the upper arm reaches across.",
            "The lower arm lies ahead, out of the way.",
        ),
        cues=("knees and shoulder leave together", "breathe out as you roll", "look where you go"),
        faults=(
            Fault(
                "knees_lead",
                "knees lead",
                "the pelvis turns before the shoulders",
                "the trunk twists",
                "reach with the arm first", Wrong({"lumbar.rotation": -14, "lower_thoracic.rotation": -10}),
            ),
            Fault("sits_up", "sits up", "head and shoulders lift forward", "the old way up", "stay long, roll like a log", Wrong({"neck.flexion": 22, "upper_thoracic.flexion": 16}, ("occiput", "upper_back"))),
            BREATH_HELD,
        ),
        felt="the whole trunk as one piece",
        not_felt="twisting in the low back, dizziness that stays",
        breath=breath(exhale("to roll"), ready=inhale("to get ready")),
        sides=True,
        side_says="over the {other} side",
        view="top",
        arrow="left.knee",
    )
    .rung(
        "half_and_back",
        "Half-way and back",
        _half_and_back,
        Dose(4, 1, 7.0),
        {"position_change": 0.7, "turning": 0.4},
        2,
        do=(
            "Knees bent and together; the upper arm reaches across, the lower arm lies out of the way.",
            "Breathe {out} and roll half-way to the side, knees, ribs and shoulder at the same moment; look where you go.",
            "Roll back as one piece.",
        ),
    )
    .rung(
        "to_the_side",
        "All the way, as one unit",
        _to_the_side,
        Dose(4, 1, 8.0),
        {"position_change": 1.0, "turning": 0.4},
        2,
        more_faults=(Fault("lies_on_the_arm", "lies on the arm", "the lower arm is caught under the ribs", "it was not laid ahead before the roll", "lay the lower arm ahead first, then roll"),),
        do=(
            "Knees bent and together, the lower arm ahead, the upper arm reaching across.",
            "Breathe {out} and roll all the way onto the side as one unit; nothing lifts from the floor to sit up.",
            "Rest there for a breath, then roll back the same way, or go on to sit.",
        ),
    )
    .family(daily_task=True)
)
