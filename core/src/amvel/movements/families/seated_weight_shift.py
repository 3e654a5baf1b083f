"""Seated weight shift: onto one sit bone, then with a reach; balance and the side of the waist, sitting."""

import numpy as np

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, TRUNK_SINKS
from amvel.movements.frames import Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.needs import FIRM_CHAIR
from amvel.movements.positions import sitting, stands_on_both
from amvel.movements.seats import SEAT
from amvel.movements.wrong import Wrong


def _shifted(s: Setting) -> Frame:
    """The right sit bone gets light: the pelvis tips a little, the spine bends back so that the trunk stays tall."""
    lift = s.number("lift_cm")
    frame = sitting(s.body, s.number("seat_cm")).lift("right.sit_bone", "right.thigh_under")
    frame = frame.touch(Touch("right.sit_bone", "seat", bears=False, gap_cm=lift))
    tilt = np.degrees(np.arctan2(lift, 7.2 * s.body.stature_m))
    sides = {f"{x}_{j}": 0.1 for x in ("left", "right") for j in ("hip_abduction", "hip_rotation", "ankle_inversion")}
    return frame.aim(*stands_on_both(s.body)).with_(
        "weight on one sit bone", lumbar_side_bend=-0.6 * tilt, left_shoulder_abduction=20.0
    ).free_(**sides)


def _shift(s: Setting) -> list[Frame]:
    return [sitting(s.body, s.number("seat_cm")), _shifted(s)]


def _reach(s: Setting) -> list[Frame]:
    return [
        sitting(s.body, s.number("seat_cm")),
        _shifted(s).with_(
            "reached to the side",
            left_shoulder_flexion=0.0,
            left_shoulder_abduction=82.0,
            left_elbow_flexion=6.0,
        ),
    ]


_SHIFT = Parameter(
    "lift_cm", "how far the other sit bone rises", "cm", 1, low=0.5, high=2, grid=0.5, easier="down"
)
FAMILY = (
    Ladder(
        "seated_weight_shift",
        "Seated weight shift",
        "sitting",
        "Balance for who does not stand: the trunk stays long over one sit bone.",
        setup=("Sit tall in the middle of a firm seat, feet flat; a table or arm rest within reach.",),
        cues=("grow on the side you load", "the other sit bone gets light, it does not lift"),
        faults=(
            Fault(
                "collapses", "collapses", "the loaded side gets short", "the waist lets go", "reach the ear to the ceiling", Wrong({"lumbar.side_bend": 14})
            ),
            Fault("feet_push", "feet push", "a foot presses to help", "the trunk is late", "light feet"),
            TRUNK_SINKS, BREATH_HELD,
        ),
        felt="the side of the waist, the loaded sit bone",
        not_felt="the low back",
        breath=breath(exhale("to shift"), back=inhale("to come back")),
        sides=True,
        view="front",
        props=(FIRM_CHAIR,),
        arrow="breastbone",
        parameters=(_SHIFT, SEAT),
    )
    .rung("shift", "Shift", _shift, Dose(6, 1, 5.0), {"balance": 0.3, "side_bend": 0.4}, 1,
        do=(
            "Sit tall in the middle of the seat.",
            "Breathe {out} and move your weight onto one sit bone, growing taller on that side.",
            "Breathe {in} and come back to the middle.",
        ),
    )
    .rung(
        "reach",
        "Shift and reach",
        _reach,
        Dose(6, 1, 6.0),
        {"balance": 0.45, "side_bend": 0.6},
        2,
        arrow="left.fingertips",
        more_faults=(Fault("falls_into_the_reach", "falls into the reach", "the waist on the reaching side gets short", "the trunk hangs from the arm", "grow on that side first; reach less far", Wrong({"lumbar.side_bend": 14, "lower_thoracic.side_bend": 8})),),
        do=(
            "Move your weight onto one sit bone.",
            "Breathe {out} and reach out to that side with a long arm; the other sit bone gets light.",
            "Breathe {in} and let the arm bring you back.",
        ),
    )
    .family()
)
