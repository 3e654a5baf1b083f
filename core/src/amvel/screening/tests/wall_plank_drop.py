"""Wall plank: drop of the pelvis."""

from amvel.case import Case
from amvel.case.results.quiet_core import WallPlankDrop
from amvel.languages import as_entered, said, term
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE

SOURCE = COMMON_PRACTICE


def read(result: WallPlankDrop, case: Case, n: Numbers) -> Reading:
    """The clean range by side, and what gives first."""
    tail = "" if result.gives == "nothing" else said(", then {gives} gives", gives=term(result.gives))
    return Reading(
        term(result.side) + " " + as_entered(result.drop_cm) + " cm" + tail,
        "ok" if result.gives == "nothing" else "watch",
        SOURCE,
    )


TEST = ScreenTest(
    "wall_plank_drop",
    "whether the pelvis drops when one foot is light",
    (
        "Forearms on the wall, stripe across the waistband.",
        "Make one foot light; read the drop of the stripe.",
    ),
    "Stop at the first sign; clean range only.",
    90,
    read,
    SOURCE,
    "standing",
    (
        Outcome("clean", 0.5, {"drop_cm": 0.0, "gives": "nothing"}),
        Outcome("gives", 0.5, {"drop_cm": 2.5, "gives": "pelvis"}),
    ),
    unlocks="wall plank on one foot",
    poses=("wall_plank/one_foot_light",),
)
