"""Squeeze and push: the entry for an irritable pelvis."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BACK_ARCHES, BREATH_HELD
from amvel.movements.frames import Aim, Frame, Prop
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.needs import BELT, HOUSEHOLD_ROLL
from amvel.movements.room_measures import FitId
from amvel.movements.wrong import Wrong


def _knees_give(s: Setting) -> Frame:
    free = {f"{x}_{j}": 0.1 for x in ("left", "right") for j in ("hip_abduction", "hip_rotation")}
    return supine_crook(s.body).free_(**free)


def _squeeze(s: Setting) -> list[Frame]:
    size_cm = s.number("spacer_cm")
    return [_knees_give(s).between("ball", "left.knee_inside", "right.knee_inside", size_cm).with_("roll between the knees")]


def _push(s: Setting) -> list[Frame]:
    apart = Aim("left.knee", "y", s.number("spacer_cm") + 12, origin="right.knee", must_hold=False)
    belt = Prop("belt", ("left.knee_side", "right.knee_side"), 3)
    return [_knees_give(s).aim(apart).hold(belt).with_("belt round the thighs")]


_SPACER = Parameter("spacer_cm", "thickness of the roll", "cm", 12, low=10, high=15, grid=1, easier="up")
FAMILY = (
    Ladder(
        "squeeze_and_push",
        "Squeeze and push",
        "on the back",
        "Both sides of the pelvis work evenly, without any movement.",
        fits=(FitId.SPACER, FitId.BELT),
        setup=("Lie on your back, knees bent, heels two hand lengths from the buttocks.",),
        cues=("half of your strength, both sides the same", "build up, keep for three seconds, let go"),
        faults=(
            Fault("one_side_more", "one side more", "one knee moves", "one side is stronger", "give the weaker side time", Wrong({"left.hip.abduction": -14})),
            BACK_ARCHES, BREATH_HELD,
        ),
        felt="inner thighs and low belly, evenly",
        not_felt="a sharp pain at the pubic bone or the back of the pelvis; a painless click is fine",
        breath=breath(exhale("while you press"), back=inhale("while you let go")),
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
        do=(
            "A roll between the knees, two quiet breaths.",
            "Breathe {out} and press both knees into the roll with half of your strength, as much left as right; build it up, keep it for three seconds.",
            "Let go fully on the breath {in}; a soft click that does not hurt is no harm.",
        ),
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
        more_faults=(Fault("feet_move_out", "feet move out", "the feet slide apart with the knees", "the legs push and the hips do not", "feet heavy and hip-wide; press only at the belt"),),
        do=(
            "A belt round the thighs above the knees, two quiet breaths.",
            "Breathe {out} and press both knees out against the belt with half of your strength; build it up, keep it for three seconds.",
            "Let go fully on the breath {in}.",
        ),
    )
    .family()
)
