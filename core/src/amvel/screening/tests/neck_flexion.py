"""Neck, bending forward."""

from amvel.case import Case
from amvel.case.results.ranges import NeckFlexion
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.cautions import unsafe_neck
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 45°")
HEALTHY_DEG = 45.0


def read(result: NeckFlexion, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "neck_flexion",
    "how far the chin comes to the chest",
    ("Sit tall, back supported.", "Nod, then let the head sink; no hands.", "Inclinometer on the head."),
    "Not with a rheumatoid, fused or unstable neck.",
    180,
    read,
    SOURCE,
    "sitting",
    (
        Outcome("free", 0.6, {"deg": 42}),
        Outcome("short", 0.4, {"deg": 25}),
    ),
    unlocks="head lifts and head pads",
    change=GONIOMETER,
    avoid=unsafe_neck,
    instead="Leave it; the head stays supported.",
)
