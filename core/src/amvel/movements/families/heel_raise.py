"""Heel raise at a worktop."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Family, Fault, Frames, Parameter, Setting, Step
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.needs import WORKTOP_OR_CHAIR_BACK
from amvel.movements.standing_support import HANDS, at_the_counter, ways_to_hold
from amvel.movements.wrong import Wrong

_ROLLS = Fault(
    "ankle_rolls_out",
    "ankle rolls out",
    "the weight goes to the little toes",
    "the ball of the big toe lets go",
    "both sides of the ball press evenly", Wrong({"left.ankle.inversion": 20}),
)


def _frames(support: str) -> Frames:
    def frames(s: Setting) -> list[Frame]:
        start = at_the_counter(s, support)
        forward = (
            start.unaim("centre_of_mass")
            .aim(Aim("centre_of_mass", "x", 0.0, origin="left.ball", weight=0.5))
            .with_("weight over the balls")
        )
        up = forward.lift("left.heel", "right.heel").unaim("left.ankle", "right.ankle")
        up = up.touch(
            *(Touch(f"{x}.heel", "floor", bears=False, gap_cm=s.number("rise_cm")) for x in ("left", "right"))
        )
        ball = 45.0 * s.body.lengths_m["foot"]
        aims = [Aim(f"{x}.ball", "x", ball) for x in ("left", "right")]
        up = up.aim(*aims).free_(left_toes_extension=0.2, right_toes_extension=0.2)
        return [start, forward, up.with_("heels raised")]

    return frames


_RISE = Parameter("rise_cm", "how high the heels come", "cm", 5, low=2, high=7, grid=1, easier="down")


def _step(id: str, title: str, support: str, extra: str, balance: float, effort: float, do: tuple[str, ...]) -> Step:
    return Step(
        id,
        title,
        _frames(support),
        ("Stand tall at a worktop, feet hip-wide.", extra),
        ("up through the crown", "down as slowly as up"),
        (_ROLLS, BACK_HOLLOWS, BREATH_HELD),
        "the calves",
        "cramp in the sole that does not ease",
        breath(exhale("to rise"), back=inhale("to lower")),
        Dose(8, 2, 5.0),
        {"balance": balance, "leg_loading": 0.8, "foot": 0.5},
        effort=effort,
        parameters=(_RISE, *ways_to_hold(support, HANDS)),
        props=(WORKTOP_OR_CHAIR_BACK,),
        arrow="left.heel",
        do=do,
    )


FAMILY = Family(
    "heel_raise",
    "Heel raise",
    "standing",
    "Calves and balance over the balls of the feet.",
    (
        _step(
            "firm_hand", "Firm hand", "firm hand", "Both hands firm on the worktop.", 0.4, 3,
            (
                "Both hands firm on the worktop.",
                "Breathe {out} and rise onto the balls of both feet.",
                "Breathe {in} and lower as slowly.",
            ),
        ),
        _step(
            "fingertips", "Fingertips", "fingertips", "Only the fingertips touch.", 0.6, 4,
            (
                "Only the fingertips on the worktop.",
                "Breathe {out} and rise onto the balls of both feet, the fingers no heavier than before.",
                "Breathe {in} and lower slowly.",
            ),
        ),
        _step(
            "hands_hover", "Hands hover", "hands hover", "The hands hover just above the worktop.", 0.8, 4,
            (
                "Hands a finger’s breadth above the worktop.",
                "Breathe {out} and rise onto the balls of both feet; touch only if you sway.",
                "Breathe {in} and lower slowly.",
            ),
        ).watching(Fault("sways_forward", "sways forward", "the hips go ahead of the feet at the top", "the ankles lean instead of lifting", "straight up, crown first; touch the worktop")),
    ),
)
