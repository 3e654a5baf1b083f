"""Deep abdominal set, sitting: for who does not lie down, and before anything that is done on a chair."""

from amvel.movements.breath import breath, breathe, exhale
from amvel.movements.declaration import Dose, Fault, Setting
from amvel.movements.families.tall_sitting import leaning_back
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.feedback import FINGERTIPS
from amvel.movements.frames import Aim, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import FIRM_CHAIR
from amvel.movements.positions import sitting
from amvel.movements.seats import SEAT
from amvel.movements.session_part import SessionPart
from amvel.movements.sign import Sign
from amvel.movements.wrong import Wrong

_ON_THE_BELLY = {"shoulder_flexion": -12.0, "shoulder_abduction": 22.0, "elbow_flexion": 85.0, "shoulder_rotation": 55.0}
_AHEAD_CM, _IN_CM = 3.0, 2.5  # of the hip bone: on the belly wall, towards the middle


def _fingers_on_the_belly(frame: Frame, sides: tuple[str, ...] = ("left", "right")) -> Frame:
    on_it = frame.lift(*(f"{x}.palm" for x in sides)).with_(
        "fingertips on the belly wall", **{f"{x}_{j}": v for x in sides for j, v in _ON_THE_BELLY.items()}
    )
    return on_it.unaim(*(f"{x}.palm" for x in sides)).aim(
        *(
            Aim(f"{x}.fingertips", axis, cm, origin=f"{x}.hip_bone", must_hold=False, weight=0.6)
            for x in sides
            for axis, cm in (("x", _AHEAD_CM), ("y", _IN_CM if x == "right" else -_IN_CM), ("z", 0.0))
        )
    ).free_(**{f"{x}_{j}": 0.1 for x in sides for j in _ON_THE_BELLY})


def _supported(s: Setting) -> list[Frame]:
    return [_fingers_on_the_belly(leaning_back(s))]


def _free(s: Setting) -> list[Frame]:
    return [_fingers_on_the_belly(sitting(s.body, s.number("seat_cm")))]


def _with_a_reach(s: Setting) -> list[Frame]:
    """One hand stays on the belly and feels, the other reaches ahead."""
    start = _fingers_on_the_belly(sitting(s.body, s.number("seat_cm")), ("right",))
    arm = {"left_shoulder_flexion": 80.0, "left_shoulder_abduction": 0.0, "left_elbow_flexion": 12.0}
    return [start, start.lift("left.palm").unaim("left.palm").with_("one arm ahead, the belly firm", **arm)]


FAMILY = (
    Ladder(
        "seated_deep_set",
        "Deep abdominal set, sitting",
        "sitting",
        "The deep wall firms before anything moves, on a chair as on the floor.",
        part=SessionPart.SETTLES,
        setup=(
            "Sit on a firm seat, feet flat, both sit bones equally heavy.",
            "Fingertips about 2.5 cm in and 2.5 cm down from the front hip bones.",
        ),
        cues=("begin as if to stop the flow, then let the two hip bones draw together", "a third of your strength is plenty"),
        faults=(
            Fault("sucks_in", "sucks in", "the navel goes back and the ribs lift", "the upper belly is pulled in", "lower and less; the ribs stay", Wrong({"lower_thoracic.flexion": -14, "lumbar.flexion": -8})),
            Fault("pushes_out", "pushes out", "the fingers are pushed away", "the straight muscle bears down", "less; out with the breath first", Wrong(domes=True)),
            SHOULDER_CLIMBS,
            BREATH_HELD,
        ),
        felt="a gentle firming under the fingertips",
        not_felt="bulging against the fingers, pressure downwards",
        feedback=(FINGERTIPS,),
        signs=(Sign.NARROW,),
        breath=breath(exhale("to draw"), end=breathe("then breathe on quietly while the draw stays")),
        parameters=(SEAT,),
        props=(FIRM_CHAIR,),
    )
    .rung(
        "back_supported",
        "Back supported",
        _supported,
        Dose(8, 1, 8.0),
        {"deep_control": 0.6, "breath": 0.4},
        1,
        do=(
            "Sit with your back on the rest, fingertips on the belly wall, and let two quiet breaths pass.",
            "Breathe {out} and let the two hip bones draw together until the wall firms under the fingers.",
            "Let go on the breath {in}, and set it anew.",
        ),
    )
    .rung(
        "unsupported",
        "Away from the rest, for three breaths",
        _free,
        Dose(6, 1, 15.0),
        {"deep_control": 0.7, "breath": 0.4},
        2,
        signs=(Sign.NARROW, Sign.BREATH),
        more_faults=(Fault("sinks_while_breathing", "sinks while breathing", "the crown comes lower with each breath", "sitting tall and breathing are too much at once", "one breath only, or back to the rest"),),
        do=(
            "Sit tall away from the rest, fingertips on the belly wall.",
            "Breathe {out} and draw, then keep it for three easy breaths; you do not sink while you breathe.",
            "Let go for one whole breath before the next.",
        ),
    )
    .rung(
        "with_a_reach",
        "One arm reaches ahead",
        _with_a_reach,
        Dose(6, 1, 9.0),
        {"deep_control": 0.8, "breath": 0.3, "upper_back": 0.2},
        2,
        sides=True,
        more_faults=(Fault("arm_goes_first", "arm goes first", "the arm leaves before the wall is firm", "the belly answers the arm and does not wait for it", "draw, count one, then reach"),),
        do=(
            "Sit tall, one hand on the belly wall; draw on the breath {out} and wait a second.",
            "Let the other arm reach ahead to shoulder height; the fingers keep feeling the same firmness.",
            "Bring the arm back on the breath {in}, let go, and set it anew.",
        ),
    )
    .family()
)
