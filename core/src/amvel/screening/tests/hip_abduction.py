"""Hip, out."""

from amvel.case import Case
from amvel.case.results.ranges import HipAbduction
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 45°")
HEALTHY_DEG = 45.0


def read(result: HipAbduction, case: Case, n: Numbers) -> Reading:
    """Against the range of healthy adults."""
    return read_range(result.deg, HEALTHY_DEG, SOURCE)


TEST = ScreenTest(
    "hip_abduction",
    "how far the leg goes out before the pelvis follows",
    (
        "Lie on the back, both legs long.",
        "Slide the leg out; fingers on the hip bones.",
        "Goniometer; both sides.",
    ),
    "Slow; stop at groin pain.",
    180,
    read,
    SOURCE,
    "lying",
    (
        Outcome("free", 0.6, {"deg": 40}),
        Outcome("short", 0.4, {"deg": 20}),
    ),
    unlocks="leg raises to the side, wide sitting",
    change=GONIOMETER,
)
