"""Breathing rest: lying with the legs carried, breath to all sides."""

from amvel.body import Anthropometry
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step
from amvel.movements.feedback import BELT_ROUND_THE_WAIST
from amvel.movements.frames import Frame, Prop
from amvel.movements.lying_positions import own_heel_distance_cm, supine_calves_up, supine_crook
from amvel.movements.needs import BELT, CHAIR_OR_BOX
from amvel.movements.room_measures import Measured
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong

_CLIMBS = Fault(
    "breath_climbs",
    "breath climbs",
    "only the upper chest moves, the neck tightens",
    "the belly is held in",
    "let the waist widen into the floor and to the sides", Wrong({"left.scapula.elevation": 14, "right.scapula.elevation": 14}), breath=True)
_SQUEEZE = Fault(
    "squeezes", "squeezes", "belly or buttocks are clenched", "trying too hard", "half the effort; let the breath do it", Wrong({"lumbar.flexion": 14})
)


def calf_support_cm(body: Anthropometry) -> float:
    """Height of a seat that carries the calves with the thighs upright and the back of the pelvis down."""
    h = body.stature_m
    hip_above_floor = 0.072 * h * body.girth
    return 100 * (hip_above_floor + body.lengths_m["thigh"] - 0.034 * h * body.girth)


def _crook(s: Setting) -> list[Frame]:
    return [supine_crook(s.body, s.number("heel_distance_cm"))]


def _calves(s: Setting) -> list[Frame]:
    return [supine_calves_up(s.body, s.number("calf_support_cm"))]


def _belted(s: Setting) -> list[Frame]:
    return [f.hold(Prop("belt", ("belly", "waist_back"))) for f in _calves(s)]


_HEELS = Parameter(
    "heel_distance_cm",
    "heels from the sit bones",
    "cm",
    own_heel_distance_cm,
    low=22,
    high=44,
    grid=2,
    easier="up",
)
_SUPPORT = Parameter(
    "calf_support_cm", "height under the calves", "cm", calf_support_cm, low=30, high=60, grid=1, easier="down", measured=Measured.CALF_SUPPORT
)
_DOSE = Dose(10, 3, 6.0, note="twice a day")
_BREATH = breath(inhale("through the nose to front, sides and back"), back=exhale("slowly through pursed lips"))

FAMILY = Family(
    "breathing_rest",
    "Breathing rest",
    "on the back",
    "The legs are carried, the back rests, and the breath finds all sides of the waist again.",
    (
        Step(
            "knees_bent",
            "Knees bent",
            _crook,
            (
                "Lie on your back on a mat or a firm bed.",
                "Knees bent, feet flat, hip-wide.",
                "Hands on the lowest ribs.",
            ),
            ("breathe into the hands, then into the floor", "let the small of the back rest"),
            (_CLIMBS, _SQUEEZE),
            "widening of the waist on all sides",
            "strain in the neck, a held belly",
            _BREATH,
            _DOSE,
            {"breath": 1.0, "deep_control": 0.2},
            effort=1,
            breath_custom=True,
            parameters=(_HEELS,),
            do=(
                "Take two quiet breaths and let the floor have your back.",
                "Breathe {in} through the nose until front, sides and back of the waist fill; breathe {out} slowly through pursed lips until the ribs sink.",
                "Let the next breath come by itself; nothing else moves.",
            ),
        ),
        Step(
            "calves_on_seat",
            "Calves on a seat",
            _calves,
            (
                "Lie on your back with the buttocks close to the seat.",
                "Lay both calves on the seat: hips and knees square.",
                "Pad the seat until the back of the pelvis lies fully on the floor.",
            ),
            ("let the thigh bones sink into the hips", "breathe front, sides and back"),
            (_CLIMBS, _SQUEEZE),
            "a heavy, resting pelvis",
            "pull in the front of the hips",
            _BREATH,
            _DOSE,
            {"breath": 1.0, "deep_control": 0.3},
            effort=1,
            breath_custom=True,
            parameters=(_SUPPORT,),
            props=(CHAIR_OR_BOX,),
            do=(
                "Let the seat have your calves and the floor your back for two quiet breaths.",
                "Breathe in to all sides of the waist and let the thigh bones sink into the hips; breathe {out} slowly through pursed lips.",
                "Stay with calves heavy until the breath comes again.",
            ),
        ),
        Step(
            "belt_round_waist",
            "Calves on a seat, belt round the waist",
            _belted,
            (
                "Lie on your back with the buttocks close to the seat, both calves on it.",
                "Pad the seat until the back of the pelvis lies fully on the floor.",
                "Lay a belt or a band loosely round the waist.",
            ),
            ("fill the belt on every side", "make it equal left and right"),
            (_CLIMBS, _SQUEEZE),
            "the belt growing tighter behind as well as in front",
            "the belt cutting in at the front only",
            _BREATH,
            _DOSE,
            {"breath": 1.0, "deep_control": 0.5},
            effort=1,
            breath_custom=True,
            parameters=(_SUPPORT,),
            props=(CHAIR_OR_BOX, BELT),
            feedback=(BELT_ROUND_THE_WAIST,),
            do=(
                "Let two breaths pass and feel where the belt lies loose.",
                "Breathe {in} until the belt fills in front, at both sides and behind; breathe {out} through pursed lips until it hangs loose again.",
                "Before the next breath find the side that filled less, and send the breath there.",
            ),
        ).watching(Fault("one_side_stays_loose", "one side stays loose", "the belt fills on one side only", "the breath goes where it always goes", "lay a hand on the quiet side and wait for it")),
    ),
    part=SessionPart.SETTLES,
)
