"""Pelvis, belly, pregnancy and after."""

from datetime import date
from typing import Literal

from amvel.case.affected import Affected, of
from amvel.case.condition import ACUTE_AFTER, Asks, Condition
from amvel.case.parts import Side, ask, side
from amvel.case.traits import Trait, having

GROUP = "Pelvis and belly"


class SacroiliacPain(Condition):
    WATCH = "a sharp catch comes at the back of the pelvis"
    TITLE, GROUP = "Sacroiliac pain", GROUP
    AFFECTS = of(Affected.PELVIS)
    TRAITS = having(Trait.CAREFUL_BACK)
    EXAMPLES = ({"side": "right", "since": "2026-10-01", "noted_on": "2026-11-15"},)
    kind: Literal["sacroiliac_pain"]
    side: Side = side()
    since: date = ask("Since")
    stands_on_one_leg: Literal["yes", "hurts", "unknown"] = ask(
        "Standing on that leg", default="unknown", titles={"yes": "Without pain"}
    )
    at_rest: bool = ask("Hurts at rest too", default=False)

    def acute(self, on: date) -> bool:
        return self.at_rest


class AbdominalSeparation(Condition):
    WATCH = "a ridge pushes up along the middle of your belly"
    TITLE, GROUP = "Abdominal separation", GROUP
    AFFECTS = of(Affected.BELLY)
    TRAITS = having(Trait.PRESSES_DOWN, Trait.NO_EXHAUSTION, Trait.BELLY_MAY_DOME)
    EXAMPLES = ({"gap_finger_breadths": 3, "doming": True},)
    kind: Literal["abdominal_separation"]
    gap_finger_breadths: float | None = ask("Gap", "finger breadths", default=None, ge=0, le=10)
    doming: bool = ask("Belly domes", default=True)


class AfterBirth(Condition):
    WATCH = "you feel pressure downwards, leak, or bleed more than before"
    TITLE, GROUP = "Birth in the last year", GROUP
    EXAMPLE_YEARS = 32
    AFFECTS = of(Affected.BELLY, Affected.PELVIS)
    TRAITS = having(Trait.PRESSES_DOWN, Trait.BREATH_LEADS, Trait.NO_EXHAUSTION, Trait.BELLY_MAY_DOME)
    EXAMPLES = ({"on": "2026-10-25", "by": "vaginal"},)
    kind: Literal["after_birth"]
    on: date = ask("When")
    by: Literal["vaginal", "caesarean"] = ask("How")
    complicated: bool = ask("With complications", default=False)

    def acute(self, on: date) -> bool:
        return on < self.on + ACUTE_AFTER

    def happened_on(self) -> date:
        return self.on


class AbdominalSurgery(Condition):
    WATCH = "the scar pulls, or something pushes out beside it"
    ASKS = Asks(("breath", "deep_control"), "the wall of the belly after an operation")
    TITLE, GROUP = "Operation on the belly", GROUP
    AFFECTS = of(Affected.BELLY)
    TRAITS = having(Trait.NO_EXHAUSTION, Trait.BELLY_MAY_DOME)
    EXAMPLES = ({"on": "2026-10-20"},)
    kind: Literal["abdominal_surgery"]
    on: date = ask("When")
    complicated: bool = ask("With complications", default=False)

    def acute(self, on: date) -> bool:
        return on < self.on + ACUTE_AFTER

    def happened_on(self) -> date:
        return self.on


class Pregnancy(Condition):
    """Weeks as of `noted_on`; they go on counting from there."""

    WATCH = "you bleed or lose water, the belly gets hard, or you feel faint lying down"
    ASKS = Asks(("breath", "deep_control"), "breath and deep layer with the child")
    TITLE, GROUP = "Pregnancy", GROUP
    EXAMPLE_YEARS = 32
    AFFECTS = of(Affected.BELLY, Affected.PELVIS)
    STOP_SIGNS = ("bleeding_or_contractions_in_pregnancy", "pre_eclampsia_signs")
    TRAITS = having(Trait.PRESSES_DOWN, Trait.BREATH_LEADS, Trait.NO_EXHAUSTION, Trait.BELLY_MAY_DOME)
    EXAMPLES = (
        {"weeks": 24, "noted_on": "2026-11-24"},
        {"weeks": 28, "noted_on": "2026-11-24", "complications": ["placenta_praevia"]},
    )
    SNOMED = "77386006"
    kind: Literal["pregnancy"]
    weeks: int = ask("Weeks", "weeks", ge=1, le=43)
    complications: tuple[
        Literal["placenta_praevia", "cerclage", "pre_eclampsia", "ruptured_membranes"], ...
    ] = ask("Complications", default=())


class PelvicFloor(Condition):
    WATCH = "you feel pressure downwards or leak"
    TITLE, GROUP = "Pelvic-floor trouble", GROUP
    AFFECTS = of(Affected.PELVIS)
    TRAITS = having(Trait.PRESSES_DOWN, Trait.BREATH_LEADS)
    EXAMPLES = ({"symptoms": ["leaking"]},)
    kind: Literal["pelvic_floor"]
    symptoms: tuple[Literal["leaking", "heaviness", "pain"], ...] = ask("What", default=())
