"""Hover: knees just off the floor, the spine does not change."""

from amvel.movements.declaration import Dose, Parameter, Setting
from amvel.movements.families.arm_or_leg_slide import _RAISED, arm_off
from amvel.movements.faults import BACK_ARCHES, BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.ladder import Ladder, fault
from amvel.movements.positions import hands_and_knees


def _tucked(s: Setting) -> Frame:
    return hands_and_knees(s.body, "flat", s.number("hands_raised_cm"))


def _up(s: Setting) -> Frame:
    gap = s.number("knees_cm")
    off = _tucked(s).lift("left.knee_front", "right.knee_front").with_("knees hovering")
    return off.touch(*(Touch(f"{x}.knee_front", "floor", bears=False, gap_cm=gap) for x in ("left", "right")))


def _hover(s: Setting) -> list[Frame]:
    return [_tucked(s), _up(s)]


def _over(frame: Frame, landmark: str) -> Frame:
    aim = Aim("centre_of_mass", "y", 4.0, origin=landmark, must_hold=False, weight=0.4)
    return frame.aim(aim).free_(
        **{f"{x}_{j}": 0.1 for x in ("left", "right") for j in ("hip_abduction", "shoulder_abduction")}
    )


def _one_foot(s: Setting) -> list[Frame]:
    up = _up(s)
    light = up.lift("left.ball", "left.knee_front").unaim("left.toe_tip", "left.knee")
    return [up, light.with_("one foot off", left_hip_flexion=92.0, left_knee_flexion=116.0)]


def _one_arm(s: Setting) -> list[Frame]:
    up = _up(s)
    return [up, arm_off(_over(up, "right.wrist"), "left", 60.0).with_("one hand light")]


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
            BACK_ARCHES,
            fault(
                "seat goes up",
                "the hips rise above the shoulders",
                "the legs do it alone",
                "lift the knees only",
            ),
            SHOULDER_CLIMBS,
            BREATH_HELD,
        ),
        felt="belly, round the shoulder blades, thighs",
        not_felt="wrists, low back",
        breath="breathe on",
        parameters=(_KNEES, _RAISED),
    )
    .rung(
        "for_a_breath",
        "Up for a breath",
        _hover,
        Dose(5, 2, 6.0),
        {"deep_control": 0.6, "resist_extension": 0.6, "upper_back": 0.4},
        4,
        arrow="left.knee",
    )
    .rung(
        "for_time",
        "Up for time",
        _hover,
        Dose(4, 2, 12.0, hold_s=8),
        {"deep_control": 0.7, "resist_extension": 0.7, "upper_back": 0.4},
        5,
        arrow="left.knee",
    )
    .rung(
        "one_foot",
        "One foot off",
        _one_foot,
        Dose(4, 2, 7.0),
        {"turning": 0.8, "resist_extension": 0.7, "deep_control": 0.6},
        6,
        sides=True,
        arrow="left.heel",
    )
    .family()
)
