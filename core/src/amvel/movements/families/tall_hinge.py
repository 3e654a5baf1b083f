"""Tall hinge: sitting, leaning from the hips with a long spine; replaces every seated forward rounding."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step
from amvel.movements.faults import BREATH_HELD, TRUNK_ROUNDS
from amvel.movements.frames import Frame
from amvel.movements.needs import FIRM_CHAIR
from amvel.movements.positions import both, sitting
from amvel.movements.promise import LEAN, joint
from amvel.movements.seats import SEAT
from amvel.movements.wrong import Wrong

_CHIN = Fault(
    "chin_leads",
    "chin leads",
    "the face looks up and the neck shortens",
    "the neck starts the lean",
    "crown of the head leads, eyes a metre ahead", Wrong({"neck.flexion": -26}),
)


def _lean(s: Setting, arms: bool) -> list[Frame]:
    lean = s.number("lean_deg")
    start, end = sitting(s.body, s.number("seat_cm")), sitting(s.body, s.number("seat_cm"), lean_deg=lean)
    raised = s.number("arm_deg") if arms else 0.0
    if arms:
        up = both(shoulder_flexion=raised, elbow_flexion=10.0, forearm_pronation=0.0, shoulder_abduction=8.0)
        return [start.with_("tall, arms raised", **up), end.with_("leaning, arms raised", **up)]
    return [start, end.with_("leaning from the hips", **both(shoulder_flexion=10.0 + lean, elbow_flexion=68.0))]


def _hands(s: Setting) -> list[Frame]:
    return _lean(s, arms=False)


def _arms(s: Setting) -> list[Frame]:
    return _lean(s, arms=True)


_LEAN = Parameter("lean_deg", "lean of the trunk", "deg", 25, low=5, high=40, grid=5, easier="down", shows=LEAN)
_ARM = Parameter("arm_deg", "how high the arms are raised", "deg", 120, low=60, high=150, grid=5, easier="down", shows=joint("left.shoulder.flexion"))
_FAULTS = (TRUNK_ROUNDS, _CHIN, BREATH_HELD)
_SETUP = ("Sit tall near the front of a firm seat, feet flat, a little wider than the hips.",)

FAMILY = Family(
    "tall_hinge",
    "Tall hinge",
    "sitting",
    "The hips bend, the spine does not: the way to lean, reach and rise.",
    (
        Step(
            "hands_on_thighs",
            "Hands on the thighs",
            _hands,
            (*_SETUP, "Hands on the thighs."),
            ("breastbone goes forward, sit bones stay back", "one long piece from tailbone to crown"),
            _FAULTS,
            "buttocks and long back muscles",
            "a stretch in the low back",
            breath(inhale("to lean"), back=exhale("to rise")),
            Dose(8, 2, 6.0),
            {"upper_back": 0.5, "hip_bend": 0.9, "sit_to_stand": 0.3},
            effort=3,
            parameters=(_LEAN, SEAT),
            props=(FIRM_CHAIR,),
            arrow="vertex",
            do=(
                "Sit tall, hands on the thighs.",
                "Breathe {in} and lean from the hips as one long piece, hands sliding towards the knees.",
                "Breathe {out} and come up, breastbone first.",
            ),
        ),
        Step(
            "arms_raised",
            "Arms raised",
            _arms,
            (*_SETUP, "Arms long, forward and up."),
            ("arms stay beside the ears only as far as the ribs stay", "lean as one piece"),
            _FAULTS,
            "the upper back",
            "pinching in the shoulder",
            breath(inhale("to lean"), back=exhale("to rise")),
            Dose(6, 2, 7.0),
            {"upper_back": 1.0, "hip_bend": 1.0},
            effort=4,
            parameters=(_LEAN, _ARM, SEAT),
            props=(FIRM_CHAIR,),
            arrow="vertex",
            do=(
                "Sit tall, arms long ahead and up, only as high as the ribs stay.",
                "Breathe {in} and lean from the hips, arms and trunk one line.",
                "Breathe {out} and come up as one piece.",
            ),
        ).watching(Fault("arms_drop", "arms drop", "the arms leave the line of the trunk", "the upper back tires before the hips", "arms lower from the start, or hands on the thighs", Wrong({"left.shoulder.flexion": -28, "right.shoulder.flexion": -28}))),
    ),
    replaces=("curl_family",),
)
