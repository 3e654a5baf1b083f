"""A measured range of the trunk or a limb joint."""

from amvel.body import HEALTHY_DEG
from amvel.body.capacities import RANGES
from amvel.case import Case, RangeTest
from amvel.screening.declaration import Field, Reading, ScreenTest


def read(result: RangeTest, case: Case) -> Reading:
    """Against the healthy value."""
    healthy = HEALTHY_DEG[result.joint]
    return Reading(f"{result.deg:g}° of {healthy:g}°", "ok" if result.deg >= 0.8 * healthy else "watch", RANGES)


_CHOICES = (
    ("trunk_flexion", "Trunk, rounding"),
    ("trunk_extension", "Trunk, arching"),
    ("trunk_rotation", "Trunk, turning"),
    ("trunk_side_bend", "Trunk, side bend"),
    ("shoulder_elevation", "Arm raise"),
    ("knee_flexion", "Knee bend"),
    ("ankle_dorsiflexion", "Ankle bend"),
    ("wrist_extension", "Wrist bend back"),
    ("hip_abduction", "Hip out"),
    ("hip_extension", "Hip back"),
)
TEST = ScreenTest(
    "joint_range",
    "Joint range",
    "what a joint or the trunk can do without force",
    (
        "Inclinometer, goniometer or tape.",
        "Slow and unforced; stop where it stops.",
        "Sides for limbs; the smaller side for the trunk.",
    ),
    "Trunk rounding is not tested after a vertebral fracture or with osteoporosis.",
    (Field("joint", "Joint", "", "choice", choices=_CHOICES), Field("deg", "Range", "deg", "number", 0, 180)),
    180,
    read,
    RANGES,
    per_side=True,
    benign={"joint": "trunk_rotation", "deg": 45},
    adverse={"joint": "trunk_rotation", "deg": 20},
)
