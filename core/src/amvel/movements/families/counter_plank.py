"""Counter plank: hands on a worktop, the body in one line; then the floor."""

from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from amvel.movements.breath import steady
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.needs import FIRM_CHAIR, WORKTOP
from amvel.movements.positions import UPRIGHT, feet, legs_give
from amvel.movements.room_measures import Measured
from amvel.movements.standing_support import hip_height_cm
from amvel.movements.wrong import Wrong

# The heel of the hand lies against the edge, which takes a push along the arm that a flat top would not (our estimate).
_EDGE_FRICTION = 1.2
_ON_THE_BALLS_SHARE = 0.45


def _plank(s: Setting) -> Frame:
    height, stature = s.number("counter_cm"), s.body.stature_m
    angles: dict[str, float] = {}
    for x in ("left", "right"):
        angles |= {
            f"{x}.shoulder.flexion": 88.0,
            f"{x}.elbow.flexion": 6.0,
            f"{x}.forearm.pronation": 80.0,
            f"{x}.wrist.extension": 70.0,
        }
    frame = Frame(
        "hands on the worktop",
        UPRIGHT,
        (0, 0, 50 * stature),
        angles,
        legs_give("ankle.dorsiflexion", "shoulder.flexion", "wrist.extension"),
    )
    surfaces = {
        "floor": Surface("floor", "level", 0.0, friction=0.6),
        "worktop": Surface("worktop", "level", height, friction=_EDGE_FRICTION, title="worktop"),
    }
    frame = replace(frame, surfaces=surfaces, root=_leaning(35.0 if height > 60 else 55.0))
    low = height < _ON_THE_BALLS_SHARE * 100 * stature  # the ankles do not bend that far: heels lift
    frame = frame.touch(
        *(feet("ball") if low else feet()),
        *(Touch(f"{x}.palm", "worktop", strategy="pushes") for x in ("left", "right")),
    )
    frame = frame.aim(*(Aim(f"{x}.ball", "x", 0.0) for x in ("left", "right")))
    # The palm lies flat: how far that bends the wrist back is what the slope of the arm leaves.
    flat = (
        Aim(f"{x}.fingertips", "z", 0.0, origin=f"{x}.palm", must_hold=False, weight=0.8)
        for x in ("left", "right")
    )
    frame = frame.aim(*flat)
    if low:
        frame = frame.free_(left_toes_extension=0.2, right_toes_extension=0.2)
    return frame.facts_(standing=True, hand_support_level=3)


def _leaning(deg: float) -> NDArray[np.float64]:
    """Upright, leaning forward about the ankles."""
    a = np.radians(deg)
    return np.array([[np.cos(a), 0, np.sin(a)], [0, 1, 0], [-np.sin(a), 0, np.cos(a)]])


def _hold(s: Setting) -> list[Frame]:
    return [_plank(s)]


# Both stand in the room as they are: nothing is solved with them.
_LOW = Parameter(
    "counter_cm", "height of the seat", "cm", 45, low=36, high=60, grid=1, easier="", measured=Measured.SEAT_AS_SUPPORT
)
_COUNTER = Parameter(
    "counter_cm", "height of the worktop", "cm", hip_height_cm, low=55, high=115, grid=1, easier="", measured=Measured.WORKTOP
)
FAMILY = (
    Ladder(
        "counter_plank",
        "Counter plank",
        "standing",
        "One line from heels to crown, hands on something firm.",
        setup=(
            "Heels of the hands against the edge of a worktop that cannot move, feet stepped back.",
            "Body in one line, good shoes or bare feet.",
        ),
        cues=("push the worktop away", "buttocks set, ribs down"),
        faults=(
            BACK_HOLLOWS,
            Fault("hips_pike", "hips pike", "the seat goes back", "the belly has let go", "front of the hips forward", Wrong({"left.hip.flexion": 26, "right.hip.flexion": 26})),
            SHOULDER_CLIMBS,
            BREATH_HELD,
        ),
        felt="belly, chest and round the shoulder blades",
        not_felt="wrists, low back",
        breath=steady("breathe on, longer out"),
        parameters=(_COUNTER,),
        props=(WORKTOP,),
    )
    .rung(
        "short",
        "Short",
        _hold,
        Dose(4, 1, 12.0, hold_s=8),
        {"resist_extension": 0.8, "upper_back": 0.4, "deep_control": 0.3},
        4,
        after=("wall_plank/forearms",),
        do=(
            "Heels of the hands on the edge of the worktop, feet back.",
            "Push the worktop away and become one line; breathe on for the count.",
            "Walk the feet in to rest.",
        ),
    )
    .rung(
        "lower",
        "On a firm seat",
        _hold,
        Dose(3, 1, 14.0, hold_s=10),
        {"resist_extension": 0.9, "upper_back": 0.5, "deep_control": 0.3},
        6,
        parameters=(_LOW,),
        props=(FIRM_CHAIR,),
        setup=(
            "Hands on a firm seat against the wall, feet stepped back.",
            "Body in one line, good shoes or bare feet.",
        ),
        do=(
            "Hands on the firm seat against the wall, feet further back.",
            "Push the seat away and become one low line; breathe on for the count.",
            "Knees down or feet in to rest.",
        ),
    )
    .family()
)
