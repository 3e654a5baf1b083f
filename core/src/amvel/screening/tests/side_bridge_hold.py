"""Side bridge hold, per side."""

from amvel.case import Case
from amvel.case.results.endurance import SideBridgeHold
from amvel.languages import said, term
from amvel.literature import MCGILL
from amvel.movements.levels import Way
from amvel.numbers import Numbers
from amvel.screening.cautions import no_strain
from amvel.screening.declaration import Outcome, Reading, ScreenTest, TimedHold
from amvel.screening.endurance import ENOUGH_S, compared

SOURCE = MCGILL.says("mean seconds of young men and women")
MEAN_S = {"male": 94, "female": 72}


def read(result: SideBridgeHold, case: Case, n: Numbers) -> Reading:
    """Against the means of young adults, which is no norm for older people; right and left within 5 %."""
    mean = MEAN_S[case.person.sex]
    return Reading(
        said("{seconds} s (young {what1}: {mean} s){what3}", seconds=float(result.seconds), what1=term('men' if case.person.sex == 'male' else 'women'), mean=term(mean), what3=term(compared(result, case))),
        "ok" if result.seconds >= ENOUGH_S else "watch",
        SOURCE,
    )


TEST = ScreenTest(
    "side_bridge_hold",
    "endurance of the side of the trunk",
    (
        "On the side, elbow under the shoulder; knees bent if the full length is too much, and say so.",
        "Hips up; stop when the line is lost; both sides.",
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
    unlocks="side bridges and carries",
    timed=TimedHold(Way.SIDE, "side_bridge/full_length", "side_bridge/knees_bent"),
    timer="stopwatch",
    avoid=no_strain,
    poses=("side_bridge/knees_bent",),
    instead="The longest clean hold of an easier step.",
)
