"""Heart, vessels, lungs, eyes under pressure, sugar."""

from datetime import date
from typing import Literal

from amvel.case.condition import Condition
from amvel.case.parts import Side, ask, side

GROUP = "Heart, lungs, pressure"


class HeartDisease(Condition):
    TITLE, GROUP = "Heart disease", GROUP
    EXAMPLES = ({"what": "stable"}, {"what": "unstable_angina"})
    kind: Literal["heart_disease"]
    what: Literal[
        "stable", "unstable_angina", "decompensated_failure", "severe_symptomatic_aortic_stenosis"
    ] = ask("What", first="stable")


class Aneurysm(Condition):
    TITLE, GROUP = "Aneurysm or Marfan", GROUP
    EXAMPLES = ({},)
    kind: Literal["aneurysm"]


class Sternotomy(Condition):
    TITLE, GROUP = "Breastbone opened", GROUP
    EXAMPLES = ({"on": "2026-10-20"},)
    kind: Literal["sternotomy"]
    on: date = ask("Operated on")


class Pacemaker(Condition):
    TITLE, GROUP = "Pacemaker", GROUP
    EXAMPLES = ({"side": "left", "on": "2026-11-01"},)
    kind: Literal["pacemaker"]
    side: Side = side()
    on: date = ask("Put in on")


class BetaBlocker(Condition):
    TITLE, GROUP = "Beta blocker", GROUP
    EXAMPLES = ({},)
    kind: Literal["beta_blocker"]


class DiabetesMedicine(Condition):
    TITLE, GROUP = "Insulin or sulfonylurea", GROUP
    EXAMPLES = ({},)
    kind: Literal["diabetes_medicine"]


class BreathlessLying(Condition):
    TITLE, GROUP = "Breathless or reflux when flat", GROUP
    EXAMPLES = ({},)
    kind: Literal["breathless_lying"]


class EyePressure(Condition):
    TITLE, GROUP = "Glaucoma or retinal operation", GROUP
    EXAMPLES = ({},)
    kind: Literal["eye_pressure"]


class OxygenTherapy(Condition):
    TITLE, GROUP = "Oxygen", GROUP
    EXAMPLES = ({"target_percent": 90},)
    kind: Literal["oxygen_therapy"]
    target_percent: int = ask("Target saturation", "%", ge=80, le=98, first=90)
