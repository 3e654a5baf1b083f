"""Seated leg reach: the heel slides out, the leg gets long, and the pelvis says when."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, LEANS_BACK, TRUNK_ROUNDS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import FIRM_CHAIR
from amvel.movements.positions import sitting
from amvel.movements.promise import joint
from amvel.movements.seats import SEAT


def _slide(s: Setting) -> list[Frame]:
    start, knee = sitting(s.body, s.number("seat_cm")), s.number("knee_deg")
    out = start.lift("left.ball").unaim("left.ankle").with_("heel sliding out", left_knee_flexion=knee)
    return [start, out.free_(left_hip_flexion=0.1, left_ankle_dorsiflexion=0.5)]


def _long(s: Setting) -> list[Frame]:
    start, knee = sitting(s.body, s.number("seat_cm")), s.number("knee_deg")
    off = start.lift("left.ball", "left.heel").unaim("left.ankle")
    return [
        start,
        off.with_(
            "leg long in the air", left_knee_flexion=knee, left_hip_flexion=84.0, left_ankle_dorsiflexion=0.0
        ),
    ]


def _knee(default: float) -> Parameter:
    return Parameter("knee_deg", "bend left in the knee", "deg", default, low=5, high=70, grid=5, easier="up", shows=joint("left.knee.flexion"))


FAMILY = (
    Ladder(
        "seated_leg_reach",
        "Seated leg reach",
        "sitting",
        "Stops where the pelvis tucks: that is the hamstring’s limit.",
        setup=("Sit tall near the front of a firm seat, feet flat.",),
        cues=("the sit bones stay under you", "the leg reaches, the back does not round"),
        faults=(TRUNK_ROUNDS, LEANS_BACK, BREATH_HELD),
        felt="the front of the thigh, the belly",
        not_felt="tingling down the leg",
        breath=breath(exhale("to reach"), back=inhale("to come back")),
        sides=True,
        arrow="left.heel",
        props=(FIRM_CHAIR,),
    )
    .rung(
        "heel_slides",
        "Heel slides out",
        _slide,
        Dose(5, 2, 6.0),
        {"hip_bend": 0.4, "deep_control": 0.4},
        2,
        parameters=(_knee(35), SEAT),
        do=(
            "Sit tall near the front of the seat.",
            "Breathe {out} and slide one heel out along the floor as far as the sit bones stay under you.",
            "Breathe {in} and slide it back.",
        ),
    )
    .rung(
        "leg_long",
        "Leg long",
        _long,
        Dose(5, 2, 7.0),
        {"hip_bend": 0.5, "resist_extension": 0.5, "deep_control": 0.4, "leg_loading": 0.3},
        3,
        parameters=(_knee(20), SEAT),
        do=(
            "Sit tall near the front of the seat.",
            "Breathe {out} and straighten one knee until the leg is long and the heel light; stop before the pelvis tucks.",
            "Breathe {in} and bend it again.",
        ),
    )
    .family()
)
