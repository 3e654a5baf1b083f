"""Pressure under the low back in a leg task."""

from datetime import date

from amvel.case import Case
from amvel.case.results.endurance import UnderBackPressure
from amvel.languages import said, term
from amvel.literature import RICHARDSON
from amvel.numbers import Number, Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest

SOURCE = RICHARDSON.says("baseline 40 mmHg, control lost beyond ± 10 mmHg; protocols differ")
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("band_mmhg", 10, "mmHg", "pressure that leaves this band round the baseline: control is lost", SOURCE, SINCE),
)


def read(result: UnderBackPressure, case: Case, n: Numbers) -> Reading:
    """Control is lost when the pressure leaves ± 10 mmHg round the baseline."""
    lost = (
        result.lowest_mmhg < result.baseline_mmhg - n["band_mmhg"]
        or result.highest_mmhg > result.baseline_mmhg + n["band_mmhg"]
    )
    text = said("{side} {lowest_mmhg}–{highest_mmhg} mmHg round {baseline_mmhg}", side=term(result.side), lowest_mmhg=term(result.lowest_mmhg), highest_mmhg=term(result.highest_mmhg), baseline_mmhg=term(result.baseline_mmhg))
    return Reading(text + said(": control lost" if lost else ": held"), "watch" if lost else "ok", SOURCE)


TEST = ScreenTest(
    "under_back_pressure",
    "whether the low back stays while a leg moves",
    (
        "Cuff under the low back, 40 mmHg.",
        "Fold one leg and put it down; watch the dial.",
    ),
    "Stop at pain.",
    90,
    read,
    SOURCE,
    "lying",
    (
        Outcome("held", 0.5, {"lowest_mmhg": 36, "highest_mmhg": 45}),
        Outcome("lost", 0.5, {"lowest_mmhg": 24, "highest_mmhg": 60}),
    ),
    unlocks="leg work with less support",
    poses=("knee_fold/single_fold",),
    numbers=NUMBERS,
)
