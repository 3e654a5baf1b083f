"""The demand profile: what a pose asks of this body, frame by frame, in the names of `amvel.quantities`."""

from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body import demand_rows as at
from amvel.body import lines as line
from amvel.body.anthropometry import Measures, measure
from amvel.body.compiled import inner_kernel, kernel
from amvel.body.flat import PARTS, Flat, flatten
from amvel.body.frame_facts import FrameFacts, Told
from amvel.body.loads import (
    COMPRESSION_MODEL,
    LEANING_REFERENCE_BW,
    LEVELS,
    LYING_REFERENCE_BW,
    inner_loads_table,
    load_column,
)
from amvel.body.posing import Posed
from amvel.body.pushes import GRAVITY_M_S2
from amvel.body.skeleton import JOINT_INDEX, Skeleton
from amvel.body.statics import Reactions, carried_by_part
from amvel.body.tree import Array, Flags
from amvel.quantities import base_id

__all__ = ["COMPRESSION_MODEL", "Asked", "asked_of", "computed", "demand", "demand_table"]

HALF_A_FOOT_CM = 5.0  # a foot right under the middle has not crossed it (our reading)
HEAD_LEVEL_CM = 1.0  # lying flat without a pillow the head is about level with the heart, a thumb's breadth either way (ours)
BENT_HIP_DEG = 45.0
HOLDS_FROM_N = 1.0  # less than a cup of water: nothing is held
CARRIES_PERCENT_BW = 5.0
HEAD_LIES_PERCENT_BW = 1.0
PRESSES_PERCENT_BW = 2.0  # a hand that a wrist is bent under
STANDS_ON_PERCENT_BW = 25.0  # a foot that a knee is bent over
LONG_HOLD_S = 3.0
ARM_RESTS = 1.3  # times its own weight (our reading; those of a leg are in `frame_facts`)
_SIDES = ("left", "right")
_LIMBS = {"leg": ("thigh", "shank", "foot"), "arm": ("upper_arm", "forearm", "hand")}

# Joints of each part of the spine by kind, and of both sides by joint.
_SPINE = np.array([[JOINT_INDEX[f"{r}.{k}"] for k in ("flexion", "side_bend", "rotation")] for r in ("lumbar", "lower_thoracic", "upper_thoracic", "neck")])
_SPINE_ROWS = np.array([at.LUMBAR, at.LOWER_THORACIC, at.UPPER_THORACIC, at.NECK])
_HIP_FLEXION, _HIP_ABDUCTION, _HIP_ROTATION, _KNEE, _ANKLE, _ELBOW, _WRIST = (
    np.array([JOINT_INDEX[f"{side}.{joint}"] for side in _SIDES])
    for joint in ("hip.flexion", "hip.abduction", "hip.rotation", "knee.flexion", "ankle.dorsiflexion", "elbow.flexion", "wrist.extension")
)
# Where the kernel that cuts the body puts what it finds: of each cut, of each side, of the pelvis.
_MOMENT, _COMPRESSION, _SAGITTAL, _SIDE, _TURNING = (
    np.array([load_column(f"{what}.{cut}") for cut in LEVELS]) for what in ("moment", "compression", "sagittal", "side", "turning")
)
_HIP_MOMENT, _KNEE_MOMENT, _SHOULDER_MOMENT, _HIP_SIDE, _HAND_PULL = (
    np.array([load_column(f"{side}.{what}") for side in _SIDES]) for what in ("hip", "knee", "shoulder", "hip_side", "hand_pull")
)
_PELVIC_FLEXION, _PELVIC_ROTATION, _PELVIC_SIDE, _MARGIN = map(load_column, ("pelvic_flexion", "pelvic_rotation", "pelvic_side", "margin"))
# Rows of what each part carries, of both sides.
_HAND, _FOREARM, _SHOULDER, _KNEE_PART, _FOOT = (
    np.array([at.SUPPORT + PARTS.index(f"{side}.{part}") for side in _SIDES]) for part in ("hand", "forearm", "shoulder", "knee", "foot")
)
_HEAD = at.SUPPORT + PARTS.index("head")


class Asked(NamedTuple):
    """What B poses ask of a body whatever is declared of them, with one row for each: the angles from which they count
    (B×J), their lines, the loads inside, what each part carries (B×P, N), and whether the back rests and something pulls."""

    neutral: Array
    lines: Array
    loads: Array
    carried_n: Array
    back_rests: Flags
    pulled: Flags


def asked_of(skeleton: Skeleton, flat: Flat, posed: Posed, reactions: Reactions) -> Asked:
    """What these poses ask of this body."""
    return Asked(
        flat.neutral,
        line.lines_of(skeleton, posed),
        inner_loads_table(skeleton, flat, posed, reactions),
        np.ascontiguousarray(carried_by_part(flat, reactions).T),
        reactions.back_rests,
        flat.loads.first[1:] > flat.loads.first[:-1],
    )


def demand(
    skeleton: Skeleton, flat: Flat, posed: Posed, reactions: Reactions, facts: list[FrameFacts]
) -> dict[str, Array]:
    """Columns of length B, by quantity; sided ones are prefixed 'left.' or 'right.'."""
    table = demand_table(skeleton, posed, asked_of(skeleton, flat, posed, reactions), facts)
    return dict(zip(at.demand_names(), table, strict=True))


def demand_table(skeleton: Skeleton, posed: Posed, asked: Asked, facts: list[FrameFacts], rows: int = 0) -> Array:
    """The same from what the poses ask, C×B, with room for more where so many rows are wanted.  What nothing fills is missing
    (NaN), and what is missing breaks every limit."""
    told, own = Told.of(facts), _own_of(skeleton)
    out = np.full((max(rows, len(at.demand_names())), len(facts)), np.nan)
    out[: len(told.quantities)] = told.quantities
    declared = _Declared(np.ascontiguousarray(told.minutes), np.ascontiguousarray(told.rests_up_to))
    _fill(posed.angles, asked, declared, own, out)
    return out


def computed() -> frozenset[str]:
    """The quantities that `demand` computes, each by its id alone: read from the profile of no frame at all."""
    skeleton = Skeleton(measure(Measures(1.7, 70.0, "female")))
    flat, posed, reactions = flatten(skeleton, [], []), Posed.of_nothing(skeleton), Reactions.of_nothing()
    return frozenset(map(base_id, demand(skeleton, flat, posed, reactions, [])))


class _Declared(NamedTuple):
    """Of B frames the minutes that somebody stays so, and how many times its own weight a leg presses that only rests."""

    minutes: Array
    rests_up_to: Array


class _Own(NamedTuple):
    """Of one body its weight, its size (kg·m), and what each leg and arm weighs (2 each, per cent of the body)."""

    weight_n: float
    size_kg_m: float
    leg_percent: Array
    arm_percent: Array


@lru_cache(maxsize=64)
def _own_of(skeleton: Skeleton) -> _Own:
    whole = float(skeleton.mass_kg.sum())

    def share_percent(limb: str) -> Array:
        own = [[skeleton.segment_index[f"{side}.{part}"] for part in _LIMBS[limb]] for side in _SIDES]
        return np.array([100 * sum(skeleton.mass_kg[rows].tolist()) / whole for rows in own])

    size = skeleton.body.mass_kg * skeleton.body.stature_m
    return _Own(whole * GRAVITY_M_S2, size, share_percent("leg"), share_percent("arm"))


@kernel
def _fill(angles: Array, poses: Asked, declared: _Declared, own: _Own, out: Array) -> None:
    """Every column of every frame but those that are declared, which are there."""
    for b in range(len(angles)):
        c = out[:, b]
        _trunk_angles(angles[b], poses.neutral[b], poses.lines[b], c)
        _limb_angles(angles[b], poses.lines[b], c)
        _moments(poses.loads[b], poses.back_rests[b], poses.pulled[b], own, c)
        _supports(poses.carried_n[b], declared.minutes[b], own, c)
        _trunk_at_work(c)
        _regions_under_load(c)
        _neck_and_head(poses.lines[b], c)
        _legs(poses.loads[b], c)
        _carried(declared.rests_up_to[b], own, c)


@inner_kernel
def _up(signed: float) -> float:
    """How far it goes that way."""
    return np.maximum(0.0, signed)


@inner_kernel
def _ways(signed: float, c: Array, row: int) -> None:
    """How far one way, and how far the other, into this row and the next."""
    c[row], c[row + 1] = _up(signed), _up(-signed)


@inner_kernel
def _trunk_angles(angles: Array, neutral: Array, lines: Array, c: Array) -> None:
    for kind in range(3):
        whole = 0.0
        for r in range(len(_SPINE)):
            deg = np.degrees(angles[_SPINE[r, kind]] - neutral[_SPINE[r, kind]])
            _ways(deg, c, _SPINE_ROWS[r] + 2 * kind)
            if _SPINE_ROWS[r] != at.NECK:
                whole += deg
        _ways(whole, c, at.TRUNK + 2 * kind)
    c[at.TRUNK_INCLINATION] = lines[line.TRUNK_INCLINATION]


@inner_kernel
def _limb_angles(angles: Array, lines: Array, c: Array) -> None:
    for s in range(2):
        flexion, out, turned = np.degrees(angles[_HIP_FLEXION[s]]), np.degrees(angles[_HIP_ABDUCTION[s]]), np.degrees(angles[_HIP_ROTATION[s]])
        c[at.HIP_FLEXION + s], c[at.HIP_EXTENSION + s] = _up(flexion), _up(-flexion)
        c[at.HIP_ABDUCTION + s], c[at.HIP_ADDUCTION + s] = _up(out), _up(-out)
        c[at.HIP_INTERNAL_ROTATION + s], c[at.HIP_EXTERNAL_ROTATION + s] = _up(turned), _up(-turned)
        ankle = np.degrees(angles[_ANKLE[s]])
        c[at.KNEE_FLEXION + s] = np.degrees(angles[_KNEE[s]])
        c[at.ANKLE_DORSIFLEXION + s], c[at.ANKLE_PLANTARFLEXION + s] = ankle, _up(-ankle)
        c[at.ELBOW_FLEXION + s] = np.degrees(angles[_ELBOW[s]])
        c[at.WRIST_EXTENSION + s] = _up(np.degrees(angles[_WRIST[s]]))
        c[at.SHOULDER_ELEVATION + s] = lines[line.ARM_RAISED + s]
        c[at.THIGH_TRUNK + s] = _up(lines[line.THIGH_TRUNK + s])
        c[at.HIP_BEND + s] = np.maximum(_up(flexion), lines[line.THIGH_TRUNK + s])
        # The knee, or the ankle by more than half a foot, on the other side of the middle.
        c[at.LEG_PAST_MIDDLE + s] = _up(np.maximum(lines[line.KNEE_PAST + s], lines[line.ANKLE_PAST + s] - HALF_A_FOOT_CM))


@inner_kernel
def _moments(loads: Array, back_rests: bool, pulled: bool, own: _Own, c: Array) -> None:
    highest = loads[_COMPRESSION[0]]
    for k in range(len(_MOMENT)):
        pressed = loads[_COMPRESSION[k]]
        highest = np.maximum(highest, pressed)
        c[at.MOMENT + k], c[at.COMPRESSION + k] = loads[_MOMENT[k]], pressed
        c[at.COMPRESSION_PERCENT + k] = 100 * pressed / own.weight_n
        c[at.BENDING_MOMENT + k], c[at.ARCHING_MOMENT + k] = _up(loads[_SAGITTAL[k]]), _up(-loads[_SAGITTAL[k]])
        _ways(loads[_SIDE[k]], c, at.SIDE_MOMENT + 2 * k)
        _ways(loads[_TURNING[k]], c, at.TURNING_MOMENT + 2 * k)
    bound = LEANING_REFERENCE_BW if back_rests else LYING_REFERENCE_BW
    c[at.LOADED] = 1.0 if highest > bound * own.weight_n or pulled else 0.0
    c[at.PELVIC_FLEXION_MOMENT], c[at.PELVIC_ROTATION_MOMENT] = loads[_PELVIC_FLEXION], loads[_PELVIC_ROTATION]
    c[at.PELVIC_SIDE_MOMENT] = loads[_PELVIC_SIDE]
    c[at.SUPPORT_MARGIN] = 100 * loads[_MARGIN]
    # Of limbs lifted about the hip axis and about the long axis; what tips the pelvis sideways is a quantity of its own.
    c[at.PELVIC_MOMENT] = np.maximum(loads[_PELVIC_FLEXION], loads[_PELVIC_ROTATION]) / own.size_kg_m
    for s in range(2):
        c[at.HIP_SIDE_MOMENT + s], c[at.HAND_PULL + s] = loads[_HIP_SIDE[s]], loads[_HAND_PULL[s]]
        c[at.HIP_MOMENT + s], c[at.KNEE_MOMENT + s] = loads[_HIP_MOMENT[s]], loads[_KNEE_MOMENT[s]]
        c[at.SHOULDER_MOMENT + s] = loads[_SHOULDER_MOMENT[s]]


@inner_kernel
def _supports(carried_n: Array, minutes: float, own: _Own, c: Array) -> None:
    """What every part carries."""
    most, feet = 0.0, 0
    for p in range(len(carried_n)):
        c[at.SUPPORT + p] = 100 * carried_n[p] / own.weight_n
        most = np.maximum(most, c[at.SUPPORT + p])
    for s in range(2):
        hand, foot = c[_HAND[s]], c[_FOOT[s]]
        c[at.LOADED_WRIST + s] = c[at.WRIST_EXTENSION + s] if hand > PRESSES_PERCENT_BW else 0.0
        c[at.LOADED_KNEE + s] = c[at.KNEE_FLEXION + s] if foot > STANDS_ON_PERCENT_BW else 0.0
        c[at.LEG_SUPPORT + s] = foot + c[_KNEE_PART[s]]
        c[at.ARM_SUPPORT + s] = hand + c[_FOREARM[s]] + c[_SHOULDER[s]]
        feet += foot > CARRIES_PERCENT_BW
    c[at.FEET_SUPPORTING] = feet
    c[at.ONE_LEG_STANCE] = 1.0 if c[at.STANDING] > 0 and feet < 2 else 0.0
    knees = c[_KNEE_PART[0]] + c[_KNEE_PART[1]]
    c[at.KNEELING] = 1.0 if knees > CARRIES_PERCENT_BW and c[at.FACE_DOWN] < 1 else 0.0
    c[at.SKIN_MIN] = minutes * most


@inner_kernel
def _trunk_at_work(c: Array) -> None:
    """Bends of the trunk by what is done in them."""
    bend, arch = c[at.TRUNK + at.FLEXION], c[at.TRUNK + at.EXTENSION]
    # Hands that hold the legs bend the back with the strength of the arms: no rest, whatever presses the spine.
    strained = c[at.LOADED] > 0 or c[at.LEGS_IN_THE_HANDS] > 0
    c[at.LOADED_TRUNK_FLEXION] = bend if strained else 0.0
    c[at.UNLOADED_TRUNK_FLEXION] = 0.0 if strained else bend
    c[at.HELD_TRUNK_FLEXION] = bend if c[at.HOLD_S] > LONG_HOLD_S else 0.0
    c[at.SEATED_ROUNDING] = c[at.LUMBAR + at.FLEXION] if c[at.SITTING] > 0 else 0.0
    turn = np.maximum(c[at.TRUNK + at.ROTATION], c[at.TRUNK + at.ROTATION + 1])
    c[at.FLEXION_WITH_ROTATION] = np.minimum(bend, turn)
    neck = c[at.NECK + at.FLEXION] - c[at.NECK + at.EXTENSION]
    for s in range(2):
        leg = c[at.HIP_FLEXION + s] - c[at.HIP_EXTENSION + s] - c[at.KNEE_FLEXION + s] + c[at.ANKLE_DORSIFLEXION + s]
        c[at.NEURAL_LINE + s] = leg + (bend - arch) + neck


@inner_kernel
def _regions_under_load(c: Array) -> None:
    """Side bend, turn and arch of each part of the spine while it is loaded."""
    loaded = c[at.LOADED] > 0
    most = c[at.TRUNK + at.FLEXION]
    for s in range(2):
        bend, turn = at.SIDE_BEND + s, at.ROTATION + s
        c[at.LOADED_THORACIC_SIDE_BEND + s] = c[at.LOWER_THORACIC + bend] + c[at.UPPER_THORACIC + bend] if loaded else 0.0
        c[at.LOADED_LUMBAR_SIDE_BEND + s] = c[at.LUMBAR + bend] if loaded else 0.0
        c[at.LOADED_TRUNK_SIDE_BEND + s] = c[at.TRUNK + bend] if loaded else 0.0
        c[at.LOADED_THORACIC_ROTATION + s] = c[at.LOWER_THORACIC + turn] + c[at.UPPER_THORACIC + turn] if loaded else 0.0
        c[at.LOADED_LUMBAR_ROTATION + s] = c[at.LUMBAR + turn] if loaded else 0.0
        c[at.LOADED_TRUNK_ROTATION + s] = c[at.TRUNK + turn] if loaded else 0.0
        most = np.maximum(most, np.maximum(c[at.TRUNK + bend], c[at.TRUNK + turn]))
    pulled = np.maximum(c[at.HAND_PULL], c[at.HAND_PULL + 1])
    c[at.WEIGHTED_TRUNK] = most if pulled > HOLDS_FROM_N else 0.0
    c[at.LOADED_TRUNK_EXTENSION] = c[at.TRUNK + at.EXTENSION] if loaded else 0.0


@inner_kernel
def _neck_and_head(lines: Array, c: Array) -> None:
    above = lines[line.HEAD_ABOVE_HEART]
    c[at.HEAD_ABOVE_HEART] = above
    c[at.HEAD_BELOW_HEART] = -above if -above > HEAD_LEVEL_CM else 0.0
    c[at.LOADED_NECK_BEND] = 0.0 if c[_HEAD] > HEAD_LIES_PERCENT_BW else c[at.NECK + at.FLEXION] + c[at.NECK + at.EXTENSION]


@inner_kernel
def _legs(loads: Array, c: Array) -> None:
    """What compares or combines the legs."""
    left, right = c[at.HIP_FLEXION] - c[at.HIP_EXTENSION], c[at.HIP_FLEXION + 1] - c[at.HIP_EXTENSION + 1]
    c[at.HIP_DIFFERENCE] = abs(left - right)
    c[at.HIP_SPREAD] = c[at.HIP_ABDUCTION] + c[at.HIP_ABDUCTION + 1]
    c[at.LEG_LOAD_DIFFERENCE] = abs(c[at.LEG_SUPPORT] - c[at.LEG_SUPPORT + 1])
    for s in range(2):
        c[at.HIP_ADDUCTION_IN_FLEXION + s] = c[at.HIP_ADDUCTION + s] if c[at.HIP_FLEXION + s] > BENT_HIP_DEG else 0.0
        turned = c[at.HIP_INTERNAL_ROTATION + s] + c[at.HIP_EXTERNAL_ROTATION + s]
        c[at.LOADED_LEG_ROTATION + s] = turned if c[at.LEG_SUPPORT + s] > CARRIES_PERCENT_BW else 0.0
        c[at.FRONT_THIGH_LINE + s] = c[at.HIP_EXTENSION + s] + c[at.KNEE_FLEXION + s]
        # Lying on the other side the leg goes out against gravity; standing it is held by its foot.
        lies_on_the_other = c[at.LYING_ON + 1 - s] > 0
        c[at.HIP_ABDUCTOR_MOMENT + s] = loads[_HIP_SIDE[s]] if lies_on_the_other else 0.0


@inner_kernel
def _carried(rests_up_to: float, own: _Own, c: Array) -> None:
    """What leg and arm carry, apart from resting: all of it where only limbs carry, else what is more than a limb at rest."""
    for s in range(2):
        leg, arm = c[at.LEG_SUPPORT + s], c[_HAND[s]] + c[_FOREARM[s]]
        c[at.LEG_CARRIES + s] = leg if c[at.STANDING] > 0 or leg > rests_up_to * own.leg_percent[s] else 0.0
        c[at.ARM_CARRIES + s] = arm if arm > ARM_RESTS * own.arm_percent[s] else 0.0
