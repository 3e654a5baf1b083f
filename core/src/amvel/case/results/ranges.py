"""Ranges of trunk, neck, hip, shoulder and wrist."""

from typing import ClassVar, Literal

from amvel.case.parts import Side, ask, side
from amvel.case.result import Result, Takes

GROUP = "Ranges"


class Range(Result):
    """One range; the largest of unforced trials counts."""

    TITLE, GROUP = "Range", GROUP
    MAIN = "deg"
    TAKES: ClassVar[Takes] = "largest"
    test: str
    deg: float = ask("Range", "°", ge=0, le=180)
    trials: tuple[float, ...] = ()


class SidedRange(Range):
    TITLE = "Range per side"
    side: Side = side()


class TrunkFlexion(Range):
    TITLE = "Trunk, rounding"
    test: Literal["trunk_flexion"]


class TrunkExtension(Range):
    TITLE = "Trunk, arching"
    test: Literal["trunk_extension"]


class TrunkSideBend(SidedRange):
    TITLE = "Trunk, side bend"
    test: Literal["trunk_side_bend"]


class TrunkRotation(SidedRange):
    TITLE = "Trunk, turning"
    test: Literal["trunk_rotation"]


class NeckFlexion(Range):
    TITLE = "Neck, bending forward"
    test: Literal["neck_flexion"]


class NeckExtension(Range):
    TITLE = "Neck, bending back"
    test: Literal["neck_extension"]


class HipExtension(SidedRange):
    TITLE = "Hip, reaching back"
    test: Literal["hip_extension"]


class HipAbduction(SidedRange):
    TITLE = "Hip, out"
    test: Literal["hip_abduction"]


class HipAdduction(SidedRange):
    TITLE = "Hip, in"
    test: Literal["hip_adduction"]


class HipInternalRotation(SidedRange):
    TITLE = "Hip, turning in"
    test: Literal["hip_internal_rotation"]


class HipExternalRotation(SidedRange):
    TITLE = "Hip, turning out"
    test: Literal["hip_external_rotation"]


class KneeFlexion(SidedRange):
    TITLE = "Knee, bending"
    test: Literal["knee_flexion"]


class AnkleDorsiflexion(SidedRange):
    TITLE = "Ankle, bending up"
    test: Literal["ankle_dorsiflexion"]


class ShoulderElevation(SidedRange):
    TITLE = "Shoulder, arm raise"
    test: Literal["shoulder_elevation"]


class WristExtension(SidedRange):
    """With some weight through the hand, as on a table."""

    TITLE = "Wrist, bending back with load"
    test: Literal["wrist_extension"]
    painful: bool = ask("Hurts", default=False)


class HipFlexion(SidedRange):
    TITLE = "Hip, bending"
    test: Literal["hip_flexion"]
    deg: float = ask("Hip bend", "°", ge=30, le=150)


class StraightLegRaise(SidedRange):
    TITLE = "Straight-leg raise"
    test: Literal["straight_leg_raise"]
    deg: float = ask("Angle", "°", ge=5, le=120)
    response: Literal["none", "stretch", "leg_pain"] = ask(
        "What is felt",
        default="none",
        asked=True,
        titles={"none": "Nothing special", "stretch": "A stretch", "leg_pain": "Pain down the leg"},
    )


class KneeExtensionAt90(SidedRange):
    """How much is missing to a straight knee with the hip at 90°."""

    TITLE = "Knee extension at 90°"
    TAKES = "smallest"
    test: Literal["knee_extension_at_90"]
    deg: float = ask("Missing to straight", "°", ge=0, le=90)


class ModifiedSchober(Result):
    TITLE, GROUP = "Low back by tape", GROUP
    MAIN, TAKES = "cm", "largest"
    test: Literal["modified_schober"]
    cm: float = ask("Gain of the 15-cm mark", "cm", ge=0, le=15)
    trials: tuple[float, ...] = ()


class ObservedFunction(Result):
    """What daily life shows of hips and shoulders."""

    TITLE, GROUP = "Sitting, stairs, shelf", GROUP
    test: Literal["observed_function"]
    sits_on_cm: float | None = ask("Sits level on a seat of", "cm", default=None, ge=20, le=90)
    climbs_stairs: bool = ask("Climbs stairs foot over foot", default=False)
    reaches_shelf: Literal["none", "left", "right", "both"] = ask(
        "Reaches a shelf above the head with", default="none"
    )
    rises: Literal["both_hands", "one_hand", "no_hands", "one_foot_ahead", "one_leg", "not_seen"] = ask(
        "Rises from a chair with", default="not_seen", titles={"no_hands": "Both feet, no hands"}
    )
    lowest_seat_cm: float | None = ask("Lowest seat risen from", "cm", default=None, ge=20, le=70)
