"""Lying: on the back with the knees up or the calves on something, on a side, face down."""

from functools import lru_cache

import numpy as np

from amvel.body import (
    JOINT_INDEX,
    Anthropometry,
    FrameFacts,
    Measures,
    Posed,
    Skeleton,
    healthy,
    measure,
    solve,
)
from amvel.movements.back_shape import own_chest_pad_cm, own_head_pad_cm, rounded_deg, upper_back_off_cm
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.pose_of_frame import compile_frame
from amvel.movements.positions import (
    FACE_DOWN,
    FACE_UP,
    FLOOR,
    HIPS_SQUARE,
    KEPT_POSITIONS,
    LEFT_SIDE_UP,
    feet,
    legs_give,
)

_SIDES = ("left", "right")
_NECK_GIVES = {"neck.flexion": 0.3, "head.nod": 0.3}
_HIPS_LEVEL = Aim("left.hip", "z", 0.0, origin="right.hip", weight=0.5)
_SQUARE_LYING = Aim("left.hip", "x", 0.0, origin="right.hip", weight=0.3)


def _arms_by_the_side(body: Anthropometry) -> dict[str, float]:
    """Along the floor: from shoulders that a round back brings up they go as much further ahead."""
    return {
        f"{s}.{k}": v
        for s in _SIDES
        for k, v in (
            ("shoulder.flexion", -9.0 + rounded_deg(body)),
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


def _upper_back_lies(body: Anthropometry) -> tuple[Touch, ...]:
    """The upper back on the floor, or over the middle of a back that is too round for it."""
    off_cm = upper_back_off_cm(body)
    if not off_cm:
        return (Touch("upper_back", "floor"),)
    return (Touch("upper_back", "floor", bears=False, gap_cm=off_cm), Touch("mid_back", "floor", places=False))


BACK_OF_PELVIS = ("sacrum", "left.buttock", "right.buttock")


@lru_cache(maxsize=KEPT_POSITIONS)
def supine_crook(
    body: Anthropometry, heel_distance_cm: float | None = None, head_pad_cm: float | None = None
) -> Frame:
    """Lying on the back, knees bent, soles down; `heel_distance_cm` is from the sit bones to the heels."""
    pad_cm = own_head_pad_cm(body) if head_pad_cm is None else head_pad_cm
    heels_cm = own_heel_distance_cm(body) if heel_distance_cm is None else heel_distance_cm
    angles = _arms_by_the_side(body)
    for s in _SIDES:
        angles |= {f"{s}.hip.flexion": 45.0, f"{s}.knee.flexion": 90.0}
    return Frame(
        "knees bent",
        FACE_UP,
        (0, 0, 12),
        angles,
        {**_NECK_GIVES, **legs_give("hip.flexion", "knee.flexion", "ankle.dorsiflexion")},
        (
            Touch("occiput", "head pad"),
            *_upper_back_lies(body),
            Touch("sacrum", "floor"),
            *(Touch(f"{s}.buttock", "floor", places=False) for s in _SIDES),
            *(t._replace(strategy="rests") for t in feet()),
            *_arms_lie(),
        ),
        (*(Aim(f"{s}.heel", "x", heels_cm, origin=f"{s}.sit_bone") for s in _SIDES), _SQUARE_LYING, _HIPS_LEVEL),
        surfaces={"floor": FLOOR, "head pad": Surface("head pad", "level", pad_cm, title="head pad")},
        facts=FrameFacts(on_floor=True, lying_flat=True),
    )


@lru_cache(maxsize=KEPT_POSITIONS)
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
        {**_NECK_GIVES, **legs_give("knee.flexion", stiffness=0.2), **legs_give("hip.flexion", stiffness=0.6)},
        (
            Touch("occiput", "head pad"),
            *_upper_back_lies(body),
            Touch("sacrum", "floor"),
            *(Touch(f"{s}.buttock", "floor", places=False) for s in _SIDES),
            *(Touch(f"{s}.calf_under", "calf support", strategy="rests") for s in _SIDES),
            *_arms_lie(),
        ),
        (_SQUARE_LYING, _HIPS_LEVEL),
        surfaces={
            **frame.surfaces,
            "calf support": Surface("calf support", "level", support_cm, title="chair seat or box"),
        },
        facts=frame.facts,
    )


def own_crook_hip_deg(body: Anthropometry) -> float:
    """With how much bend in the hips this body lies with its knees up: less where the pelvis is thick and lies higher."""
    return _crook_hip_deg(body.measures)


@lru_cache(maxsize=64)
def _crook_hip_deg(measures: Measures) -> float:
    body = measure(measures)
    return float(np.degrees(_lying(body, supine_crook(body))[1].angles[0, JOINT_INDEX["left.hip.flexion"]]))


def _lying(body: Anthropometry, frame: Frame) -> tuple[Skeleton, Posed]:
    """How this body lies with healthy ranges."""
    skeleton, ranges = Skeleton(body), healthy()
    return skeleton, solve(skeleton, [compile_frame(frame, frame.name, body, ranges)], ranges.stops_rad())


def own_side_pad_cm(body: Anthropometry) -> float:
    """What carries the head of this body lying on its side as high as the heart: lower it would hang."""
    return _side_pad_cm(body.measures)


@lru_cache(maxsize=64)
def _side_pad_cm(measures: Measures) -> float:
    """Read off the pose itself: the body lies on shoulder and hip, the head as high as the heart, and the ear is where it is."""
    body = measure(measures)
    level = side_lying(body, head_pad_cm=0.0).lift("head_side_right").aim(Aim("com.head", "z", 0.0, origin="heart"))
    skeleton, posed = _lying(body, level)
    return float(100 * posed.points[0, skeleton.landmarks.index["head_side_right"], 2])


def legs_slope_deg(body: Anthropometry) -> float:
    """How far long legs slope down to the floor on the side, against the usual build: from a narrow pelvis they do, from a wide one
    they slope up (our estimate, by the hip's height over the floor and the length of a leg)."""
    return 14.0 * (1.0 - body.girth)


LOWER_ARM = ("right.elbow_tip", "right.wrist")  # how the arm lies ahead of somebody who lies on the right side


@lru_cache(maxsize=KEPT_POSITIONS)
def side_lying(
    body: Anthropometry, hip_deg: float = 45.0, knee_deg: float = 80.0, head_pad_cm: float | None = None
) -> Frame:
    """Lying on the right side, left side up, hips and knees bent, head on a pad that keeps the neck in line."""
    pad = own_side_pad_cm(body) if head_pad_cm is None else head_pad_cm
    angles: dict[str, float] = {
        "right.shoulder.flexion": 82.0 + rounded_deg(body),
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
            "right.shoulder.abduction": 0.1,
            "right.shoulder.rotation": 0.1,
            "right.elbow.flexion": 0.3,
            "lower_thoracic.side_bend": 8.0,
            "lumbar.side_bend": 8.0,
        },
        (
            Touch("head_side_right", "head pad"),
            Touch("right.shoulder_side", "floor"),
            Touch("right.hip_side", "floor"),
            Touch("right.knee_side", "floor"),
            Touch("left.foot_inner", "lower foot", strategy="rests"),
            *(Touch(mark, "floor", strategy="rests") for mark in LOWER_ARM),
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


@lru_cache(maxsize=KEPT_POSITIONS)
def prone(body: Anthropometry, forehead_pad_cm: float, pelvis_pad_cm: float) -> Frame:
    """Lying face down, a pad under the forehead and one under the front of the hips and lower ribs."""
    chest_cm = own_chest_pad_cm(body)
    angles: dict[str, float] = {}
    for s in _SIDES:
        angles |= {
            f"{s}.shoulder.flexion": 10.0 + rounded_deg(body),
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
            **legs_give("hip.flexion", "knee.flexion"),
            "lower_thoracic.flexion": 8.0,
            "lumbar.flexion": 8.0,
        },
        (
            Touch("forehead", "head pad"),
            Touch("breastbone", "chest pad" if chest_cm else "floor"),
            Touch("pubis", "pelvis pad"),
            *(Touch(f"{s}.{p}", "floor") for s in _SIDES for p in ("knee_front", "toe_tip")),
            *_arms_lie(),
        ),
        (HIPS_SQUARE,),
        surfaces={
            "floor": FLOOR,
            "head pad": Surface("head pad", "level", forehead_pad_cm, title="folded towel"),
            "pelvis pad": Surface("pelvis pad", "level", pelvis_pad_cm, title="flat cushion"),
            **({"chest pad": Surface("chest pad", "level", chest_cm, title="firm cushion")} if chest_cm else {}),
        },
        facts=FrameFacts(on_floor=True, lying_flat=True),
    )
