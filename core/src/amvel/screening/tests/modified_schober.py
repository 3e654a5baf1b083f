"""Low back by tape (modified Schober)."""

from datetime import date

from amvel.case import Case
from amvel.case.results.ranges import ModifiedSchober
from amvel.languages import as_entered, said
from amvel.literature import MACRAE_WRIGHT
from amvel.numbers import Number, Numbers
from amvel.screening.cautions import no_bending_test, no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest

SOURCE = MACRAE_WRIGHT.says("5 cm or more")
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("enough_cm", 5, "cm", "less is short", SOURCE, SINCE),
)


def read(result: ModifiedSchober, case: Case, n: Numbers) -> Reading:
    """Less than 5 cm is short."""
    short = result.cm < n["enough_cm"]
    return Reading(as_entered(result.cm) + " cm" + (said(": short") if short else ""), "watch" if short else "ok", SOURCE)


TEST = ScreenTest(
    "modified_schober",
    "how much the low back lengthens",
    (
        "Stand; mark 10 cm above and 5 cm below the dimples.",
        "Round forward as far as is easy; read the gain.",
    ),
    "Left out with osteoporosis or a vertebral fracture.",
    180,
    read,
    SOURCE,
    "standing",
    (
        Outcome("5 cm or more", 0.6, {"cm": 6}),
        Outcome("less", 0.4, {"cm": 3.5}),
    ),
    unlocks="low-back rounding",
    avoid=lambda case: no_bending_test(case) or no_standing(case),
    instead="Pelvic tilt lying shows the low back without bending it.",
    numbers=NUMBERS,
)
