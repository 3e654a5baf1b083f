"""Trunk rounding."""

from amvel.case import Case
from amvel.case.results.ranges import TrunkFlexion
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.cautions import no_bending_test
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 80°")
HEALTHY_DEG = 80.0


def read(result: TrunkFlexion, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "trunk_flexion",
    "how far the trunk rounds forward, without force",
    (
        "Sit tall on a firm seat; inclinometer at T1 and at the sacrum.",
        "Let the chest sink and round slowly, hands on the thighs.",
        "Read the difference; three tries.",
    ),
    "Left out with osteoporosis or a vertebral fracture; stop at leg pain.",
    180,
    read,
    SOURCE,
    "sitting",
    (
        Outcome("free", 0.5, {"deg": 70}),
        Outcome("short", 0.5, {"deg": 40}),
    ),
    unlocks="how much of the rounding may be used",
    change=GONIOMETER,
    avoid=no_bending_test,
    instead="Use half of the healthy range as the cautious value.",
)
