"""Holds, where they are allowed."""

from typing import Any, Literal

from amvel.case.parts import Side, ask, side
from amvel.case.result import Result

GROUP = "Endurance"


class TimedResult(Result):
    """How long a position was held."""

    TITLE, GROUP = "Hold", GROUP
    MAIN, TAKES = "seconds", "largest"
    test: str
    seconds: float = ask("Held", "s", ge=0, le=600)
    trials: tuple[float, ...] = ()


def _down() -> Any:
    return ask("What was down", default="unknown", titles={"feet": "Feet", "knees": "Knees", "unknown": "Not noted"})


class SideBridgeHold(TimedResult):
    TITLE = "Side bridge"
    test: Literal["side_bridge_hold"]
    side: Side = side()
    down: Literal["feet", "knees", "unknown"] = _down()


class BackExtensorHold(TimedResult):
    TITLE = "Back extensors"
    test: Literal["back_extensor_hold"]


class FlexorHold(TimedResult):
    TITLE = "Trunk flexors"
    test: Literal["flexor_hold"]


class PlankHold(TimedResult):
    TITLE = "Plank"
    test: Literal["plank_hold"]
    down: Literal["feet", "knees", "unknown"] = _down()


class UnderBackPressure(Result):
    """Cuff under the low back, inflated to a baseline of 40 mmHg, during a leg task."""

    TITLE, GROUP = "Pressure under the back", GROUP
    test: Literal["under_back_pressure"]
    side: Side = side("Leg")
    baseline_mmhg: int = ask("Baseline", "mmHg", default=40, ge=20, le=80)
    lowest_mmhg: int = ask("Lowest", "mmHg", ge=0, le=120)
    highest_mmhg: int = ask("Highest", "mmHg", ge=0, le=200)
