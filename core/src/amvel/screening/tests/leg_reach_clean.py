"""Leg reach: hip angle at which something gives."""

from amvel.case import Case
from amvel.case.results.quiet_core import LegReachClean
from amvel.languages import as_entered, said, term
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE

SOURCE = COMMON_PRACTICE


def read(result: LegReachClean, case: Case, n: Numbers) -> Reading:
    """The clean range by side, and what gives first."""
    tail = "" if result.gives == "nothing" else said(", then {gives} gives", gives=term(result.gives))
    return Reading(
        term(result.side) + " " + as_entered(result.hip_deg) + " °" + tail,
        "ok" if result.gives == "nothing" else "watch",
        SOURCE,
    )


TEST = ScreenTest(
    "leg_reach_clean",
    "how low a long leg may reach before the belly pushes up",
    (
        "From a fold, reach one leg long and lower slowly.",
        "Fingers on the belly: note the hip angle where it pushes up.",
    ),
    "Stop at the first sign; clean range only.",
    90,
    read,
    SOURCE,
    "lying",
    (
        Outcome("clean", 0.5, {"hip_deg": 20, "gives": "nothing"}),
        Outcome("gives", 0.5, {"hip_deg": 50, "gives": "pelvis"}),
    ),
    unlocks="leg reach and opposite arm and leg",
    poses=("knee_fold/single_fold",),
)
