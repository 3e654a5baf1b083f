"""Bone: fractures and what weakens bone."""

from datetime import date
from typing import Literal

from pydantic import model_validator

from amvel.case.affected import NOTHING, Affected, of
from amvel.case.condition import Condition
from amvel.case.faults import fault
from amvel.case.parts import Side, SpineLevel, ask
from amvel.case.traits import Trait, having
from amvel.languages import said

GROUP = "Bone"


class Fracture(Condition):
    """A broken bone; bone evidence even when healed."""

    WATCH = "a new, sharp pain comes at the bone that broke"
    TITLE, GROUP = "Broken bone", GROUP
    AFFECTS = NOTHING
    EXAMPLES = (
        {"site": "wrist", "on": "2025-10-02", "from_standing_height_or_less": True},
        {"site": "spine", "on": "2026-10-20", "from_standing_height_or_less": True, "painful": True},
    )
    kind: Literal["fracture"]
    site: Literal[
        "spine",
        "hip",
        "pelvis",
        "humerus",
        "forearm",
        "wrist",
        "rib",
        "femur",
        "ankle",
        "skull",
        "face",
        "hand",
        "other",
    ] = ask("Where", titles={"humerus": "Upper arm", "femur": "Thigh bone", "other": "Elsewhere"})
    on: date = ask("When")
    from_standing_height_or_less: bool | None = ask("From standing height or less", default=None)
    healed: bool = ask("Healed", default=True)
    painful: bool = ask("Still painful", default=False)
    side: Side | None = ask("Side", default=None)
    level: SpineLevel | None = ask("Vertebra, where the spine broke", default=None)
    bone_medicine: Literal["yes", "no", "unknown"] = ask(
        "Medicine for the bone since", default="unknown", titles={"unknown": "Not known"}
    )

    @model_validator(mode="after")
    def _a_vertebra_is_of_the_spine(self) -> "Fracture":
        if self.level is not None and self.site != "spine":
            raise fault(said("only a broken spine has one"), "level")
        return self

    @property
    def where(self) -> str:
        """The site, and the vertebra when it is known."""
        return f"{self.site} ({self.level})" if self.level else self.site

    def affects(self) -> frozenset[Affected]:
        if self.healed and not self.painful:
            return NOTHING
        legs = of(Affected.LEGS) if self.site in ("hip", "femur", "ankle", "pelvis") else NOTHING
        return legs | (of(Affected.BONE) if self.of_the_trunk else NOTHING)

    def acute(self, on: date) -> bool:
        return self.of_the_trunk and not self.healed

    def traits(self) -> frozenset[Trait]:
        return having(Trait.CAREFUL_BACK, Trait.SPINE_DENSITY_MISLEADS) if self.site == "spine" else having()

    @property
    def of_the_trunk(self) -> bool:
        """Whether the trunk hangs on this bone."""
        return self.site in ("spine", "pelvis", "rib")


class Glucocorticoid(Condition):
    """Steroid tablets."""

    WATCH = "a sudden, sharp pain comes in the back"
    TITLE, GROUP = "Steroid tablets", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"mg_per_day": 7.5, "months": 6},)
    kind: Literal["glucocorticoid"]
    mg_per_day: float = ask("Dose a day (as prednisolone)", "mg", gt=0, le=200)
    months: float = ask("For how long", "months", gt=0, le=600)


class EarlyMenopause(Condition):
    """Menopause before 45 years."""

    TITLE, GROUP = "Early menopause", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    kind: Literal["early_menopause"]


class Denosumab(Condition):
    """A bone medicine whose effect rebounds when a dose is missed."""

    WATCH = "a sudden, sharp pain comes in the back"
    TITLE, GROUP = "Denosumab", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"last_dose_on": "2026-01-10"},)
    kind: Literal["denosumab"]
    last_dose_on: date = ask("Last dose")


class DoesNotWalk(Condition):
    """Weak bone at the knee end of thigh and shin."""

    TITLE, GROUP = "Does not walk", GROUP
    AFFECTS = of(Affected.NERVES, Affected.LEGS)
    TRAITS = having(Trait.DOES_NOT_STAND, Trait.LEGS_LOSE_BONE)
    EXAMPLES = ({},)
    kind: Literal["does_not_walk"]


class OsteogenesisImperfecta(Condition):
    """Brittle bone from birth."""

    WATCH = "a new, sharp pain comes in any bone"
    TITLE, GROUP = "Brittle bone from birth", GROUP
    AFFECTS = of(Affected.BONE)
    TRAITS = having(Trait.BRITTLE_BONE)
    EXAMPLES = ({},)
    SNOMED = "78314001"
    kind: Literal["osteogenesis_imperfecta"]
