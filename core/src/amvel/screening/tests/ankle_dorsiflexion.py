"""Ankle, bending up."""

from amvel.case import Case
from amvel.case.results.ranges import AnkleDorsiflexion
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 20°")
HEALTHY_DEG = 20.0


def read(result: AnkleDorsiflexion, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "ankle_dorsiflexion",
    "how far the shin comes over the foot",
    (
        "Stand facing a wall, hands on it.",
        "Knee to the wall, heel down.",
        "Inclinometer on the shin; both sides.",
    ),
    "Hands on the wall.",
    180,
    read,
    SOURCE,
    "standing",
    (
        Outcome("free", 0.6, {"deg": 18}),
        Outcome("short", 0.4, {"deg": 6}),
    ),
    unlocks="rising from a seat, wall plank",
    change=GONIOMETER,
    avoid=no_standing,
    instead="Measure it lying.",
)
