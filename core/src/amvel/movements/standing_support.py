"""Hand support in standing: a counter or chair back in front, held, touched or only hovered over."""

from dataclasses import replace

from amvel.body import Anthropometry
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.positions import both, standing

LEVELS = {"firm hand": 3, "fingertips": 2, "hands hover": 1}
_COUNTER_SHARE = 0.53
_HOLDS_FAST = 0.05  # hands on a worktop press down; they do not hold it fast sideways (our estimate)


def at_the_counter(body: Anthropometry, support: str) -> Frame:
    """Standing at a worktop of about hip height with the given hand support."""
    height = round(100 * _COUNTER_SHARE * body.stature_m)
    counter = Surface(
        "worktop",
        "level",
        height,
        friction=0.4,
        stiffness_n_per_m=0.8e3 if support == "firm hand" else 1.5e2,
        title="worktop",
        shear=_HOLDS_FAST,
    )
    frame = standing(body)
    frame = replace(frame, surfaces={**frame.surfaces, "worktop": counter})
    frame = frame.with_(
        **both(
            shoulder_flexion=25.0,
            elbow_flexion=40.0,
            forearm_pronation=75.0,
            wrist_extension=45.0 if support == "firm hand" else 20.0,
        )
    )
    frame = frame.free_(
        **{f"{s}_{j}": 0.2 for s in ("left", "right") for j in ("shoulder_flexion", "elbow_flexion")}
    )
    point = "palm" if support == "firm hand" else "fingertips"
    hover = support == "hands hover"
    if hover:
        frame = frame.aim(
            *(Aim(f"{s}.fingertips", "z", height + 4.0, must_hold=False, weight=0.3) for s in ("left", "right"))
        )
    else:
        frame = frame.touch(*(Touch(f"{s}.{point}", "worktop") for s in ("left", "right")))
    frame = frame.aim(
        *(
            Aim(f"{s}.wrist", "x", 15.0 * body.stature_m, origin=f"{s}.hip", must_hold=False, weight=0.2)
            for s in ("left", "right")
        )
    )
    return frame.facts_(hand_support_level=LEVELS[support])
