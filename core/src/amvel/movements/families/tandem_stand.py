"""Tandem stand: one foot in front of the other in one line."""

from amvel.body.anthropometry import FOOT_BREADTH
from amvel.movements.breath import steady
from amvel.movements.declaration import Dose, Family, Fault, Frames, Parameter, Setting, Step
from amvel.movements.faults import BREATH_HELD, PELVIS_DROPS
from amvel.movements.frames import Aim, Frame
from amvel.movements.needs import WORKTOP_OR_CHAIR_BACK
from amvel.movements.standing_support import HANDS_OF_A_SIDE, at_the_counter, ways_to_hold
from amvel.movements.wrong import Wrong

_GRIPS = Fault(
    "toes_grip", "toes grip", "the toes claw the floor", "balance is held in the feet only", "soft toes, tall crown",
    Wrong({"left.toes.extension": -40, "right.toes.extension": -40}),
)


_WHOLE, _HALF = "heel to toe", "half a step"
_BASE = Parameter("base", "how the feet stand", "", _WHOLE, choices=(_WHOLE, _HALF))
_HALF_STEP = 0.7  # of the foot: the heel beside the big toe, as the half-step of balance tests has it (our reading)


def _frames(support: str) -> Frames:
    def frames(s: Setting) -> list[Frame]:
        start = at_the_counter(s, support)
        whole = s.word("base") == _WHOLE
        length = 100 * s.body.lengths_m["foot"] * (1.0 if whole else _HALF_STEP)
        apart = 100 * FOOT_BREADTH * s.body.stature_m * (not whole)
        in_line = start.unaim("left.ankle", "centre_of_mass").aim(
            Aim("left.ankle", "x", length, origin="right.ankle"),
            Aim("left.ankle", "y", apart, origin="right.ankle"),
            Aim("centre_of_mass", "x", 0.5 * length + 4.0, origin="right.ankle", weight=0.5),
            Aim("centre_of_mass", "y", 0.5 * apart, origin="right.ankle", weight=0.5),
        )
        legs = {
            f"{x}_{j}": 0.1
            for x in ("left", "right")
            for j in ("hip_abduction", "hip_rotation", "ankle_inversion")
        }
        soft = in_line.with_(
            "one foot in front of the other" if whole else "half a step ahead",
            left_hip_flexion=18.0,
            right_hip_flexion=2.0,
            left_knee_flexion=10.0,
            right_knee_flexion=12.0,
        )
        knees_give = {f"{x}_{j}": 0.2 for x in ("left", "right") for j in ("hip_flexion", "knee_flexion")}
        return [soft.free_(**legs, **knees_give).facts_(hold_s=10.0)]

    return frames


def _step(id: str, title: str, support: str, extra: str, balance: float, effort: float, do: tuple[str, ...]) -> Step:
    return Step(
        id,
        title,
        _frames(support),
        ("Stand at a worktop.", "Heel of one foot in front of the toes of the other.", extra),
        ("eyes on a point ahead", "breathe, soft knees"),
        (_GRIPS, PELVIS_DROPS, BREATH_HELD),
        "small, quick work round the ankles",
        "dizziness",
        steady("breathe on"),
        Dose(4, 1, 15.0, hold_s=10),
        {"balance": balance},
        sides=True,
        effort=effort,
        parameters=(_BASE, *ways_to_hold(support, HANDS_OF_A_SIDE)),
        props=(WORKTOP_OR_CHAIR_BACK,),
        view="side",
        do=do,
    )


FAMILY = Family(
    "tandem_stand",
    "Tandem stand",
    "standing",
    "A narrow base, held quietly; the hands help less and less.",
    (
        _step(
            "firm_hand", "Firm hand", "firm hand", "Both hands firm on the worktop.", 0.5, 2,
            (
                "Both hands firm on the worktop; heel of one foot before the toes of the other.",
                "Stand for the count, eyes on a point ahead, and breathe.",
                "Step apart, rest, and change the feet.",
            ),
        ),
        _step(
            "fingertips", "Fingertips", "fingertips", "Only the fingertips touch.", 0.8, 3,
            (
                "Heel before toes, only the fingertips on the worktop.",
                "Stand for the count; the fingers touch and do not press.",
                "Step apart, rest, and change the feet.",
            ),
        ),
        _step(
            "hands_hover", "Hands hover", "hands hover", "The hands hover just above the worktop.", 1.0, 4,
            (
                "Heel before toes, hands a finger’s breadth above the worktop.",
                "Stand for the count without touching, knees soft.",
                "Touch before you step apart; change the feet.",
            ),
        ).watching(Fault("grabs", "grabs", "a hand holds on before the count is over", "balance is at its end", "fingertips again; the count that was free is the measure")),
    ),
)
