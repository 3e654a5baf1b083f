"""Opposite arm and leg, on the back."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step
from amvel.movements.families.knee_fold import leg_folded
from amvel.movements.faults import BACK_ARCHES, BELLY_DOMES, BREATH_HELD, RIBS_FLARE, THIGH_TAKES_OVER
from amvel.movements.frames import Frame
from amvel.movements.lying_positions import supine_crook
from amvel.movements.positions import both
from amvel.movements.promise import hip_bend, joint
from amvel.movements.wrong import Wrong


def _square(s: Setting) -> list[Frame]:
    """Legs square and arms up, and how that is reached: the legs one by one, the arms last."""
    base, hip_deg = supine_crook(s.body), s.number("hip_deg")
    first = leg_folded(base, "left", hip_deg, name="first leg folded")
    legs = leg_folded(first, "right", hip_deg, name="legs square, arms up")
    arms = both(shoulder_flexion=90.0, shoulder_abduction=0.0, elbow_flexion=5.0, forearm_pronation=0.0)
    return [base.facts_(way_in=True), first.facts_(way_in=True), legs.with_(**arms)]


def _arms(s: Setting) -> list[Frame]:
    *way_in, start = _square(s)
    return [*way_in, start, start.with_("one arm overhead", left_shoulder_flexion=s.number("arm_deg"))]


def _leg(s: Setting) -> list[Frame]:
    *way_in, start = _square(s)
    return [
        *way_in,
        start,
        start.with_("one leg reaching", left_hip_flexion=s.number("leg_hip_deg"), left_knee_flexion=45.0),
    ]


def _cross(s: Setting) -> list[Frame]:
    *way_in, start = _square(s)
    knee = 45.0 if s.number("leg_hip_deg") >= 45 else 8.0
    return [
        *way_in,
        start,
        start.with_(
            "opposite arm and leg reaching",
            right_shoulder_flexion=s.number("arm_deg"),
            left_hip_flexion=s.number("leg_hip_deg"),
            left_knee_flexion=knee,
        ),
    ]


_HIP = Parameter("hip_deg", "hip bend at the start", "deg", 90, low=60, high=90, grid=5, easier="down", shows=hip_bend())
_ARM = Parameter(
    "arm_deg", "how far the arm goes overhead", "deg", 150, low=100, high=160, grid=5, easier="down", shows=joint("left.shoulder.flexion", "right.shoulder.flexion"))


def _reach(default: float) -> Parameter:
    return Parameter(
        "leg_hip_deg", "hip bend when the leg reaches", "deg", default, low=25, high=75, grid=5, easier="up", shows=hip_bend())


_FAULTS = (BACK_ARCHES, RIBS_FLARE, BELLY_DOMES, BREATH_HELD, THIGH_TAKES_OVER)
_SETUP = (
    "Lie on your back, both legs square over the hips.",
    "Both arms to the ceiling, shoulder blades heavy.",
)
_BREATH = breath(exhale("to reach"), back=inhale("to return"))

FAMILY = Family(
    "opposite_arm_and_leg_supine",
    "Opposite arm and leg, lying",
    "on the back",
    "Arms and legs go away from each other; ribs and pelvis stay together.",
    (
        Step(
            "arms_only",
            "Arms only",
            _arms,
            _SETUP,
            ("ribs stay closed as the arm goes", "reach long, not low"),
            _FAULTS,
            "the ribs being held by the belly",
            "the back lifting",
            _BREATH,
            Dose(5, 2, 7.0),
            {"resist_extension": 0.7, "deep_control": 0.5, "upper_back": 0.2},
            sides=True,
            effort=4,
            parameters=(_ARM, _HIP),
            arrow="left.fingertips",
            after=("knee_fold/marching",),
            do=(
                "Legs over the hips, both arms to the ceiling, shoulder blades heavy.",
                "Breathe {out} and let one arm go back beside the ear, ribs closed.",
                "Breathe {in} and bring it up again; the legs have not moved.",
            ),
        ),
        Step(
            "legs_only",
            "Legs only",
            _leg,
            _SETUP,
            ("the leg goes away from a still pelvis", "come back before the back moves"),
            _FAULTS,
            "low, deep work in the belly",
            "the back lifting",
            _BREATH,
            Dose(5, 2, 8.0),
            {"resist_extension": 0.9, "deep_control": 0.6},
            sides=True,
            effort=5,
            parameters=(_reach(55), _HIP),
            arrow="left.heel",
            do=(
                "Legs over the hips, both arms to the ceiling.",
                "Breathe {out} and reach one leg away, low only as far as the back stays; both arms stay.",
                "Breathe {in} and bring the knee back over the hip.",
            ),
        ).watching(Fault("arms_help", "arms help", "the arms leave the ceiling as the leg goes", "the shoulders pull against the leg", "arms upright; the leg half as far", Wrong({"left.shoulder.flexion": -22, "right.shoulder.flexion": -22}))),
        Step(
            "short_reach",
            "Opposite arm and leg, short reach",
            _cross,
            _SETUP,
            ("arm and leg leave together", "slow; the order counts, not the range"),
            _FAULTS,
            "work across the belly",
            "ribs or pelvis tipping",
            _BREATH,
            Dose(5, 2, 9.0),
            {"resist_extension": 1.0, "deep_control": 0.6, "turning": 0.5},
            sides=True,
            effort=5,
            parameters=(_reach(55), _ARM, _HIP),
            arrow="left.heel",
            do=(
                "Legs over the hips, arms to the ceiling.",
                "Breathe {out} and let one arm and the opposite leg leave together, half-way only.",
                "Breathe {in} and bring both home at the same moment, then the other pair.",
            ),
        ),
        Step(
            "full_reach",
            "Opposite arm and leg, full reach",
            _cross,
            _SETUP,
            ("long from fingertips to heel", "only as low as the back stays"),
            _FAULTS,
            "strong work across the belly",
            "ribs or pelvis tipping",
            _BREATH,
            Dose(5, 3, 9.0),
            {"resist_extension": 1.0, "deep_control": 0.4, "turning": 0.6},
            sides=True,
            effort=6,
            parameters=(_reach(30), _ARM, _HIP),
            arrow="left.heel",
            do=(
                "Legs over the hips, arms to the ceiling, two settling breaths.",
                "Breathe {out} and reach arm and opposite leg apart until both are long; ribs and pelvis stay together.",
                "Breathe {in} and come back to the middle before the next pair leaves.",
            ),
        ).watching(Fault("arrives_one_by_one", "arrives one by one", "arm and leg do not arrive together", "the trunk turns to catch one of them", "shorter, and count both in")),
    ),
)
