"""The positions that movements start from, declared once: where the body lies and what carries it."""

import math
from functools import lru_cache

import numpy as np

from amvel.body import Anthropometry, FrameFacts
from amvel.body.anthropometry import HIP_HALF_WIDTH, SHOULDER
from amvel.movements.frames import Aim, Frame, Surface, Touch

# Columns: where the body's forward, left and up axes point in the world.
FACE_UP = np.array([[0, 0, -1], [0, 1, 0], [1, 0, 0]], dtype=float)
FACE_DOWN = np.array([[0, 0, 1], [0, 1, 0], [-1, 0, 0]], dtype=float)
LEFT_SIDE_UP = np.array([[0, 0, -1], [-1, 0, 0], [0, 1, 0]], dtype=float)
UPRIGHT = np.eye(3)

FLOOR = Surface("floor", "level", 0.0, friction=0.6, title="floor or mat")
# Tall sitting keeps about half of the curve that relaxed sitting flattens (38°, Andersson et al. 1979; the half is our reading).
SITTING_FLATTENS_DEG = 19.0
_SIDES = ("left", "right")
KEPT_POSITIONS = 512  # positions of bodies on their furniture: many steps begin in the same one
_ARMS_SQUARE_CM = 15.0
_STANDS = 4.0  # a foot gives less than anything that goes over it
HIPS_SQUARE = Aim("left.hip", "x", 0.0, origin="right.hip", must_hold=False)
_FEET_LEVEL = Aim("left.ankle", "x", 0.0, origin="right.ankle")


def feet(*parts: str, surface: str = "floor", sides: tuple[str, ...] = _SIDES) -> tuple[Touch, ...]:
    """Feet on a surface, by default with heel and ball."""
    return tuple(Touch(f"{s}.{p}", surface) for s in sides for p in (parts or ("heel", "ball")))


def both(**angles: float) -> dict[str, float]:
    """The same angle left and right: both(hip_flexion=45)."""
    return {f"{s}_{k}": v for s in _SIDES for k, v in angles.items()}


def legs_give(*joints: str, stiffness: float = 0.1) -> dict[str, float]:
    """These joints of both legs may give."""
    return {f"{s}.{j}": stiffness for s in _SIDES for j in joints}


def hands_ahead_cm(body: Anthropometry, hand: str, raised_cm: float) -> tuple[float, float]:
    """How far raised hands lie ahead of the shoulders, and of the knees under upright thighs.

    Straight down onto something high the arms would set the trunk upright; so they reach ahead the more the higher it
    is, and from about a hand's length on they are square to the trunk (our choice; a seat ahead is common practice).
    """
    thigh, trunk, arm = body.lengths_m["thigh"], SHOULDER[1] * body.stature_m, _arm_m(body, hand)
    height = raised_cm / 100
    square = math.atan2(arm, trunk) + math.asin(max(-1.0, (height - thigh) / math.hypot(arm, trunk)))
    ahead = min(1.0, raised_cm / _ARMS_SQUARE_CM) * arm * max(0.0, math.sin(square))
    rise = height + math.sqrt(max(0.0, arm**2 - ahead**2)) - thigh
    return 100 * ahead, 100 * (ahead + math.sqrt(max(0.0, trunk**2 - rise**2)))


def _arm_m(body: Anthropometry, hand: str) -> float:
    """From the shoulder to what rests: the wrist, or the elbow."""
    return body.lengths_m["upper_arm"] + (0.0 if hand == "forearms" else body.lengths_m["forearm"])


@lru_cache(maxsize=KEPT_POSITIONS)
def hands_and_knees(body: Anthropometry, hand: str = "flat", hands_raised_cm: float = 0.0) -> Frame:
    """Hands under the shoulders, or ahead of them where they are raised; knees under the hips.

    `hand` is flat, fists or forearms.
    """
    ahead_cm = hands_ahead_cm(body, hand, hands_raised_cm)[0]
    angles: dict[str, float] = {}
    free = dict(legs_give("hip.flexion", "knee.flexion", "ankle.dorsiflexion", "shoulder.flexion"))
    touches: list[Touch] = []
    aims: list[Aim] = []
    for s in _SIDES:
        angles |= {
            f"{s}.hip.flexion": 85.0,
            f"{s}.knee.flexion": 90.0,
            f"{s}.ankle.dorsiflexion": 0.0,
            f"{s}.toes.extension": 60.0,
            f"{s}.shoulder.flexion": 88.0,
        }
        touches += [Touch(f"{s}.knee_front", "floor"), Touch(f"{s}.toe_under", "floor", strategy="rests")]
        aims += [
            Aim(f"{s}.knee", "x", 0.0, origin=f"{s}.hip", must_hold=False),
        ]
        free |= {f"{s}.toes.extension": 0.2}
        if hand == "forearms":
            angles |= {f"{s}.elbow.flexion": 90.0, f"{s}.forearm.pronation": 0.0}
            free |= {f"{s}.elbow.flexion": 0.1}
            touches += [Touch(f"{s}.elbow_tip", "hand support"), Touch(f"{s}.forearm_side", "hand support")]
            aims.append(Aim(f"{s}.elbow", "x", ahead_cm, origin=f"{s}.shoulder", must_hold=False))
        else:
            flat = hand == "flat"
            slant_deg = math.degrees(math.asin(ahead_cm / 100 / _arm_m(body, hand)))
            bent_back_deg = 85.0 - slant_deg if flat else 0.0
            angles |= {f"{s}.forearm.pronation": 90.0, f"{s}.wrist.extension": bent_back_deg}
            if flat:
                free |= {f"{s}.wrist.extension": 0.5}
            touches.append(Touch(f"{s}.{'palm' if flat else 'knuckles'}", "hand support"))
            aims.append(Aim(f"{s}.wrist", "x", ahead_cm, origin=f"{s}.shoulder", must_hold=False))
            if flat:
                aims.append(Aim(f"{s}.fingertips", "z", 0.0, origin=f"{s}.palm", must_hold=False, weight=0.2))
    return Frame(
        "on hands and knees",
        FACE_DOWN,
        (0, 0, 45),
        angles,
        {**free, "neck.flexion": 2.0},
        tuple(touches),
        (*aims, HIPS_SQUARE),
        surfaces={
            "floor": FLOOR,
            "hand support": Surface(
                "hand support",
                "level",
                hands_raised_cm,
                friction=0.6,
                title="block" if hands_raised_cm else "floor",
            ),
        },
        facts=FrameFacts(on_floor=True),
    )


@lru_cache(maxsize=KEPT_POSITIONS)
def sitting(body: Anthropometry, seat_cm: float, lean_deg: float = 0.0, heel_back_cm: float = 0.0) -> Frame:
    """Tall on a firm seat, feet flat. `lean_deg` is the lean of the trunk from the hips, `heel_back_cm` heels behind the knees."""
    angles: dict[str, float] = {}
    for s in _SIDES:
        angles |= {
            f"{s}.hip.flexion": 85.0 + lean_deg,
            f"{s}.knee.flexion": 88.0,
            f"{s}.shoulder.flexion": 28.0 + lean_deg,
            f"{s}.elbow.flexion": 50.0,
            f"{s}.forearm.pronation": 70.0,
            f"{s}.shoulder.abduction": 4.0,
        }
    return Frame(
        "sitting tall",
        UPRIGHT,
        (0, 0, seat_cm + 9),
        angles,
        {
            **legs_give("hip.flexion", "knee.flexion", "ankle.dorsiflexion"),
            **legs_give("shoulder.flexion", "elbow.flexion", stiffness=0.2),
        },
        (
            *(Touch(f"{s}.sit_bone", "seat") for s in _SIDES),
            *(Touch(f"{s}.thigh_under", "seat", places=False) for s in _SIDES),
            *feet(),
            *(Touch(f"{s}.palm", "seat", "rests", on=f"{s}.thigh_top") for s in _SIDES),
        ),
        (
            *(Aim(f"{s}.palm", "x", 0.0, origin=f"{s}.thigh_top", must_hold=False) for s in _SIDES),
            *(Aim(f"{s}.ankle", "x", -heel_back_cm, origin=f"{s}.knee") for s in _SIDES),
            _FEET_LEVEL,
            HIPS_SQUARE,
            *trunk_lean(body, lean_deg),
        ),
        surfaces={"floor": FLOOR, "seat": Surface("seat", "level", seat_cm, friction=0.5, title="firm seat")},
        neutral={"lumbar.flexion": SITTING_FLATTENS_DEG},
        facts=FrameFacts(seated=True),
    )


def weight_between_feet(body: Anthropometry) -> Aim:
    """Keep the weight midway between feet that stand hip-wide."""
    return Aim("centre_of_mass", "y", 100 * HIP_HALF_WIDTH * body.stature_m, origin="right.ankle", weight=0.5)


SIDEWAYS = {f"{s}_{j}": 0.1 for s in _SIDES for j in ("hip_abduction", "ankle_inversion")}


def hip_wide(body: Anthropometry, landmark: str = "ankle") -> Aim:
    """The feet stay hip-wide apart: what stands does not slide."""
    return Aim(
        f"left.{landmark}",
        "y",
        200 * HIP_HALF_WIDTH * body.stature_m,
        origin=f"right.{landmark}",
        weight=_STANDS,
    )


def weight_on_one_foot(frame: Frame, body: Anthropometry, name: str = "weight on one foot") -> Frame:
    """The weight goes over the right foot while both feet stay where they are."""
    over = Aim("centre_of_mass", "y", 0.0, origin="right.ankle", weight=0.5)
    return frame.aim(over, *stands_on_both(body)).free_(**SIDEWAYS).with_(name)


def left_foot_up(frame: Frame) -> Frame:
    """The left foot leaves the floor, and with it everything that kept it there."""
    return frame.lift("left.heel", "left.ball").unaim("left.ankle", "left.foot_inner")


def stands_on_both(body: Anthropometry) -> tuple[Aim, ...]:
    """Both soles flat, hip-wide, in the place where they stood: what goes over them does not take them along."""
    return (hip_wide(body), right_foot_stays(body), flat_sole("left"), flat_sole("right"))


def right_foot_stays(body: Anthropometry, landmark: str = "ankle") -> Aim:
    """Where it stands with the weight between the feet: the body goes over the foot, and not the foot under the body."""
    return Aim(f"right.{landmark}", "y", -100 * HIP_HALF_WIDTH * body.stature_m, weight=_STANDS)


def trunk_lean(body: Anthropometry, lean_deg: float, firm: bool = True) -> tuple[Aim, ...]:
    """Keep the line from the hips to the upper thorax at a lean from upright (forward positive); not `firm`: as near as it goes.

    From the hips, not from the pelvis: a pelvis that tilts in sitting takes its own middle with it.
    """
    lean = np.radians(lean_deg)
    heights = {s.name: s for s in body.segments}
    x = (
        sum(heights[n].joint[0] for n in ("lumbar", "lower_thorax", "upper_thorax"))
        + heights["upper_thorax"].com[0]
    )
    direction = (float(np.cos(lean)), 0.0, float(-np.sin(lean)))
    return (
        Aim(
            "com.upper_thorax",
            "lean",
            100 * x,
            origin="hip_axis",
            direction=direction,
            weight=0.3,
            must_hold=firm,
        ),
    )


@lru_cache(maxsize=KEPT_POSITIONS)
def standing(body: Anthropometry, lean_deg: float = 0.0) -> Frame:
    """Upright on both feet, hip-width apart, weight over the middle of the feet."""
    angles = {
        f"{s}.{k}": v
        for s in _SIDES
        for k, v in (("knee.flexion", 4.0), ("hip.flexion", 3.0), ("shoulder.flexion", 4.0))
    }
    height_cm = 53 * body.stature_m
    return Frame(
        "standing tall",
        UPRIGHT,
        (0, 0, height_cm),
        angles,
        {**legs_give("ankle.dorsiflexion", "hip.flexion"), **legs_give("knee.flexion", stiffness=2.0)},
        feet(),
        (
            Aim("centre_of_mass", "x", 5.0, origin="right.ankle"),
            _FEET_LEVEL,
            HIPS_SQUARE,
            Aim("right.ankle", "x", 0.0),
            right_foot_stays(body),
            weight_between_feet(body),
            *trunk_lean(body, lean_deg, firm=lean_deg != 0.0),
        ),
        surfaces={"floor": FLOOR},
        facts=FrameFacts(standing=True),
    )


@lru_cache(maxsize=KEPT_POSITIONS)
def forearms_on_wall(body: Anthropometry, wall_cm: float) -> Frame:
    """Leaning on a wall in front with both forearms, body in one line; `wall_cm` is from the toes' ball to the wall."""
    angles: dict[str, float] = {}
    for s in _SIDES:
        angles |= {f"{s}.shoulder.flexion": 75.0, f"{s}.elbow.flexion": 105.0}
    wall = Surface("wall", "wall", wall_cm, friction=0.5, title="wall")
    return Frame(
        "forearms on the wall",
        UPRIGHT,
        (0, 0, 53 * body.stature_m),
        angles,
        legs_give("ankle.dorsiflexion", "shoulder.flexion", "elbow.flexion"),
        (*feet(), *(Touch(f"{s}.{p}", "wall") for s in _SIDES for p in ("elbow_tip", "forearm_side"))),
        tuple(Aim(f"{s}.ball", "x", 0.0) for s in _SIDES)
        + tuple(
            Aim(
                f"{s}.elbow",
                "z",
                -0.035 * 100 * body.stature_m,
                origin=f"{s}.shoulder",
                must_hold=False,
                weight=0.2,
            )
            for s in _SIDES
        ),
        surfaces={"floor": FLOOR, "wall": wall},
        facts=FrameFacts(standing=True, hand_support_level=3),
    )


@lru_cache(maxsize=KEPT_POSITIONS)
def kneeling(body: Anthropometry) -> Frame:
    """Tall on both knees, shins on the floor, hips straight."""
    angles = {
        f"{s}.{k}": v
        for s in _SIDES
        for k, v in (
            ("knee.flexion", 92.0),
            ("hip.flexion", 2.0),
            ("ankle.dorsiflexion", -35.0),
            ("shoulder.flexion", 5.0),
        )
    }
    return Frame(
        "kneeling tall",
        UPRIGHT,
        (0, 0, 27 * body.stature_m),
        angles,
        {**legs_give("hip.flexion", "knee.flexion"), **legs_give("ankle.dorsiflexion", stiffness=0.5)},
        (
            *(Touch(f"{s}.knee_front", "floor") for s in _SIDES),
            *(Touch(f"{s}.toe_tip", "floor") for s in _SIDES),
        ),
        (
            Aim("centre_of_mass", "x", -5.0, origin="right.knee", weight=0.5),
            Aim("left.knee", "x", 0.0, origin="right.knee"),
            Aim("centre_of_mass", "y", 100 * HIP_HALF_WIDTH * body.stature_m, origin="right.knee", weight=0.5),
            HIPS_SQUARE,
            *trunk_lean(body, 0.0),
        ),
        surfaces={"floor": FLOOR},
        facts=FrameFacts(on_floor=True, hand_support_level=1),
    )


def flat_sole(side: str) -> Aim:
    """Both edges of the foot at one height: heel and ball alone would let it roll."""
    return Aim(f"{side}.foot_inner", "z", 0.0, origin=f"{side}.foot_outer", weight=_STANDS)


def level_pelvis() -> Aim:
    """Both hips at one height: where a limb is out of reach, a stiff hip must not tip the pelvis instead."""
    return Aim("left.hip", "z", 0.0, origin="right.hip", weight=0.3)


@lru_cache(maxsize=KEPT_POSITIONS)
def half_kneeling(body: Anthropometry, ahead_share: float = 0.20) -> Frame:
    """Right knee and toes down, left foot flat ahead, trunk tall; `ahead_share` of the stature between knee and ankle."""
    frame = kneeling(body).lift("left.knee_front", "left.toe_tip").unaim("left.knee", "centre_of_mass")
    frame = frame.with_(
        "half kneeling",
        left_hip_flexion=84.0,
        left_knee_flexion=88.0,
        left_ankle_dorsiflexion=2.0,
        right_hip_flexion=0.0,
    )
    frame = frame.touch(*feet(sides=("left",))).aim(
        Aim("left.ankle", "x", 100 * ahead_share * body.stature_m, origin="right.knee"),
        Aim("left.ankle", "y", 100 * 2 * HIP_HALF_WIDTH * body.stature_m, origin="right.knee"),
        Aim("centre_of_mass", "x", 5.0 * body.stature_m, origin="right.knee", weight=0.5),
        Aim("centre_of_mass", "y", 60 * HIP_HALF_WIDTH * body.stature_m, origin="right.knee", weight=0.5),
    )
    frame = frame.aim(flat_sole("left"), level_pelvis())
    give = ("hip_flexion", "knee_flexion", "ankle_dorsiflexion", "hip_abduction")
    return frame.free_(**both(**{j: 0.1 for j in give}), left_ankle_inversion=0.1)
