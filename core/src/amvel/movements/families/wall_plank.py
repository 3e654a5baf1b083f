"""Wall plank: leaning on a wall in one line."""

from amvel.body import Anthropometry
from amvel.movements.breath import breath, exhale, inhale, steady
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step, once
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, PELVIS_DROPS, SHOULDER_CLIMBS
from amvel.movements.feedback import STRIPE_ON_THE_WAISTBAND
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.needs import WALL
from amvel.movements.positions import flat_sole, forearms_on_wall, hip_wide, level_pelvis, right_foot_stays
from amvel.movements.room_measures import FitId, Measured
from amvel.movements.wrong import Wrong

_PIKE = Fault(
    "hips_pike",
    "hips pike",
    "the seat goes back and the line breaks",
    "the belly has let go",
    "bring the front of the hips towards the wall", Wrong({"left.hip.flexion": 26, "right.hip.flexion": 26}),
)
_FIRST_SHARE = 0.36
_SHIFT_SHARE = 0.004


def _distance(body: Anthropometry) -> float:
    return 100 * _FIRST_SHARE * body.stature_m


@once
def _plank(s: Setting) -> Frame:
    return forearms_on_wall(s.body, s.number("wall_cm"))


def _hold(s: Setting) -> list[Frame]:
    return [_plank(s)]


def _shifted(s: Setting) -> Frame:
    """A little weight over the standing foot, as much as the wall's grip does not give."""
    over = Aim("centre_of_mass", "y", 100 * _SHIFT_SHARE * s.body.stature_m, origin="right.ankle", weight=0.5)
    free = {
        f"{x}_{j}": 0.1
        for x in ("left", "right")
        for j in ("hip_abduction", "ankle_inversion", "shoulder_abduction")
    }
    return (
        _plank(s)
        .aim(over, hip_wide(s.body, "ball"), right_foot_stays(s.body, "ball"), level_pelvis(), flat_sole("left"), flat_sole("right"))
        .free_(**free)
        .with_("weight on one foot")
    )


def _unweight(s: Setting) -> list[Frame]:
    start = _shifted(s)
    up = (
        start.lift("left.heel", "left.ball")
        .unaim("left.ball", "left.foot_inner")
        .touch(Touch("left.ball", "floor", strategy="rests"))
        .aim(hip_wide(s.body, "ball"))
    )
    return [
        _plank(s),
        start,
        up.touch(Touch("left.heel", "floor", bears=False, gap_cm=4.0))
        .with_("one foot light")
        .free_(left_knee_flexion=0.3, left_hip_flexion=0.3, left_toes_extension=0.2),
    ]


def _lift(s: Setting) -> list[Frame]:
    start = _shifted(s)
    up = start.lift("left.heel", "left.ball").unaim("left.ball", "left.foot_inner")
    return [
        _plank(s),
        start,
        up.with_(
            "one foot lifted",
            left_hip_flexion=-8.0,
            left_knee_flexion=12.0,
            left_ankle_dorsiflexion=-8.0,
            left_hip_abduction=0.0,
        ),
    ]


_WALL = Parameter("wall_cm", "toes from the wall", "cm", _distance, low=30, high=90, grid=1, easier="down", still_itself=40, measured=Measured.WALL)
_FAULTS = (BACK_HOLLOWS, _PIKE, PELVIS_DROPS, SHOULDER_CLIMBS, BREATH_HELD)
_SETUP = (
    "Forearms on the wall at shoulder height, elbows under the hands.",
    "Walk the feet back to the mark; good soles or bare feet on a floor that grips.",
)

FAMILY = Family(
    "wall_plank",
    "Wall plank",
    "at the wall",
    "One line from crown to heels, as steep as the wall distance makes it.",
    (
        Step(
            "forearms",
            "Both feet",
            _hold,
            _SETUP,
            ("forearms press the wall away, ribs down", "buttocks set, head in line"),
            _FAULTS,
            "belly, buttocks and round the shoulder blades",
            "the low back",
            steady("breathe on, longer out than in"),
            Dose(3, 1, 15.0, hold_s=10),
            {"resist_extension": 0.8, "upper_back": 0.4, "deep_control": 0.3},
            effort=3,
            parameters=(_WALL,),
            props=(WALL,),
            feedback=(STRIPE_ON_THE_WAISTBAND,),
            do=(
                "Forearms on the wall, feet walked back to the mark.",
                "Press the wall away and become one line from crown to heels; breathe on, longer out than in.",
                "Walk the feet in to rest.",
            ),
        ),
        Step(
            "one_foot_light",
            "One foot light",
            _unweight,
            (*_SETUP, "One heel comes up, the foot becomes light."),
            ("pelvis stays level like a tray", "nothing else moves"),
            _FAULTS,
            "the side of the standing hip and the belly",
            "the low back",
            breath(exhale("to unweight"), back=inhale("to return")),
            Dose(5, 1, 6.0),
            {"resist_extension": 0.8, "turning": 0.6, "hip_out": 0.4, "balance": 0.3},
            sides=True,
            effort=4,
            parameters=(_WALL,),
            props=(WALL,),
            arrow="left.heel",
            feedback=(STRIPE_ON_THE_WAISTBAND,),
            do=(
                "In the wall plank, a stripe across the back of the waistband level.",
                "Breathe {out} and let one heel come up until that foot is light; the stripe stays level.",
                "Breathe {in} and put it down; then the other.",
            ),
        ),
        Step(
            "one_foot_lifted",
            "One foot lifted",
            _lift,
            (*_SETUP, "One foot leaves the floor a little, behind you."),
            ("lift from the buttock, low", "pelvis stays level"),
            _FAULTS,
            "buttock of the lifted leg, belly",
            "the low back",
            breath(exhale("to lift"), back=inhale("to return")),
            Dose(5, 2, 6.0),
            {"resist_extension": 0.9, "turning": 0.8, "hip_back": 0.6, "hip_out": 0.4, "balance": 0.4},
            sides=True,
            effort=5,
            parameters=(_WALL,),
            props=(WALL,),
            arrow="left.heel",
            feedback=(STRIPE_ON_THE_WAISTBAND,),
            do=(
                "In the wall plank, the stripe level.",
                "Breathe {out} and lift one foot a little behind you, from the buttock.",
                "Breathe {in} and put it down before the pelvis drops.",
            ),
        ),
    ),
    fits=(FitId.WALL, FitId.GRIP),
)
