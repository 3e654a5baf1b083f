"""What concerns the whole person."""

from datetime import date
from typing import Literal

from pydantic import model_validator

from amvel.case.affected import NOTHING, Affected, of
from amvel.case.condition import Condition
from amvel.case.faults import fault
from amvel.case.parts import Side, ask, side
from amvel.languages import said

GROUP = "The whole person"


class WeightLoss(Condition):
    """Weight that goes without a reason."""

    WATCH = "you are more tired the next day than you were before"
    TITLE, GROUP = "Losing weight without a reason", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    kind: Literal["weight_loss"]


class LowMood(Condition):
    """Low mood, or fear, as far as it was asked."""

    TITLE, GROUP = "Low mood or fear that stops movement", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"blocks": True},)
    kind: Literal["low_mood"]
    blocks: bool = ask("Stops activity", default=False)


class WalkingAid(Condition):
    """A stick or a frame, used most of the day."""

    TITLE, GROUP = "Walks with a stick or a frame", GROUP
    AFFECTS = of(Affected.LEGS)
    EXAMPLES = ({"what": "frame"}, {"what": "stick"})
    kind: Literal["walking_aid"]
    what: Literal["stick", "two_sticks", "frame"] = ask("What")


class WornSupport(Condition):
    """A splint, brace or collar that was prescribed."""

    WATCH = "the brace or support rubs or slips"
    TITLE, GROUP = "Splint, brace or collar", GROUP
    AFFECTS = NOTHING
    EXAMPLES = (
        {"what": "trunk_brace", "off_for_exercise": "no"},
        {"what": "wrist_splint", "side": "left"},
        {"what": "foot_splint", "side": "right", "off_for_exercise": "no"},
        {"what": "knee_brace", "side": "left", "off_for_exercise": "no", "most_knee_bend_deg": 60},
        {"what": "collar"},
    )
    kind: Literal["worn_support"]
    what: Literal["trunk_brace", "collar", "wrist_splint", "knee_brace", "foot_splint"] = ask(
        "What", titles={"foot_splint": "Splint of foot and ankle"}
    )
    side: Side | None = ask("Side", default=None)
    off_for_exercise: Literal["yes", "no", "unknown"] = ask(
        "May come off for exercise", default="unknown", titles={"unknown": "Not known"}
    )
    most_knee_bend_deg: float | None = ask("Knee bend it allows", "°", default=None, ge=0, le=140)

    @model_validator(mode="after")
    def _of_a_side(self) -> "WornSupport":
        if self.what not in ("trunk_brace", "collar") and self.side is None:
            raise fault(said("say on which side it is worn"), "side")
        return self


class OpenSore(Condition):
    """Skin that is open: nothing presses there."""

    WATCH = "the sore gets larger, hot or wet"
    TITLE, GROUP = "Open sore", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"place": "sacrum"}, {"place": "foot", "side": "left"}, {"place": "sit_bone", "side": "right"})
    kind: Literal["open_sore"]
    place: Literal["sacrum", "sit_bone", "foot", "knee", "elbow"] = ask("Where", titles={"foot": "Foot or heel"})
    side: Side | None = ask("Side", default=None)


class LungDisease(Condition):
    WATCH = "your breath does not settle within a few minutes"
    TITLE, GROUP = "Lung disease", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"lowest_saturation_percent": 88},)
    kind: Literal["lung_disease"]
    lowest_saturation_percent: int | None = ask("Saturation not below", "%", default=None, ge=80, le=98)


class NoPeriods(Condition):
    """Periods that have stayed away for three months or more, not pregnant and not after menopause."""

    TITLE, GROUP = "No periods for three months", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    kind: Literal["no_periods"]


class SlippingJoint(Condition):
    """A joint that has slipped out, or does."""

    WATCH = "a joint slips or feels loose"
    TITLE, GROUP = "Joint that slips", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"joint": "shoulder", "side": "left"}, {"joint": "knee_cap", "side": "right"})
    kind: Literal["slipping_joint"]
    joint: Literal["shoulder", "knee_cap", "hip"] = ask("Which")
    side: Side = side()


class SpinalPain(Condition):
    """Pain of the back that no direction provokes more than another, or that nobody has tested."""

    WATCH = "the pain in your back is there at night or at rest"
    TITLE, GROUP = "Back pain, no direction known", GROUP
    AFFECTS = of(Affected.TRUNK)
    EXAMPLES = ({"since": "2026-10-20"},)
    kind: Literal["spinal_pain"]
    since: date = ask("Since")
    at_rest: bool = ask("Hurts at rest too", default=False)

    def acute(self, on: date) -> bool:
        return self.at_rest
