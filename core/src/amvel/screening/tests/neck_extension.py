"""Neck, bending back."""

from amvel.case import Case
from amvel.case.results.ranges import NeckExtension
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.cautions import unsafe_neck
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 45°")
HEALTHY_DEG = 45.0


def read(result: NeckExtension, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "neck_extension",
    "how far the head tips back",
    ("Sit tall, back supported.", "Look up slowly; no force.", "Inclinometer on the head."),
    "Not with a rheumatoid, fused or unstable neck; stop at dizziness.",
    180,
    read,
    SOURCE,
    "sitting",
    (
        Outcome("free", 0.6, {"deg": 42}),
        Outcome("short", 0.4, {"deg": 25}),
    ),
    unlocks="lying without a head pad",
    change=GONIOMETER,
    avoid=unsafe_neck,
    instead="Leave it; the head stays supported.",
)
