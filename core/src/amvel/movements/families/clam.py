"""Clam: lying on the side, the upper knee opens while the feet stay together."""

from amvel.movements.breath import breath, exhale, inhale, steady
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, ROLLS_BACK
from amvel.movements.feedback import ROLL_UNDER_THE_WAIST
from amvel.movements.frames import Aim, Band, Frame, Touch
from amvel.movements.lying_positions import side_lying
from amvel.movements.needs import BAND, CUSHION
from amvel.movements.promise import joint

_JERKS = Fault(
    "jerky_return", "jerky return", "the knee drops the last part", "weakness near the end", "close as slowly as you opened"
)


def _frames(s: Setting) -> list[Frame]:
    feet = (
        Aim("left.ankle", "x", 0.0, origin="right.ankle", must_hold=False),
        Aim("left.ankle", "y", 0.0, origin="right.ankle", must_hold=False),
    )
    start = (
        side_lying(s.body)
        .free_(
            left_hip_rotation=0.1,
            left_knee_flexion=1.0,
            left_hip_flexion=1.0,
            left_ankle_inversion=0.3,
            left_ankle_dorsiflexion=0.5,
        )
        .aim(*feet)
    )
    start = start.touch(Touch("right.foot_outer", "floor")).free_(
        right_hip_rotation=0.2, right_ankle_inversion=0.3
    )
    return [start, start.with_("upper knee open", left_hip_abduction=s.number("open_deg"))]


def _pulses(s: Setting) -> list[Frame]:
    """Up from where the knees lie together, then a little down and up again."""
    closed, top = _frames(s)
    return [closed.facts_(way_in=True), top, top.with_("a little lower", left_hip_abduction=s.number("open_deg") - _PULSE_DEG)]


def _banded(s: Setting) -> list[Frame]:
    """A closed loop: what the band takes from the upper knee it gives to the lower one."""
    pull = s.number("band_n")
    return [f.band(Band("left.knee", pull, to="right.knee")) for f in _frames(s)]


_PULSE_DEG = 6.0
_BAND = Parameter("band_n", "pull of the band at the start", "N", 10, low=5, high=60, grid=5, easier="down")


def _open(default: float) -> Parameter:
    return Parameter(
        "open_deg", "how far the knee opens", "deg", default, low=10, high=40, grid=5, easier="down", shows=joint("left.hip.abduction"))


_PAD = "Head on a firm cushion so that the neck is in line; soles level with the sit bones."
_FAULTS = (ROLLS_BACK, _JERKS, BACK_HOLLOWS, BREATH_HELD)

FAMILY = Family(
    "clam",
    "Clam",
    "on the side",
    "The hip turns out against gravity while the pelvis stays stacked.",
    (
        Step(
            "small_opening",
            "Small opening",
            _frames,
            ("Lie on your side, hips and knees bent, hips stacked.", _PAD, "Upper hand in front of you."),
            ("feet stay together, knee opens like a lid", "the waist stays long"),
            _FAULTS,
            "the side of the upper buttock",
            "the front of the thigh, the lower hip",
            breath(exhale("to open"), back=inhale("to close")),
            Dose(10, 2, 5.0),
            {"hip_out": 0.8, "turning": 0.3},
            sides=True,
            effort=2,
            parameters=(_open(15),),
            props=(CUSHION,),
            arrow="left.knee",
            view="front",
            feedback=(ROLL_UNDER_THE_WAIST,),
            do=(
                "Lie on your side, feet together, the upper hand in front; a breath to the ribs, a breath to the belly.",
                "Breathe {out} and open the upper knee a hand’s breadth; the pelvis stays stacked.",
                "Breathe {in} and close it without dropping.",
            ),
        ),
        Step(
            "larger_opening",
            "Larger opening",
            _frames,
            (
                "Lie on your side, hips and knees bent, hips stacked; your back near a wall tells you when you roll.",
                _PAD,
            ),
            ("open as far as the pelvis stays", "pause, then close slowly"),
            _FAULTS,
            "the side of the upper buttock",
            "the back of the waist",
            breath(exhale("to open"), back=inhale("to close")),
            Dose(10, 3, 6.0),
            {"hip_out": 1.0, "turning": 0.3},
            sides=True,
            effort=3,
            parameters=(_open(30),),
            props=(CUSHION,),
            arrow="left.knee",
            view="front",
            feedback=(ROLL_UNDER_THE_WAIST,),
            do=(
                "Your back near a wall, which tells you when you roll.",
                "Breathe {out} and open the knee as far as the pelvis stays, and pause at the top.",
                "Close slowly on the breath {in}; rest the leg after the set.",
            ),
        ),
        Step(
            "pulses",
            "Ten small pulses at the top",
            _pulses,
            (
                "Lie on your side, hips and knees bent, hips stacked.",
                _PAD,
                "Open to your own top, and stay there.",
            ),
            ("small, no bounce", "the waist stays long"),
            _FAULTS,
            "a burn in the side of the upper buttock",
            "the front of the thigh, the lower hip",
            steady("breathe on, out with every second pulse"),
            Dose(10, 2, 2.0, note="ten pulses without coming down"),
            {"hip_out": 1.0, "turning": 0.3},
            sides=True,
            effort=4,
            parameters=(_open(30),),
            props=(CUSHION,),
            arrow="left.knee",
            view="front",
            feedback=(ROLL_UNDER_THE_WAIST,),
            do=(
                "Open to your own top and stay there.",
                "Ten small pulses of a finger’s breadth, no bounce, the waist long.",
                "Close slowly and rest the leg before the next round.",
            ),
        ).watching(Fault("bounces", "bounces", "the knee drops and springs back between the pulses", "swing does what the hip should do", "half the height, and a count for each")),
        Step(
            "band_above_knees",
            "Band above the knees",
            _banded,
            (
                "Lie on your side, hips and knees bent, hips stacked.",
                _PAD,
                "A band round both thighs, above the knees.",
            ),
            ("open against the band, close slower", "the pelvis does not know"),
            _FAULTS,
            "the side of the upper buttock",
            "the back of the waist, the knees",
            breath(exhale("to open"), back=inhale("to close")),
            Dose(10, 2, 6.0, note="every other day"),
            {"hip_out": 1.0, "turning": 0.4},
            sides=True,
            effort=4,
            parameters=(_open(20), _BAND),
            props=(CUSHION, BAND),
            arrow="left.knee",
            view="front",
            feedback=(ROLL_UNDER_THE_WAIST,),
            do=(
                "A band above the knees, feet together.",
                "Breathe {out} and open against the band to where the pelvis stays.",
                "Breathe {in} and close slower than the band would like.",
            ),
        ).watching(Fault("feet_part", "feet part", "the upper foot leaves the lower one", "the leg lifts instead of turning", "press the heels lightly together; a lighter band")),
    ),
)
