"""Walking practice: slow steps along something to hold, then in its reach, round a corner, and with a full cup."""

from dataclasses import replace

from amvel.body import SEGMENT_OF
from amvel.movements.breath import steady
from amvel.movements.declaration import Dose, Fault, Frames, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, KNEE_FALLS_IN, PELVIS_DROPS
from amvel.movements.frames import Aim, Frame, Prop
from amvel.movements.ladder import Ladder
from amvel.movements.needs import WORKTOP_OR_CHAIR_BACK
from amvel.movements.positions import SIDEWAYS, hip_wide, standing
from amvel.movements.promise import joint
from amvel.movements.session_part import SessionPart
from amvel.movements.standing_support import at_the_counter, ways_to_hold
from amvel.movements.stepping import stepped_ahead
from amvel.movements.wrong import Wrong

_LEFT_ARM = ("left.upper_arm", "left.forearm", "left.hand")
_IN_REACH = "hands hover"
_GUARDS_N_PER_M = 1.5e2  # our estimate, as for fingertips


def _beside(s: Setting, support: str) -> Frame:
    """Upright beside a worktop on the right: the right hand on it, the left arm hanging."""
    if support == _IN_REACH:
        return standing(s.body).free_(**SIDEWAYS).aim(hip_wide(s.body)).facts_(hand_support_level=1)
    frame = at_the_counter(s, support).lift("left.palm", "left.fingertips")
    hangs = standing(s.body).angles
    arm = {name: hangs.get(name, 0.0) for name in frame.angles if SEGMENT_OF[name] in _LEFT_ARM}
    frame = replace(frame, angles={**frame.angles, **arm}, free={k: v for k, v in frame.free.items() if k not in arm})
    # Beside the body a hand guards more than it carries.
    surfaces = {**frame.surfaces, "worktop": frame.surfaces["worktop"]._replace(stiffness_n_per_m=_GUARDS_N_PER_M)}
    frame = replace(frame, surfaces=surfaces).unaim("left.wrist", "right.wrist", "left.fingertips")
    return frame.free_(right_shoulder_abduction=0.2, right_shoulder_flexion=0.2, right_elbow_flexion=0.2, **SIDEWAYS).aim(
        hip_wide(s.body),
        Aim("right.wrist", "x", 6.0 * s.body.stature_m, origin="right.hip", must_hold=False, weight=0.2),
        Aim("right.wrist", "y", -17.0 * s.body.stature_m, origin="right.hip", must_hold=False, weight=0.2),
    )


def _step(start: Frame, s: Setting, turned_out_deg: float = 0.0) -> list[Frame]:
    return [start, *stepped_ahead(start, s.body, s.number("step_cm"), turned_out_deg)]


def _along(support: str) -> Frames:
    return lambda s: _step(_beside(s, support), s)


def _round(s: Setting) -> list[Frame]:
    return _step(_beside(s, _IN_REACH), s, s.number("turn_deg"))


def _with_a_cup(s: Setting) -> list[Frame]:
    """The cup stays level in the left hand, whatever the feet do."""
    pull = ("left.palm", (0.0, 0.0, -s.number("load_kg") * 9.81))
    hand = {"left_shoulder_flexion": 20.0, "left_shoulder_abduction": 0.0, "left_elbow_flexion": 85.0, "left_forearm_pronation": 0.0}
    start = _beside(s, _IN_REACH).with_(**hand).pull(pull).hold(Prop("weight", ("left.knuckles",), 8))
    return _step(start, s)


_STEP = Parameter("step_cm", "length of the step", "cm", 24, low=10, high=44, grid=2, easier="down")
_TURN = Parameter("turn_deg", "how far the foot turns out", "deg", 20, low=5, high=35, grid=5, easier="down", shows=joint("left.hip.rotation").turned())
_LOAD = Parameter("load_kg", "what the cup holds", "kg", 0.3, low=0.1, high=1, grid=0.1, easier="down")
FAMILY = (
    Ladder(
        "walking_practice",
        "Walking practice",
        "standing",
        "Walking slowed down until every step can be looked at: weight over, foot up, foot down.",
        part=SessionPart.CARRIES_OVER,
        setup=("Stand beside a worktop or rail, good shoes, the way ahead free.", "Who walks with a stick or frame uses it as it was fitted."),
        cues=("weight over first, then the foot", "heel down, roll over the ball", "eyes ahead, not on the floor"),
        faults=(
            PELVIS_DROPS,
            KNEE_FALLS_IN,
            Fault("looks_down", "looks down", "the head hangs and the chest follows", "the feet are not trusted yet", "look where you will be in three steps", Wrong({"neck.flexion": 26, "upper_thoracic.flexion": 10})),
            BREATH_HELD,
        ),
        felt="buttock and thigh of the standing leg",
        not_felt="the low back, dizziness",
        breath=steady("breathe on, one breath for two steps"),
        sides=True,
        props=(WORKTOP_OR_CHAIR_BACK,),
        parameters=(_STEP,),
        arrow="left.heel",
        shown=(0, 2, -1),
    )
    .rung(
        "firm_hand",
        "Slow steps, firm hand",
        _along("firm hand"),
        Dose(10, 2, 5.0),
        {"balance": 0.5, "leg_loading": 0.4, "hip_out": 0.3},
        3,
        parameters=(_STEP, *ways_to_hold("firm hand")),
        do=(
            "One hand firm on the worktop beside you.",
            "Let the weight go over one foot, lift the other, and put it down a step ahead, heel first; stand over it before the next.",
            "Walk to the end, turn round in small steps, and come back with the other hand.",
        ),
    )
    .rung(
        "fingertips",
        "Slow steps, fingertips",
        _along("fingertips"),
        Dose(10, 2, 5.0),
        {"balance": 0.7, "leg_loading": 0.4, "hip_out": 0.3},
        4,
        parameters=(_STEP, *ways_to_hold("fingertips")),
        do=(
            "Only the fingertips on the worktop beside you.",
            "Weight over, foot up, foot down a step ahead; the fingers get no heavier when the foot is in the air.",
            "At the end turn in small steps, and walk back.",
        ),
    )
    .rung(
        "in_reach",
        "Slow steps, worktop in reach",
        _along(_IN_REACH),
        Dose(10, 2, 5.0),
        {"balance": 0.9, "leg_loading": 0.4, "hip_out": 0.4},
        4,
        do=(
            "The worktop in reach beside you, both arms free.",
            "Walk as slowly as you can without swaying, and stand a breath on each foot’s side before the next step.",
            "Touch the worktop at the first wobble; then go on.",
        ),
    )
    .rung(
        "round_a_corner",
        "Turning in small steps",
        _round,
        Dose(8, 2, 5.0),
        {"balance": 0.9, "turning": 0.4, "hip_out": 0.4, "leg_loading": 0.3},
        5,
        parameters=(_STEP, _TURN),
        setup=("Stand in the corner of worktop and wall, or beside a heavy chair, the way round it free.",),
        cues=("the eyes turn first, then the foot", "one foot, then the other, never twisting over a standing foot", "small steps, no hurry"),
        more_faults=(Fault("turns_on_the_spot", "turns on the spot", "one foot twists on the floor", "the head goes before the feet", "lift, turn out, put down; count the steps"),),
        do=(
            "Look where you want to go; the worktop is in reach.",
            "Lift the foot of that side, turn it out, and put it down; then bring the other beside it.",
            "Four to six small steps make half a turn; stand still, then turn the other way.",
        ),
    )
    .rung(
        "with_a_cup",
        "Slow steps with a full cup",
        _with_a_cup,
        Dose(8, 2, 6.0),
        {"balance": 1.0, "leg_loading": 0.4, "hip_out": 0.4, "upper_back": 0.2},
        5,
        parameters=(_STEP, _LOAD),
        also=("A cup, two thirds full, in one hand.",),
        more_faults=(Fault("stops_talking", "stops talking", "the words stop while a foot is in the air", "two tasks are too much at once", "stand, say the word, then step"),),
        do=(
            "Carry the cup level in front of you, the worktop in reach of the other hand.",
            "Take slow steps and name something for each: flowers, towns, what is for supper. Stop walking if you stop talking.",
            "Put the cup down, rest, and go back with the other hand.",
        ),
    )
    .family()
)
