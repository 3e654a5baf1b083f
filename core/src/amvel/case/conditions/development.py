"""Conditions of development."""

from typing import Literal

from amvel.case.affected import NOTHING, Affected, of
from amvel.case.condition import Asks, Condition
from amvel.case.parts import ask
from amvel.case.traits import Trait, having

GROUP = "Development"
FULLY_SUPPORTED_FROM = 4  # gross motor level from which the trunk is carried and the legs are not


class CerebralPalsy(Condition):
    TITLE, GROUP = "Cerebral palsy", GROUP
    AFFECTS = of(Affected.NERVES)
    TRAITS = having(Trait.NEEDS_RESTS, Trait.PARESIS)
    EXAMPLES = ({"gross_motor_level": 2}, {"gross_motor_level": 4, "hip_migration_left_percent": 35})
    SNOMED = "128188000"
    kind: Literal["cerebral_palsy"]
    gross_motor_level: int = ask("Gross motor level", "1–5", ge=1, le=5)
    hip_migration_left_percent: float | None = ask("Hip migration, left", "%", default=None, ge=0, le=100)
    hip_migration_right_percent: float | None = ask("Hip migration, right", "%", default=None, ge=0, le=100)

    opening_hurts: Literal["no", "left", "right", "both"] = ask("Opening a hip hurts", default="no", asked=True)

    @property
    def fully_supported(self) -> bool:
        return self.gross_motor_level >= FULLY_SUPPORTED_FROM

    def traits(self) -> frozenset[Trait]:
        return self.TRAITS | (having(Trait.DOES_NOT_STAND, Trait.LEGS_LOSE_BONE) if self.fully_supported else having())

    def paralyses_the_trunk(self) -> bool:
        return self.fully_supported


class DownSyndrome(Condition):
    WATCH = "the neck hurts, or hands or walking get clumsy"
    ASKS = Asks(("deep_control", "hip_out"), "lax joints are held by muscle")
    TITLE, GROUP = "Down syndrome", GROUP
    AFFECTS = of(Affected.TRUNK)
    STOP_SIGNS = ("upper_neck_signs",)
    TRAITS = having(Trait.NECK_KEPT_FROM_ITS_END)
    EXAMPLES = ({},)
    SNOMED = "41040004"
    kind: Literal["down_syndrome"]


class Hypermobility(Condition):
    WATCH = "a joint slips or feels loose"
    ASKS = Asks(("deep_control", "hip_out"), "lax joints are held by muscle")
    TITLE, GROUP = "Very mobile joints", GROUP
    AFFECTS = of(Affected.TRUNK)
    EXAMPLES = ({"beighton": 7}, {"beighton": 6, "vascular_type": True})
    kind: Literal["hypermobility"]
    beighton: int | None = ask("Beighton score", "0–9", default=None, ge=0, le=9)
    vascular_type: bool = ask("Vascular type", default=False)


class Autism(Condition):
    TITLE, GROUP = "Autism", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"dislikes": ["touch"]},)
    SNOMED = "408856003"
    kind: Literal["autism"]
    dislikes: tuple[Literal["touch", "bands", "noise", "lying_flat", "closed_eyes"], ...] = ask(
        "Hard to bear", default=()
    )


class CoordinationDisorder(Condition):
    TITLE, GROUP = "Coordination disorder", GROUP
    AFFECTS = of(Affected.NERVES)
    EXAMPLES = ({},)
    kind: Literal["coordination_disorder"]


class LearningDisability(Condition):
    TITLE, GROUP = "Learning disability", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"severity": "moderate"},)
    kind: Literal["learning_disability"]
    severity: Literal["mild", "moderate", "severe"] = ask("How much")
