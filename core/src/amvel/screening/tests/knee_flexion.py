"""Knee, bending."""

from amvel.case import Case
from amvel.case.results.ranges import KneeFlexion
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 135°")
HEALTHY_DEG = 135.0


def read(result: KneeFlexion, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "knee_flexion",
    "how far the knee bends",
    ("Lie on the back.", "Slide the heel to the buttock.", "Goniometer; both sides."),
    "Stop at pain.",
    180,
    read,
    SOURCE,
    "lying",
    (
        Outcome("free", 0.7, {"deg": 128}),
        Outcome("short", 0.3, {"deg": 95}),
    ),
    unlocks="kneeling, crook lying, low seats",
    change=GONIOMETER,
)
