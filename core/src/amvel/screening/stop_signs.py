"""Stop signs: what ends the visit before anything is tested."""

from dataclasses import dataclass

from amvel.case import BloodPressure, Case
from amvel.screening.declaration import current
from amvel.screening.tests.blood_pressure import HIGH, beyond_limit
from amvel.sources import Source

RED_FLAGS = Source("Finucane et al., Red Flags, JOSPT 2020")
PULSE_LIMIT = 120

QUESTIONS: dict[str, tuple[str, bool]] = {
    "saddle_numbness": ("New numbness between the legs", True),
    "bladder_or_bowel_change": ("New trouble holding or passing water or stool", True),
    "weakness_of_both_legs": ("Both legs getting weaker", True),
    "chest_pain": ("Chest pain or pressure", True),
    "stroke_signs": ("Face, arm or speech suddenly changed", True),
    "severe_breathlessness": ("Severe breathlessness at rest", True),
    "sudden_midback_pain": ("Sudden strong mid-back pain after little or no force", False),
    "weight_loss_or_fever_with_back_pain": ("Back pain with weight loss or fever", False),
    "cancer_history_with_night_pain": ("A cancer in the past, and new pain at night or like a band", False),
    "progressive_weakness": ("A limb that gets weaker from week to week", False),
    "groin_or_thigh_pain_on_bone_medicine": ("New groin or thigh pain while on a bone medicine", False),
    "fall_with_head_strike": ("A fall on the head since the last visit", False),
    "unable_to_bear_weight": ("Cannot put weight on a leg after a fall", False),
    "fainting": ("Fainted in the last days", False),
    "acute_fever": ("Fever today", False),
    "swollen_calf": ("One calf swollen, warm or tender", False),
    "bleeding_or_contractions_in_pregnancy": ("Pregnant, with bleeding, fluid or contractions", False),
}


@dataclass(frozen=True)
class StopSign:
    """One sign that stands. `emergency` means call for help now."""

    id: str
    title: str
    emergency: bool
    next_step: str
    source: Source


_NOW = "Call the emergency number now; stay with the person."
_REFER = "No session today; refer to the clinician the same day."


def stop_signs(case: Case) -> list[StopSign]:
    """Every stop sign that stands; answers that were not asked today count as not asked, not as no."""
    found = []
    if case.stop_signs is None or (case.stop_signs.asked_on != case.as_of and not case.stop_signs.present):
        found.append(
            StopSign(
                "not_asked",
                "Stop signs have not been asked today",
                False,
                "Ask the stop signs first.",
                RED_FLAGS,
            )
        )
    else:
        for name in case.stop_signs.present:
            title, emergency = QUESTIONS[name]
            found.append(StopSign(name, title, emergency, _NOW if emergency else _REFER, RED_FLAGS))
    if case.consent is None or (not case.consent.capacity_confirmed and case.consent.given_by != "proxy"):
        found.append(
            StopSign(
                "no_consent",
                "Consent is not recorded",
                False,
                "Record capacity and consent, or the proxy's consent.",
                RED_FLAGS,
            )
        )
    for pressure in current(case, "blood_pressure", 0):
        assert isinstance(pressure, BloodPressure)
        if beyond_limit(pressure):
            found.append(
                StopSign(
                    "pressure_beyond_limit",
                    f"Blood pressure {pressure.systolic_lying_mmhg}/{pressure.diastolic_lying_mmhg}",
                    pressure.symptoms,
                    _NOW if pressure.symptoms else _REFER,
                    HIGH,
                )
            )
        if (pressure.resting_pulse_per_min or 0) > PULSE_LIMIT:
            found.append(
                StopSign(
                    "resting_pulse", f"Resting pulse {pressure.resting_pulse_per_min}", False, _REFER, RED_FLAGS
                )
            )
    return list({s.id: s for s in sorted(found, key=lambda s: s.emergency)}.values())
