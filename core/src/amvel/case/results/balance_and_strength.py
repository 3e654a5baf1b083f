"""Balance, walking, legs."""

from typing import Literal

from pydantic import model_validator

from amvel.case.faults import fault
from amvel.case.parts import Side, ask, side
from amvel.case.result import Result
from amvel.languages import said

GROUP = "Balance and legs"


class TimedUpAndGo(Result):
    TITLE, GROUP = "Timed up and go", GROUP
    MAIN, TAKES = "seconds", "mean"
    test: Literal["timed_up_and_go"]
    seconds: float = ask("Time", "s", gt=2, le=180)
    trials: tuple[float, ...] = ()


class ChairStand(Result):
    TITLE, GROUP = "30-second chair stand", GROUP
    test: Literal["chair_stand_30s"]
    count: int = ask("Stands", "count", ge=0, le=60)
    arms_used: bool = ask("Arms used", default=False)
    seat_cm: float | None = ask("Seat height, if not 43", "cm", default=None, ge=25, le=70)


class FourStageBalance(Result):
    """Seconds held in each stage, at most 10; a stage not reached is left out."""

    TITLE, GROUP = "Four-stage balance", GROUP
    test: Literal["four_stage_balance"]
    side_by_side_s: float = ask("Feet together", "s", ge=0, le=10)
    semi_tandem_s: float | None = ask("Half-step", "s", default=None, ge=0, le=10)
    tandem_s: float | None = ask("Heel to toe", "s", default=None, ge=0, le=10)
    one_leg_s: float | None = ask("One leg", "s", default=None, ge=0, le=10)


class FiveStands(Result):
    TITLE, GROUP = "Five chair stands", GROUP
    MAIN, TAKES = "seconds", "smallest"
    test: Literal["five_stands"]
    seconds: float | None = ask("Time", "s", default=None, gt=2, le=120)
    trials: tuple[float, ...] = ()
    arms_used_or_unable: bool = ask("Arms used, or not possible", default=False)

    @model_validator(mode="after")
    def _one_of_both(self) -> "FiveStands":
        if self.seconds is None and not self.arms_used_or_unable:
            raise fault(said("give the time, or tick that arms were used or it was not possible"), "seconds")
        return self


class Gait4m(Result):
    TITLE, GROUP = "Walk over 4 m", GROUP
    MAIN, TAKES = "seconds", "smallest"
    test: Literal["gait_4m"]
    seconds: float = ask("Time", "s", gt=1, le=120)
    trials: tuple[float, ...] = ()


class OneLegStance(Result):
    TITLE, GROUP = "One-leg stance", GROUP
    MAIN, TAKES = "seconds", "largest"
    test: Literal["one_leg_stance"]
    side: Side = side("Standing on")
    seconds: float = ask("Time", "s", ge=0, le=60)
    trials: tuple[float, ...] = ()


class FloorRise(Result):
    TITLE, GROUP = "Floor rise", GROUP
    test: Literal["floor_rise"]
    result: Literal["alone", "with_furniture", "with_help", "unable"] = ask("Result")


class PhysicalBattery(Result):
    """Short physical performance battery: balance, walk and stands of one day."""

    TITLE, GROUP = "Short physical battery", GROUP
    test: Literal["physical_battery"]
    side_by_side_s: float = ask("Feet together", "s", ge=0, le=10)
    semi_tandem_s: float = ask("Half-step", "s", default=0.0, ge=0, le=10)
    tandem_s: float = ask("Heel to toe", "s", default=0.0, ge=0, le=10)
    walk_4m_s: float | None = ask("Walk over 4 m (empty: not possible)", "s", default=None, gt=1, le=120)
    five_stands_s: float | None = ask(
        "Five stands (empty: arms or not possible)", "s", default=None, gt=2, le=120
    )
