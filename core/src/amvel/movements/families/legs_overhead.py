"""Legs over the head onto the shoulders: kept so that the mechanism and the substitute can be named."""

import numpy as np

from amvel.body import but
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Setting
from amvel.movements.faults import BREATH_HELD, TRUNK_ROUNDS
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import BACK_OF_PELVIS, supine_crook
from amvel.movements.positions import FACE_UP, both

_OVER_DEG = 80.0  # how far the pelvis goes over
_NECK_GIVES_DEG = 20.6  # of the way over, with the neck bent as far as below (the model's own)


def _over(s: Setting) -> list[Frame]:
    """Head, shoulders and upper arms carry; the trunk is rounded and nearly upside down."""
    spine = _OVER_DEG - _NECK_GIVES_DEG
    a = np.radians(-_OVER_DEG)
    root = FACE_UP @ np.array([[np.cos(a), 0, np.sin(a)], [0, 1.0, 0], [-np.sin(a), 0, np.cos(a)]])
    frame = supine_crook(s.body)
    frame = but(frame, root=root, root_at_cm=(0, 0, 40))
    frame = frame.lift("upper_back", "mid_back", *BACK_OF_PELVIS, *(f"{x}.{p}" for x in ("left", "right") for p in ("heel", "ball")))
    frame = frame.unaim("left.heel", "right.heel").touch(
        Touch("upper_back", "floor"), *(Touch(f"{x}.elbow_tip", "floor", places=False) for x in ("left", "right"))
    )
    frame = frame.with_(
        "legs over the head",
        lumbar_flexion=0.52 * spine,
        lower_thoracic_flexion=0.31 * spine,
        upper_thoracic_flexion=0.17 * spine,
        neck_flexion=40.0,
        **both(hip_flexion=95.0, knee_flexion=20.0, shoulder_flexion=-35.0),
    )
    level = Aim("centre_of_mass", "x", 0.0, origin="upper_back", weight=3.0, must_hold=False)
    return [frame.aim(level).facts_(rolls=True, jolt=False)]


FAMILY = (
    Ladder(
        "legs_overhead",
        "Legs over the head",
        "on the back",
        "Often asked for: the whole weight on neck and upper back, bent, with the head below the heart.",
        asked_for=True,
        setup=("Lie on your back.",),
        cues=("roll onto the shoulders",),
        faults=(
            Fault("neck_is_pressed", "neck is pressed", "the chin digs into the chest", "the neck carries", "come down"),
            TRUNK_ROUNDS, BREATH_HELD,
        ),
        felt="the back of the body",
        not_felt="the neck, pressure in the head",
        breath=breath(exhale("to roll over"), back=inhale("to roll back")),
    )
    .rung("onto_the_shoulders", "Onto the shoulders", _over, Dose(3, 1, 8.0), {"flexion_strength": 0.3}, 6,
        do=(
            "Lie on the back.",
            "The legs swing over the head until the weight is on the shoulders.",
            "They roll back down.",
        ),
    )
    .family()
)
