"""Heart, vessels, lungs, eyes under pressure, sugar."""

from datetime import date
from typing import Literal

from amvel.case.affected import NOTHING, Affected, of
from amvel.case.condition import ACUTE_AFTER, Condition
from amvel.case.parts import Side, ask, side
from amvel.case.traits import Trait, having

GROUP = "Heart, lungs, pressure"


class HeartDisease(Condition):
    WATCH = "your chest feels tight, or the heart stumbles"
    TITLE, GROUP = "Heart disease", GROUP
    AFFECTS = NOTHING
    TRAITS = having(Trait.NEEDS_RESTS)
    EXAMPLES = ({"what": "stable"}, {"what": "unstable_angina"})
    kind: Literal["heart_disease"]
    what: Literal[
        "stable", "unstable_angina", "decompensated_failure", "severe_symptomatic_aortic_stenosis"
    ] = ask("What")

    def traits(self) -> frozenset[Trait]:
        return self.TRAITS | (having() if self.what == "stable" else having(Trait.NO_EXHAUSTION))


class Aneurysm(Condition):
    WATCH = "a sudden pain comes in chest, back or belly"
    TITLE, GROUP = "Aneurysm or Marfan", GROUP
    AFFECTS = of(Affected.BELLY)
    TRAITS = having(Trait.NO_EXHAUSTION)
    EXAMPLES = ({},)
    kind: Literal["aneurysm"]


class Sternotomy(Condition):
    WATCH = "the breastbone clicks or hurts"
    TITLE, GROUP = "Breastbone opened", GROUP
    AFFECTS = of(Affected.TRUNK)
    EXAMPLES = ({"on": "2026-10-20"},)
    kind: Literal["sternotomy"]
    on: date = ask("Operated on")

    def acute(self, on: date) -> bool:
        return on < self.on + ACUTE_AFTER

    def happened_on(self) -> date:
        return self.on


class Pacemaker(Condition):
    WATCH = "you feel the heart stumble, or the arm swells"
    TITLE, GROUP = "Pacemaker", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"side": "left", "on": "2026-11-01"},)
    kind: Literal["pacemaker"]
    side: Side = side()
    on: date = ask("Put in on")

    def happened_on(self) -> date:
        return self.on


class BetaBlocker(Condition):
    TITLE, GROUP = "Beta blocker", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    kind: Literal["beta_blocker"]


class DiabetesMedicine(Condition):
    WATCH = "you get shaky, sweaty or confused: take sugar first"
    TITLE, GROUP = "Insulin or sulfonylurea", GROUP
    AFFECTS = NOTHING
    TRAITS = having(Trait.SUGAR_MAY_FALL)
    EXAMPLES = ({},)
    kind: Literal["diabetes_medicine"]


class BreathlessLying(Condition):
    WATCH = "you get short of breath lying down: sit up"
    TITLE, GROUP = "Breathless or reflux when flat", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    kind: Literal["breathless_lying"]


class EyePressure(Condition):
    WATCH = "your sight changes or an eye hurts"
    TITLE, GROUP = "Glaucoma or retinal operation", GROUP
    AFFECTS = NOTHING
    TRAITS = having(Trait.NO_EXHAUSTION)
    EXAMPLES = ({},)
    kind: Literal["eye_pressure"]


class OxygenTherapy(Condition):
    WATCH = "your saturation stays under your own target"
    TITLE, GROUP = "Oxygen", GROUP
    AFFECTS = NOTHING
    TRAITS = having(Trait.NEEDS_RESTS)
    EXAMPLES = ({"target_percent": 90},)
    kind: Literal["oxygen_therapy"]
    target_percent: int = ask("Target saturation", "%", ge=80, le=98)
