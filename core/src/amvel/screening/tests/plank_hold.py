"""Plank hold."""

from amvel.case import Case
from amvel.case.results.endurance import PlankHold
from amvel.languages import said, term
from amvel.movements.levels import Way
from amvel.numbers import Numbers
from amvel.screening.cautions import no_strain
from amvel.screening.declaration import Outcome, Reading, ScreenTest, TimedHold
from amvel.screening.endurance import ENOUGH_S, compared
from amvel.sources import practice

SOURCE = practice("plank 30–60 s")
MEAN_S = {"male": 60, "female": 60}  # plank 30–60 s is the usual aim (common practice)


def read(result: PlankHold, case: Case, n: Numbers) -> Reading:
    """Against the means of young adults, which is no norm for older people; right and left within 5 %."""
    mean = MEAN_S[case.person.sex]
    return Reading(
        said("{seconds} s (usual aim {mean} s){what2}", seconds=float(result.seconds), mean=term(mean), what2=term(compared(result, case))),
        "ok" if result.seconds >= ENOUGH_S else "watch",
        SOURCE,
    )


TEST = ScreenTest(
    "plank_hold",
    "endurance of the front of the trunk",
    (
        "Forearms and toes, or forearms and knees, and say so.",
        "Stop when the back sags or the breath is held.",
    ),
    "Stop at pain, a held breath, or shaking; never with a held breath.",
    90,
    read,
    SOURCE,
    "on the floor",
    (
        Outcome("45 s or more", 0.25, {"seconds": 60, "down": "feet"}),
        Outcome("20 s or more", 0.35, {"seconds": 30}),
        Outcome("less", 0.4, {"seconds": 8}),
    ),
    unlocks="planks",
    timed=TimedHold(Way.ARCHING, "floor_plank/full_length", "floor_plank/on_knees"),
    timer="stopwatch",
    avoid=no_strain,
    poses=("floor_plank/on_knees",),
    instead="The longest clean hold of an easier step.",
)
