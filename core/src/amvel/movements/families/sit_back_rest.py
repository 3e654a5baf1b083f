"""Sit-back rest: from hands and knees back towards the heels, or leaning onto a cushioned table.  A rest, but a bent one."""

from dataclasses import replace

from amvel.body import Anthropometry
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, TRUNK_ROUNDS
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.needs import CUSHION, FIRM_CHAIR, TOWEL
from amvel.movements.positions import both, hands_and_knees
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong

_SIDES = ("left", "right")
_TOWEL_CM = 2.5
_FOREARMS = tuple(f"{x}.{p}" for x in _SIDES for p in ("elbow_tip", "forearm_side"))


def _insteps_down(frame: Frame) -> Frame:
    """The tops of the feet down, a folded towel under them: tucked toes, or ankles that end early, would hold the hips up."""
    flat = frame.with_(None, **both(toes_extension=10.0, ankle_dorsiflexion=-38.0))
    flat = flat.unaim("left.toe_tip", "right.toe_tip").lift("left.toe_under", "right.toe_under")
    flat = flat.free_(**both(ankle_dorsiflexion=0.2))
    flat = flat.touch(*(Touch(f"{x}.instep", "towel") for x in _SIDES))
    towel = Surface("towel", "level", _TOWEL_CM, friction=0.6, title="folded towel")
    return replace(flat, surfaces={**flat.surfaces, "towel": towel})


def _back(s: Setting) -> list[Frame]:
    """Knees wide, forearms ahead; the sit bones travel back by the chosen share of the way to the heels."""
    start = hands_and_knees(s.body, "forearms").free_(**both(hip_abduction=0.2))
    wide = start.aim(Aim("left.knee", "y", 26.0 * s.body.stature_m, origin="right.knee", weight=0.3))
    wide = _insteps_down(wide).unaim("left.elbow", "right.elbow").with_("on forearms, knees wide")
    back = wide.unaim("left.knee", "right.knee").aim(
        Aim("left.knee", "y", 26.0 * s.body.stature_m, origin="right.knee", weight=0.3),
        *(Aim(f"{x}.hip", "x", -s.number("back_cm"), origin=f"{x}.knee", weight=0.5) for x in _SIDES),
    )
    wide, back = wide.lean(*_FOREARMS), back.lean(*_FOREARMS)
    round_ = {"lumbar_flexion": 12.0, "lower_thoracic_flexion": 5.0, "upper_thoracic_flexion": 3.0}
    back = back.with_(
        "sat back", **round_, **both(hip_flexion=105.0, knee_flexion=115.0, shoulder_flexion=110.0)
    )
    joints = both(
        hip_flexion=0.1, knee_flexion=0.1, shoulder_flexion=0.1, elbow_flexion=0.1, ankle_dorsiflexion=0.1
    )
    return [wide, back.free_(**joints, neck_flexion=0.3)]


def _on_hands_and_knees_at_a_chair(s: Setting) -> list[Frame]:
    """Kneeling, forearms on a cushioned seat: the same rest with half the bend."""
    height = s.number("support_cm")
    start = hands_and_knees(s.body, "forearms", height).free_(**both(hip_abduction=0.2))
    start = _insteps_down(start).with_("forearms on the seat")
    back = start.unaim("left.elbow", "right.elbow", "left.knee", "right.knee").aim(
        *(Aim(f"{x}.hip", "x", -s.number("back_cm"), origin=f"{x}.knee", weight=0.5) for x in _SIDES),
        # The chest stays above the arms: the trunk rests on them, it does not hang between them.
        *(
            Aim(f"{x}.shoulder", "z", 15.0 * s.body.stature_m, origin=f"{x}.elbow", weight=10.0, must_hold=False)
            for x in _SIDES
        ),
    )
    joints = both(
        hip_flexion=0.1, knee_flexion=0.1, shoulder_flexion=0.1, elbow_flexion=0.1, ankle_dorsiflexion=0.1
    )
    start, back = start.lean(*_FOREARMS), back.lean(*_FOREARMS)
    back = back.with_("sat back, forearms on the seat", **both(hip_flexion=95.0, shoulder_flexion=105.0))
    return [start, back.free_(**joints, neck_flexion=0.3)]


def _way_back_cm(body: Anthropometry) -> float:
    """Two thirds of the way to the heels for healthy knees (our estimate)."""
    return 14.0 * body.stature_m


_BACK = Parameter("back_cm", "hips behind the knees", "cm", _way_back_cm, low=6, high=30, grid=2, easier="down")
_SUPPORT = Parameter(
    "support_cm", "height of the cushioned seat", "cm", 42, low=20, high=56, grid=2, easier="up"
)
FAMILY = (
    Ladder(
        "sit_back_rest",
        "Sit-back rest",
        "hands and knees",
        "Belly and pelvic floor let go; the breath goes into the back of the pelvis. A rest, judged like any bend.",
        part=SessionPart.RESTS,
        setup=("On forearms and knees, knees wide, tops of the feet down on a folded towel.",),
        cues=("let the belly hang between the thighs", "breathe into the back of the pelvis"),
        faults=(
            Fault("hangs_in_the_shoulders", "hangs in the shoulders", "the arms are pulled long", "too far back", "forearms nearer", Wrong({"left.scapula.elevation": 20, "right.scapula.elevation": 20})),
            TRUNK_ROUNDS, BREATH_HELD,
        ),
        felt="widening of the back of the pelvis",
        not_felt="pinching in the knees or hips, pulling in the low back",
        breath_custom=True,
        breath=breath(inhale("to the back of the pelvis"), back=exhale("to let go")),
        held=True,
    )
    .rung(
        "forearms_on_a_seat",
        "Forearms on a cushioned seat",
        _on_hands_and_knees_at_a_chair,
        Dose(3, 1, 8.0),
        {"breath": 0.6},
        1,
        setup=(
            "Kneel in front of a firm seat with a cushion, forearms on it, knees under the hips.",
            "Tops of the feet down, a folded towel under them.",
        ),
        parameters=(replace(_BACK, default=12), _SUPPORT),
        props=(FIRM_CHAIR, CUSHION, TOWEL),
        do=(
            "Kneel before a cushioned seat, forearms on it.",
            "Let the sit bones move back until the arms are long and the belly hangs; breathe into the back of the pelvis.",
            "Push the hands into the seat and come up.",
        ),
    )
    .rung(
        "on_the_floor",
        "On the floor",
        _back,
        Dose(3, 1, 8.0),
        {"breath": 0.7},
        1,
        parameters=(_BACK,),
        props=(TOWEL,),
        do=(
            "Forearms and wide knees on the mat, tops of the feet down.",
            "Sit back as far as it is easy, head on the hands, belly and pelvic floor letting go.",
            "After the breaths walk the forearms in and come forward.",
        ),
    )
    .family()
)
