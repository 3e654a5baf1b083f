"""Knee hug: a rest that is itself a bend."""

from amvel.movements.breath import steady
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.families.knee_fold import leg_folded
from amvel.movements.faults import BREATH_HELD, HEAD_LIFTS
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.positions import both
from amvel.movements.promise import hip_bend
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong

HUGGED_KNEE_DEG = 115.0


def _hug(frame: Frame, hip: float, sides: tuple[str, ...], name: str) -> Frame:
    for side in sides:
        frame = leg_folded(frame, side, hip, HUGGED_KNEE_DEG, name)
    arms = both(shoulder_flexion=38.0, elbow_flexion=40.0, shoulder_abduction=5.0, forearm_pronation=20.0)
    hugged = frame.with_(name, **arms).free_(**both(shoulder_flexion=0.1, elbow_flexion=0.1, shoulder_abduction=0.3))
    near = "left" if len(sides) == 1 else None
    held = (Touch(f"{side}.shin", "floor", "rests", on=f"{side}.palm") for side in sides)
    return hugged.touch(*held).aim(
        *(
            Aim(f"{x}.palm", axis, 0.0, origin=f"{near or x}.shin", must_hold=False, weight=0.3)
            for x in ("left", "right")
            for axis in ("x", "z")
        )
    )


def held_frames(s: Setting, sides: tuple[str, ...], hug: float) -> list[Frame]:
    """From bent knees one knee after the other into the hands."""
    start = supine_crook(s.body)
    if len(sides) == 1:
        return [start, _hug(start, hug, sides, "knee held")]
    return [start, _hug(start, min(hug, _FIRST_DEG), sides[:1], "first knee held"), _hug(start, hug, sides, "both knees held")]


_FIRST_DEG = 100.0  # the first of two knees only waits for the second


def _one(s: Setting) -> list[Frame]:
    return held_frames(s, ("left",), s.number("hug_deg"))


_HUG = Parameter("hug_deg", "how near the knee comes", "deg", 112, low=85, high=125, grid=3, easier="down", shows=hip_bend())
FAMILY = (
    Ladder(
        "knee_hug",
        "Knee hug",
        "on the back",
        "A rest for the back; it bends the low back and is judged so.",
        part=SessionPart.RESTS,
        setup=("Lie on your back, knees bent.", "Take one knee, later the other, never both at once."),
        cues=("let the arms hold the weight", "breathe into the back of the pelvis"),
        faults=(
            Fault("pulls_hard", "pulls hard", "the tailbone lifts far", "force instead of rest", "hold only, do not pull", Wrong({"lumbar.flexion": 16})),
            HEAD_LIFTS, BREATH_HELD,
        ),
        felt="the low back letting go",
        not_felt="a pinch in the groin",
        breath=steady("two quiet breaths"),
        parameters=(_HUG,),
        arrow="left.knee",
    )
    .rung("one_knee", "One knee", _one, Dose(2, 1, 8.0, hold_s=6), {"breath": 0.4}, 1, sides=True,
        do=(
            "Bring one knee towards you and hold the shin with both hands; the other foot stays on the floor.",
            "Let the arms carry the weight of the leg, do not pull, and breathe into the back of the pelvis.",
            "Put the foot back down before the other knee comes.",
        ),
    )
    .family()
)
