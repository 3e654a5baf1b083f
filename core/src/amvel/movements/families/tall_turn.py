"""Tall turn: sitting, the rib cage turns over a quiet pelvis, never bent."""

from amvel.body.capacities import TRUNK_SHARE
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step
from amvel.movements.faults import BREATH_HELD, TRUNK_SINKS
from amvel.movements.frames import Frame
from amvel.movements.needs import FIRM_CHAIR
from amvel.movements.positions import both, sitting, trunk_lean
from amvel.movements.promise import LEAN, TRUNK_TURN
from amvel.movements.seats import SEAT
from amvel.movements.wrong import Wrong

_SIT_BONE = Fault(
    "sit_bone_lifts", "sit bone lifts", "one sit bone gets light", "the pelvis turns along", "turn less; both sit bones heavy", Wrong({"lumbar.side_bend": 12})
)


def _turn(s: Setting, arms: dict[str, float]) -> list[Frame]:
    start = sitting(s.body, s.number("seat_cm")).with_(**arms)
    turned = {
        f"{region}_rotation": s.number("turn_deg") * share for region, share in TRUNK_SHARE["rotation"].items()
    }
    return [start, start.with_("turned", **turned)]


def _hands(s: Setting) -> list[Frame]:
    return _turn(
        s, both(shoulder_flexion=20.0, shoulder_abduction=25.0, elbow_flexion=105.0, shoulder_rotation=30.0)
    )


def _long(s: Setting) -> list[Frame]:
    return _turn(s, both(shoulder_flexion=80.0, elbow_flexion=12.0, shoulder_abduction=0.0))


def _hinged(s: Setting) -> list[Frame]:
    """The turn is kept while the hips fold; turning and bending of the spine are never combined."""
    arms = both(shoulder_flexion=20.0, shoulder_abduction=25.0, elbow_flexion=105.0, shoulder_rotation=30.0)
    lean = s.number("lean_deg")
    turned = _turn(s, arms)[-1]
    hips = both(hip_flexion=85.0 + lean)
    folded = (
        turned.aim(*trunk_lean(s.body, lean)).with_("turned and hinged", **hips).free_(**both(hip_flexion=0.3))
    )
    return [_turn(s, arms)[0], turned, folded]


_LEAN = Parameter("lean_deg", "lean from the hips", "deg", 15, low=5, high=30, grid=5, easier="down", shows=LEAN)
_FAULTS = (_SIT_BONE, TRUNK_SINKS, BREATH_HELD)
_SETUP = ("Sit tall on a firm seat, feet flat.",)


def _turn_by(default: float) -> Parameter:
    return Parameter("turn_deg", "turn of the rib cage", "deg", default, low=5, high=35, grid=5, easier="down", shows=TRUNK_TURN)


FAMILY = Family(
    "tall_turn",
    "Tall turn",
    "sitting",
    "Turning alone, tall, within the range that is hers; never with a bend.",
    (
        Step(
            "hands_on_ribs",
            "Hands on the ribs",
            _hands,
            (*_SETUP, "Hands on the lowest ribs."),
            ("the ribs turn under the hands", "grow taller as you turn"),
            _FAULTS,
            "the waist on both sides",
            "the low back or a rib",
            breath(exhale("to turn"), back=inhale("to return")),
            Dose(3, 2, 6.0),
            {"turning": 0.8, "upper_back": 0.3},
            sides=True,
            effort=2,
            parameters=(_turn_by(15), SEAT),
            props=(FIRM_CHAIR,),
            view="front",
            arrow="breastbone",
            do=(
                "Sit tall, hands on the lowest ribs.",
                "Breathe {out} and turn the ribs under your hands to one side, growing taller; both sit bones stay.",
                "Breathe {in} and turn back; compare the sides.",
            ),
        ),
        Step(
            "with_a_hinge",
            "Turned, then a hinge",
            _hinged,
            (*_SETUP, "Hands on the lowest ribs; turn first, then fold in the hips."),
            ("the turn stays as it is while the hips fold", "breastbone leads, low back long"),
            _FAULTS,
            "the waist, the buttocks, between the shoulder blades",
            "the low back or a rib",
            breath((exhale("to turn"), inhale("to fold")), back=exhale("to come up")),
            Dose(3, 2, 9.0),
            {"turning": 0.9, "hip_bend": 0.6, "upper_back": 0.5},
            sides=True,
            effort=3,
            parameters=(_turn_by(15), _LEAN, SEAT),
            props=(FIRM_CHAIR,),
            view="side",
            arrow="breastbone",
            do=(
                "Sit tall, breathe {out}, turn the breastbone to one side and keep it there.",
                "Breathe {in} and fold from the hips, the turn unchanged, the low back long.",
                "Breathe {out}, come up first, then turn back.",
            ),
        ).watching(Fault("turn_unwinds", "turn unwinds", "the chest turns back as you fold", "two things are too much at once", "turn less, fold less; one after the other")),
        Step(
            "arms_forward",
            "Arms forward",
            _long,
            (*_SETUP, "Arms long in front, palms together."),
            ("arms go only as far as the breastbone", "slow both ways"),
            _FAULTS,
            "the waist and between the shoulder blades",
            "the low back or a rib",
            breath(exhale("to turn"), back=inhale("to return")),
            Dose(3, 2, 6.0),
            {"turning": 1.0, "upper_back": 0.4},
            sides=True,
            effort=4,
            parameters=(_turn_by(20), SEAT),
            props=(FIRM_CHAIR,),
            view="top",
            arrow="left.fingertips",
            do=(
                "Arms long ahead, palms together.",
                "Breathe {out} and turn, the hands going only as far as the breastbone goes.",
                "Breathe {in} and come back slowly.",
            ),
        ).watching(Fault("arms_overtake", "arms overtake", "the hands go further than the breastbone", "the shoulders turn and the ribs do not", "hands stay before the breastbone")),
    ),
)
