"""Trunk turning, per side."""

from amvel.case import Case
from amvel.case.results.ranges import TrunkRotation
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.cautions import no_turning_test
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 45°")
HEALTHY_DEG = 45.0


def read(result: TrunkRotation, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "trunk_rotation",
    "how far the chest turns against the pelvis",
    (
        "Sit tall on a firm seat, knees together, arms crossed.",
        "Turn slowly; both sit bones stay.",
        "Goniometer over the head; both sides, three tries.",
    ),
    "Slow; never together with rounding; stop at pain.",
    180,
    read,
    SOURCE,
    "sitting",
    (
        Outcome("free", 0.5, {"deg": 42}),
        Outcome("short", 0.5, {"deg": 25}),
    ),
    unlocks="how much turning may be used",
    change=GONIOMETER,
    poses=("tall_turn/hands_on_ribs",),
    instead="Half of the healthy range counts until it is measured.",
    avoid=no_turning_test,
)
