"""The demand profile: what a pose asks of this body, frame by frame, in the names of `amvel.quantities`."""

from typing import NamedTuple

import numpy as np

from amvel.body.anthropometry import Measures, measure
from amvel.body.flat import PARTS, Flat, flatten
from amvel.body.frame_facts import FrameFacts, Told
from amvel.body.lines import Lines, lines_of
from amvel.body.loads import (
    COMPRESSION_MODEL,
    LEANING_REFERENCE_BW,
    LEVELS,
    LYING_REFERENCE_BW,
    InnerLoads,
    inner_loads_table,
    loads_of_table,
)
from amvel.body.posing import Posed
from amvel.body.pushes import GRAVITY_M_S2
from amvel.body.skeleton import JOINT_INDEX, Skeleton
from amvel.body.statics import Reactions, carried_by_part
from amvel.body.tree import Array, Flags
from amvel.quantities import base_id

__all__ = ["COMPRESSION_MODEL", "Asked", "asked_of", "computed", "demand", "demand_columns"]

HALF_A_FOOT_CM = 5.0  # a foot right under the middle has not crossed it (our reading)
HEAD_LEVEL_CM = 1.0  # lying flat without a pillow the head is about level with the heart, a thumb's breadth either way (ours)
TRUNK_REGIONS = ("lumbar", "lower_thoracic", "upper_thoracic")
BENT_HIP_DEG = 45.0
HOLDS_FROM_N = 1.0  # less than a cup of water: nothing is held
CARRIES_PERCENT_BW = 5.0
PRESSES_PERCENT_BW = 2.0  # a hand that a wrist is bent under
STANDS_ON_PERCENT_BW = 25.0  # a foot that a knee is bent over
LONG_HOLD_S = 3.0
ARM_RESTS = 1.3  # times its own weight (our reading; those of a leg are in `frame_facts`)
_SIDES = ("left", "right")
_LIMBS = {"leg": ("thigh", "shank", "foot"), "arm": ("upper_arm", "forearm", "hand")}
_PARTS_OF_A_SIDE = tuple(p.partition(".")[2] for p in PARTS if p.startswith("left."))
_SUPPORTS = tuple(f"{part}_support_percent_bw" for part in PARTS)

# Joints by the columns of what they do one way and the other: of the spine from its neutral, of the limbs from zero.
_SPINE_JOINTS = tuple(
    (JOINT_INDEX[f"{region}.{kind}"], *columns)
    for region in (*TRUNK_REGIONS, "neck")
    for kind, columns in (
        ("flexion", (f"{region}_flexion_deg", f"{region}_extension_deg")),
        ("side_bend", (f"left.{region}_side_bend_deg", f"right.{region}_side_bend_deg")),
        ("rotation", (f"left.{region}_rotation_deg", f"right.{region}_rotation_deg")),
    )
)
_TRUNK_COLUMNS = (
    ("trunk_flexion_deg", "trunk_extension_deg"),
    ("left.trunk_side_bend_deg", "right.trunk_side_bend_deg"),
    ("left.trunk_rotation_deg", "right.trunk_rotation_deg"),
)
_TRUNK_JOINTS = np.array([[JOINT_INDEX[f"{r}.{kind}"] for r in TRUNK_REGIONS] for kind in ("flexion", "side_bend", "rotation")])
_LIMB_JOINTS = tuple(
    (JOINT_INDEX[f"{side}.{joint}"], f"{side}.{plus}_deg", f"{side}.{minus}_deg")
    for side in _SIDES
    for joint, plus, minus in (
        ("hip.flexion", "hip_flexion", "hip_extension"),
        ("hip.abduction", "hip_abduction", "hip_adduction"),
        ("hip.rotation", "hip_internal_rotation", "hip_external_rotation"),
    )
)
_KNEES, _ANKLES, _ELBOWS, _WRISTS, _HIPS = (
    [JOINT_INDEX[f"{side}.{joint}"] for side in _SIDES]
    for joint in ("knee.flexion", "ankle.dorsiflexion", "elbow.flexion", "wrist.extension", "hip.flexion")
)


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
        lines_of(skeleton, posed).table,
        inner_loads_table(skeleton, flat, posed, reactions),
        carried_by_part(flat, reactions).T,
        reactions.back_rests,
        flat.loads.first[1:] > flat.loads.first[:-1],
    )


def demand(
    skeleton: Skeleton, flat: Flat, posed: Posed, reactions: Reactions, facts: list[FrameFacts]
) -> dict[str, Array]:
    """Columns of length B, by quantity; sided ones are prefixed 'left.' or 'right.'."""
    return demand_columns(skeleton, posed, asked_of(skeleton, flat, posed, reactions), facts)


def demand_columns(skeleton: Skeleton, posed: Posed, asked: Asked, facts: list[FrameFacts]) -> dict[str, Array]:
    """The same from what the poses ask."""
    weight_n = float(skeleton.mass_kg.sum()) * GRAVITY_M_S2
    told, lines, loads = Told.of(facts), Lines.of_table(asked.lines), loads_of_table(asked.loads)
    profile = dict(told.quantities)
    _trunk_angles(profile, asked, posed, lines)
    _limb_angles(profile, posed, lines)
    _loads(profile, loads, weight_n, skeleton, asked)
    _supports(profile, 100 * asked.carried_n.T / weight_n, told)
    _trunk_at_work(profile)
    _regions_under_load(profile)
    _neck_and_head(profile, lines)
    _legs(profile, loads)
    _carried(profile, skeleton, told)
    return profile


def computed() -> frozenset[str]:
    """The quantities that `demand` computes, each by its id alone: read from the profile of no frame at all."""
    skeleton = Skeleton(measure(Measures(1.7, 70.0, "female")))
    flat, posed, reactions = flatten(skeleton, [], []), Posed.of_nothing(skeleton), Reactions.of_nothing()
    return frozenset(map(base_id, demand(skeleton, flat, posed, reactions, [])))


def _put(profile: dict[str, Array], name: str, of_both: Array) -> None:
    """Left and right of a quantity (2×B)."""
    profile[f"left.{name}"], profile[f"right.{name}"] = of_both


def _both(profile: dict[str, Array], name: str) -> Array:
    """The same, taken out again."""
    return np.array((profile[f"left.{name}"], profile[f"right.{name}"]))


def _ways(signed: Array) -> tuple[Array, Array]:
    """How far one way, and how far the other."""
    return np.maximum(signed, 0.0), np.maximum(-signed, 0.0)


def _trunk_angles(profile: dict[str, Array], asked: Asked, posed: Posed, lines: Lines) -> None:
    deg = np.degrees((posed.angles - asked.neutral).T)
    plus, minus = _ways(deg)
    for j, one, other in _SPINE_JOINTS:
        profile[one], profile[other] = plus[j], minus[j]
    for (one, other), most, least in zip(_TRUNK_COLUMNS, *_ways(deg[_TRUNK_JOINTS].sum(axis=1)), strict=True):
        profile[one], profile[other] = most, least
    profile["trunk_inclination_deg"] = lines.trunk_inclination_deg


def _limb_angles(profile: dict[str, Array], posed: Posed, lines: Lines) -> None:
    deg = np.degrees(posed.angles.T)
    plus, minus = _ways(deg)
    for j, one, other in _LIMB_JOINTS:
        profile[one], profile[other] = plus[j], minus[j]
    _put(profile, "knee_flexion_deg", deg[_KNEES])
    _put(profile, "ankle_dorsiflexion_deg", deg[_ANKLES])
    _put(profile, "ankle_plantarflexion_deg", minus[_ANKLES])
    _put(profile, "elbow_flexion_deg", deg[_ELBOWS])
    _put(profile, "wrist_extension_deg", plus[_WRISTS])
    _put(profile, "shoulder_elevation_deg", lines.arm_raised_deg)
    _put(profile, "thigh_trunk_deg", np.maximum(0.0, lines.thigh_trunk_deg))
    _put(profile, "hip_bend_deg", np.maximum(plus[_HIPS], lines.thigh_trunk_deg))
    # The knee, or the ankle by more than half a foot, on the other side of the middle.
    _put(profile, "leg_past_middle_cm", np.maximum(0.0, np.maximum(lines.knee_past_cm, lines.ankle_past_cm - HALF_A_FOOT_CM)))


def _loads(
    profile: dict[str, Array],
    loads: InnerLoads,
    weight_n: float,
    skeleton: Skeleton,
    asked: Asked,
) -> None:
    for level in LEVELS:
        profile[f"moment_{level}_nm"] = loads.moment[level]
        profile[f"compression_{level}_n"] = loads.compression[level]
        profile[f"compression_{level}_percent_bw"] = 100 * loads.compression[level] / weight_n
        way = loads.direction[level]
        profile[f"bending_moment_{level}_nm"], profile[f"arching_moment_{level}_nm"] = way["bending"], way["arching"]
        for name in ("side", "turning"):
            profile[f"left.{name}_moment_{level}_nm"], profile[f"right.{name}_moment_{level}_nm"] = _ways(way[name])
    highest = np.max([loads.compression[level] for level in LEVELS], axis=0)
    bound = np.where(asked.back_rests, LEANING_REFERENCE_BW, LYING_REFERENCE_BW)
    profile["loaded"] = ((highest > bound * weight_n) | asked.pulled).astype(float)
    profile["pelvic_flexion_moment_nm"] = loads.pelvic_flexion
    profile["pelvic_rotation_moment_nm"] = loads.pelvic_rotation
    profile["support_margin_cm"] = 100 * loads.margin_m
    size = skeleton.body.mass_kg * skeleton.body.stature_m
    profile["pelvic_side_moment_nm"] = loads.pelvic_side
    # Of limbs lifted about the hip axis and about the long axis; what tips the pelvis sideways is a quantity of its own.
    profile["pelvic_moment_nm_per_kg_m"] = np.maximum(loads.pelvic_flexion, loads.pelvic_rotation) / size
    for side in _SIDES:
        profile[f"{side}.hip_side_moment_nm"] = loads.joint_moment[f"{side}.hip_side"]
        profile[f"{side}.hand_pull_n"] = loads.hand_pull[side]
        for joint in ("hip", "knee", "shoulder"):
            profile[f"{side}.{joint}_moment_nm"] = loads.joint_moment[f"{side}.{joint}"]


def _supports(profile: dict[str, Array], percent_bw: Array, told: Told) -> None:
    """What every part carries (P×B, in the order of `PARTS`: the head, then what is left, then what is right)."""
    profile.update(zip(_SUPPORTS, percent_bw, strict=True))
    of = dict(zip(_PARTS_OF_A_SIDE, percent_bw[1:].reshape(2, len(_PARTS_OF_A_SIDE), -1).swapaxes(0, 1), strict=True))
    _put(profile, "loaded_wrist_extension_deg", np.where(of["hand"] > PRESSES_PERCENT_BW, _both(profile, "wrist_extension_deg"), 0.0))
    _put(profile, "loaded_knee_flexion_deg", np.where(of["foot"] > STANDS_ON_PERCENT_BW, _both(profile, "knee_flexion_deg"), 0.0))
    _put(profile, "leg_support_percent_bw", of["foot"] + of["knee"])
    _put(profile, "arm_support_percent_bw", of["hand"] + of["forearm"] + of["shoulder"])
    profile["feet_supporting"] = (of["foot"] > CARRIES_PERCENT_BW).sum(axis=0).astype(float)
    profile["one_leg_stance"] = np.where((profile["standing"] > 0) & (profile["feet_supporting"] < 2), 1.0, 0.0)
    on_the_knees = (of["knee"][0] + of["knee"][1] > CARRIES_PERCENT_BW) & (profile["face_down"] < 1)
    profile["kneeling"] = on_the_knees.astype(float)
    profile["skin_percent_bw_min"] = told.minutes * percent_bw.max(axis=0)


def _trunk_at_work(profile: dict[str, Array]) -> None:
    """Bends of the trunk by what is done in them."""
    trunk = profile["trunk_flexion_deg"]
    # Hands that hold the legs bend the back with the strength of the arms: no rest, whatever presses the spine.
    strained = (profile["loaded"] > 0) | (profile["legs_in_the_hands"] > 0)
    profile["loaded_trunk_flexion_deg"] = np.where(strained, trunk, 0.0)
    profile["unloaded_trunk_flexion_deg"] = np.where(strained, 0.0, trunk)
    profile["held_trunk_flexion_deg"] = np.where(profile["hold_s"] > LONG_HOLD_S, trunk, 0.0)
    profile["seated_rounding_deg"] = np.where(profile["sitting"] > 0, profile["lumbar_flexion_deg"], 0.0)
    turn = np.maximum(profile["left.trunk_rotation_deg"], profile["right.trunk_rotation_deg"])
    profile["flexion_with_rotation_deg"] = np.minimum(trunk, turn)
    signed_trunk = trunk - profile["trunk_extension_deg"]
    signed_neck = profile["neck_flexion_deg"] - profile["neck_extension_deg"]
    hip = _both(profile, "hip_flexion_deg") - _both(profile, "hip_extension_deg")
    leg = hip - _both(profile, "knee_flexion_deg") + _both(profile, "ankle_dorsiflexion_deg")
    _put(profile, "neural_line_deg", leg + signed_trunk + signed_neck)


def _neck_and_head(profile: dict[str, Array], lines: Lines) -> None:
    profile["head_above_heart_cm"] = lines.head_above_heart_cm
    profile["head_below_heart_cm"] = np.where(-lines.head_above_heart_cm > HEAD_LEVEL_CM, -lines.head_above_heart_cm, 0.0)
    bend = profile["neck_flexion_deg"] + profile["neck_extension_deg"]
    profile["loaded_neck_bend_deg"] = np.where(profile["head_support_percent_bw"] > 1.0, 0.0, bend)


def _regions_under_load(profile: dict[str, Array]) -> None:
    """Side bend, turn and arch of each part of the spine while it is loaded."""
    loaded = profile["loaded"] > 0
    most = profile["trunk_flexion_deg"]
    for kind in ("side_bend", "rotation"):
        lumbar, lower, upper, trunk = (_both(profile, f"{r}_{kind}_deg") for r in (*TRUNK_REGIONS, "trunk"))
        _put(profile, f"loaded_thoracic_{kind}_deg", np.where(loaded, lower + upper, 0.0))
        _put(profile, f"loaded_lumbar_{kind}_deg", np.where(loaded, lumbar, 0.0))
        _put(profile, f"loaded_trunk_{kind}_deg", np.where(loaded, trunk, 0.0))
        most = np.maximum(most, trunk.max(axis=0))
    pulled = np.maximum(profile["left.hand_pull_n"], profile["right.hand_pull_n"])
    profile["weighted_trunk_deg"] = np.where(pulled > HOLDS_FROM_N, most, 0.0)
    profile["loaded_trunk_extension_deg"] = np.where(loaded, profile["trunk_extension_deg"], 0.0)


def _legs(profile: dict[str, Array], loads: InnerLoads) -> None:
    """What compares or combines the legs."""
    flexion, extension = _both(profile, "hip_flexion_deg"), _both(profile, "hip_extension_deg")
    hips, carried = flexion - extension, _both(profile, "leg_support_percent_bw")
    profile["hip_difference_deg"] = np.abs(hips[0] - hips[1])
    profile["hip_spread_deg"] = profile["left.hip_abduction_deg"] + profile["right.hip_abduction_deg"]
    profile["leg_load_difference_percent_bw"] = np.abs(carried[0] - carried[1])
    _put(profile, "hip_adduction_in_flexion_deg", np.where(flexion > BENT_HIP_DEG, _both(profile, "hip_adduction_deg"), 0.0))
    turned = _both(profile, "hip_internal_rotation_deg") + _both(profile, "hip_external_rotation_deg")
    _put(profile, "loaded_leg_rotation_deg", np.where(carried > CARRIES_PERCENT_BW, turned, 0.0))
    _put(profile, "front_thigh_line_deg", extension + _both(profile, "knee_flexion_deg"))
    # Lying on the other side the leg goes out against gravity; standing it is held by its foot.
    lies_on_the_other = _both(profile, "lying_on")[::-1] > 0
    out = np.array([loads.joint_moment[f"{s}.hip_side"] for s in _SIDES])
    _put(profile, "hip_abductor_moment_nm", np.where(lies_on_the_other, out, 0.0))


def _carried(profile: dict[str, Array], skeleton: Skeleton, told: Told) -> None:
    """What leg and arm carry, apart from resting: all of it where only limbs carry, else what is more than a limb at rest."""
    leg = _both(profile, "leg_support_percent_bw")
    arm = _both(profile, "hand_support_percent_bw") + _both(profile, "forearm_support_percent_bw")
    more_than_rests = leg > told.rests_up_to * _share_percent(skeleton, "leg")
    _put(profile, "leg_carries_percent_bw", np.where((profile["standing"] > 0) | more_than_rests, leg, 0.0))
    _put(profile, "arm_carries_percent_bw", np.where(arm > ARM_RESTS * _share_percent(skeleton, "arm"), arm, 0.0))


def _share_percent(skeleton: Skeleton, limb: str) -> Array:
    """What each of a pair of limbs weighs (2×1, per cent of the body)."""
    whole = float(skeleton.mass_kg.sum())
    own = [[skeleton.segment_index[f"{side}.{part}"] for part in _LIMBS[limb]] for side in _SIDES]
    return np.array([[100 * sum(skeleton.mass_kg[rows].tolist()) / whole] for rows in own])
