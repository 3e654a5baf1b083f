"""Breathing with the legs at square, then without their support: test and exercise in one."""

from amvel.movements.breath import steady
from amvel.movements.declaration import Dose, Fault, Parameter, Setting, once
from amvel.movements.families.breathing_rest import calf_support_cm
from amvel.movements.faults import BACK_ARCHES, BELLY_DOMES, BREATH_HELD, RIBS_FLARE, THIGH_TAKES_OVER
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_calves_up
from amvel.movements.needs import SEAT_OR_BOX
from amvel.movements.room_measures import Measured


@once
def _rest(s: Setting) -> Frame:
    return supine_calves_up(s.body, s.number("calf_support_cm"))


def _lifted(frame: Frame, side: str, name: str) -> Frame:
    return frame.lift(f"{side}.calf_under").with_(
        name, **{f"{side}_hip_flexion": 95.0, f"{side}_knee_flexion": 92.0, f"{side}_ankle_dorsiflexion": -10.0}
    )


def _one(s: Setting) -> list[Frame]:
    return [_rest(s), _lifted(_rest(s), "left", "one leg off the seat")]


def _both(s: Setting) -> list[Frame]:
    one = _lifted(_rest(s), "left", "one leg off the seat")
    return [_rest(s), one, _lifted(one, "right", "both legs off the seat")]


_SUPPORT = Parameter(
    "calf_support_cm",
    "height of the seat under the calves",
    "cm",
    calf_support_cm,
    low=30,
    high=60,
    grid=1,
    easier="up",
    measured=Measured.CALF_SUPPORT,
)
FAMILY = (
    Ladder(
        "loaded_90_90_breathing",
        "Breathing with the legs at square",
        "on the back",
        "Does lifting a leg change the breath? Left against right?",
        setup=(
            "Lie on your back, calves on a seat, hips and knees at a right angle.",
            "Buttocks close to the seat, hands round the lowest ribs.",
        ),
        cues=(
            "lift from the hip by a finger’s breadth",
            "the breath goes on to all sides",
            "knees over the navel",
        ),
        faults=(
            Fault(
                "breath_gets_shallow",
                "breath gets shallow",
                "the ribs stop widening",
                "the leg has become too heavy",
                "put it down, begin again; fewer clean breaths count", breath=True),
            Fault(
                "other_leg_presses",
                "other leg presses",
                "the other calf digs into the seat",
                "it is used as a lever",
                "let the other leg lie heavy",
            ),
            BACK_ARCHES,
            RIBS_FLARE, BREATH_HELD,
            THIGH_TAKES_OVER,
        ),
        felt="belly and waist round the breath",
        not_felt="the front of the hip, the low back",
        breath=steady("full breaths on all sides, never held"),
        parameters=(_SUPPORT,),
        props=(SEAT_OR_BOX,),
        arrow="left.knee",
    )
    .rung(
        "one_leg",
        "One leg lifted",
        _one,
        Dose(5, 2, 10.0),
        {"breath": 0.7, "deep_control": 0.7, "turning": 0.4},
        3,
        after=("breathing_rest/calves_on_seat",),
        sides=True,
        do=(
            "First full breaths with both calves on the seat.",
            "Lift one calf a finger’s breadth from the hip and go on breathing to all sides; the other leg does not press down.",
            "Put it back at the first shallow breath; if one side changes the breath, take turns breath by breath.",
        ),
    )
    .rung(
        "both_legs",
        "Both legs lifted",
        _both,
        Dose(5, 2, 12.0),
        {"breath": 0.7, "deep_control": 0.8, "resist_extension": 0.6},
        4,
        more_faults=(BELLY_DOMES,),
        do=(
            "Full breaths with the calves on the seat, then lift one leg and the other.",
            "Keep both a finger’s breadth up, knees over the navel, and breathe full breaths; only those count.",
            "Put one leg down after the other at the first shallow breath.",
        ),
    )
    .family()
)
