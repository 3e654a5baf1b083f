"""Skin, blood, devices, materials."""

from typing import Literal

from amvel.case.affected import NOTHING, Affected, of
from amvel.case.condition import Condition
from amvel.case.parts import ask

GROUP = "Skin and devices"


class BloodThinners(Condition):
    WATCH = "you hit something, or a bruise grows"
    TITLE, GROUP = "Blood thinners", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    kind: Literal["blood_thinners"]


class PoorSkin(Condition):
    WATCH = "the skin is red or broken afterwards"
    TITLE, GROUP = "Fragile skin", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    kind: Literal["poor_skin"]


class Device(Condition):
    WATCH = "the skin round it hurts, or anything leaks or pulls"
    TITLE, GROUP = "Tube, stoma, pump or shunt", GROUP
    AFFECTS = of(Affected.BELLY)
    STOP_SIGNS = ("shunt_or_raised_pressure_signs",)
    EXAMPLES = ({"what": "gastrostomy"}, {"what": "shunt"})
    kind: Literal["device"]
    what: Literal["gastrostomy", "stoma", "pump", "shunt"] = ask("What")


class LatexAllergy(Condition):
    TITLE, GROUP = "Latex allergy", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    SNOMED = "300916003"
    kind: Literal["latex_allergy"]
