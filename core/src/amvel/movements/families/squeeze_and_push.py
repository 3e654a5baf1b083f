"""Squeeze and push: the entry for an irritable pelvis."""

from amvel.movements.declaration import Dose, Parameter, Setting
from amvel.movements.faults import BREATH_HELD
from amvel.movements.frames import Aim, Frame, Prop
from amvel.movements.ladder import Ladder, fault
from amvel.movements.lying_positions import supine_crook
from amvel.movements.needs import BELT, HOUSEHOLD_ROLL


def _between(s: Setting, prop: Prop, wide_cm: float, name: str) -> list[Frame]:
    frame = supine_crook(s.body)
    apart = Aim("left.knee", "y", wide_cm, origin="right.knee", must_hold=False)
    free = {f"{x}_{j}": 0.1 for x in ("left", "right") for j in ("hip_abduction", "hip_rotation")}
    return [frame.free_(**free).aim(apart).hold(prop).with_(name)]


def _squeeze(s: Setting) -> list[Frame]:
    return _between(
        s,
        Prop("ball", ("left.knee", "right.knee"), s.number("spacer_cm")),
        s.number("spacer_cm") + 9,
        "roll between the knees",
    )


def _push(s: Setting) -> list[Frame]:
    return _between(
        s,
        Prop("belt", ("left.knee_side", "right.knee_side"), 3),
        s.number("spacer_cm") + 12,
        "belt round the thighs",
    )


_SPACER = Parameter("spacer_cm", "thickness of the roll", "cm", 12, low=10, high=15, grid=1, easier="up")
FAMILY = (
    Ladder(
        "squeeze_and_push",
        "Squeeze and push",
        "on the back",
        "Both sides of the pelvis work evenly, without any movement.",
        setup=("Lie on your back, knees bent, hips at about 45°.",),
        cues=("half of your strength, both sides the same", "build up, keep for three seconds, let go"),
        faults=(
            fault("one side more", "one knee moves", "one side is stronger", "give the weaker side time"),
            BREATH_HELD,
        ),
        felt="inner thighs and low belly, evenly",
        not_felt="a sharp pain at the pubic bone or the back of the pelvis; a painless click is fine",
        breath="out while you press, in while you let go",
        parameters=(_SPACER,),
        view="top",
    )
    .rung(
        "squeeze",
        "Squeeze in",
        _squeeze,
        Dose(10, 3, 6.0, hold_s=3),
        {"deep_control": 0.6},
        2,
        props=(HOUSEHOLD_ROLL,),
        also=("A roll of 10–15 cm between the knees.",),
    )
    .rung(
        "push",
        "Push out against a belt",
        _push,
        Dose(10, 3, 6.0, hold_s=3),
        {"hip_out": 0.5, "deep_control": 0.5},
        2,
        props=(BELT,),
        also=("A belt round the thighs, just above the knees.",),
    )
    .family()
)
