"""Blood pressure, lying and standing."""

from datetime import date

from amvel.case import Case, age_years
from amvel.case.results.vital import BloodPressure
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.literature import FREEMAN
from amvel.numbers import Number, Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import practice

DROP = FREEMAN
HIGH = practice("resting ≥ 180 or ≥ 110: no session; ≥ 140/90: no breath hold (exercise guidelines, none at hand)", reading=True)
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("stop_systolic_mmhg", 180, "mmHg", "systolic from which no session is held", HIGH, SINCE),
    Number("stop_diastolic_mmhg", 110, "mmHg", "diastolic from which no session is held", HIGH, SINCE),
    Number("raised_systolic_mmhg", 140, "mmHg", "systolic from which no breath is held", HIGH, SINCE),
    Number("raised_diastolic_mmhg", 90, "mmHg", "diastolic from which no breath is held", HIGH, SINCE),
    Number("drop_systolic_mmhg", 20, "mmHg", "systolic fall on standing, after lying", DROP, SINCE),
    Number("drop_from_high_systolic_mmhg", 30, "mmHg", "systolic fall on standing when lying pressure is raised", DROP, SINCE),
    Number("drop_diastolic_mmhg", 10, "mmHg", "diastolic fall on standing, after lying", DROP, SINCE),
    Number("pulse_rise_per_min", 30, "/min", "pulse that climbs on standing while pressure holds", DROP, SINCE),
    Number("pulse_rise_young_per_min", 40, "/min", "the same in the young", DROP, SINCE),
    Number("young_years", 20, "years", "until here the young", DROP, SINCE),
    Number("drop_sitting_systolic_mmhg", 15, "mmHg", "systolic fall on standing, after sitting", DROP.as_read, SINCE),
    Number("drop_sitting_diastolic_mmhg", 7, "mmHg", "diastolic fall on standing, after sitting", DROP.as_read, SINCE),
)


def drop_mmhg(result: BloodPressure) -> tuple[int, int] | None:
    """Largest systolic and diastolic drop on standing, or on sitting up; None when neither was taken."""
    pairs = [
        (result.systolic_standing_1min_mmhg, result.diastolic_standing_1min_mmhg),
        (result.systolic_standing_3min_mmhg, result.diastolic_standing_3min_mmhg),
        (result.systolic_sitting_mmhg, result.diastolic_sitting_mmhg),
    ]
    systolic = [result.systolic_lying_mmhg - s for s, _ in pairs if s is not None]
    diastolic = [result.diastolic_lying_mmhg - d for _, d in pairs if d is not None]
    return (max(systolic), max(diastolic, default=0)) if systolic else None


def drops(result: BloodPressure, n: Numbers) -> bool:
    """Systolic (more when lying pressure is high) or diastolic within 3 min; less is asked after sitting."""
    found = drop_mmhg(result)
    if found is None:
        return False
    if result.rested == "sitting":
        return found[0] >= n["drop_sitting_systolic_mmhg"] or found[1] >= n["drop_sitting_diastolic_mmhg"]
    systolic = n["drop_from_high_systolic_mmhg" if raised(result, n) else "drop_systolic_mmhg"]
    return found[0] >= systolic or found[1] >= n["drop_diastolic_mmhg"]


def pulse_rises(result: BloodPressure, age: int, n: Numbers) -> bool:
    """A pulse that climbs on standing while the pressure holds; more is asked of the young."""
    if result.resting_pulse_per_min is None or result.standing_pulse_per_min is None or drops(result, n):
        return False
    most = n["pulse_rise_young_per_min" if age < n["young_years"] else "pulse_rise_per_min"]
    return result.standing_pulse_per_min - result.resting_pulse_per_min >= most


def beyond_limit(result: BloodPressure, n: Numbers) -> bool:
    return (
        result.systolic_lying_mmhg >= n["stop_systolic_mmhg"] or result.diastolic_lying_mmhg >= n["stop_diastolic_mmhg"]
    )


def raised(result: BloodPressure, n: Numbers) -> bool:
    return (
        result.systolic_lying_mmhg >= n["raised_systolic_mmhg"]
        or result.diastolic_lying_mmhg >= n["raised_diastolic_mmhg"]
    )


def read(result: BloodPressure, case: Case, n: Numbers) -> Reading:
    """The most serious statement first."""
    value = f"{result.systolic_lying_mmhg}/{result.diastolic_lying_mmhg}"
    if beyond_limit(result, n):
        return Reading(
            said("{value}: no session today", value=term(value)) + (said(", emergency with symptoms") if result.symptoms else said("; refer")),
            "stop",
            HIGH,
        )
    if drops(result, n):
        found = drop_mmhg(result)
        assert found is not None
        return Reading(said("{value}, falls by {what1}/{what2} on standing: few rises, pauses", value=term(value), what1=term(found[0]), what2=term(found[1])), "watch", DROP)
    if pulse_rises(result, age_years(case.person.birth_date, case.as_of), n):
        return Reading(said("{value}, pulse climbs on standing: few rises, pauses; tell the physician", value=term(value)), "watch", DROP)
    if raised(result, n):
        return Reading(said("{value}: no breath hold, holds of at most 10 s", value=term(value)), "watch", HIGH)
    return Reading(
        value + said("; standing not taken" if drop_mmhg(result) is None else "; stays on standing"),
        "ok",
        HIGH,
    )


TEST = ScreenTest(
    "blood_pressure",
    "pressure at rest, and what standing does to it",
    (
        "Lie for 5 min (or sit, and say so), then measure.",
        "Stand; measure after 1 and after 3 min.",
        "Ask for dizziness, headache, chest pain.",
    ),
    "A chair directly behind; sit down at once when dizzy.",
    0,
    read,
    HIGH,
    "lying",
    (
        Outcome(
            "stays",
            0.6,
            {
                "systolic_lying_mmhg": 126,
                "diastolic_lying_mmhg": 78,
                "systolic_standing_3min_mmhg": 122,
                "diastolic_standing_3min_mmhg": 78,
            },
        ),
        Outcome("raised", 0.4, {"systolic_lying_mmhg": 152, "diastolic_lying_mmhg": 92}),
    ),
    gate=True,
    unlocks="holds of more than 10 s",
    numbers=NUMBERS,
    check_by=Profession.HEART,
)
