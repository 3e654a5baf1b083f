"""Hip, in."""

from amvel.case import Case
from amvel.case.results.ranges import HipAdduction
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.cautions import hip_protected
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 30°")
HEALTHY_DEG = 30.0


def read(result: HipAdduction, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "hip_adduction",
    "how far the leg crosses the midline",
    (
        "Lie on the back, other leg lifted out of the way.",
        "Slide the leg in until the pelvis follows.",
        "Goniometer; both sides.",
    ),
    "Not past the midline after a posterior hip replacement.",
    180,
    read,
    SOURCE,
    "lying",
    (
        Outcome("free", 0.7, {"deg": 28}),
        Outcome("short", 0.3, {"deg": 12}),
    ),
    unlocks="crossed positions",
    change=GONIOMETER,
    avoid=hip_protected,
    instead="Leave it out.",
)
