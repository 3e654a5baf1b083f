"""Fall-out: clean range before the pelvis turns."""

from amvel.case import Case
from amvel.case.results.quiet_core import FallOutClean
from amvel.languages import as_entered, said, term
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE

SOURCE = COMMON_PRACTICE


def read(result: FallOutClean, case: Case, n: Numbers) -> Reading:
    """The clean range by side, and what gives first."""
    tail = "" if result.gives == "nothing" else said(", then {gives} gives", gives=term(result.gives))
    return Reading(
        term(result.side) + " " + as_entered(result.deg) + " °" + tail, "ok" if result.gives == "nothing" else "watch", SOURCE
    )


TEST = ScreenTest(
    "fall_out_clean",
    "how far the knee leans out before something gives",
    (
        "Crook lying, heels down.",
        "One knee leans out slowly; stop where pelvis, back or belly answers.",
    ),
    "Stop at the first sign; clean range only.",
    90,
    read,
    SOURCE,
    "lying",
    (
        Outcome("clean", 0.5, {"deg": 45, "gives": "nothing"}),
        Outcome("gives", 0.5, {"deg": 20, "gives": "pelvis"}),
    ),
    unlocks="fall-out and clam",
    poses=("bent_knee_fall_out/small",),
)
