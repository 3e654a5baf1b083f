"""What concerns the whole person."""

from typing import Literal

from amvel.case.affected import NOTHING
from amvel.case.condition import Condition
from amvel.case.parts import ask

GROUP = "The whole person"


class WeightLoss(Condition):
    """Weight that goes without a reason."""

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
