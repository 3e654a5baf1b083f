"""Pelvic rock, sitting: the middle found over the sit bones."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.families.pelvic_tilt_clock import rocked
from amvel.movements.faults import BREATH_HELD
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import FIRM_CHAIR
from amvel.movements.positions import sitting
from amvel.movements.promise import TRUNK_BEND
from amvel.movements.seats import SEAT
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong


def _start(s: Setting) -> Frame:
    return sitting(s.body, s.number("seat_cm"))


def _rock(s: Setting) -> list[Frame]:
    return rocked(_start(s), s.number("tilt_deg"), "in front of the sit bones", "on the sit bones", "behind the sit bones")


def _tall(s: Setting) -> list[Frame]:
    start = _start(s)
    return [start.with_("a little behind", lumbar_flexion=s.number("tilt_deg")), start.with_("tall, and kept")]


_BY = Parameter("tilt_deg", "how far the pelvis rocks", "deg", 7, low=2, high=12, grid=1, easier="down", shows=TRUNK_BEND)
FAMILY = (
    Ladder(
        "seated_pelvic_rock",
        "Pelvic rock, sitting",
        "sitting",
        "The pelvis rolls over the sit bones, and the place where it carries by itself is found.",
        part=SessionPart.SETTLES,
        setup=("Sit on a firm seat, feet flat, hands on the thighs.",),
        cues=("the pelvis rolls, the head stays where it is", "rest where both sit bones point straight down"),
        faults=(
            Fault("leans", "leans", "the whole trunk goes back and forth", "the hips move instead of the pelvis under you", "smaller; the breastbone stays over the seat", Wrong({"left.hip.flexion": -16, "right.hip.flexion": -16})),
            Fault("slumps", "slumps", "the chest sinks", "it becomes a rounding of the whole back", "let the crown grow while the pelvis rolls", Wrong({"lumbar.flexion": 16, "lower_thoracic.flexion": 12, "upper_thoracic.flexion": 10})),
            BREATH_HELD,
        ),
        felt="low in the belly, the sit bones on the seat",
        not_felt="the low back pinching",
        breath=breath(exhale("to roll back"), back=inhale("to come up")),
        parameters=(_BY, SEAT),
        props=(FIRM_CHAIR,),
        arrow="waist_back",
    )
    .rung(
        "find_the_middle",
        "Find the middle",
        _rock,
        Dose(5, 1, 8.0),
        {"deep_control": 0.5, "breath": 0.3},
        1,
        do=(
            "Feel both sit bones on the seat, hands on the thighs.",
            "Breathe {out} and roll the pelvis a little behind the sit bones, then a little in front of them; the head does not travel.",
            "Make it smaller until the sit bones point straight down, and stay there for a breath.",
        ),
    )
    .rung(
        "kept_tall",
        "From behind to tall, and keep it",
        _tall,
        Dose(5, 1, 10.0),
        {"deep_control": 0.6, "upper_back": 0.3, "breath": 0.3},
        2,
        do=(
            "Let the pelvis be a little behind the sit bones.",
            "Breathe {in} and roll it up onto them until you are tall without effort.",
            "Keep that height for two breaths, then let it roll back.",
        ),
    )
    .family()
)
