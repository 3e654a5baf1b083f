"""Arm or leg slide, then lift, on hands and knees."""

import math
from dataclasses import replace

from amvel.body.anthropometry import HIP_HALF_WIDTH, SHOULDER_HALF_WIDTH
from amvel.movements.back_shape import rounded_deg
from amvel.movements.breath import breath, exhale, inhale, steady
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step, once
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, PELVIS_TIPS, SHOULDER_CLIMBS, TRUNK_ROUNDS
from amvel.movements.feedback import BLOCK_ON_THE_PELVIS
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.positions import hands_ahead_cm, hands_and_knees
from amvel.movements.promise import hip_bend, joint
from amvel.movements.wrong import Wrong

_SHIFT = Fault(
    "weight_shifts",
    "weight shifts",
    "the body moves over the standing side",
    "the turn is not held",
    "press the floor evenly before the limb leaves",
)
_RIBS = Fault(
    "ribs_drop",
    "ribs drop",
    "the ribs on the reaching side sink",
    "the shoulder blade lets go",
    "push the floor away with the standing hand", Wrong({"lower_thoracic.rotation": -12, "upper_thoracic.rotation": -8}),
)


@once
def _base(s: Setting) -> Frame:
    return hands_and_knees(s.body, s.word("hand"), s.number("hands_raised_cm"))


def arm_off(frame: Frame, side: str, reach_deg: float) -> Frame:
    """One arm off its support, reaching ahead."""
    off = frame.lift(*(f"{side}.{p}" for p in ("palm", "knuckles", "elbow_tip", "forearm_side"))).unaim(
        f"{side}.wrist", f"{side}.fingertips", f"{side}.elbow"
    )
    return off.with_(
        None,
        **{
            f"{side}_shoulder_flexion": reach_deg,
            f"{side}_elbow_flexion": 8.0,
            f"{side}_wrist_extension": 0.0,
            f"{side}_forearm_pronation": 20.0,
        },
    )


_ASIDE = 1.5  # of the centre of mass from the knee of that side, cm per metre of stature: inside hand and knees (our choice)


def leg_back(frame: Frame, side: str, hip_deg: float, slides: bool) -> Frame:
    """One leg long behind, toes sliding on the floor or off it."""
    off = frame.lift(f"{side}.knee_front", f"{side}.toe_under").unaim(f"{side}.knee", f"{side}.toe_tip")
    if slides:
        gone = off.with_(
            None,
            **{
                f"{side}_hip_flexion": 10.0,
                f"{side}_knee_flexion": 3.0,
                f"{side}_ankle_dorsiflexion": 5.0,
                f"{side}_toes_extension": 45.0,
            },
        )
        return gone.free_(**{f"{side}_hip_flexion": 0.1}).touch(
            Touch(f"{side}.toe_under", "floor", strategy="rests")
        )
    return off.with_(
        None,
        **{f"{side}_hip_flexion": hip_deg, f"{side}_knee_flexion": 3.0, f"{side}_ankle_dorsiflexion": -10.0},
    )


def _arm(s: Setting) -> list[Frame]:
    over = _inside_the_triangle(s)
    return [_base(s), over, arm_off(over, "left", s.number("arm_deg")).with_("one arm reaching")]


def _inside_the_triangle(s: Setting) -> Frame:
    """The weight goes a little towards the hand that will stay."""
    aside = Aim("centre_of_mass", "y", _ASIDE * s.body.stature_m, origin="right.knee", weight=0.5)
    joints = ("hip_abduction", "shoulder_abduction")
    give = {f"{x}_{j}": 0.1 for x in ("left", "right") for j in joints}
    apart, across = (200 * w * s.body.stature_m for w in (HIP_HALF_WIDTH, SHOULDER_HALF_WIDTH))
    stays = (
        Aim("left.knee", "y", apart, origin="right.knee", weight=0.5),
        Aim("left.palm", "y", (across + apart) / 2, origin="right.knee", weight=0.5),
        Aim("right.palm", "y", (apart - across) / 2, origin="right.knee", weight=0.5),
    )
    return _base(s).aim(aside, *stays).free_(**give).with_("weight over one hand")


def _slide(s: Setting) -> list[Frame]:
    start = _base(s)
    return [start, leg_back(start, "left", 0.0, slides=True).with_("one leg long, toes on the floor")]


def _lift(s: Setting) -> list[Frame]:
    start = _base(s)
    return [start, leg_back(start, "left", s.number("leg_hip_deg"), slides=False).with_("one leg long and low")]


def _weight_over(s: Setting) -> Frame:
    """The weight over the hand and the knee that will stay."""
    over = (
        _base(s)
        .aim(
            _over_diagonal(s),
            Aim(
                "left.palm",
                "y",
                100 * (SHOULDER_HALF_WIDTH + HIP_HALF_WIDTH) * s.body.stature_m,
                origin="right.knee",
            ),
        )
        .free_(**{f"{x}_{j}": 0.1 for x in ("left", "right") for j in ("hip_abduction", "shoulder_abduction")})
    )
    return over.with_("weight over hand and knee")


def _opposite(s: Setting) -> list[Frame]:
    over = _weight_over(s)
    away = leg_back(arm_off(over, "right", s.number("arm_deg")), "left", s.number("leg_hip_deg"), slides=False)
    return [_base(s), over, away.with_("opposite arm and leg")]


def _opposite_slide(s: Setting) -> list[Frame]:
    """Fingertips slide and carry no more than their arm; the toes steady the pose while they slide."""
    shifted = _weight_over(s)
    slid = (
        leg_back(shifted, "left", 0.0, slides=True)
        .lift("left.toe_under")
        .touch(Touch("left.toe_under", "floor"))
    )
    hand = arm_off(slid, "right", 150.0).unaim("right.palm").with_("opposite hand and foot slid away")
    hand = hand.free_(right_shoulder_flexion=0.1).touch(
        Touch("right.fingertips", "hand support", strategy="rests")
    )
    return [_base(s), shifted, hand]


def _draw(s: Setting) -> list[Frame]:
    start, shifted, away = _opposite(s)
    together = away.with_(
        "elbow and knee drawn in",
        left_hip_flexion=95.0,
        left_knee_flexion=110.0,
        left_ankle_dorsiflexion=0.0,
        right_shoulder_flexion=70.0,
        right_elbow_flexion=100.0,
    )
    return [start, shifted, away, together, away]


def _over_diagonal(s: Setting) -> Aim:
    """Keep the weight over the line from the right knee to the left hand, which alone will carry."""
    along = hands_ahead_cm(s.body, s.word("hand"), s.number("hands_raised_cm"))[1] / 100
    across = (SHOULDER_HALF_WIDTH + HIP_HALF_WIDTH) * s.body.stature_m
    length = math.hypot(along, across)
    return Aim(
        "centre_of_mass",
        "off the line",
        0.0,
        origin="right.knee",
        direction=(-across / length, along / length, 0.0),
        weight=0.5,
    )


_HAND = Parameter("hand", "how the hands rest", "", "flat", choices=("flat", "fists", "forearms"))
RAISED = Parameter("hands_raised_cm", "block under the hands", "cm", 0, low=0, high=40, grid=5, easier="up", nothing_at=0)
# Higher up the trunk stands so steep that a long leg reaches into the floor, and that one knee or hand less topples it.
RAISED_LITTLE = replace(RAISED, high=15)
_ARM = Parameter("arm_deg", "how far the arm reaches", "deg", lambda body: 150.0 + rounded_deg(body), low=120, high=160, grid=10, easier="down", shows=joint("left.shoulder.flexion", "right.shoulder.flexion"))
_LEG = Parameter("leg_hip_deg", "hip bend of the long leg", "deg", 5, low=0, high=25, grid=5, easier="up", shows=hip_bend())
_FAULTS = (_SHIFT, PELVIS_TIPS, BACK_HOLLOWS, _RIBS, SHOULDER_CLIMBS, BREATH_HELD)
_SETUP = ("Hands under the shoulders, knees under the hips, neck long.", "Belly lifted, back as in standing.")

FAMILY = Family(
    "arm_or_leg_slide",
    "Arm or leg slide and lift",
    "hands and knees",
    "One limb leaves; trunk and pelvis stay square.",
    (
        Step(
            "arm_reach",
            "Arm reach",
            _arm,
            _SETUP,
            ("the standing shoulder stays away from the ear", "the arm leaves, the ribs stay"),
            _FAULTS,
            "round the shoulder blades and in the belly",
            "pinching in the shoulder or wrist",
            breath(exhale("to reach"), back=inhale("to return")),
            Dose(6, 2, 7.0),
            {"turning": 0.7, "upper_back": 0.7},
            after=("belly_lift/with_the_breath",),
            sides=True,
            effort=4,
            parameters=(_HAND, RAISED, _ARM),
            arrow="left.fingertips",
            feedback=(BLOCK_ON_THE_PELVIS,),
            do=(
                "Belly lifted, both hands heavy, then one becomes light.",
                "Breathe {out} and slide one hand ahead, then let it leave the floor; the ribs on that side do not drop.",
                "Breathe {in} and bring it home; the weight has not moved to the other side.",
            ),
        ),
        Step(
            "leg_slide",
            "Leg slide",
            _slide,
            _SETUP,
            ("push the heel back, the foot stays on the floor", "both hip bones look down"),
            _FAULTS,
            "the buttock of the sliding leg",
            "the low back",
            breath(exhale("to slide"), back=inhale("to return")),
            Dose(6, 2, 7.0),
            {"turning": 0.6, "hip_back": 0.7, "resist_extension": 0.4},
            sides=True,
            effort=3,
            parameters=(_HAND, RAISED_LITTLE),
            arrow="left.heel",
            feedback=(BLOCK_ON_THE_PELVIS,),
            do=(
                "Belly lifted, both knees equally heavy.",
                "Breathe {out} and slide one foot straight back along the floor, pushing the heel away.",
                "Breathe {in} and draw the knee home under the hip.",
            ),
        ),
        Step(
            "leg_lift",
            "Leg lift",
            _lift,
            _SETUP,
            ("long, not high", "lift from the buttock"),
            _FAULTS,
            "the buttock of the lifted leg",
            "the low back",
            breath(exhale("to lift"), back=inhale("to return")),
            Dose(8, 2, 7.0),
            {"turning": 0.8, "hip_back": 1.0, "resist_extension": 0.5, "upper_back": 0.3},
            sides=True,
            effort=5,
            parameters=(_HAND, RAISED_LITTLE, _LEG),
            arrow="left.heel",
            feedback=(BLOCK_ON_THE_PELVIS,),
            do=(
                "On hands and knees, slide one foot back along the floor until the leg is long.",
                "Breathe {out} and lift the long leg as low as it may be and still be off the floor.",
                "Put the toes down, breathe {in} and draw the knee home.",
            ),
        ).watching(Fault("leg_kicks_high", "leg kicks high", "the foot rises above the hip", "the low back lifts the leg", "as low as it may be and still be off the floor", Wrong({"left.hip.flexion": -22, "lumbar.flexion": -14}))),
        Step(
            "opposite_slide",
            "Opposite arm and leg slide",
            _opposite_slide,
            _SETUP,
            ("fingertips and toes keep touching the floor", "hips stay square"),
            _FAULTS,
            "buttock and shoulder blade across the back",
            "turning, a sagging back",
            breath(exhale("to slide"), back=inhale("to return")),
            Dose(6, 2, 8.0),
            {"turning": 0.8, "hip_back": 0.7, "upper_back": 0.6, "resist_extension": 0.4},
            sides=True,
            effort=5,
            parameters=(_HAND, RAISED_LITTLE),
            arrow="left.heel",
            feedback=(BLOCK_ON_THE_PELVIS,),
            do=(
                "Belly lifted; find one hand and the opposite foot.",
                "Breathe {out} and slide both apart along the floor, fingertips and toes touching.",
                "Breathe {in} and draw both home together. While the back is sore, do the legs only.",
            ),
        ),
        Step(
            "opposite_lift",
            "Opposite arm and leg lift",
            _opposite,
            _SETUP,
            ("from fingertips to heel one long line", "hips stay square"),
            _FAULTS,
            "back, buttock and belly together",
            "turning, a sagging back",
            breath(exhale("to lift"), back=inhale("to return")),
            Dose(8, 3, 8.0),
            {"turning": 1.0, "hip_back": 0.9, "upper_back": 0.9, "resist_extension": 0.5},
            sides=True,
            effort=6,
            parameters=(_HAND, RAISED_LITTLE, _LEG, _ARM),
            arrow="left.heel",
            feedback=(BLOCK_ON_THE_PELVIS,),
            do=(
                "Slide one hand ahead and the opposite foot back.",
                "Breathe {out} and let both leave the floor: one long line from fingertips to heel.",
                "Put them down, breathe {in}, and change.",
            ),
        ),
        Step(
            "hold_ten",
            "Opposite arm and leg, held for ten seconds",
            _opposite,
            _SETUP,
            ("grow longer on every breath out", "eyes on the floor between the hands"),
            _FAULTS,
            "back, buttock and belly together",
            "turning, a sagging back",
            steady("breathe on while you hold"),
            Dose(5, 3, 13.0, hold_s=10),
            {"turning": 1.0, "hip_back": 0.9, "upper_back": 0.9, "resist_extension": 0.6},
            sides=True,
            effort=6,
            parameters=(_HAND, RAISED_LITTLE, _LEG, _ARM),
            arrow="left.heel",
            held=True,
            feedback=(BLOCK_ON_THE_PELVIS,),
            do=(
                "On hands and knees, reach one arm forward and the opposite leg back, both long, no higher than the back.",
                "Stay for ten seconds, grow longer with every breath {out}, hips square.",
                "Put both down, rest for a breath, and change.",
            ),
        ).watching(Fault("line_gets_shorter", "line gets shorter", "arm and leg sink or draw in before the time is over", "the middle of the back tires first", "end it where the line was still long; fewer seconds")),
        Step(
            "draw_in_and_out",
            "Draw elbow and knee in and out",
            _draw,
            _SETUP,
            ("knee and elbow come under you, the back stays a table", "then out again to one long line"),
            (*_FAULTS, TRUNK_ROUNDS),
            "belly on the way in, buttock and back on the way out",
            "rounding, a sagging back",
            breath(inhale("to draw together"), back=exhale("to reach")),
            Dose(6, 2, 8.0),
            {"turning": 1.0, "hip_back": 0.9, "upper_back": 0.9, "deep_control": 0.5, "resist_extension": 0.5},
            sides=True,
            shown=(2, 3),
            effort=7,
            parameters=(_HAND, RAISED_LITTLE, _LEG, _ARM),
            arrow="left.heel",
            feedback=(BLOCK_ON_THE_PELVIS,),
            do=(
                "Lift one arm and the opposite leg.",
                "Breathe {in} and draw elbow and knee together under a table-flat back; breathe {out} and reach both out again.",
                "After the set put both down and change.",
            ),
        ),
    ),
)
