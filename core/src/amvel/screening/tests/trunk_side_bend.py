"""Trunk side bend, per side."""

from amvel.case import Case
from amvel.case.results.ranges import TrunkSideBend
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 35°")
HEALTHY_DEG = 35.0


def read(result: TrunkSideBend, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "trunk_side_bend",
    "how far the trunk bends to each side",
    (
        "Stand with the back to a wall, feet hip-wide.",
        "Slide the hand down the thigh without turning.",
        "Inclinometer at T1; both sides, three tries.",
    ),
    "Wall behind; stop at pain.",
    180,
    read,
    SOURCE,
    "standing",
    (
        Outcome("free", 0.55, {"deg": 33}),
        Outcome("short", 0.45, {"deg": 18}),
    ),
    unlocks="side bend and its difference",
    change=GONIOMETER,
    avoid=no_standing,
    instead="The same sitting tall.",
)
