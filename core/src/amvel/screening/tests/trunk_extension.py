"""Trunk arching."""

from amvel.case import Case
from amvel.case.results.ranges import TrunkExtension
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 25°")
HEALTHY_DEG = 25.0


def read(result: TrunkExtension, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "trunk_extension",
    "how far the trunk arches back, without force",
    (
        "Stand, hands on the back of the pelvis, wall or chair near.",
        "Reach the breastbone up and back, knees straight.",
        "Inclinometer at T1 and sacrum; three tries.",
    ),
    "Stop at leg pain or dizziness; someone stands behind.",
    180,
    read,
    SOURCE,
    "standing",
    (
        Outcome("free", 0.5, {"deg": 24}),
        Outcome("short", 0.5, {"deg": 12}),
    ),
    unlocks="how much arching may be used",
    change=GONIOMETER,
    avoid=no_standing,
    instead="Press up on the forearms, lying face down.",
)
