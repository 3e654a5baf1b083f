"""Blood sugar before a session."""

from datetime import date

from amvel.case import Case
from amvel.case.results.vital import BloodSugar
from amvel.case.traits import Trait
from amvel.checked import Profession
from amvel.languages import as_entered, said
from amvel.numbers import Number, Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.traits import has
from amvel.sources import practice

SOURCE = practice("exercise with insulin or sulfonylurea: < 5.0 mmol/L carbohydrate first; > 13.9 with ketones no session", reading=True)
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("low_mmol_l", 5, "mmol/L", "below this carbohydrate first", SOURCE, SINCE),
    Number("high_mmol_l", 13.9, "mmol/L", "above this, with ketones, no session", SOURCE, SINCE),
)


def read(result: BloodSugar, case: Case, n: Numbers) -> Reading:
    """Low: carbohydrate first. High with ketones: no session."""
    if result.mmol_l < n["low_mmol_l"]:
        return Reading(said("{mmol_l} mmol/L: carbohydrate first, then measure again", mmol_l=float(result.mmol_l)), "refer", SOURCE)
    if result.mmol_l > n["high_mmol_l"] and result.ketones:
        return Reading(said("{mmol_l} mmol/L with ketones: no session", mmol_l=float(result.mmol_l)), "stop", SOURCE)
    return Reading(as_entered(result.mmol_l) + " mmol/L", "watch" if result.mmol_l > n["high_mmol_l"] else "ok", SOURCE)


TEST = ScreenTest(
    "blood_sugar",
    "sugar before the session",
    (
        "With insulin or sulfonylurea only.",
        "Finger prick by the person, within 30 min before.",
        "Ketones when above 13.9 mmol/L.",
    ),
    "Sit; sugar at hand.",
    0,
    read,
    SOURCE,
    "paper",
    (
        Outcome("in range", 0.9, {"mmol_l": 7.5}),
        Outcome("low", 0.1, {"mmol_l": 4.2}),
    ),
    unlocks="the session itself",
    avoid=lambda case: "" if has(case, Trait.SUGAR_MAY_FALL) else said("only with insulin or sulfonylurea"),
    gate=True,
    numbers=NUMBERS,
    check_by=Profession.DIABETES,
)
