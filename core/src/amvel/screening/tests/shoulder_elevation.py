"""Shoulder, arm raise."""

from amvel.case import Case
from amvel.case.results.ranges import ShoulderElevation
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 180°")
HEALTHY_DEG = 180.0


def read(result: ShoulderElevation, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "shoulder_elevation",
    "how high the arm goes before the ribs follow",
    ("Sit tall or lie, thumb leading.", "Raise the arm; ribs stay.", "Goniometer; both sides."),
    "Not above 90° with a painful or uncontrolled shoulder after a stroke, or a new pacemaker.",
    180,
    read,
    SOURCE,
    "sitting",
    (
        Outcome("free", 0.6, {"deg": 165}),
        Outcome("short", 0.4, {"deg": 110}),
    ),
    unlocks="reaching steps",
    change=GONIOMETER,
)
