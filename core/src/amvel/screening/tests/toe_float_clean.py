"""Toe float: the smallest clean lift."""

from amvel.case import Case
from amvel.case.results.quiet_core import ToeFloatClean
from amvel.languages import as_entered, said, term
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE

SOURCE = COMMON_PRACTICE


def read(result: ToeFloatClean, case: Case, n: Numbers) -> Reading:
    """The clean range by side, and what gives first."""
    tail = "" if result.gives == "nothing" else said(", then {gives} gives", gives=term(result.gives))
    return Reading(
        term(result.side) + " " + as_entered(result.cm) + " cm" + tail, "ok" if result.gives == "nothing" else "watch", SOURCE
    )


TEST = ScreenTest(
    "toe_float_clean",
    "the smallest lift of one foot that stays clean",
    (
        "Crook lying, hands on the hip bones.",
        "Lift one foot 2.5 cm, then 1.5, then 0.5 and slower.",
        "Note the smallest that nothing else answers.",
    ),
    "Stop at the first sign; clean range only.",
    90,
    read,
    SOURCE,
    "lying",
    (
        Outcome("clean", 0.5, {"cm": 0.5, "gives": "nothing"}),
        Outcome("gives", 0.5, {"cm": 2.5, "gives": "pelvis"}),
    ),
    unlocks="toe float and knee fold",
    poses=("knee_fold/single_fold",),
)
