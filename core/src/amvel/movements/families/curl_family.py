"""Curls: loaded bending of the trunk.  Kept so that the engine can say why not, and for graded return."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step
from amvel.movements.faults import BELLY_DOMES, BREATH_HELD, THIGH_TAKES_OVER
from amvel.movements.frames import Frame, Touch
from amvel.movements.lying_positions import supine_crook
from amvel.movements.positions import both
from amvel.movements.promise import TRUNK_BEND
from amvel.movements.wrong import Wrong

_CHIN = Fault(
    "chin_pokes",
    "chin pokes",
    "the chin leads and the throat strains",
    "the neck lifts the head",
    "chin in, head heavy in the hands", Wrong({"neck.flexion": 8, "head.nod": -22}),
)


def _nod(s: Setting) -> list[Frame]:
    start = supine_crook(s.body)
    nodded = start.with_("chin nodded, head resting", head_nod=10.0, neck_flexion=0.0)
    return [
        start,
        nodded.lift("occiput").touch(Touch("occiput", "head pad", bears=True)).free_(neck_flexion=0.3),
    ]


def _curled(frame: Frame, deg: float, name: str) -> Frame:
    up = frame.lift("occiput", "upper_back", "mid_back", "left.wrist", "right.wrist").touch(Touch("mid_back", "floor"))
    return up.with_(
        name,
        lower_thoracic_flexion=0.3 * deg,
        upper_thoracic_flexion=0.3 * deg,
        lumbar_flexion=0.4 * deg,
        neck_flexion=22.0,
        **both(shoulder_flexion=48.0, elbow_flexion=4.0, shoulder_abduction=4.0),
    )


def _one_knee(s: Setting) -> list[Frame]:
    start = _ribs_down(_left_long(supine_crook(s.body)))
    return [start, _curled(start, s.number("curl_deg"), "curled up")]


def _ribs_down(frame: Frame) -> Frame:
    """The lowest ribs carry from the start, so that they can carry alone later."""
    return frame.touch(Touch("mid_back", "floor", places=False))


_KNEE_GIVES = 3.0  # where a long leg under a high pelvis would need more extension than the hip has


def _left_long(frame: Frame) -> Frame:
    return (
        frame.lift("left.heel", "left.ball")
        .unaim("left.heel")
        .with_("one leg long", left_hip_flexion=4.0, left_knee_flexion=4.0, left_ankle_dorsiflexion=0.0)
        .touch(Touch("left.heel_back", "floor", strategy="rests"))
        .free_(left_hip_flexion=0.1, left_knee_flexion=_KNEE_GIVES)
    )


def _straight(s: Setting) -> list[Frame]:
    start = _ribs_down(_left_long(supine_crook(s.body)))
    start = (
        start.lift("right.heel", "right.ball")
        .unaim("right.heel")
        .with_("legs long", right_hip_flexion=4.0, right_knee_flexion=4.0, right_ankle_dorsiflexion=0.0)
        .touch(Touch("right.heel_back", "floor", strategy="rests"))
        .free_(right_hip_flexion=0.1, right_knee_flexion=_KNEE_GIVES)
    )
    return [start, _curled(start, s.number("curl_deg"), "curled up, legs long")]


_CURL = Parameter("curl_deg", "how far the trunk rounds", "deg", 30, low=15, high=40, grid=5, easier="down", shows=TRUNK_BEND)
_FAULTS = (_CHIN, BELLY_DOMES, THIGH_TAKES_OVER, BREATH_HELD)

FAMILY = Family(
    "curl_family",
    "Curls",
    "on the back",
    "Bending the trunk against its weight: allowed far less often than it is asked for.",
    (
        Step(
            "head_nod",
            "Head nod",
            _nod,
            ("Lie on your back, knees bent.", "Head stays on the floor or pad."),
            ("nod as if to say a small yes", "the back of the head slides up, not off"),
            _FAULTS,
            "deep in the front of the neck",
            "strain in the throat",
            breath(exhale("to nod"), back=inhale("to return")),
            Dose(5, 1, 6.0),
            {"flexion_strength": 0.2, "deep_control": 0.1},
            effort=1,
            arrow="forehead",
            do=(
                "Head on the floor or pad.",
                "Breathe {out} and nod a small yes; the back of the head slides up along the floor and does not leave it.",
                "Breathe {in} and let it slide back.",
            ),
        ),
        Step(
            "one_knee_bent",
            "Curl, one knee bent",
            _one_knee,
            ("Lie on your back, one knee bent.", "Arms towards the knees."),
            ("chin in, ribs towards the pelvis", "only as far as the belly stays flat"),
            _FAULTS,
            "the upper belly",
            "doming, the neck, the low back",
            breath(exhale("to curl"), back=inhale("to lower")),
            Dose(5, 2, 6.0),
            {"flexion_strength": 0.8},
            sides=True,
            effort=5,
            parameters=(_CURL,),
            arrow="vertex",
            do=(
                "One knee bent, arms towards the knees, chin in.",
                "Breathe {out} and bring ribs towards pelvis until the shoulder blades just leave; the head presses back, the belly stays flat.",
                "Breathe {in} and lower one bone at a time.",
            ),
        ),
        Step(
            "legs_straight",
            "Curl, legs straight",
            _straight,
            ("Lie on your back, legs long and set.", "Arms towards the knees."),
            ("nine parts tuck to one part lift", "buttocks set"),
            _FAULTS,
            "the whole belly",
            "doming, the neck, the low back",
            breath(exhale("to curl"), back=inhale("to lower")),
            Dose(5, 2, 6.0),
            {"flexion_strength": 1.0},
            effort=6,
            parameters=(_CURL,),
            arrow="vertex",
            do=(
                "Legs long and matched, buttocks set.",
                "Breathe {out}: nine parts of tucking the pelvis, one part of lifting the ribs.",
                "Breathe {in} and lower, the tuck lets go last.",
            ),
        ).watching(Fault("legs_float_up", "legs float up", "the heels leave the floor as the ribs come", "the front of the hips does the work", "nine parts tuck, one part ribs; heels heavy")),
    ),
)
