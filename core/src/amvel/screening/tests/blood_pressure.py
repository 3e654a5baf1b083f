"""Blood pressure, lying and standing."""

from amvel.case import Case
from amvel.case.results.vital import BloodPressure
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import Source

DROP = Source("Freeman et al. 2011, consensus on orthostatic hypotension")
HIGH = Source(
    "resting ≥ 180 or ≥ 110: no session; ≥ 140/90: no breath hold (exercise guidelines)", reading=True
)


def drop_mmhg(result: BloodPressure) -> tuple[int, int] | None:
    """Largest systolic and diastolic drop on standing; None when standing was not taken."""
    pairs = [
        (result.systolic_standing_1min_mmhg, result.diastolic_standing_1min_mmhg),
        (result.systolic_standing_3min_mmhg, result.diastolic_standing_3min_mmhg),
    ]
    systolic = [result.systolic_lying_mmhg - s for s, _ in pairs if s is not None]
    diastolic = [result.diastolic_lying_mmhg - d for _, d in pairs if d is not None]
    return (max(systolic), max(diastolic, default=0)) if systolic else None


def drops(result: BloodPressure) -> bool:
    """20 systolic (30 when lying pressure is high) or 10 diastolic within 3 min; after sitting 15 or 7 (our reading)."""
    found = drop_mmhg(result)
    if found is None:
        return False
    if result.rested == "sitting":
        return found[0] >= 15 or found[1] >= 7
    lying_high = result.systolic_lying_mmhg >= 140 or result.diastolic_lying_mmhg >= 90
    return found[0] >= (30 if lying_high else 20) or found[1] >= 10


def beyond_limit(result: BloodPressure) -> bool:
    return result.systolic_lying_mmhg >= 180 or result.diastolic_lying_mmhg >= 110


def raised(result: BloodPressure) -> bool:
    return result.systolic_lying_mmhg >= 140 or result.diastolic_lying_mmhg >= 90


def read(result: BloodPressure, case: Case) -> Reading:
    """The most serious statement first."""
    value = f"{result.systolic_lying_mmhg}/{result.diastolic_lying_mmhg}"
    if beyond_limit(result):
        return Reading(
            f"{value}: no session today" + (", emergency with symptoms" if result.symptoms else "; refer"),
            "stop",
            HIGH,
        )
    if drops(result):
        found = drop_mmhg(result)
        assert found is not None
        return Reading(f"{value}, falls by {found[0]}/{found[1]} on standing: few rises, pauses", "watch", DROP)
    if raised(result):
        return Reading(f"{value}: no breath hold, holds of at most 10 s", "watch", HIGH)
    return Reading(
        f"{value}" + ("; standing not taken" if drop_mmhg(result) is None else "; stays on standing"),
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
)
