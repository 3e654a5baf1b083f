"""Joints: pain, replacement, weight-bearing."""

from datetime import date
from typing import Literal

from amvel.case.affected import NOTHING, Affected, of
from amvel.case.condition import Asks, Condition
from amvel.case.parts import Side, ask, side
from amvel.case.traits import Trait, having

GROUP = "Joints"


class WristTrouble(Condition):
    """A painful wrist; a healed fracture alone is not one."""

    WATCH = "the wrist swells or keeps hurting afterwards"
    TITLE, GROUP = "Painful wrist", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"side": "right", "tolerated_extension_deg": 30, "tolerated_load_percent_bw": 22},)
    kind: Literal["wrist_trouble"]
    side: Side = side()
    tolerated_extension_deg: float | None = ask(
        "Bends back under load without pain", "°", default=None, ge=0, le=90
    )
    tolerated_load_percent_bw: float | None = ask(
        "Carries without pain", "% of body weight", default=None, ge=0, le=100
    )


class KneeTrouble(Condition):
    WATCH = "the knee swells, locks or gives way"
    ASKS = Asks(("leg_loading", "hip_out"), "thigh and hip take load off the knee")
    TITLE, GROUP = "Painful knee", GROUP
    AFFECTS = of(Affected.LEGS)
    EXAMPLES = ({"side": "left", "kneeling": "padded"},)
    kind: Literal["knee_trouble"]
    side: Side = side()
    tolerated_loaded_flexion_deg: float | None = ask(
        "Bends under load without pain", "°", default=None, ge=0, le=140
    )
    kneeling: Literal["tolerated", "padded", "not_tolerated", "unknown"] = ask(
        "Kneeling", default="unknown", titles={"padded": "On a pad", "unknown": "Not tried"}
    )


class ShoulderTrouble(Condition):
    WATCH = "the shoulder hurts at night afterwards"
    ASKS = Asks(("upper_back",), "the shoulder blade carries the shoulder")
    TITLE, GROUP = "Painful shoulder", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"side": "right", "tolerated_elevation_deg": 100},)
    kind: Literal["shoulder_trouble"]
    side: Side = side()
    tolerated_elevation_deg: float | None = ask("Arm raises without pain", "°", default=None, ge=0, le=180)
    tolerated_load_percent_bw: float | None = ask(
        "Carries without pain", "% of body weight", default=None, ge=0, le=100
    )


class NeckTrouble(Condition):
    WATCH = "arms or hands tingle, or the neck hurts more"
    TITLE, GROUP = "Neck trouble", GROUP
    AFFECTS = NOTHING
    STOP_SIGNS = ("upper_neck_signs",)
    EXAMPLES = ({"what": "rheumatoid"}, {"what": "painful"})
    kind: Literal["neck_trouble"]
    what: Literal["painful", "rheumatoid", "fused"] = ask("What")
    tolerated_bend_deg: float | None = ask("Bends unsupported without pain", "°", default=None, ge=0, le=60)

    def traits(self) -> frozenset[Trait]:
        return having() if self.what == "painful" else having(Trait.NECK_KEPT_FROM_ITS_END)


class HipReplacement(Condition):
    """By the surgeon's protocol; temporary."""

    WATCH = "something clunks in the hip, or the leg looks shorter or turned"
    ASKS = Asks(("hip_out", "hip_back"), "the muscles around a new hip")
    TITLE, GROUP = "New hip", GROUP
    AFFECTS = of(Affected.PELVIS, Affected.LEGS)
    TRAITS = having(Trait.HIP_BY_PROTOCOL)
    EXAMPLES = tuple(
        {"side": "right", "approach": a, "on": "2026-10-10"} for a in ("posterior", "anterior", "lateral")
    )
    kind: Literal["hip_replacement"]
    side: Side = side()
    approach: Literal["posterior", "anterior", "lateral", "unknown"] = ask("Approach")
    on: date = ask("Operated on")
    bears_percent: int | None = ask("May carry", "% of body weight", default=None, ge=0, le=100)
    still_restricted: bool = ask("The surgeon still asks for precautions", default=False)

    def happened_on(self) -> date:
        return self.on


class WeightBearing(Condition):
    """A leg that may not carry everything yet (a recent fracture, an operation)."""

    WATCH = "the leg hurts more, or you had to put weight on it"
    TITLE, GROUP = "Leg not to be loaded fully", GROUP
    AFFECTS = of(Affected.LEGS)
    EXAMPLES = ({"side": "left", "status": "partial", "percent": 30, "since": "2026-11-01"},)
    kind: Literal["weight_bearing"]
    side: Side = side()
    since: date = ask("Since")
    status: Literal["none", "touch", "partial", "as_tolerated"] = ask(
        "May carry", titles={"none": "Nothing", "touch": "Touch only"}
    )
    percent: int | None = ask("How much", "% of body weight", default=None, ge=0, le=100)

    def traits(self) -> frozenset[Trait]:
        return having(Trait.DOES_NOT_STAND) if self.status in ("none", "touch") else having()

    def happened_on(self) -> date:
        return self.since
