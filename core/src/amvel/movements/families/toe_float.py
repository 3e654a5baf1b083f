"""Toe float: the smallest lift; smaller and slower is harder, for the leg's lever is longest near the floor."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BACK_ARCHES, BELLY_DOMES, BREATH_HELD, PELVIS_ROCKS
from amvel.movements.frames import Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.positions import both


def _float(s: Setting, arms: dict[str, float] | None = None) -> list[Frame]:
    start = supine_crook(s.body)
    if arms:
        start = start.with_(**arms)
    gap = s.number("lift_cm")
    up = start.lift("left.heel", "left.ball").with_("foot floating")
    return [start, up.touch(*(Touch(f"left.{p}", "floor", bears=False, gap_cm=gap) for p in ("heel", "ball")))]


def _behind(s: Setting) -> list[Frame]:
    return _float(
        s, both(shoulder_flexion=100.0, shoulder_abduction=45.0, elbow_flexion=130.0, forearm_pronation=0.0)
    )


def _lift(default: float) -> Parameter:
    return Parameter(
        "lift_cm", "how high the foot floats", "cm", default, low=0.5, high=2.5, grid=0.5, easier="up"
    )


FAMILY = (
    Ladder(
        "toe_float",
        "Toe float",
        "on the back",
        "A foot leaves the floor by a finger’s breadth and nothing else answers.",
        replaces=("double_leg_raise",),
        setup=("Lie on your back, knees bent, feet flat.", "Hands on the front hip bones."),
        cues=("nothing but the leg moves", "peel the foot off, do not pull it"),
        faults=(PELVIS_ROCKS, BACK_ARCHES, BELLY_DOMES, BREATH_HELD),
        felt="low in the belly, quietly",
        not_felt="the front of the hip, pressure downwards",
        breath=breath(exhale("to float"), end=inhale("above the floor"), back=exhale("to put down")),
        sides=True,
        arrow="left.heel",
    )
    .rung(
        "finger_high",
        "Up to 2.5 cm",
        _float,
        Dose(8, 1, 6.0),
        {"deep_control": 0.8, "turning": 0.4, "resist_extension": 0.3},
        2,
        parameters=(_lift(2.5),),
        do=(
            "Two settling breaths, the deep set, and a second’s wait.",
            "Breathe {out} and peel one foot off the floor by a finger’s breadth; nothing but the leg moves under your hands.",
            "Wait for a breath {in}, then breathe {out} and put it down, toes first. Set again before the next.",
        ),
    )
    .rung(
        "half_as_high",
        "1.5 cm",
        _float,
        Dose(8, 1, 7.0),
        {"deep_control": 0.8, "turning": 0.5, "resist_extension": 0.4},
        2,
        parameters=(_lift(1.5),),
        do=(
            "The deep set again, then a second’s wait.",
            "Breathe {out} and let one foot float half a finger high: lower is harder, so take more time.",
            "Stay for one breath {in}, then put the toes down first on the breath {out}.",
        ),
    )
    .rung(
        "paper_thin",
        "0.5 cm and slower",
        _float,
        Dose(6, 1, 10.0),
        {"deep_control": 0.9, "turning": 0.6, "resist_extension": 0.4},
        3,
        parameters=(_lift(0.5),),
        cues=("a sheet of paper would just pass", "slower than you think"),
        more_faults=(Fault("hops", "hops", "the foot jumps off and drops back", "too much weight leaves at once", "take the weight off over a whole breath"),),
        do=(
            "Set, wait a second, feel both hip bones level.",
            "Breathe {out} and take so much weight off one foot that a sheet of paper would pass; keep it there for a slow breath.",
            "Let the foot become heavy again without a bump, and set anew.",
        ),
    )
    .rung(
        "hands_behind_head",
        "Hands behind the head",
        _behind,
        Dose(6, 1, 10.0),
        {"deep_control": 0.9, "turning": 0.7, "resist_extension": 0.5},
        3,
        parameters=(_lift(0.5),),
        setup=("Lie on your back, knees bent, feet flat.", "Hands behind the head, elbows resting wide."),
        more_faults=(Fault("elbows_close_in", "elbows close in", "elbows or ribs rise as the foot floats", "chest and arms help the belly", "elbows heavy; float half as high"),),
        do=(
            "Hands behind the head, elbows wide and heavy; now only the belly tells you.",
            "Breathe {out} and float one foot a paper’s height while ribs and elbows stay down.",
            "Put the toes down first, and set again.",
        ),
    )
    .family()
)
