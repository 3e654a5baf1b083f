"""The quiet core: breath, deep contraction, and the clean range before something gives."""

from typing import Literal

from amvel.case.parts import Side, ask, side
from amvel.case.result import Result

GROUP = "Quiet core"
GIVES = Literal["nothing", "pelvis", "back", "belly", "breath"]


class BreathDirections(Result):
    TITLE, GROUP = "Breath in four directions", GROUP
    test: Literal["breath_directions"]
    reaches: tuple[Literal["front", "left_side", "right_side", "back"], ...] = ask("Reaches", default=())
    changed_by_leg: Literal["none", "left", "right", "both"] = ask(
        "Changed by lifting a leg", default="none", titles={"none": "By neither"}, asked=True
    )


class DeepContraction(Result):
    TITLE, GROUP = "Deep abdominal contraction", GROUP
    test: Literal["deep_contraction"]
    result: Literal["none", "bulge", "firm", "firm_while_talking"] = ask("Under the fingertips")
    cue: Literal["stop_the_flow", "hip_bones_together", "blow_out", "waistband"] | None = ask(
        "Cue that worked", default=None
    )


class PelvicTilt(Result):
    TITLE, GROUP = "Pelvic tilt", GROUP
    test: Literal["pelvic_tilt"]
    tuck_deg: float = ask("Tuck", "°", ge=0, le=40)
    arch_deg: float = ask("Arch", "°", ge=0, le=40)
    painful: Literal["none", "tuck", "arch", "both"] = ask("Painful", default="none", asked=True)


class ActiveLegRaise(Result):
    TITLE, GROUP = "Active straight-leg raise", GROUP
    test: Literal["active_leg_raise"]
    side: Side = side()
    score: int = ask("Effort", "0–5", ge=0, le=5)


class _Clean(Result):
    TITLE, GROUP = "Clean range", GROUP
    test: str
    side: Side = side()
    gives: GIVES = ask("What gives", default="nothing", asked=True)


class ToeFloatClean(_Clean):
    TITLE = "Toe float, clean"
    test: Literal["toe_float_clean"]
    cm: float = ask("Smallest clean lift", "cm", ge=0, le=5)


class FallOutClean(_Clean):
    TITLE = "Fall-out, clean"
    test: Literal["fall_out_clean"]
    deg: float = ask("Until something gives", "°", ge=0, le=60)


class LegReachClean(_Clean):
    TITLE = "Leg reach, clean"
    test: Literal["leg_reach_clean"]
    hip_deg: float = ask("Hip angle where something gives", "°", ge=0, le=90)


class LimbLiftClean(_Clean):
    TITLE = "Limb lift on hands and knees"
    test: Literal["limb_lift_clean"]
    repetitions: int = ask("Clean repetitions", ge=0, le=20)


class WallPlankDrop(_Clean):
    TITLE = "Wall plank, pelvic drop"
    test: Literal["wall_plank_drop"]
    drop_cm: float = ask("Drop", "cm", ge=0, le=10)


class Doming(Result):
    TITLE, GROUP = "Doming of the belly", GROUP
    test: Literal["doming"]
    gap_finger_breadths: float = ask("Gap", "finger breadths", ge=0, le=10)
    seen_in: tuple[
        Literal["head_lift", "toe_float", "knee_fold", "leg_reach", "sitting_up", "hands_and_knees"], ...
    ] = ask("Domes in", default=())
