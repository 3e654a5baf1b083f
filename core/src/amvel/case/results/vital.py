"""Blood pressure, pulse, saturation, size."""

from typing import Literal

from pydantic import model_validator

from amvel.case.faults import fault
from amvel.case.parts import ask
from amvel.case.result import Result
from amvel.languages import said

GROUP = "Vital signs and size"


class BloodPressure(Result):
    """Lying 5 min (or sitting), then standing 1 and 3 min. Standing values are left out when they were not taken."""

    TITLE, GROUP = "Blood pressure", GROUP
    test: Literal["blood_pressure"]
    systolic_lying_mmhg: int = ask("Systolic, at rest", "mmHg", ge=60, le=280)
    diastolic_lying_mmhg: int = ask("Diastolic, at rest", "mmHg", ge=30, le=180)
    rested: Literal["lying", "sitting"] = ask("Rested", default="lying")
    systolic_standing_1min_mmhg: int | None = ask("Systolic, 1 min", "mmHg", default=None, ge=40, le=280)
    diastolic_standing_1min_mmhg: int | None = ask("Diastolic, 1 min", "mmHg", default=None, ge=20, le=180)
    systolic_standing_3min_mmhg: int | None = ask("Systolic, 3 min", "mmHg", default=None, ge=40, le=280)
    diastolic_standing_3min_mmhg: int | None = ask("Diastolic, 3 min", "mmHg", default=None, ge=20, le=180)
    systolic_sitting_mmhg: int | None = ask("Systolic, sitting after lying", "mmHg", default=None, ge=40, le=280)
    diastolic_sitting_mmhg: int | None = ask("Diastolic, sitting after lying", "mmHg", default=None, ge=20, le=180)
    resting_pulse_per_min: int | None = ask("Resting pulse", "per min", default=None, ge=25, le=220)
    standing_pulse_per_min: int | None = ask("Pulse, standing", "per min", default=None, ge=25, le=220)
    symptoms: bool = ask("Symptoms now", default=False)

    @model_validator(mode="after")
    def _order(self) -> "BloodPressure":
        if self.diastolic_lying_mmhg >= self.systolic_lying_mmhg:
            raise fault(said("diastolic must be below systolic"), "diastolic_lying_mmhg")
        return self


class PulseAndSaturation(Result):
    TITLE, GROUP = "Pulse and saturation", GROUP
    test: Literal["pulse_and_saturation"]
    pulse_per_min: int | None = ask("Resting pulse", "per min", default=None, ge=25, le=220)
    saturation_percent: int | None = ask("Oxygen saturation", "%", default=None, ge=50, le=100)

    @model_validator(mode="after")
    def _something(self) -> "PulseAndSaturation":
        if self.pulse_per_min is None and self.saturation_percent is None:
            raise fault(said("give the pulse or the saturation"), "pulse_per_min")
        return self


class BloodSugar(Result):
    TITLE, GROUP = "Blood sugar", GROUP
    test: Literal["blood_sugar"]
    mmol_l: float = ask("Sugar", "mmol/L", ge=1, le=40)
    ketones: bool = ask("Ketones", default=False)
    after_carbohydrate: bool = ask("Measured again after carbohydrate", default=False)


class Stature(Result):
    TITLE, GROUP = "Stature and mass", GROUP
    MAIN, TAKES = "stature_cm", "mean"
    test: Literal["stature"]
    stature_cm: float = ask("Stature now", "cm", ge=95, le=220)
    trials: tuple[float, ...] = ()
    mass_kg: float | None = ask("Body mass", "kg", default=None, ge=14, le=220)
