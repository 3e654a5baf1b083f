"""How the person stands, and the curve of the spine."""

from typing import Any, Literal

from amvel.case.parts import Side, ask, side
from amvel.case.result import Result

GROUP = "Posture and curve"
Which = Literal["none", "left", "right"]


def _which(title: str) -> Any:
    return ask(title, default="none", titles={"none": "Even"}, asked=True)


class Posture(Result):
    """Findings of relaxed standing and walking, each by the side where it is seen."""

    TITLE, GROUP = "How the person stands", GROUP
    test: Literal["posture"]
    hitch: Which = _which("Hip hitched up")
    lean: Which = _which("Trunk leans to")
    turn: Which = _which("Pelvis turned forward on")
    leg_turn_out: Which = _which("Leg turned out")
    shift_standing: Which = _which("Pelvis shifts in standing to")
    shift_walking: Which = _which("Pelvis drops in walking on")
    tilt: Literal["even", "forward", "back"] = ask("Pelvis tilted", default="even", asked=True)


class TrunkRotationAngle(Result):
    """Inclinometer in forward bend; positive is the higher side."""

    TITLE, GROUP = "Trunk rotation in forward bend", GROUP
    test: Literal["trunk_rotation_angle"]
    thoracic_deg: float = ask("Upper", "°", default=0.0, asked=True, ge=0, le=40)
    thoracolumbar_deg: float = ask("Middle", "°", default=0.0, asked=True, ge=0, le=40)
    lumbar_deg: float = ask("Lower", "°", default=0.0, asked=True, ge=0, le=40)
    higher_side: Side = side("Higher on")


class CobbReport(Result):
    """Cobb angle of a report, apart from the curve noted in the story; error ± 5°."""

    TITLE, GROUP = "Cobb angle (from a report)", GROUP
    test: Literal["cobb_report"]
    convexity: Side = side("Bulges to")
    region: Literal["thoracic", "thoracolumbar", "lumbar"] = ask(
        "Apex", titles={"thoracolumbar": "T12–L1"}
    )
    cobb_deg: float = ask("Cobb angle", "°", ge=0, le=150)


class PelvicLevel(Result):
    TITLE, GROUP = "Level of the pelvis", GROUP
    test: Literal["pelvic_level"]
    difference_cm: float = ask("Difference, sitting", "cm", ge=0, le=10)
    lower_side: Which = ask("Lower on", default="none", titles={"none": "Level"}, asked=True)
