"""Bent-knee fall-out: one knee leans out while the pelvis stays."""

from dataclasses import replace

from amvel.movements.back_shape import own_head_pad_cm, upper_back_off_cm
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step
from amvel.movements.faults import BREATH_HELD, PELVIS_ROCKS
from amvel.movements.frames import Aim, Frame, Prop, Surface, Touch
from amvel.movements.lying_positions import supine_crook
from amvel.movements.needs import LONG_ROLLER
from amvel.movements.positions import both
from amvel.movements.promise import joint
from amvel.movements.wrong import Wrong

_OTHER = Fault(
    "other_leg_moves",
    "other leg moves",
    "the quiet leg leans or pushes",
    "it is used as a counterweight",
    "keep the other knee pointing to the ceiling", Wrong({"right.hip.abduction": 16}),
)
_OVER = Fault(
    "over_corrects",
    "over-corrects",
    "the knee swings past the middle on the way back",
    "speed instead of control",
    "stop at the middle, slowly",
)


def _frames(s: Setting) -> list[Frame]:
    start = supine_crook(s.body)
    pinned = 100 * s.body.stature_m * 0.05
    out = (
        start.lift("left.ball")
        .with_("knee out", left_hip_abduction=s.number("open_deg"))
        .free_(left_hip_rotation=0.1, left_ankle_inversion=0.5, left_ankle_dorsiflexion=0.5)
    )
    return [start, out.aim(Aim("left.heel", "y", pinned, origin="sacrum", must_hold=False))]


def _on_roller(s: Setting) -> list[Frame]:
    """Head, back and sacrum on a roller of its real width; feet and fingertips on the floor keep it from rolling."""
    height = s.number("roller_cm")
    roller = Surface("roller", "level", height, friction=0.6, title="long roller")
    frames = []
    for frame in _frames(s):
        spine = ("occiput", "upper_back", "sacrum")
        up = replace(frame.lift(*spine, "mid_back"), surfaces={**frame.surfaces, "roller": roller})
        # What a round back leaves under head and shoulders is filled on the roller as on the floor.
        filled_cm = {"occiput": own_head_pad_cm(s.body), "upper_back": upper_back_off_cm(s.body)}
        up = up.touch(*(Touch(p, "roller", half_width_cm=_CONTACT_SHARE * height, gap_cm=filled_cm.get(p, 0.0)) for p in spine))
        up = up.with_(**both(shoulder_flexion=-16.0, shoulder_abduction=38.0)).free_(
            **both(shoulder_flexion=0.1, wrist_extension=0.2)
        )
        level = (Aim(f"{x}.fingertips", "z", 0.5, must_hold=False, weight=0.8) for x in ("left", "right"))
        up = up.aim(*level)
        up = up.touch(*(Touch(f"{x}.palm", "floor") for x in ("left", "right")))
        frames.append(up.hold(Prop("roller", ("sacrum",), height, below=True)))
    return frames


# A soft back lies on about half of a roller's breadth (our estimate).
_CONTACT_SHARE = 0.25
_ROLLER = Parameter("roller_cm", "height of the roller", "cm", 10, low=6, high=15, grid=1, easier="down")
_TIPS = Fault(
    "roller_tips",
    "roller tips",
    "the roller rocks under the pelvis",
    "the lean is faster than the belly",
    "smaller, slower, fingers down", Wrong(turn_deg=14),
)


def _open(default: float) -> Parameter:
    return Parameter(
        "open_deg", "how far the knee leans out", "deg", default, low=10, high=40, grid=5, easier="down", shows=joint("left.hip.abduction"))


_FAULTS = (PELVIS_ROCKS, _OTHER, _OVER, BREATH_HELD)
_SETUP = ("Lie on your back, knees bent, feet flat.", "Hands on the front hip bones; heels stay down.")

FAMILY = Family(
    "bent_knee_fall_out",
    "Bent-knee fall-out",
    "on the back",
    "The hip opens; the pelvis stays level and does not turn.",
    (
        Step(
            "small",
            "Small",
            _frames,
            _SETUP,
            ("slow out and slow back", "stop where the pelvis wants to follow"),
            _FAULTS,
            "the belly and the other side keeping still",
            "a pull in the groin",
            breath(exhale("as the knee leans out"), end=inhale("to wait"), back=exhale("to return")),
            Dose(4, 2, 8.0),
            {"turning": 0.7, "deep_control": 0.6, "hip_out": 0.2},
            sides=True,
            effort=2,
            parameters=(_open(20),),
            arrow="left.knee",
            view="top",
            do=(
                "Hands on the hip bones, heels stay down, deep set.",
                "Breathe {out} and let one knee lean out a little while the other leg stands still; stop where the pelvis wants to follow.",
                "Wait for a breath {in}, then bring the knee home on a slow breath {out} without overshooting. After three or four rest the leg, set again, change.",
            ),
        ),
        Step(
            "larger",
            "Larger",
            _frames,
            _SETUP,
            ("as far as the pelvis stays level", "both hip bones keep equal weight"),
            _FAULTS,
            "long, slow control",
            "turning under the hands",
            breath(exhale("as the knee leans out"), end=inhale("to wait"), back=exhale("to return")),
            Dose(4, 2, 10.0),
            {"turning": 0.9, "deep_control": 0.6, "hip_out": 0.3},
            sides=True,
            effort=3,
            parameters=(_open(35),),
            arrow="left.knee",
            view="top",
            do=(
                "Hands on the hip bones, deep set.",
                "Breathe {out} and let one knee open wide, towards the floor, only as far as both hip bones keep the same weight.",
                "Pause, then come all the way back slowly; the way home is where the pelvis gives.",
            ),
        ).watching(Fault("knee_drops", "knee drops", "the knee falls the last part of the way", "the inner thigh lets go", "let it down as slowly as the breath; stop earlier")),
        Step(
            "on_a_long_roller",
            "Lengthwise on a rolled mat",
            _on_roller,
            (
                "Lie lengthwise on a rolled mat or a long roller: head, back and tailbone all on it.",
                "Knees bent, feet flat and hip-wide; fingertips on the floor until it is quiet.",
            ),
            ("the roller tells you when the pelvis turns", "smaller than on the floor, and slower"),
            (*_FAULTS, _TIPS),
            "small, quick work deep in the belly",
            "the knobs of the spine",
            breath(exhale("as the knee leans out"), end=inhale("to wait"), back=exhale("to return")),
            Dose(4, 1, 12.0),
            {"turning": 1.0, "deep_control": 0.8, "balance": 0.3},
            after=("bent_knee_fall_out/larger",),
            sides=True,
            effort=4,
            parameters=(_open(15), _ROLLER),
            props=(LONG_ROLLER,),
            arrow="left.knee",
            view="front",
            do=(
                "Lie lengthwise on the roller until it is quiet, fingertips on the floor.",
                "Breathe {out} and let one knee lean out a little; the foot of the other leg and the back press the roller evenly.",
                "Bring it back before the roller moves.",
            ),
        ),
    ),
)
