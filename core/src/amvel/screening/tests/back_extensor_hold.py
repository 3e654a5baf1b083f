"""Back extensor hold."""

from amvel.case import Case
from amvel.case.results.endurance import BackExtensorHold
from amvel.languages import said, term
from amvel.literature import MCGILL
from amvel.movements.levels import Way
from amvel.numbers import Numbers
from amvel.screening.cautions import no_strain
from amvel.screening.declaration import Outcome, Reading, ScreenTest, TimedHold
from amvel.screening.endurance import ENOUGH_S, compared

SOURCE = MCGILL.says("mean seconds of young men and women")
MEAN_S = {"male": 146, "female": 189}


def read(result: BackExtensorHold, case: Case, n: Numbers) -> Reading:
    """Against the means of young adults, which is no norm for older people; right and left within 5 %."""
    mean = MEAN_S[case.person.sex]
    return Reading(
        said("{seconds} s (young {what1}: {mean} s){what3}", seconds=float(result.seconds), what1=term('men' if case.person.sex == 'male' else 'women'), mean=term(mean), what3=term(compared(result, case))),
        "ok" if result.seconds >= ENOUGH_S else "watch",
        SOURCE,
    )


TEST = ScreenTest(
    "back_extensor_hold",
    "endurance of the back",
    (
        "Face down over a firm bed edge, legs held, or chest lifted to level.",
        "Stop when level is lost.",
    ),
    "Stop at pain, a held breath, or shaking; never with a held breath.",
    90,
    read,
    SOURCE,
    "face down",
    (
        Outcome("45 s or more", 0.25, {"seconds": 100}),
        Outcome("20 s or more", 0.35, {"seconds": 30}),
        Outcome("less", 0.4, {"seconds": 8}),
    ),
    unlocks="upper-back work",
    timed=TimedHold(Way.BENDING),
    timer="stopwatch",
    avoid=no_strain,
    instead="The longest clean hold of an easier step.",
    poses=("shoulder_blade_slide/slide",),
)
