"""Knee tip: one knee leans a little out and back while the pelvis stays."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BACK_ARCHES, BREATH_HELD, PELVIS_ROCKS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.promise import joint


def _tipped(start: Frame, side: str, deg: float, name: str) -> Frame:
    out = start.with_(name, **{f"{side}_hip_abduction": deg})
    return out.free_(**{f"{side}_hip_rotation": 0.1, f"{side}_ankle_inversion": 0.3})


def _one(s: Setting) -> list[Frame]:
    start = supine_crook(s.body)
    return [start, _tipped(start, "left", s.number("tip_deg"), "one knee leaning")]


def _both(s: Setting) -> list[Frame]:
    start = supine_crook(s.body)
    tip = s.number("tip_deg")
    return [
        _tipped(start, "left", tip, "left knee leaning"),
        start,
        _tipped(start, "right", tip, "right knee leaning"),
    ]


_TIP = Parameter("tip_deg", "how far the knee leans", "deg", 12, low=5, high=18, grid=1, easier="down", shows=joint("left.hip.abduction"))
FAMILY = (
    Ladder(
        "knee_tip",
        "Knee tip",
        "on the back",
        "The smallest turn of the hip that the pelvis does not follow.",
        setup=("Lie on your back, knees bent, feet flat and hip-wide.", "Fingers on the hip bones."),
        cues=("the knee leans, the pelvis does not know", "back to the middle as slowly as out"),
        faults=(PELVIS_ROCKS, BACK_ARCHES, BREATH_HELD),
        felt="deep in the hip, low in the belly",
        not_felt="the groin pulling",
        breath=breath(exhale("to lean"), back=inhale("to come back")),
        parameters=(_TIP,),
        view="top",
    )
    .rung(
        "one_side",
        "One side",
        _one,
        Dose(10, 1, 4.0),
        {"turning": 0.4, "deep_control": 0.5},
        1,
        sides=True,
        arrow="left.knee",
        do=(
            "Both feet flat, fingers on the hip bones.",
            "Breathe {out} and let one knee lean a little outwards; stop before the pelvis turns under your fingers.",
            "Breathe {in} and bring the knee back to the middle as slowly.",
        ),
    )
    .rung(
        "alternating",
        "Sides alternate",
        _both,
        Dose(10, 1, 6.0),
        {"turning": 0.5, "deep_control": 0.5},
        2,
        arrow="right.knee",
        more_faults=(Fault("runs_through_the_middle", "runs through the middle", "one knee starts before the other is home", "swing does the work", "stop in the middle for a breath"),),
        do=(
            "Both feet flat, fingers on the hip bones.",
            "Let one knee lean out on the breath {out}, bring it home on the breath {in}, and then let the other one go.",
            "Compare: the same range, the same ease on both sides?",
        ),
    )
    .family()
)
