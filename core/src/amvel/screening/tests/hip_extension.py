"""Hip, reaching back."""

from amvel.case import Case
from amvel.case.results.ranges import HipExtension
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.cautions import hip_protected
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 20°")
HEALTHY_DEG = 20.0


def read(result: HipExtension, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "hip_extension",
    "how far the thigh comes behind the body before the low back arches",
    (
        "Lie on the back at the edge of a firm bed, other knee held.",
        "Let the thigh sink; the low back stays.",
        "Goniometer at the hip; both sides.",
    ),
    "Not past neutral after an anterior hip replacement.",
    180,
    read,
    SOURCE,
    "lying",
    (
        Outcome("free", 0.5, {"deg": 18}),
        Outcome("short", 0.5, {"deg": 5}),
    ),
    unlocks="leg reach, standing reach, prone leg lifts",
    change=GONIOMETER,
    avoid=hip_protected,
    instead="Watch the step length in walking.",
)
