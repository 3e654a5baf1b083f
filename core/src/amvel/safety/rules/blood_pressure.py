"""Blood pressure."""

from datetime import date

from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.screening.tests.blood_pressure import DROP, HIGH

SINCE = date(2011, 4, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Raised or unknown: no breath hold, short holds. A drop on standing: few rises, pauses."""
    page = Page("blood_pressure", HIGH, "blood_pressure")
    unknown = f.assumed("blood_pressure")
    if f.pressure_raised or unknown:
        why = said("pressure is raised") if f.pressure_raised else said("pressure was not taken today")
        page.limit("breath", "breath_held", 0, said("{why}: the breath is never held", why=term(why)))
        page.limit("hold", "hold_s", n["hold_s"], said("{why}: holds stay short", why=term(why)))
    if f.pressure_drops:
        page.refer("drop", "blood pressure falls on standing: the physician should know, and look at the medicines", DROP)
        page.care(
            "drop",
            "rises",
            0,
            "pressure falls on standing",
            "sit for a minute before and after each rise; stop at dizziness",
            source=DROP,
        )
    if f.pulse_rises:
        page.refer("pulse", "the pulse climbs on standing while the pressure holds: the physician should know", DROP)
        page.care(
            "pulse",
            "rises",
            0,
            "the pulse climbs on standing",
            "begin lying or sitting; sit for a minute after each rise; stop at dizziness",
            source=DROP,
        )
    return page.done()


def _pressure(systolic: int, diastolic: int, **more: int) -> dict:
    return {
        "tests": [
            {
                "test": "blood_pressure",
                "systolic_lying_mmhg": systolic,
                "diastolic_lying_mmhg": diastolic,
                **more,
            }
        ]
    }


RULE = Rule(
    "blood_pressure",
    "Blood pressure",
    "Raised pressure: no breath hold, holds of at most 10 s. A drop on standing: few rises, with pauses.",
    (HIGH, DROP),
    SINCE,
    answer,
    (Number("hold_s", 10.0, "s", "holds while pressure is raised or unknown", HIGH, SINCE),),
    (
        Example("140/80", _pressure(140, 80), {"blood_pressure.hold": 10.0}),
        Example(
            "pulse climbs by 30",
            _pressure(120, 76, systolic_standing_3min_mmhg=118, resting_pulse_per_min=70, standing_pulse_per_min=100),
            {"blood_pressure.pulse": 0.0},
            refers=("blood_pressure.pulse",),
        ),
        Example(
            "pulse climbs by 29",
            _pressure(120, 76, systolic_standing_3min_mmhg=118, resting_pulse_per_min=70, standing_pulse_per_min=99),
            {"blood_pressure.pulse": None},
        ),
        Example("falls by 20 on sitting up", _pressure(130, 80, systolic_sitting_mmhg=110), {"blood_pressure.drop": 0.0}),
        Example("139/89", _pressure(139, 89), {"blood_pressure.hold": None}),
        Example(
            "falls by 20", _pressure(130, 80, systolic_standing_3min_mmhg=110), {"blood_pressure.drop": 0.0}
        ),
        Example(
            "falls by 19", _pressure(130, 80, systolic_standing_3min_mmhg=111), {"blood_pressure.drop": None}
        ),
    ),
    duties=(
        Duty("drop", "pressure falls on standing"),
        Duty("pulse", "the pulse climbs on standing while the pressure holds"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.HEART,
)
