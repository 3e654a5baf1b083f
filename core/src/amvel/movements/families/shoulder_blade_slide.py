"""Shoulder-blade slide: face down, the upper back works and the low back rests."""

from amvel.movements.back_shape import rounded_deg
from amvel.movements.breath import breath, breathe, exhale, inhale
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD
from amvel.movements.frames import Frame, Touch
from amvel.movements.lying_positions import prone
from amvel.movements.needs import CUSHION, TOWEL
from amvel.movements.positions import both
from amvel.movements.room_measures import FitId
from amvel.movements.wrong import Wrong

_NECK = Fault(
    "neck_shortens",
    "neck shortens",
    "the eyes look ahead and the chin lifts",
    "the neck does the lifting",
    "look at the floor, crown of the head away", Wrong({"neck.flexion": -26, "head.nod": -10}, ("forehead",)),
)


def _base(s: Setting) -> Frame:
    return prone(s.body, s.number("forehead_pad_cm"), s.number("pelvis_pad_cm"))


def _reach(s: Setting, frame: Frame, name: str) -> Frame:
    return frame.with_(name, **both(scapula_elevation=-8.0, shoulder_flexion=rounded_deg(s.body) - 1.0))


def _slide(s: Setting) -> list[Frame]:
    return [_base(s), _reach(s, _base(s), "fingertips towards the feet")]


def _head(s: Setting) -> list[Frame]:
    start = _base(s)
    lifted = start.lift("forehead").touch(
        Touch("forehead", "head pad", bears=False, gap_cm=s.number("head_lift_cm"))
    )
    return [start, _reach(s, lifted, "forehead light, arms to the feet").free_(upper_thoracic_flexion=2.0)]


_FOREHEAD = Parameter(
    "forehead_pad_cm", "towel under the forehead", "cm", 4, low=2, high=8, grid=1, easier="up"
)
_PELVIS = Parameter("pelvis_pad_cm", "cushion under the pelvis", "cm", 4, low=2, high=12, grid=2, easier="up")
_LIFT = Parameter("head_lift_cm", "how far the forehead lifts", "cm", 2, low=1, high=3, grid=1, easier="down")
_FAULTS = (_NECK, BACK_HOLLOWS, BREATH_HELD)
_SETUP = (
    "Lie face down, a towel under the forehead, a flat cushion under hips and lower ribs.",
    "Arms by the sides, palms up, feet over the edge on a bed.",
    "Pubic bone, tailbone and buttocks set.",
)

FAMILY = Family(
    "shoulder_blade_slide",
    "Shoulder-blade slide",
    "face down",
    "The extensors of the upper back, with the low back kept out of it.",
    (
        Step(
            "slide",
            "Slide",
            _slide,
            _SETUP,
            ("shoulder blades slide down, fingertips to the feet", "arms float a little, three small pulses"),
            _FAULTS,
            "between and below the shoulder blades",
            "the low back, the neck",
            breath(exhale("to slide"), end=breathe("breathe on in the hold")),
            Dose(5, 2, 10.0, hold_s=3),
            {"upper_back": 0.9},
            effort=3,
            parameters=(_FOREHEAD, _PELVIS),
            props=(TOWEL, CUSHION),
            arrow="left.fingertips",
            do=(
                "Face down, palms up; pubic bone, tailbone and buttocks set.",
                "Breathe {out} and slide the fingertips towards the feet, let the arms float and pulse up three times.",
                "Breathe {in}, let go wholly, and set again.",
            ),
        ),
        Step(
            "forehead_light",
            "Forehead light",
            _head,
            (*_SETUP, "The forehead leaves the towel by 2–3 cm, eyes down."),
            ("crown of the head long", "chest stays heavy"),
            _FAULTS,
            "between the shoulder blades",
            "the low back, the throat",
            breath(exhale("to lengthen and lift"), back=inhale("to lower")),
            Dose(5, 2, 10.0, hold_s=3),
            {"upper_back": 1.0},
            effort=4,
            parameters=(_LIFT, _FOREHEAD, _PELVIS),
            props=(TOWEL, CUSHION),
            arrow="forehead",
            do=(
                "Pubic bone, tailbone and buttocks set, slide the fingertips to the feet.",
                "Breathe {out} and let the forehead leave the towel by two or three centimetres, eyes down, crown long.",
                "Lower the forehead first, then the arms, and let go.",
            ),
        ).watching(Fault("looks_ahead", "looks ahead", "the eyes leave the floor", "the neck lifts what the upper back should", "eyes down, two centimetres, no more", Wrong({"neck.flexion": -24, "head.nod": -10}))),
    ),
    fits=(FitId.CHEST,),
)
