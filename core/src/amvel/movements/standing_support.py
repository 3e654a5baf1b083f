"""Hand support in standing: a counter or chair back in front, held, touched or only hovered over."""

from dataclasses import replace

from amvel.body import Anthropometry
from amvel.languages import said
from amvel.movements.declaration import Parameter, Setting
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.positions import both, standing
from amvel.movements.room_measures import Measured

LEVELS = {"firm hand": 3, "fingertips": 2, "hands hover": 1}
_SIDES = ("left", "right")
_FLAT, _ROUND_THE_EDGE = "flat", "round the edge"
# A hand that lies flat bends the wrist back; round an edge, a rail or the back of a chair it stays nearly straight.
_WRIST_DEG = {_FLAT: 45.0, _ROUND_THE_EDGE: 15.0}
_HIP_CM = 53.0  # cm per metre of stature: about hip height, where nobody has measured what is held (our estimate)


def hip_height_cm(body: Anthropometry) -> float:
    """Of a worktop or the back of a chair that suits this body."""
    return _HIP_CM * body.stature_m


# It stands in the room as it is: nothing is solved with it.
WORKTOP_CM = Parameter(
    "worktop_cm", "height of the worktop", "cm", hip_height_cm, low=65, high=115, grid=1, easier="", measured=Measured.WORKTOP
)
_BOTH, _LEFT, _RIGHT = "both hands", "left hand", "right hand"
_OTHER, _SAME = "hand of the other side", "hand of the same side"
_ONE_HAND = {_LEFT: "left", _RIGHT: "right", _OTHER: "right", _SAME: "left"}  # in the version of a step for the left
_ONLY = said("only the {after} holds on, the other arm hangs")
HANDS = Parameter("hands", "which hands hold on", "", _BOTH, choices=(_BOTH, _LEFT, _RIGHT), changed=_ONLY)
HANDS_OF_A_SIDE = Parameter("hands", "which hands hold on", "", _BOTH, choices=(_BOTH, _OTHER, _SAME), changed=_ONLY)
HOLD = Parameter("hold", "how the hands hold on", "", _FLAT, choices=(_FLAT, _ROUND_THE_EDGE))
_HOLDS_FAST = 0.05  # hands on a worktop press down; they do not hold it fast sideways (our estimate)


def ways_to_hold(support: str, hands: Parameter | None = None) -> tuple[Parameter, ...]:
    """What can be changed about the hands of a step with this support; `hands` where both of them touch."""
    touching = () if hands is None or support == "hands hover" else (hands,)
    return (WORKTOP_CM, *touching, HOLD) if support == "firm hand" else (WORKTOP_CM, *touching)


def _holding(s: Setting) -> tuple[str, ...]:
    """The sides whose hand is on the worktop."""
    one = _ONE_HAND.get(s.word(HANDS.id)) if HANDS.id in s.values else None
    return (one,) if one else _SIDES


def _hanging(frame: Frame, sides: set[str]) -> Frame:
    """The arms of these sides hang."""
    joints = {"shoulder_flexion": 2.0, "elbow_flexion": 12.0, "forearm_pronation": 20.0, "wrist_extension": 0.0}
    return frame.with_(**{f"{x}_{j}": v for x in sides for j, v in joints.items()})


def at_the_counter(s: Setting, support: str) -> Frame:
    """Standing at a worktop with the given hand support."""
    body, hold = s.body, s.word(HOLD.id) if HOLD.id in s.values else _FLAT
    height = s.number(WORKTOP_CM.id)
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
            wrist_extension=_WRIST_DEG[hold] if support == "firm hand" else 20.0,
        )
    )
    hands = _holding(s)
    frame = _hanging(frame, set(_SIDES) - set(hands))
    frame = frame.free_(**{f"{x}_{j}": 0.2 for x in hands for j in ("shoulder_flexion", "elbow_flexion")})
    point = "palm" if support == "firm hand" else "fingertips"
    hover = support == "hands hover"
    if hover:
        frame = frame.aim(
            *(Aim(f"{x}.fingertips", "z", height + 4.0, must_hold=False, weight=0.1) for x in hands)
        )
    else:
        frame = frame.touch(*(Touch(f"{x}.{point}", "worktop") for x in hands))
    frame = frame.aim(
        *(
            Aim(f"{x}.wrist", "x", 15.0 * body.stature_m, origin=f"{x}.hip", must_hold=False, weight=0.2)
            for x in hands
        )
    )
    return frame.facts_(hand_support_level=LEVELS[support])
