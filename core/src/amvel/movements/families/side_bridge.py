"""Side bridge: on one forearm, as one log, from a hip that only becomes light to the full length."""

from amvel.body import but
from amvel.movements.breath import breath, breathe, exhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import LOWER_ARM, side_lying
from amvel.movements.needs import CUSHION
from amvel.movements.wrong import Wrong

_SIDES = ("left", "right")
# The floor under a hip that is lightened: it carries about half of what it carries at rest (our choice).
_HALF_CARRIED_N_PER_M = 3.0e4
# A flat hand passes under a hip that is up: for most people one line from shoulder to knee, for wide hips a little more (our choice).
_CLEAR_CM = 3.0
_FOOT_BREADTH = 0.044  # of stature, from outer to inner edge, as the skeleton has it


def _propped(s: Setting, hip_deg: float, knee_deg: float) -> Frame:
    """On the right forearm, elbow under the shoulder, hips still down."""
    arm_cm = 100 * s.body.lengths_m["upper_arm"]
    frame = side_lying(s.body).lift(
        "head_side_right", "right.shoulder_side", "left.foot_inner", "right.knee_side", *LOWER_ARM
    )
    frame = frame.unaim("left.hip")
    legs = {f"{x}_{j}": v for x in _SIDES for j, v in (("hip_flexion", hip_deg), ("knee_flexion", knee_deg))}
    frame = frame.with_(
        "on the forearm, hips down",
        **legs,
        right_shoulder_flexion=4.0,
        right_shoulder_abduction=72.0,
        right_elbow_flexion=90.0,
        right_forearm_pronation=0.0,
        left_shoulder_flexion=0.0,
        left_shoulder_abduction=4.0,
        left_elbow_flexion=10.0,
        neck_side_bend=0.0,
    )
    frame = frame.free_(
        right_shoulder_abduction=0.1,
        right_shoulder_flexion=0.1,
        right_shoulder_rotation=0.1,
        right_elbow_flexion=0.2,
        right_scapula_elevation=0.5,
        right_hip_abduction=0.1,
        left_hip_abduction=0.2,
        lumbar_side_bend=1.0,
        lower_thoracic_side_bend=1.0,
    )
    frame = but(frame, surfaces={**frame.surfaces, "lower leg": _lower_leg(s)})
    return frame.touch(
        Touch("right.elbow_tip", "floor"),
        Touch("right.forearm_side", "floor"),
        Touch("right.knee_side", "floor"),
    ).aim(
        Aim("right.hip", "y", 0.0, origin="right.shoulder", weight=0.3),
        Aim("left.hip", "y", 0.0, origin="right.hip", weight=0.3),
        Aim("right.elbow", "y", 0.0, origin="right.shoulder", weight=0.3),
        Aim("right.elbow", "x", 0.0, origin="right.shoulder", weight=0.3, must_hold=False),
        # The trunk hangs above the arm: without this a stiff shoulder finds the same angles with the trunk under the elbow.
        Aim("right.shoulder", "z", arm_cm, origin="right.elbow", weight=0.1, must_hold=False),
        Aim("right.wrist", "x", 0.0, origin="right.elbow", weight=0.3),
    )


def _lower_leg(s: Setting) -> Surface:
    """The upper knee rests on the lower one, which the floor carries: its height from the floor."""
    return Surface("lower leg", "level", 100 * s.body.stature_m * 0.062, title="")


def _bent(s: Setting) -> Frame:
    """Knees bent, the lower shin along the floor, the upper leg stacked on the lower one."""
    frame = _propped(s, 20.0, 88.0)
    stacked = (Touch("left.knee_inside", "lower leg"), Touch("right.foot_outer", "floor"))
    feet = Aim("left.ankle", "z", 5.2 * s.body.stature_m, origin="right.ankle", weight=0.3)
    give = {"right_hip_rotation": 0.2, "right_ankle_inversion": 0.2, "left_hip_rotation": 0.2}
    return frame.touch(*stacked).aim(feet).free_(**give)


def _light(s: Setting) -> list[Frame]:
    """The hip becomes light: forearm and knees take half of its weight, it stays on the floor.  Nothing moves: it is one pose."""
    down = _bent(s)
    soft = Surface("soft floor", "level", 0.0, friction=0.6, stiffness_n_per_m=_HALF_CARRIED_N_PER_M, title="")
    light = but(down, surfaces={**down.surfaces, "soft floor": soft})
    return [light.lift("right.hip_side").touch(Touch("right.hip_side", "soft floor")).with_("the hip is light")]


def _up(frame: Frame, name: str) -> Frame:
    """Hips up: shoulder, hip and knee in one line."""
    up = frame.lift("right.hip_side").with_(name, lumbar_side_bend=0.0, lower_thoracic_side_bend=0.0)
    return up.with_(right_hip_abduction=0.0).free_(right_shoulder_abduction=0.1)


def _knees(s: Setting) -> list[Frame]:
    down = _bent(s)
    return [down, _up(down, "hips up, knees bent")]


def _full(s: Setting) -> list[Frame]:
    """Legs long, the upper foot on the floor in front of the lower one, or on top of it where the hip does not reach so far."""
    stacked = s.word("feet") == "stacked"
    down = _propped(s, 4.0, 3.0).lift("right.knee_side")
    down = down.with_(left_hip_flexion=4.0 if stacked else 16.0, left_knee_flexion=3.0)
    edge = Surface("lower foot", "level", 100 * s.body.stature_m * _FOOT_BREADTH, title="")
    down = but(down, surfaces={**down.surfaces, "lower foot": edge})
    down = down.touch(
        Touch("right.foot_outer", "floor"), Touch("left.foot_inner", "lower foot" if stacked else "floor")
    )
    return [down, _up(down, "full length").free_(left_hip_abduction=0.1)]


def _on_shoulder(s: Setting) -> list[Frame]:
    """For the shoulder that cannot carry: its back and the padded head stay down, the hips lift."""
    down = side_lying(s.body, 20.0, 88.0).lift("left.foot_inner")
    down = but(down, surfaces={**down.surfaces, "lower leg": _lower_leg(s)})
    arms = {"left_shoulder_flexion": 0.0, "left_shoulder_abduction": 4.0}
    down = down.with_(right_shoulder_flexion=60.0, **arms)
    down = down.touch(Touch("left.knee_inside", "lower leg"), Touch("right.foot_outer", "floor"))
    give = {"right_hip_rotation": 0.2, "right_ankle_inversion": 0.2, "left_hip_abduction": 0.2}
    down = down.free_(**give).with_("shoulder, hip and knee down")
    clear = Touch("right.hip_side", "floor", bears=False, gap_cm=_CLEAR_CM)
    up = down.lift("right.hip_side").touch(clear).with_("hips up, shoulder down", right_hip_abduction=0.0)
    return [down, up.free_(right_hip_abduction=2.0, neck_side_bend=0.2)]


def _roll(s: Setting) -> list[Frame]:
    down = _bent(s)
    up = _up(down, "hips up, knees bent")
    return [down, up, _turned(s, up)]


def _turned(s: Setting, up: Frame) -> Frame:
    """The upper hip a little forward and back: the log rolls by a finger's breadth."""
    roll = s.number("roll_cm")
    return up.with_("rolled a little forward").aim(Aim("left.hip", "y", -roll, origin="right.hip", weight=0.3))


_FEET = Parameter("feet", "where the upper foot rests", "", "in front", choices=("in front", "stacked"))
_ROLL = Parameter("roll_cm", "how far the log rolls forward", "cm", 2.5, low=1, high=4, grid=0.5, easier="down")
_SETUP = (
    "Lie on the side that usually hitches, on a mat; elbow under the shoulder, forearm pointing ahead.",
    "Shoulder away from the ear, one line from crown to tailbone.",
)
FAMILY = (
    Ladder(
        "side_bridge",
        "Side bridge",
        "on the side",
        "Forearm and legs carry the trunk as one log; the side of the waist holds.",
        hitched_side_first=True,
        setup=_SETUP,
        cues=("from shoulder to top hip one length", "top buttock set", "hand under the neck when it tires"),
        faults=(
            Fault("hips_sag", "hips sag", "the lower waist sinks", "the side has let go", "come down, breathe, lift again", Wrong({"lumbar.side_bend": 16})),
            Fault(
                "rolls_forward",
                "rolls forward",
                "the top shoulder or hip turns to the floor",
                "the turn is not held",
                "stack the hips", Wrong(turn_deg=-16),
            ),
            SHOULDER_CLIMBS,
            BREATH_HELD,
        ),
        felt="the lower side of the waist",
        not_felt="the shoulder, the neck, the low back",
        breath=breath(exhale("to lift"), end=breathe("breathe on while you hold")),
        sides=True,
        view="front",
    )
    .rung(
        "light_hip",
        "Hip becomes light",
        _light,
        Dose(4, 1, 10.0, hold_s=5),
        {"side_bend": 0.7, "hip_out": 0.3, "upper_back": 0.2},
        3,
        do=(
            "Elbow under the shoulder, knees bent; shoulder away from the ear.",
            "Breathe {out} and take the weight off the lower hip, without lifting it: a sheet of paper would pass.",
            "Breathe on for the count, then let the hip become heavy.",
        ),
    )
    .rung(
        "on_the_shoulder",
        "On the back of the shoulder, hips up",
        _on_shoulder,
        Dose(4, 1, 9.0, hold_s=5),
        {"side_bend": 0.8, "hip_out": 0.6},
        4,
        setup=(
            "Lie on your side, knees bent, head on a firm cushion, the lower arm in front.",
            "Weight on the back of the shoulder, not on its point.",
        ),
        arrow="right.hip_side",
        props=(CUSHION,),
        do=(
            "Lie on the back of the shoulder, head on its cushion, the lower arm ahead.",
            "Breathe {out} and lift the hips until the body is one line from shoulder to knee.",
            "Breathe on for the count and lower with control.",
        ),
    )
    .rung(
        "knees_bent",
        "Knees bent, hips up",
        _knees,
        Dose(3, 2, 13.0, hold_s=10),
        {"side_bend": 0.9, "hip_out": 0.6, "turning": 0.3, "upper_back": 0.3},
        5,
        after=("both_legs_lift/hand_in_front",),
        arrow="right.hip_side",
        do=(
            "Elbow under the shoulder, knees bent, top buttock set.",
            "Breathe {out} and lift the hips: one log from shoulder to knee on the forearm.",
            "Hold and breathe, then lower slowly.",
        ),
    )
    .rung(
        "log_roll",
        "Knees bent, a finger’s breadth forward and back",
        _roll,
        Dose(4, 2, 9.0),
        {"side_bend": 0.9, "turning": 0.7, "hip_out": 0.6},
        6,
        arrow="left.hip",
        parameters=(_ROLL,),
        more_faults=(Fault("shoulder_and_hip_part", "shoulder and hip part", "the hip turns later than the shoulder", "the waist twists instead of carrying", "half the way; a stick along the side tells", Wrong({"lumbar.rotation": 14, "lower_thoracic.rotation": 10})),),
        do=(
            "Up on forearm and knees as one log.",
            "Roll shoulder and hip together a finger’s breadth forward, then back, like a roll of dough.",
            "Lower when shoulder and hip no longer move together.",
        ),
    )
    .rung(
        "full_length",
        "Full length",
        _full,
        Dose(3, 2, 13.0, hold_s=10),
        {"side_bend": 1.0, "hip_out": 0.8, "turning": 0.4, "upper_back": 0.3},
        8,
        arrow="right.hip_side",
        parameters=(_FEET,),
        more_faults=(Fault("sinks_into_the_shoulder", "sinks into the shoulder", "the ear comes down to the shoulder that carries", "the shoulder blade lets go", "push the floor away; end the set"),),
        do=(
            "Elbow under the shoulder, both legs long, the upper foot ahead.",
            "Breathe {out} and lift the hips until crown, hips and heels are one line.",
            "Hold and breathe, then lower slowly.",
        ),
    )
    .family()
)
