"""Hip, turning out."""

from amvel.case import Case
from amvel.case.results.ranges import HipExternalRotation
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.cautions import hip_protected
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 45°")
HEALTHY_DEG = 45.0


def read(result: HipExternalRotation, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "hip_external_rotation",
    "how far the thigh turns out",
    (
        "Sit at the edge of a firm bed, knees at 90°.",
        "Move the foot inwards, thigh stays.",
        "Inclinometer on the shin; both sides.",
    ),
    "Not after an anterior hip replacement.",
    180,
    read,
    SOURCE,
    "sitting",
    (
        Outcome("free", 0.6, {"deg": 40}),
        Outcome("short", 0.4, {"deg": 22}),
    ),
    unlocks="fall-out, clam, figure-four",
    change=GONIOMETER,
    avoid=hip_protected,
    instead="Leave it out.",
)
