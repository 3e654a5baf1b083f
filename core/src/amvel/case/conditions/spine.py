"""Spine: curves, fusion, and pain that a direction provokes."""

from datetime import date
from typing import Literal

from pydantic import model_validator

from amvel.case.affected import Affected, of
from amvel.case.condition import ACUTE_AFTER, Asks, Condition
from amvel.case.faults import fault
from amvel.case.parts import SPINE_LEVELS, Side, SpineLevel, ask, side
from amvel.case.traits import Trait, having
from amvel.languages import said

GROUP = "Spine"


class Scoliosis(Condition):
    """One curve, named by its convexity and apex; a double curve is two entries."""

    WATCH = "one side begins to hurt"
    TITLE, GROUP = "Scoliosis", GROUP
    AFFECTS = of(Affected.TRUNK)
    TRAITS = having(Trait.SPINE_DENSITY_MISLEADS)
    EXAMPLES = (
        {"convexity": "right", "region": "thoracic", "cobb_deg": 28},
        {
            "convexity": "left",
            "region": "thoracolumbar",
            "cobb_deg": 18,
            "risser": 1,
            "menarche_or_voice_change": "not_yet",
        },
    )
    SNOMED = "298382003"
    kind: Literal["scoliosis"]
    convexity: Literal["left", "right", "unknown"] = ask(
        "Bulges to", titles={"left": "Left", "right": "Right", "unknown": "Not known"}
    )
    region: Literal["thoracic", "thoracolumbar", "lumbar"] = ask(
        "Apex", titles={"thoracolumbar": "T12–L1"}
    )
    cobb_deg: float | None = ask("Cobb angle of the report", "°", default=None, ge=0, le=150)
    change_deg: float | None = ask("Change since the report before", "°", default=None, ge=-60, le=60)
    idiopathic: bool = ask("No known cause (idiopathic)", default=True)
    risser: int | None = ask("Risser sign", "0–5", default=None, ge=0, le=5)
    menarche_or_voice_change: Literal["not_yet", "under_two_years", "two_years_or_more"] | None = ask(
        "First period or voice change",
        default=None,
        titles={"under_two_years": "Less than 2 years ago", "two_years_or_more": "2 years or more"},
    )
    flat_thoracic: bool = ask("Flat upper back", default=False)
    painful: bool = ask("Painful", default=False)
    neurological_sign: bool = ask("Neurological sign", default=False)
    onset_age_years: int | None = ask("Age when it was found", "years", default=None, ge=0, le=100)

    @property
    def may_bulge_to(self) -> tuple[Side, ...]:
        """The side it bulges to; both while nobody knows."""
        return ("left", "right") if self.convexity == "unknown" else (self.convexity,)


class SpinalFusion(Condition):
    """Levels that were joined by an operation."""

    WATCH = "pain comes above or below the fused part"
    TITLE, GROUP = "Fused spine", GROUP
    AFFECTS = of(Affected.TRUNK)
    TRAITS = having(Trait.SPINE_DENSITY_MISLEADS)
    EXAMPLES = ({"from_level": "T4", "to_level": "L1", "on": "2024-03-10"},)
    kind: Literal["spinal_fusion"]
    from_level: SpineLevel = ask("From")
    to_level: SpineLevel = ask("To")
    on: date = ask("Operated on")

    @model_validator(mode="after")
    def _downwards(self) -> "SpinalFusion":
        if SPINE_LEVELS.index(self.from_level) >= SPINE_LEVELS.index(self.to_level):
            raise fault(said("{lower} must lie below {upper}", lower=self.to_level, upper=self.from_level), "to_level")
        return self

    def acute(self, on: date) -> bool:
        return on < self.on + ACUTE_AFTER

    def happened_on(self) -> date:
        return self.on


class FlexionSciatica(Condition):
    """Leg pain that bending forward provokes; temporary, with a review date."""

    WATCH = "the leg pain comes, or spreads further down the leg"
    TITLE, GROUP = "Leg pain when bending", GROUP
    AFFECTS = of(Affected.TRUNK, Affected.NERVES)
    TRAITS = having(Trait.CAREFUL_BACK, Trait.BENDING_PROVOKES, Trait.LONG_LEG_PROVOKES)
    EXAMPLES = (
        {"side": "left", "since": "2026-10-20", "provoking_neural_line_deg": 52, "noted_on": "2026-11-20"},
    )
    kind: Literal["flexion_sciatica"]
    side: Side = side()
    since: date = ask("Since")
    provoking_neural_line_deg: float | None = ask(
        "Leg raise at which the pain begins", "°", default=None, ge=0, le=160
    )
    rotation_provokes: bool = ask("Turning provokes it too", default=False)
    at_rest: bool = ask("Hurts at rest too", default=False)

    def acute(self, on: date) -> bool:
        return self.at_rest


class Stenosis(Condition):
    """A narrow canal: arching provokes, bending eases."""

    WATCH = "your legs get heavy or numb: sit down and lean on something"
    ASKS = Asks(("deep_control", "hip_bend"), "room for the nerves: a long back, the bend from the hip")
    TITLE, GROUP = "Narrow spinal canal", GROUP
    AFFECTS = of(Affected.TRUNK, Affected.NERVES)
    TRAITS = having(Trait.CAREFUL_BACK)
    EXAMPLES = ({"tolerated_extension_deg": 3},)
    SNOMED = "76107001"
    kind: Literal["stenosis"]
    tolerated_extension_deg: float | None = ask("Arches without leg pain", "°", default=None, ge=0, le=30)


class ExtensionPain(Condition):
    """Back pain that arching provokes; temporary."""

    WATCH = "the pain comes that arching brings"
    TITLE, GROUP = "Back pain when arching", GROUP
    AFFECTS = of(Affected.TRUNK)
    TRAITS = having(Trait.CAREFUL_BACK)
    EXAMPLES = ({"since": "2026-10-01", "noted_on": "2026-11-20"},)
    kind: Literal["extension_pain"]
    since: date = ask("Since")
    tolerated_extension_deg: float | None = ask("Arches without pain", "°", default=None, ge=0, le=30)
    at_rest: bool = ask("Hurts at rest too", default=False)

    def acute(self, on: date) -> bool:
        return self.at_rest


class Spondylolisthesis(Condition):
    """A vertebra that has slipped forward."""

    WATCH = "the back catches, or a leg tingles"
    ASKS = Asks(("deep_control", "hip_back"), "a quiet low back and strong hips")
    TITLE, GROUP = "Slipped vertebra", GROUP
    AFFECTS = of(Affected.TRUNK)
    TRAITS = having(Trait.CAREFUL_BACK)
    EXAMPLES = ({"grade": 1},)
    SNOMED = "274152003"
    kind: Literal["spondylolisthesis"]
    grade: int | None = ask("Grade", "1–4", default=None, ge=1, le=4)
    fresh: Literal["yes", "no", "unknown"] = ask(
        "Slipped, or changed, in the last year", default="unknown", titles={"unknown": "Not known"}
    )


class DeepCurve(Condition):
    """A low back that stands hollow."""

    TITLE, GROUP = "Deep low-back curve", GROUP
    AFFECTS = of(Affected.TRUNK)
    EXAMPLES = ({},)
    kind: Literal["deep_curve"]


class RoundedBack(Condition):
    """An upper back that stands round; it shapes the body model."""

    TITLE, GROUP = "Rounded upper back", GROUP
    AFFECTS = of(Affected.TRUNK)
    EXAMPLES = ({"extra_deg": 15},)
    kind: Literal["rounded_back"]
    extra_deg: float = ask("More than usual, about", "°", ge=0, le=45)


class ProvokedPain(Condition):
    """One direction that was tested and provokes; only what provokes is limited. Temporary."""

    WATCH = "the pain comes that you know"
    TITLE, GROUP = "A direction that hurts", GROUP
    AFFECTS = of(Affected.TRUNK)
    EXAMPLES = (
        {
            "direction": "turning",
            "side": "left",
            "since": "2026-10-20",
            "begins_at_deg": 20,
            "noted_on": "2026-11-10",
        },
    )
    kind: Literal["provoked_pain"]
    direction: Literal["bending_forward", "arching", "turning", "side_bend", "leg_long"] = ask(
        "Direction", titles={"leg_long": "Lengthening the leg"}
    )
    side: Side | None = ask("To which side", default=None)
    since: date = ask("Since")
    begins_at_deg: float | None = ask("Pain begins at", "°", default=None, ge=0, le=120)
    eased_by: Literal["bending_forward", "arching", "lying", "walking", "nothing"] | None = ask(
        "Eased by", default=None
    )
    at_rest: bool = ask("Hurts at rest too", default=False)

    def traits(self) -> frozenset[Trait]:
        if self.direction == "bending_forward":
            return having(Trait.BENDING_PROVOKES)
        return having(Trait.LONG_LEG_PROVOKES) if self.direction == "leg_long" else having()

    def acute(self, on: date) -> bool:
        return self.at_rest
