"""Up from the floor, and down to it, by a chair: knees, half kneeling, standing; hands on the seat."""



import numpy as np

from amvel.body import but
from amvel.body.anthropometry import HIP_HALF_WIDTH
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting, once
from amvel.movements.faults import BREATH_HELD, KNEE_FALLS_IN
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.needs import FIRM_CHAIR, THICK_PAD
from amvel.movements.positions import both, flat_sole, half_kneeling, kneeling, standing, trunk_lean
from amvel.movements.room_measures import Measured
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong

_SIDES = ("left", "right")
_THIGH_LEVEL_DEG = 90.0
_LEAN_DEG = 25.0
_FLAT = "flat"
_FIRM_SOLE = 4.0  # the foot ahead stays flat however far the weight goes over it
_TO_SPARE_DEG = 12.0  # a hip at its end rounds the back


def _hands_on_seat(frame: Frame, s: Setting, ahead_cm: float, lean_deg: float) -> Frame:
    """Both palms on the seat in front, the trunk leaning to it."""
    seat = Surface(
        "worktop", "level", s.number("seat_cm"), friction=0.5, stiffness_n_per_m=6.0e3, title="firm seat"
    )
    frame = but(frame, surfaces={**frame.surfaces, "worktop": seat})
    flat = s.word("hand") == _FLAT
    bent_back = {"wrist_extension": 60.0} if flat else {"wrist_extension": 0.0}
    arms = both(shoulder_flexion=50.0, elbow_flexion=25.0, forearm_pronation=75.0, **bent_back)
    give = {"shoulder_flexion": 0.1, "elbow_flexion": 0.1} | ({"wrist_extension": 0.3} if flat else {})
    frame = frame.with_(**arms).free_(**both(**give))
    aims = (
        Aim(f"{x}.wrist", "x", ahead_cm, origin=f"{x}.shoulder", must_hold=False, weight=0.3) for x in _SIDES
    )
    mark = "palm" if flat else "knuckles"
    frame = frame.touch(*(Touch(f"{x}.{mark}", "worktop") for x in _SIDES)).aim(*aims)
    return frame.aim(*trunk_lean(s.body, lean_deg, firm=False)).facts_(hand_support_level=3, on_floor=True)


@once
def _kneeling(s: Setting) -> Frame:
    """On both knees, hands on the seat, weight a little forward."""
    frame = (
        kneeling(s.body)
        .unaim("centre_of_mass")
        .aim(
            Aim("centre_of_mass", "x", 8.0 * s.body.stature_m, origin="right.knee", weight=0.5),
        )
    )
    frame = frame.with_("on both knees, hands on the seat", **both(hip_flexion=25.0)).free_(
        **both(hip_flexion=0.1)
    )
    return _hands_on_seat(frame, s, 22.0 * s.body.stature_m, 25.0)


@once
def _half(s: Setting) -> Frame:
    """One foot ahead; a hip that bends no further keeps the trunk tall, the weight less far ahead."""
    room_deg = s.capacities.range_deg["left.hip_flexion"] - _THIGH_LEVEL_DEG - _TO_SPARE_DEG
    lean_deg = float(np.clip(room_deg, 0.0, _LEAN_DEG))
    ahead_cm = (4.0 + 6.0 * lean_deg / _LEAN_DEG) * s.body.stature_m
    frame = half_kneeling(s.body, ahead_share=0.16).unaim("centre_of_mass", "left.foot_inner")
    frame = frame.aim(
        flat_sole("left")._replace(weight=_FIRM_SOLE),
        Aim("centre_of_mass", "x", ahead_cm, origin="right.knee", weight=0.5),
        Aim("left.ball", "y", 0.0, origin="left.heel", weight=0.5),
        Aim("right.toe_tip", "y", -200 * HIP_HALF_WIDTH * s.body.stature_m, origin="left.ankle", weight=0.3),
    )
    return _hands_on_seat(frame.with_("one foot ahead"), s, 20.0 * s.body.stature_m, lean_deg)


@once
def _over_the_foot(s: Setting) -> Frame:
    """Weight over the foot ahead and the hands, as far to the side as a hip goes that nobody has tested."""
    return (
        _half(s)
        .unaim("centre_of_mass", "left.hip")
        .aim(
            Aim("centre_of_mass", "x", 8.0 * s.body.stature_m, origin="right.knee", weight=2.0, must_hold=False),
            Aim("centre_of_mass", "y", -8.5, origin="left.ankle", weight=2.0, must_hold=False),
        )
        .with_("weight over the foot and the hands")
    )


@once
def _lifting(s: Setting) -> Frame:
    """The knee behind has left; foot, toes behind and hands carry."""
    over = Aim("centre_of_mass", "x", -6.5, origin="left.ankle", weight=2.0, must_hold=False)
    frame = _over_the_foot(s).lift("right.knee_front").unaim("centre_of_mass")
    frame = frame.aim(over, Aim("centre_of_mass", "y", -6.0, origin="left.ankle", weight=2.0, must_hold=False))
    frame = frame.with_(
        "the knee behind lifts", right_knee_flexion=70.0, right_hip_flexion=20.0, left_hip_flexion=95.0
    )
    give = both(hip_flexion=0.1, knee_flexion=0.1)
    return frame.touch(Touch("right.knee_front", "floor", bears=False, gap_cm=12.0)).free_(**give)


def _pushing(s: Setting) -> Frame:
    """Half-way up: the front leg and the arms push, only the toes of the leg behind still touch."""
    over = Aim("centre_of_mass", "x", 3.0, origin="left.ankle", weight=0.5)
    frame = _lifting(s).lift("right.knee_front").unaim("centre_of_mass", "com.upper_thorax")
    frame = frame.aim(over, Aim("centre_of_mass", "y", -6.0, origin="left.ankle", weight=10.0, must_hold=False))
    frame = frame.with_("half-way up", left_hip_flexion=92.0, left_knee_flexion=60.0, right_hip_flexion=25.0)
    frame = frame.touch(Touch("right.ball", "floor", places=False))
    return frame.with_(right_knee_flexion=50.0).free_(**both(hip_flexion=0.1, knee_flexion=0.2))


def _half_kneel(s: Setting) -> list[Frame]:
    """The hands carry while the foot comes ahead."""
    light = _kneeling(s).lift("left.toe_tip", "left.knee_front").unaim("left.knee")
    light = light.aim(Aim("centre_of_mass", "y", 0.0, origin="right.knee", weight=0.3))
    light = light.with_(
        "one knee light", left_hip_flexion=66.0, left_knee_flexion=100.0, left_ankle_dorsiflexion=0.0
    )
    return [_kneeling(s), light.free_(**both(hip_abduction=0.2)), _half(s)]


def _push_up(s: Setting) -> list[Frame]:
    return [_half(s), _over_the_foot(s), _lifting(s)]


def _all(s: Setting) -> list[Frame]:
    return [*_half_kneel(s), _over_the_foot(s), _lifting(s), _pushing(s), _bent_stand(s)]


def _bent_stand(s: Setting) -> Frame:
    """Both feet down, hips hinged, hands still on the seat."""
    frame = standing(s.body).unaim("left.ankle", "right.ankle", "centre_of_mass")
    frame = frame.aim(
        Aim("right.ankle", "x", 0.0),
        Aim("left.ankle", "x", 9.0 * s.body.stature_m, origin="right.ankle"),
        Aim("left.ball", "y", 0.0, origin="left.heel", weight=0.5),
        Aim("centre_of_mass", "x", 4.0, origin="left.ankle", weight=3.0, must_hold=False),
        Aim("centre_of_mass", "y", -1.0, origin="left.ankle", weight=1.0, must_hold=False),
    )
    frame = frame.with_("both feet down, hands still there", **both(hip_flexion=85.0, knee_flexion=60.0))
    frame = frame.free_(**both(hip_flexion=0.1, knee_flexion=0.1))
    return _hands_on_seat(frame, s, 6.0, 50.0).facts_(rises=1)


_SEAT = Parameter("seat_cm", "height under the hands: seat, stool or table", "cm", 44, low=30, high=80, grid=1, easier="up", measured=Measured.SEAT_AS_SUPPORT)
_HAND = Parameter("hand", "how the hands rest on the seat", "", _FLAT, choices=(_FLAT, "fists"))
FAMILY = (
    Ladder(
        "floor_by_a_chair",
        "Up from the floor by a chair",
        "kneeling",
        "The rise that makes every floor plan possible: knees, half kneeling, stand; and the same way down.",
        part=SessionPart.CARRIES_OVER,
        setup=(
            "A heavy chair against the wall, a pad for the knees.",
            "Kneel before it, both hands flat on the seat.",
        ),
        cues=(
            "hands push down, breastbone forward",
            "the stronger leg comes ahead",
            "down is the same way, slower",
        ),
        faults=(
            KNEE_FALLS_IN,
            Fault(
                "pulls_on_the_back_rest",
                "pulls on the back rest",
                "the chair tips",
                "hands are in the wrong place",
                "hands flat on the seat",
            ),
            Fault(
                "rounds_over",
                "rounds over",
                "the back bends as the knee lifts",
                "weight too far behind",
                "nose over the hands first", Wrong({"lumbar.flexion": 20, "lower_thoracic.flexion": 14, "upper_thoracic.flexion": 8}),
            ),
            BREATH_HELD,
        ),
        felt="thigh and buttock of the leg ahead, the arms",
        not_felt="the low back, the knee behind",
        breath=breath(exhale("to push"), ready=inhale("to get ready")),
        sides=True,
        props=(FIRM_CHAIR, THICK_PAD),
        parameters=(_SEAT, _HAND),
    )
    .rung(
        "to_half_kneeling",
        "One foot comes ahead",
        _half_kneel,
        Dose(4, 1, 8.0),
        {"position_change": 0.7, "leg_loading": 0.4, "balance": 0.4},
        4,
        arrow="left.knee",
        do=(
            "Kneel before the chair, both hands flat on the seat.",
            "Breathe {out}, push the hands down and bring one foot flat ahead.",
            "Take it back to kneeling the same way.",
        ),
    )
    .rung(
        "knee_lifts",
        "The knee behind lifts and lands",
        _push_up,
        Dose(4, 1, 8.0),
        {"position_change": 0.8, "leg_loading": 0.8, "balance": 0.4},
        6,
        after=("sit_to_stand/two_legs",),
        arrow="right.knee",
        more_faults=(Fault("lands_hard", "lands hard", "the knee drops onto the pad", "the front leg lets go at the end", "half as high; let it land without a sound"),),
        do=(
            "One foot ahead, hands on the seat.",
            "Breathe {out}, push with hands and front foot until the knee behind leaves the pad by a hand’s breadth.",
            "Let it land softly.",
        ),
    )
    .rung(
        "all_the_way_up",
        "All the way up, and down again",
        _all,
        Dose(2, 1, 20.0),
        {"position_change": 1.0, "leg_loading": 0.8, "balance": 0.5},
        6,
        shown=(0, 3, -1),
        arrow="vertex",
        more_faults=(Fault("lets_go_too_early", "lets go too early", "the hands leave the seat before the feet are side by side", "hurry", "hands stay until both feet stand; then grow"),),
        do=(
            "One foot ahead, hands on the seat, the other toes tucked.",
            "Breathe {out}, push with hands and both feet until you stand, hands still on the seat.",
            "Go down the same way, slower: one knee, then the other.",
        ),
    )
    .family(daily_task=True)
)
