"""Trunk flexor hold."""

from amvel.case import Case
from amvel.case.results.endurance import FlexorHold
from amvel.languages import said, term
from amvel.literature import MCGILL
from amvel.numbers import Numbers
from amvel.screening.cautions import no_bending_test, no_strain
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.endurance import ENOUGH_S, compared

SOURCE = MCGILL.says("mean seconds of young men and women")
MEAN_S = {"male": 144, "female": 149}


def read(result: FlexorHold, case: Case, n: Numbers) -> Reading:
    """Against the means of young adults, which is no norm for older people; right and left within 5 %."""
    mean = MEAN_S[case.person.sex]
    return Reading(
        said("{seconds} s (young {what1}: {mean} s){what3}", seconds=float(result.seconds), what1=term('men' if case.person.sex == 'male' else 'women'), mean=term(mean), what3=term(compared(result, case))),
        "ok" if result.seconds >= ENOUGH_S else "watch",
        SOURCE,
    )


TEST = ScreenTest(
    "flexor_hold",
    "endurance of the belly",
    (
        "Lean back 60° against a wedge, knees and hips at 90°, feet held.",
        "Take the wedge away; stop when the back moves.",
    ),
    "Stop at pain, a held breath, or shaking; never with a held breath.",
    90,
    read,
    SOURCE,
    "sitting",
    (
        Outcome("45 s or more", 0.25, {"seconds": 80}),
        Outcome("20 s or more", 0.35, {"seconds": 30}),
        Outcome("less", 0.4, {"seconds": 8}),
    ),
    unlocks="flexor work",
    timer="stopwatch",
    avoid=lambda case: no_bending_test(case) or no_strain(case),
    instead="The longest clean hold of an easier step.",
)
