"""Wrist, bending back with load."""

from amvel.case import Case
from amvel.case.results.ranges import WristExtension
from amvel.languages import said
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER, read_range

SOURCE = AAOS.says("healthy adults 70°")


def read(result: WristExtension, case: Case, n: Numbers) -> Reading:
    """Pain decides before the angle."""
    if result.painful:
        return Reading(said("{deg}°, painful under load: enter it as a painful wrist", deg=float(result.deg)), "watch", SOURCE)
    return read_range(result.deg, 70.0, SOURCE)


TEST = ScreenTest(
    "wrist_extension",
    "how far the wrist bends back with weight on it",
    (
        "Sit at a table, palm flat.",
        "Lean the forearm over the hand until it stops.",
        "Read the angle; ask for pain; both sides.",
    ),
    "Stop at pain.",
    180,
    read,
    SOURCE,
    "sitting",
    (
        Outcome("free", 0.7, {"deg": 70}),
        Outcome("short", 0.2, {"deg": 45}),
        Outcome("painful", 0.1, {"deg": 30, "painful": True}),
    ),
    unlocks="hands and knees on flat hands",
    change=GONIOMETER,
)
