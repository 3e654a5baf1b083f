"""Stop signs: what ends the visit before anything is tested."""

from dataclasses import dataclass, replace
from typing import get_args

from amvel.case import CONDITIONS, Case
from amvel.case.conditions.back_and_pelvis import Pregnancy
from amvel.case.conditions.heart_and_lungs import HeartDisease
from amvel.case.results.vital import BloodPressure, BloodSugar, PulseAndSaturation
from amvel.case.stop_sign_names import StopSignName
from amvel.case.traits import Trait
from amvel.languages import said, term
from amvel.literature import ACOG_804, RED_FLAGS
from amvel.numbers import Numbers
from amvel.screening.declaration import current
from amvel.screening.library import test_library
from amvel.screening.pregnancy_weeks import weeks_now
from amvel.screening.tests.blood_pressure import HIGH, beyond_limit
from amvel.screening.tests.blood_sugar import SOURCE as SUGAR
from amvel.screening.tests.pulse_and_saturation import SOURCE as PULSE
from amvel.screening.tests.pulse_and_saturation import lowest_saturation
from amvel.screening.traits import has
from amvel.sources import Source, practice

PREGNANCY = ACOG_804.says("exercise in pregnancy; with Mottola et al. 2018")
HEART = practice("unstable angina, decompensated failure, severe symptomatic aortic stenosis: stop (exercise guidelines, none at hand)")
PRAEVIA_FROM_WEEKS = 26


@dataclass(frozen=True)
class Question:
    """One stop sign as it is asked: of everybody, or only where a condition names it among its `STOP_SIGNS`."""

    title: str
    emergency: bool = False
    next_step: str = ""
    of_everybody: bool = True

    def __post_init__(self) -> None:
        object.__setattr__(self, "title", said(self.title))
        object.__setattr__(self, "next_step", said(self.next_step))


_NOW = said("Call the emergency number now; stay with the person.")
_REFER = said("No session today; refer to the clinician the same day.")

QUESTIONS: dict[str, Question] = {
    "saddle_numbness": Question(said("New numbness between the legs"), True),
    "bladder_or_bowel_change": Question(said("New trouble holding or passing water or stool"), True),
    "weakness_of_both_legs": Question(said("Both legs getting weaker"), True),
    "chest_pain": Question(said("Chest pain or pressure"), True),
    "stroke_signs": Question(said("Face, arm or speech suddenly changed"), True),
    "severe_breathlessness": Question(said("Severe breathlessness at rest"), True),
    "autonomic_dysreflexia": Question(
        said("Pounding headache, flushing or sweating, pressure well above the own usual value"),
        True,
        said("Sit up, loosen everything tight, check bladder and catheter, never lie down; call the emergency number."),
        of_everybody=False,
    ),
    "shunt_or_raised_pressure_signs": Question(
        said("Headache with vomiting, drowsiness or changed sight with a shunt"), True, of_everybody=False
    ),
    "sudden_midback_pain": Question(said("Sudden strong mid-back pain after little or no force")),
    "weight_loss_or_fever_with_back_pain": Question(said("Back pain with weight loss or fever")),
    "cancer_history_with_night_pain": Question(said("A cancer in the past, and new pain at night or like a band")),
    "progressive_weakness": Question(said("A limb that gets weaker from week to week")),
    "groin_or_thigh_pain_on_bone_medicine": Question(said("New groin or thigh pain while on a bone medicine")),
    "fall_with_head_strike": Question(said("A fall on the head since the last visit")),
    "unable_to_bear_weight": Question(said("Cannot put weight on a leg after a fall")),
    "fainting": Question(said("Fainted in the last days")),
    "acute_fever": Question(said("Fever today")),
    "swollen_calf": Question(said("One calf swollen, warm or tender")),
    "upper_neck_signs": Question(
        said("New neck pain, wry neck, clumsy hands or change of walking"),
        of_everybody=False,
    ),
    "bleeding_or_contractions_in_pregnancy": Question(
        said("Bleeding, fluid or contractions"), False, said("No session; ring the maternity unit now."), of_everybody=False
    ),
    "pre_eclampsia_signs": Question(
        said("Headache, changed sight, pain under the ribs or sudden swelling in pregnancy"),
        False,
        said("No session; ring the maternity unit now."),
        of_everybody=False,
    ),
}


def _all_named() -> None:
    """Every name has its question, and every question that not everybody is asked has a condition that asks it."""
    if set(QUESTIONS) != set(get_args(StopSignName)):
        raise ValueError(f"screening/stop_signs.py: {sorted(set(QUESTIONS) ^ set(get_args(StopSignName)))} has no question or no name")
    named = {name for model in CONDITIONS.values() for name in model.STOP_SIGNS}
    own = {name for name, q in QUESTIONS.items() if not q.of_everybody}
    if named != own:
        raise ValueError(f"screening/stop_signs.py: {sorted(named ^ own)} is asked of nobody, or of everybody")


_all_named()


@dataclass(frozen=True)
class StopSign:
    """One sign that stands. `emergency` means call for help now."""

    id: str
    title: str
    emergency: bool
    next_step: str
    source: Source
    missing: bool = False  # not a sign: something that must be asked or recorded first


def asked_of(case: Case) -> list[str]:
    """The questions for this person: those of everybody, and those that a condition adds."""
    own = {name for c in case.conditions for name in c.STOP_SIGNS}
    return [k for k, q in QUESTIONS.items() if q.of_everybody or k in own]


def stop_signs(case: Case) -> list[StopSign]:
    """Every stop sign that stands; answers that were not asked today count as not asked, not as no."""
    found = [*_answers(case), *_consent(case), *_measured(case), *_conditions(case)]
    return list({s.id: s for s in sorted(found, key=lambda s: s.emergency)}.values())


def _sign(id: str, title: str, emergency: bool, source: Source, next_step: str = "") -> StopSign:
    return StopSign(id, title, emergency, next_step or (_NOW if emergency else _REFER), source)


def _answers(case: Case) -> list[StopSign]:
    given = case.stop_signs
    if given is None or (given.asked_on != case.as_of and not given.present):
        return [_not_asked(said("Stop signs have not been asked today"))]
    found = [
        _sign(name, QUESTIONS[name].title, QUESTIONS[name].emergency, RED_FLAGS, QUESTIONS[name].next_step)
        for name in given.present
    ]
    own = [k for k in asked_of(case) if not QUESTIONS[k].of_everybody]
    missing = [k for k in own if k not in given.asked and k not in given.present]
    if missing and not found:
        found.append(_not_asked(said("Not asked today: {what}", what=said(QUESTIONS[missing[0]].title))))
    return found


def _not_asked(title: str) -> StopSign:
    return replace(_sign("not_asked", title, False, RED_FLAGS, said("Ask the stop signs first.")), missing=True)


def _consent(case: Case) -> list[StopSign]:
    c = case.consent
    if c is not None and (c.capacity_confirmed or c.given_by == "proxy"):
        return []
    step = said("Record capacity and consent, or the proxy's consent.")
    return [replace(_sign("no_consent", said("Consent is not recorded"), False, RED_FLAGS, step), missing=True)]


def _measured(case: Case) -> list[StopSign]:
    out = []
    pressure, resting, sugar = (
        test_library()[t].in_force(case) for t in ("blood_pressure", "pulse_and_saturation", "blood_sugar")
    )
    for r in current(case, "blood_pressure", 0):
        assert isinstance(r, BloodPressure)
        if beyond_limit(r, pressure):
            title = said("Blood pressure {systolic_lying_mmhg}/{diastolic_lying_mmhg}", systolic_lying_mmhg=term(r.systolic_lying_mmhg), diastolic_lying_mmhg=term(r.diastolic_lying_mmhg))
            out.append(_sign("pressure_beyond_limit", title, r.symptoms, HIGH))
        if (r.resting_pulse_per_min or 0) > resting["pulse_per_min"]:
            out.append(_sign("resting_pulse", said("Resting pulse {resting_pulse_per_min}", resting_pulse_per_min=term(r.resting_pulse_per_min)), False, RED_FLAGS))
    for p in current(case, "pulse_and_saturation", 0):
        assert isinstance(p, PulseAndSaturation)
        if (p.pulse_per_min or 0) > resting["pulse_per_min"]:
            out.append(_sign("resting_pulse", said("Resting pulse {pulse_per_min}", pulse_per_min=term(p.pulse_per_min)), False, PULSE))
        if p.saturation_percent is not None and p.saturation_percent < lowest_saturation(case, resting):
            out.append(_sign("saturation", said("Saturation {saturation_percent} %", saturation_percent=term(p.saturation_percent)), False, PULSE))
    for b in current(case, "blood_sugar", 0):
        assert isinstance(b, BloodSugar)
        if b.mmol_l > sugar["high_mmol_l"] and b.ketones:
            out.append(_sign("sugar_with_ketones", said("Sugar {mmol_l} mmol/L with ketones", mmol_l=float(b.mmol_l)), False, SUGAR))
    if _low_sugar(case, sugar):
        step = said("Carbohydrate first; measure again after 15 min.")
        out.append(_sign("sugar_low", said("Sugar below {low_mmol_l} mmol/L", low_mmol_l=round(sugar['low_mmol_l'], 1)), False, SUGAR, step))
    return out


def _low_sugar(case: Case, n: Numbers) -> bool:
    """Every low value of the day needs a value in range after carbohydrate."""
    if not has(case, Trait.SUGAR_MAY_FALL):
        return False
    today = current(case, "blood_sugar", 0)
    low = sum(r.mmol_l < n["low_mmol_l"] for r in today)
    mended = sum(r.mmol_l >= n["low_mmol_l"] and r.after_carbohydrate for r in today)
    return low > mended


def _conditions(case: Case) -> list[StopSign]:
    out = []
    for c in case.conditions:
        if isinstance(c, HeartDisease) and c.what != "stable":
            out.append(_sign(f"heart_{c.what}", c.what.replace("_", " ").capitalize(), False, HEART))
        if isinstance(c, Pregnancy):
            for x in c.complications:
                if x != "placenta_praevia" or weeks_now(c, case.as_of) >= PRAEVIA_FROM_WEEKS:
                    out.append(
                        _sign(
                            f"pregnancy_{x}",
                            x.replace("_", " ").capitalize() + " in pregnancy",
                            False,
                            PREGNANCY,
                        )
                    )
    return out
