"""Hover: knees just off the floor, the spine does not change."""

from amvel.body.anthropometry import HIP_HALF_WIDTH, SHOULDER_HALF_WIDTH
from amvel.movements.breath import steady
from amvel.movements.declaration import Dose, Fault, Parameter, Setting, once
from amvel.movements.families.arm_or_leg_slide import RAISED, RAISED_LITTLE, arm_off
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.positions import hands_and_knees
from amvel.movements.wrong import Wrong


@once
def _tucked(s: Setting) -> Frame:
    return hands_and_knees(s.body, "flat", s.number("hands_raised_cm"))


@once
def _up(s: Setting) -> Frame:
    gap = s.number("knees_cm")
    off = _tucked(s).lift("left.knee_front", "right.knee_front").with_("knees hovering")
    off = off.bear("left.toe_under", "right.toe_under")
    return off.touch(*(Touch(f"{x}.knee_front", "floor", bears=False, gap_cm=gap) for x in ("left", "right")))


def _hover(s: Setting) -> list[Frame]:
    return [_tucked(s), _up(s)]


@once
def _standing_fast(s: Setting) -> Frame:
    """Hovering, with hands and feet that stay where they are."""
    stature_cm = 100 * s.body.stature_m
    apart = (SHOULDER_HALF_WIDTH - HIP_HALF_WIDTH) * stature_cm
    frame = _up(s).aim(
        Aim("right.palm", "y", -apart, origin="right.ball", weight=0.5),
        Aim("left.palm", "y", apart, origin="left.ball", weight=0.5),
        Aim("left.ball", "y", 2 * HIP_HALF_WIDTH * stature_cm, origin="right.ball", weight=0.5),
    )
    joints = ("hip_abduction", "hip_rotation", "shoulder_abduction", "ankle_inversion")
    give = {f"{x}_{j}": 0.1 for x in ("left", "right") for j in joints}
    return frame.free_(**give)


def _over_right_hand(s: Setting) -> Frame:
    """The weight goes inside the triangle of one hand and both feet."""
    over = Aim("centre_of_mass", "y", 4.5 * s.body.stature_m, origin="right.palm", weight=0.5)
    return _standing_fast(s).aim(over).with_("weight over one hand")


def _one_foot(s: Setting) -> list[Frame]:
    up = _up(s)
    light = up.lift("left.toe_under", "left.knee_front").unaim("left.toe_tip", "left.knee")
    return [up, light.with_("one foot off", left_hip_flexion=92.0, left_knee_flexion=116.0)]


def _one_arm(s: Setting) -> list[Frame]:
    up, over = _standing_fast(s), _over_right_hand(s)
    light = arm_off(over, "left", 100.0).unaim("left.palm")
    return [up, over, light.with_("one hand light", left_elbow_flexion=45.0)]


def _kick(up: Frame, side: str) -> Frame:
    light = up.lift(f"{side}.toe_under", f"{side}.knee_front").unaim(f"{side}.toe_tip", f"{side}.knee")
    return light.with_(f"{side} foot kicks back", **{f"{side}_hip_flexion": 60.0, f"{side}_knee_flexion": 55.0})


def _kicks(s: Setting) -> list[Frame]:
    up = _up(s)
    return [_tucked(s), up, _kick(up, "left"), up, _kick(up, "right"), up, _tucked(s)]


def _staying(s: Setting) -> list[Frame]:
    up = _up(s)
    return [up, _kick(up, "left"), up, _kick(up, "right"), up]


_KNEES = Parameter("knees_cm", "knees off the floor", "cm", 3, low=2, high=5, grid=1, easier="down")
FAMILY = (
    Ladder(
        "hover",
        "Hover",
        "hands and knees",
        "The knees leave the floor by a hand’s breadth; the back is a table.",
        setup=("Hands under the shoulders, knees under the hips, toes tucked.",),
        cues=("push hands and toes into the floor", "knees light, eyes down", "the back stays a table"),
        faults=(
            BACK_HOLLOWS,
            Fault(
                "seat_goes_up",
                "seat goes up",
                "the hips rise above the shoulders",
                "the legs do it alone",
                "lift the knees only", Wrong({"left.knee.flexion": -22, "right.knee.flexion": -22}),
            ),
            SHOULDER_CLIMBS,
            BREATH_HELD,
        ),
        felt="belly, round the shoulder blades, thighs",
        not_felt="wrists, low back",
        breath=steady("breathe on"),
        parameters=(_KNEES, RAISED),
    )
    .rung(
        "for_a_breath",
        "Up for a breath",
        _hover,
        Dose(5, 2, 6.0),
        {"deep_control": 0.6, "resist_extension": 0.6, "upper_back": 0.4},
        4,
        after=("belly_lift/held_while_breathing",),
        arrow="left.knee",
        do=(
            "Hands under the shoulders, toes tucked, belly lifted.",
            "Breathe {out}, push hands and toes into the floor and let both knees float two to five centimetres.",
            "Put them down with the breath {in}.",
        ),
    )
    .rung(
        "for_time",
        "Up for time",
        _hover,
        Dose(4, 2, 12.0, hold_s=8),
        {"deep_control": 0.7, "resist_extension": 0.7, "upper_back": 0.4},
        5,
        arrow="left.knee",
        do=(
            "Push hands and toes into the floor and let both knees float two to five centimetres.",
            "Stay for the count, eyes down, and breathe on; the back does not change.",
            "Put the knees down before the belly sags.",
        ),
    )
    .rung(
        "one_foot",
        "One foot off",
        _one_foot,
        Dose(4, 2, 7.0),
        {"turning": 0.8, "resist_extension": 0.7, "deep_control": 0.6},
        6,
        sides=True,
        parameters=(_KNEES, RAISED_LITTLE),
        arrow="left.heel",
        do=(
            "Both knees float.",
            "Breathe {out} and take one foot off by a finger’s breadth, hips level.",
            "Foot down, knees down, breathe; then the other.",
        ),
    )
    .rung(
        "one_hand",
        "One hand light",
        _one_arm,
        Dose(4, 2, 7.0),
        {"turning": 0.9, "upper_back": 0.6, "resist_extension": 0.7, "deep_control": 0.6},
        6,
        sides=True,
        parameters=(_KNEES, RAISED_LITTLE),
        arrow="left.fingertips",
        more_faults=(Fault("shoulder_drops", "shoulder drops", "the trunk leans onto the arm that stays", "the chest turns towards the light hand", "lighter, not higher; push the floor away with the other", Wrong({"lower_thoracic.rotation": 12, "upper_thoracic.rotation": 8})),),
        do=(
            "Both knees float.",
            "Breathe {out} and make one hand so light that it could be lifted; the shoulder of the other stays away from the ear.",
            "Hand down, knees down, breathe; then the other.",
        ),
    )
    .rung(
        "kicks_in_pairs",
        "Alternating kicks, down between pairs",
        _kicks,
        Dose(4, 2, 9.0),
        {"turning": 0.9, "resist_extension": 0.8, "deep_control": 0.6, "hip_back": 0.4},
        7,
        parameters=(_KNEES, RAISED_LITTLE),
        arrow="left.heel",
        shown=(1, 2),
        also=("Left foot, right foot, then both knees down and breathe.",),
        more_faults=(Fault("hips_swing", "hips swing", "the pelvis goes from side to side with the feet", "the kicks are faster than the trunk", "slower; one foot, stop, the other"),),
        do=(
            "Both knees float.",
            "Left foot off and down, right foot off and down: one pair.",
            "Put the knees down and breathe before the next pair.",
        ),
    )
    .rung(
        "staying_up",
        "Alternating kicks, staying up",
        _staying,
        Dose(6, 2, 8.0, hold_s=8),
        {"turning": 1.0, "resist_extension": 0.9, "deep_control": 0.6, "hip_back": 0.4},
        8,
        parameters=(_KNEES, RAISED_LITTLE),
        arrow="left.heel",
        shown=(0, 1),
        do=(
            "Both knees float and stay up.",
            "Left foot, right foot, in turn, as long as hips and breath stay quiet.",
            "Knees down at the first wobble.",
        ),
    )
    .family()
)
