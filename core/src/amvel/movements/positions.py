"""The positions that movements start from, declared once: where the body lies and what carries it."""

import math
from dataclasses import replace
from functools import lru_cache

import numpy as np

from amvel.body import JOINT_INDEX, JOINTS, Anthropometry, FrameFacts, Measures, Skeleton, measure
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
_NECK = {"neck.flexion": 0.3, "head.nod": 0.3}
_SIDES = ("left", "right")
_ARMS_SQUARE_CM = 15.0
_LEVEL = Aim("left.hip", "z", 0.0, origin="right.hip", weight=0.5)
_SQUARE = Aim("left.hip", "x", 0.0, origin="right.hip", must_hold=False)
_SQUARE_LYING = Aim("left.hip", "x", 0.0, origin="right.hip", weight=0.3)
_FEET_LEVEL = Aim("left.ankle", "x", 0.0, origin="right.ankle")


def feet(*parts: str, surface: str = "floor", sides: tuple[str, ...] = _SIDES) -> tuple[Touch, ...]:
    """Feet on a surface, by default with heel and ball."""
    return tuple(Touch(f"{s}.{p}", surface) for s in sides for p in (parts or ("heel", "ball")))


def both(**angles: float) -> dict[str, float]:
    """The same angle left and right: both(hip_flexion=45)."""
    return {f"{s}_{k}": v for s in _SIDES for k, v in angles.items()}


def _legs_give(*joints: str, stiffness: float = 0.1) -> dict[str, float]:
    return {f"{s}.{j}": stiffness for s in _SIDES for j in joints}


def _arms_by_the_side() -> dict[str, float]:
    return {
        f"{s}.{k}": v
        for s in _SIDES
        for k, v in (
            ("shoulder.flexion", -9.0),
            ("shoulder.abduction", 12.0),
            ("forearm.pronation", 60.0),
            ("elbow.flexion", 6.0),
        )
    }


def _arms_lie() -> tuple[Touch, ...]:
    """Wherever an arm comes near the floor it lies on it."""
    return tuple(Touch(f"{s}.wrist", "floor", strategy="rests", places=False) for s in _SIDES)


def own_heel_distance_cm(body: Anthropometry) -> float:
    """Heels from the sit bones at which crook lying is easy for this stature (our estimate)."""
    return 22.0 * body.stature_m


def own_head_pad_cm(body: Anthropometry) -> float:
    """What fills the gap under the head lying on the back: nothing for a straight back, more for a rounded one."""
    return _head_gap_cm(body.measures)


@lru_cache(maxsize=64)
def _head_gap_cm(measures: Measures) -> float:
    skeleton = Skeleton(measure(measures))
    angles = np.zeros((1, len(JOINTS)))
    angles[0, JOINT_INDEX["upper_thoracic.flexion"]] = measures.kyphosis_extra_rad
    points = skeleton.points(skeleton.place(np.zeros((1, 3)), np.eye(3)[None], angles))[0]
    behind = {n: float(points[skeleton.landmarks.index[n], 0]) for n in _BACK}
    gap = 100 * (behind["occiput"] - min(behind[n] for n in _BACK[1:]))
    return gap if gap >= LEAST_PAD_CM else 0.0


_BACK = ("occiput", "sacrum", "mid_back", "upper_back")
BACK_OF_PELVIS = ("sacrum", "left.buttock", "right.buttock")
LEAST_PAD_CM = 1.0  # a smaller gap is filled by the mat


def supine_crook(
    body: Anthropometry, heel_distance_cm: float | None = None, head_pad_cm: float | None = None
) -> Frame:
    """Lying on the back, knees bent, soles down; `heel_distance_cm` is from the sit bones to the heels."""
    pad_cm = own_head_pad_cm(body) if head_pad_cm is None else head_pad_cm
    heels_cm = own_heel_distance_cm(body) if heel_distance_cm is None else heel_distance_cm
    angles = {**_arms_by_the_side()}
    for s in _SIDES:
        angles |= {f"{s}.hip.flexion": 45.0, f"{s}.knee.flexion": 90.0}
    return Frame(
        "knees bent",
        FACE_UP,
        (0, 0, 12),
        angles,
        {**_NECK, **_legs_give("hip.flexion", "knee.flexion", "ankle.dorsiflexion")},
        (
            Touch("occiput", "head pad"),
            Touch("upper_back", "floor"),
            Touch("sacrum", "floor"),
            *(Touch(f"{s}.buttock", "floor", places=False) for s in _SIDES),
            *(replace(t, strategy="rests") for t in feet()),
            *_arms_lie(),
        ),
        (*(Aim(f"{s}.heel", "x", heels_cm, origin=f"{s}.sit_bone") for s in _SIDES), _SQUARE_LYING, _LEVEL),
        surfaces={"floor": FLOOR, "head pad": Surface("head pad", "level", pad_cm, title="head pad")},
        facts=FrameFacts(on_floor=True, lying_flat=True),
    )


def supine_calves_up(body: Anthropometry, support_cm: float, hip_deg: float = 90.0) -> Frame:
    """Lying on the back with the calves on a chair seat or box of the given height."""
    frame = supine_crook(body)
    angles = {**frame.angles}
    for s in _SIDES:
        angles |= {f"{s}.hip.flexion": hip_deg, f"{s}.knee.flexion": hip_deg}
    return Frame(
        "calves on the seat",
        FACE_UP,
        (0, 0, 12),
        angles,
        {**_NECK, **_legs_give("knee.flexion", stiffness=0.2), **_legs_give("hip.flexion", stiffness=0.6)},
        (
            Touch("occiput", "head pad"),
            Touch("upper_back", "floor"),
            Touch("sacrum", "floor"),
            *(Touch(f"{s}.buttock", "floor", places=False) for s in _SIDES),
            *(Touch(f"{s}.calf_under", "calf support", strategy="rests") for s in _SIDES),
            *_arms_lie(),
        ),
        (_SQUARE_LYING, _LEVEL),
        surfaces={
            **frame.surfaces,
            "calf support": Surface("calf support", "level", support_cm, title="chair seat or box"),
        },
        facts=frame.facts,
    )


def side_lying(
    body: Anthropometry, hip_deg: float = 45.0, knee_deg: float = 80.0, head_pad_cm: float | None = None
) -> Frame:
    """Lying on the right side, left side up, hips and knees bent, head on a pad that keeps the neck in line."""
    pad = 100 * body.stature_m * 0.085 if head_pad_cm is None else head_pad_cm
    angles: dict[str, float] = {
        "right.shoulder.flexion": 82.0,
        "right.elbow.flexion": 15.0,
        "left.shoulder.flexion": 35.0,
        "left.shoulder.abduction": -8.0,
        "left.elbow.flexion": 70.0,
    }
    for s in _SIDES:
        angles |= {f"{s}.hip.flexion": hip_deg, f"{s}.knee.flexion": knee_deg, f"{s}.ankle.dorsiflexion": -10.0}
    return Frame(
        "on the side",
        LEFT_SIDE_UP,
        (0, 0, 17),
        angles,
        {
            "neck.side_bend": 0.3,
            "right.hip.abduction": 0.1,
            "left.hip.abduction": 0.1,
            "right.scapula.elevation": 0.3,
            "lower_thoracic.side_bend": 8.0,
            "lumbar.side_bend": 8.0,
        },
        (
            Touch("head_side_right", "head pad"),
            Touch("right.shoulder_side", "floor"),
            Touch("right.hip_side", "floor"),
            Touch("right.knee_side", "floor"),
            Touch("left.foot_inner", "lower foot", strategy="rests"),
        ),
        (
            Aim("left.hip", "x", 0.0, origin="right.hip", weight=0.3, must_hold=False),
            Aim("left.hip", "y", 0.0, origin="right.hip", weight=0.3, must_hold=False),
        ),
        surfaces={
            "floor": FLOOR,
            "head pad": Surface("head pad", "level", pad, title="firm cushion"),
            "lower foot": Surface("lower foot", "level", 100 * body.stature_m * 0.044, title=""),
        },
        facts=FrameFacts(on_floor=True, lying_flat=True, side_down="right"),
    )


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


def hands_and_knees(body: Anthropometry, hand: str = "flat", hands_raised_cm: float = 0.0) -> Frame:
    """Hands under the shoulders, or ahead of them where they are raised; knees under the hips.

    `hand` is flat, fists or forearms.
    """
    ahead_cm = hands_ahead_cm(body, hand, hands_raised_cm)[0]
    angles: dict[str, float] = {}
    free = dict(_legs_give("hip.flexion", "knee.flexion", "ankle.dorsiflexion", "shoulder.flexion"))
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
        (*aims, _SQUARE),
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


def prone(body: Anthropometry, forehead_pad_cm: float, pelvis_pad_cm: float) -> Frame:
    """Lying face down, a pad under the forehead and one under the front of the hips and lower ribs."""
    angles: dict[str, float] = {}
    for s in _SIDES:
        angles |= {
            f"{s}.shoulder.flexion": 10.0,
            f"{s}.shoulder.abduction": 10.0,
            f"{s}.forearm.pronation": -60.0,
            f"{s}.ankle.dorsiflexion": -45.0,
        }
    return Frame(
        "face down",
        FACE_DOWN,
        (0, 0, 15),
        angles,
        {
            "neck.flexion": 0.3,
            "head.nod": 0.3,
            **_legs_give("hip.flexion", "knee.flexion"),
            "lower_thoracic.flexion": 8.0,
            "lumbar.flexion": 8.0,
        },
        (
            Touch("forehead", "head pad"),
            Touch("breastbone", "floor"),
            Touch("pubis", "pelvis pad"),
            *(Touch(f"{s}.{p}", "floor") for s in _SIDES for p in ("knee_front", "toe_tip")),
            *_arms_lie(),
        ),
        (_SQUARE,),
        surfaces={
            "floor": FLOOR,
            "head pad": Surface("head pad", "level", forehead_pad_cm, title="folded towel"),
            "pelvis pad": Surface("pelvis pad", "level", pelvis_pad_cm, title="flat cushion"),
        },
        facts=FrameFacts(on_floor=True, lying_flat=True),
    )


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
            **_legs_give("hip.flexion", "knee.flexion", "ankle.dorsiflexion"),
            **_legs_give("shoulder.flexion", "elbow.flexion", stiffness=0.2),
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
            _SQUARE,
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
        weight=0.5,
    )


def weight_on_one_foot(frame: Frame, body: Anthropometry, name: str = "weight on one foot") -> Frame:
    """The weight goes over the right foot while both feet stay where they are."""
    over = Aim("centre_of_mass", "y", 0.0, origin="right.ankle", weight=0.5)
    return frame.aim(over, hip_wide(body)).free_(**SIDEWAYS).with_(name)


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
        {**_legs_give("ankle.dorsiflexion", "hip.flexion"), **_legs_give("knee.flexion", stiffness=2.0)},
        feet(),
        (
            Aim("centre_of_mass", "x", 5.0, origin="right.ankle"),
            _FEET_LEVEL,
            _SQUARE,
            Aim("right.ankle", "x", 0.0),
            weight_between_feet(body),
            *trunk_lean(body, lean_deg, firm=lean_deg != 0.0),
        ),
        surfaces={"floor": FLOOR},
        facts=FrameFacts(standing=True),
    )


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
        _legs_give("ankle.dorsiflexion", "shoulder.flexion", "elbow.flexion"),
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
        {**_legs_give("hip.flexion", "knee.flexion"), **_legs_give("ankle.dorsiflexion", stiffness=0.5)},
        (
            *(Touch(f"{s}.knee_front", "floor") for s in _SIDES),
            *(Touch(f"{s}.toe_tip", "floor") for s in _SIDES),
        ),
        (
            Aim("centre_of_mass", "x", -5.0, origin="right.knee", weight=0.5),
            Aim("left.knee", "x", 0.0, origin="right.knee"),
            Aim("centre_of_mass", "y", 100 * HIP_HALF_WIDTH * body.stature_m, origin="right.knee", weight=0.5),
            _SQUARE,
            *trunk_lean(body, 0.0),
        ),
        surfaces={"floor": FLOOR},
        facts=FrameFacts(on_floor=True, hand_support_level=1),
    )


def flat_sole(side: str) -> Aim:
    """Both edges of the foot at one height: heel and ball alone would let it roll."""
    return Aim(f"{side}.foot_inner", "z", 0.0, origin=f"{side}.foot_outer", weight=0.3)


def level_pelvis() -> Aim:
    """Both hips at one height: where a limb is out of reach, a stiff hip must not tip the pelvis instead."""
    return Aim("left.hip", "z", 0.0, origin="right.hip", weight=0.3)


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
