"""Standing leg to the side at a worktop: balance and the side of the hip."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Family, Fault, Frames, Parameter, Setting, Step
from amvel.movements.faults import BREATH_HELD, PELVIS_DROPS
from amvel.movements.frames import Aim, Frame
from amvel.movements.needs import WORKTOP_OR_CHAIR_BACK
from amvel.movements.positions import left_foot_up, weight_on_one_foot
from amvel.movements.promise import joint
from amvel.movements.standing_support import HANDS_OF_A_SIDE, at_the_counter, ways_to_hold
from amvel.movements.wrong import Wrong

_LEANS = Fault(
    "trunk_leans",
    "trunk leans",
    "the trunk goes to the other side",
    "the leg is higher than the hip can carry",
    "stay tall, lift half as high", Wrong({"lumbar.side_bend": -16}),
)


def _frames(support: str) -> Frames:
    def frames(s: Setting) -> list[Frame]:
        start = at_the_counter(s, support)
        sideways = weight_on_one_foot(start, s.body, "weight on one leg")
        up = left_foot_up(sideways).with_(
            "leg to the side",
            left_hip_abduction=s.number("out_deg"),
            left_hip_flexion=0.0,
            left_knee_flexion=2.0,
            left_ankle_dorsiflexion=5.0,
        )
        return [
            start,
            sideways,
            up.aim(Aim("left.hip", "z", 0.0, origin="right.hip", weight=0.5, must_hold=False)),
        ]

    return frames


_OUT = Parameter("out_deg", "how far the leg goes out", "deg", 20, low=5, high=30, grid=5, easier="down", shows=joint("left.hip.abduction"))
_SETUP = ("Stand tall at a worktop, feet hip-wide, good shoes or bare feet.",)
_FAULTS = (PELVIS_DROPS, _LEANS, BREATH_HELD)


def _step(id: str, title: str, support: str, extra: str, balance: float, effort: float, do: tuple[str, ...]) -> Step:
    return Step(
        id,
        title,
        _frames(support),
        (*_SETUP, extra),
        ("grow tall on the standing leg", "toes look ahead, the leg goes straight out"),
        _FAULTS,
        "the side of both hips",
        "the low back",
        breath(exhale("to lift"), back=inhale("to lower")),
        Dose(8, 2, 5.0),
        {"balance": balance, "hip_out": 0.8, "leg_loading": 0.5},
        sides=True,
        effort=effort,
        parameters=(_OUT, *ways_to_hold(support, HANDS_OF_A_SIDE)),
        props=(WORKTOP_OR_CHAIR_BACK,),
        view="front",
        arrow="left.heel",
        do=do,
    )


FAMILY = Family(
    "standing_leg_to_the_side",
    "Standing leg to the side",
    "standing",
    "One leg carries, the other goes out; the hands help less and less.",
    (
        _step(
            "firm_hand", "Firm hand", "firm hand", "Both hands firm on the worktop.", 0.5, 3,
            (
                "Both hands firm on the worktop, tall on one leg.",
                "Breathe {out} and let the other leg go straight out to the side, toes ahead.",
                "Breathe {in} and bring it back; rest the leg after the set.",
            ),
        ),
        _step(
            "fingertips", "Fingertips", "fingertips", "Only the fingertips touch.", 0.8, 4,
            (
                "Only the fingertips on the worktop, tall on one leg.",
                "Breathe {out} and let the other leg go out; the pelvis stays level.",
                "Breathe {in} and bring it back.",
            ),
        ),
        _step(
            "hands_hover", "Hands hover", "hands hover", "The hands hover just above the worktop.", 1.0, 5,
            (
                "Hands a finger’s breadth above the worktop, tall on one leg.",
                "Breathe {out} and let the other leg go out; touch only if you sway.",
                "Breathe {in} and bring it back.",
            ),
        ).watching(Fault("grabs", "grabs", "a hand holds on before the leg is back", "balance is at its end", "fingertips again; the leg half as far")),
    ),
)
