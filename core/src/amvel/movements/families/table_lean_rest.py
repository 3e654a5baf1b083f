"""Table lean: sitting, leaning onto a cushioned table at a height inside the limit; the rest of the chair."""

from dataclasses import replace

from amvel.body import Anthropometry
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS, TRUNK_ROUNDS
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.needs import CUSHION, FIRM_CHAIR, TABLE
from amvel.movements.positions import both, sitting, trunk_lean
from amvel.movements.promise import LEAN
from amvel.movements.seats import SEAT
from amvel.movements.session_part import SessionPart

_SIDES = ("left", "right")


def _table_cm(body: Anthropometry) -> float:
    """Forearms a hand's breadth under the shoulders of a trunk that has come part of the way (our estimate)."""
    return 50.0 * body.stature_m


def _leaned(s: Setting, lean: float, weight: float = 10.0) -> Frame:
    """The forearms are on the cushions from the start, so that the table carries all the way down.

    The lean is a wish, for the arms may be short for the table; a lean that was promised is checked as every promise is.
    """
    wish = (aim._replace(weight=weight) for aim in trunk_lean(s.body, lean, firm=False))
    frame = sitting(s.body, s.number("seat_cm")).aim(*wish)
    table = Surface(
        "worktop", "level", s.number("table_cm"), friction=0.5, stiffness_n_per_m=1.5e3, title="cushioned table"
    )
    frame = replace(frame, surfaces={**frame.surfaces, "worktop": table})
    frame = frame.with_(
        "forearms on the cushions",
        **both(hip_flexion=85.0 + lean, shoulder_flexion=60.0, elbow_flexion=80.0, forearm_pronation=30.0),
    )
    frame = frame.lift("left.palm", "right.palm").unaim("left.palm", "right.palm")
    give = both(hip_flexion=0.3, shoulder_flexion=0.1, elbow_flexion=0.1, shoulder_abduction=0.1)
    return frame.free_(**give).touch(
        *(Touch(f"{x}.{p}", "worktop", "leans") for x in _SIDES for p in ("elbow_tip", "forearm_side"))
    )


def _lean(s: Setting) -> list[Frame]:
    return [_leaned(s, _UPRIGHT_DEG).with_("forearms on the cushions, upright"), _leaned(s, s.number("lean_deg"))]


def _head_down(s: Setting) -> list[Frame]:
    """The hands lie on each other, the forehead comes down on them: the neck lets go."""
    hands = _leaned(s, _HEAD_DOWN_DEG, weight=0.3).with_("hands on each other", **both(shoulder_rotation=40.0, elbow_flexion=90.0))
    hands = hands.free_(**both(shoulder_rotation=0.1, elbow_flexion=0.2)).aim(
        Aim("left.wrist", "y", 6.0, origin="right.wrist", must_hold=False, weight=0.5),
        Aim("left.wrist", "x", 0.0, origin="right.wrist", must_hold=False, weight=0.3),
    )
    down = hands.with_("head on the hands", neck_flexion=30.0, upper_thoracic_flexion=4.0)
    down = down.touch(Touch("forehead", "worktop", gap_cm=_HANDS_CM)).unaim("com.upper_thorax")
    return [hands, down.free_(neck_flexion=0.3, head_nod=0.3, **both(hip_flexion=0.2))]


_UPRIGHT_DEG = 5.0
_HEAD_DOWN_DEG = 25.0  # about; how far it is depends on where the table lets the head come down
_HANDS_CM = 6.0  # two hands on each other (our estimate)
_LEAN = Parameter("lean_deg", "lean from the hips", "deg", 25, low=10, high=45, grid=5, easier="down", shows=LEAN)
_TABLE = Parameter(
    "table_cm", "height of table and cushions", "cm", _table_cm, low=60, high=104, grid=2, easier="up"
)
FAMILY = (
    Ladder(
        "table_lean_rest",
        "Table lean",
        "sitting",
        "The rest for who cannot kneel: the table and its cushions carry the trunk, the hips fold, the back stays long.",
        part=SessionPart.RESTS,
        setup=("Sit in front of a table that cannot move, cushions on it to the marked height.",),
        cues=("let the table have the weight", "breathe into the back of the ribs and the pelvis"),
        faults=(TRUNK_ROUNDS, SHOULDER_CLIMBS, BREATH_HELD),
        felt="widening of the back with every breath in",
        not_felt="the low back, the neck",
        breath_custom=True,
        breath=breath(inhale("to the back"), back=exhale("to let go")),
        props=(FIRM_CHAIR, TABLE, CUSHION),
        held=True,
        parameters=(_LEAN, _TABLE, SEAT),
    )
    .rung("forearms", "Forearms on the cushions", _lean, Dose(4, 1, 8.0), {"breath": 0.7, "hip_bend": 0.3}, 1,
        do=(
            "Sit before the table, forearms on the cushions.",
            "Lean from the hips until the cushions carry you, belly soft; breathe into the back of the ribs.",
            "Push through the forearms and come up tall.",
        ),
    )
    .rung(
        "head_on_hands",
        "Head on the hands",
        _head_down,
        Dose(4, 1, 8.0),
        {"breath": 0.8},
        1,
        parameters=(_TABLE, SEAT),
        do=(
            "Lean onto the cushions and lay the forehead on the hands.",
            "Let the table have head and arms; breathe into the back of the pelvis.",
            "Push up slowly, the head comes last.",
        ),
    )
    .family()
)
