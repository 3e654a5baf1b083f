"""The demand profile: what a pose asks of this body, frame by frame, in the names of `amvel.quantities`."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import partial
from operator import attrgetter

import numpy as np

from amvel.body.anthropometry import Measures, measure
from amvel.body.flat import PARTS, Flat, flatten
from amvel.body.loads import (
    COMPRESSION_MODEL,
    LEANING_REFERENCE_BW,
    LEVELS,
    LYING_REFERENCE_BW,
    InnerLoads,
    inner_loads,
    loads_of_nothing,
)
from amvel.body.posing import Posed
from amvel.body.pushes import GRAVITY_M_S2
from amvel.body.skeleton import JOINT_INDEX, Skeleton
from amvel.body.statics import Reactions
from amvel.body.tree import Array
from amvel.quantities import base_id

__all__ = ["COMPRESSION_MODEL", "DECLARED", "FrameFacts", "computed", "demand"]

# Quantities that the declaration of a step gives: the same for every body and whatever its ranges.
DECLARED = frozenset(
    (
        "hold_s",
        "strained_hold_s",
        "breath_held",
        "hand_support_level",
        "rises",
        "floor_transfer",
        "lying_flat",
        "back_raised_deg",
        "unstable_surface",
        "rolls_on_spine",
        "uses_band",
        "performed",
        "on_the_back",
        "face_down",
        "on_hands_and_knees",
        "sitting",
        "standing",
        "lying_on",
        "jolt",
        "band_on_foot",
        "hard_prop",
        "time_flat_min",
        "time_sitting_min",
        "time_standing_min",
        "effort_0_to_10",
        "legs_lifted",
        "legs_in_the_hands",
        "sitting_unsupported",
        "lying",
        "bed_transfer",
    )
)

HALF_A_FOOT_CM = 5.0  # a foot right under the middle has not crossed it (our reading)
HEAD_LEVEL_CM = 1.0  # lying flat without a pillow the head is about level with the heart, a thumb's breadth either way (ours)
UPRIGHT_DEG = 90.0  # what is not lying on the back is raised as far as can be
TRUNK_REGIONS = ("lumbar", "lower_thoracic", "upper_thoracic")


@dataclass(frozen=True)
class FrameFacts:
    """What the declaration of a step says of a frame and geometry cannot show."""

    hold_s: float = 0.0
    breath_held: bool = False
    hand_support_level: int = 0
    standing: bool = False
    seated: bool = False
    on_floor: bool = False
    lying_flat: bool = False
    back_raised_deg: float = 0.0  # of who lies on the back
    rises: int = 0
    coordination: int = 0
    position: str = ""
    side_down: str = ""
    minutes: float = 0.0
    minutes_at_once: float = 0.0  # of one round; between rounds one may turn over
    effort: float = 0.0
    unstable: bool = False
    rolls: bool = False
    jolt: bool = False
    band: bool = False
    band_on_foot: bool = False
    hard_prop: bool = False
    legs_lifted: int = 0
    legs_in_the_hands: int = 0
    sits_unsupported: bool = False
    daily_task: bool = False
    way_in: bool = False  # how the start is reached: judged like every other frame, and no part of the repetition


class _Told:
    """What the declarations say of these frames; a frame in between shares its facts with a declared one, and they are read once."""

    def __init__(self, facts: list[FrameFacts]) -> None:
        own = {id(f): f for f in facts}
        row = {key: i for i, key in enumerate(own)}
        self._own = list(own.values())
        self._at = np.array([row[id(f)] for f in facts], dtype=np.int64)

    def column(self, read: Callable[[FrameFacts], float]) -> Array:
        """A column of what is read of each frame."""
        found: Array = np.array([read(f) for f in self._own], dtype=float)[self._at]
        return found

    def fact(self, name: str) -> Array:
        return self.column(attrgetter(name))


def demand(
    skeleton: Skeleton, flat: Flat, posed: Posed, reactions: Reactions, facts: list[FrameFacts]
) -> dict[str, Array]:
    """Columns of length B, by quantity; sided ones are prefixed 'left.' or 'right.'."""
    return _columns(skeleton, flat, posed, reactions, inner_loads(skeleton, flat, posed, reactions), facts)


def computed() -> frozenset[str]:
    """The quantities that `demand` computes, each by its id alone: read from the profile of no frame at all."""
    skeleton = Skeleton(measure(Measures(1.7, 70.0, "female")))
    flat, posed, reactions = flatten(skeleton, [], []), Posed.of_nothing(skeleton), Reactions.of_nothing()
    return frozenset(base_id(name) for name in _columns(skeleton, flat, posed, reactions, loads_of_nothing(), []))


def _columns(
    skeleton: Skeleton, flat: Flat, posed: Posed, reactions: Reactions, loads: InnerLoads, facts: list[FrameFacts]
) -> dict[str, Array]:
    weight_n = float(skeleton.mass_kg.sum()) * GRAVITY_M_S2
    profile: dict[str, Array] = {}
    told = _Told(facts)
    _trunk_angles(profile, flat, posed)
    _limb_angles(profile, skeleton, posed)
    _loads(profile, loads, weight_n, skeleton, flat, reactions)
    _supports(profile, flat, reactions, weight_n)
    _combined(profile, skeleton, posed, told)
    _regions_under_load(profile)
    _legs(profile, loads, told)
    for side in ("left", "right"):
        profile[f"{side}.leg_past_middle_cm"] = _past_middle_cm(skeleton, posed, side)
    _declared(profile, told)
    _carried(profile, skeleton, told)
    return profile


def _signed(profile: dict[str, Array], plus: str, minus: str, value: Array) -> None:
    profile[plus], profile[minus] = np.maximum(value, 0.0), np.maximum(-value, 0.0)


class _BothWays:
    """Every joint by how far it is from where it is counted from, one way and the other (J×B, deg)."""

    def __init__(self, angles_rad: Array) -> None:
        self._deg: Array = np.degrees(angles_rad.T)
        self._plus, self._minus = np.maximum(self._deg, 0.0), np.maximum(-self._deg, 0.0)

    def at(self, dof: str) -> Array:
        found: Array = self._deg[JOINT_INDEX[dof]]
        return found

    def put(self, profile: dict[str, Array], dof: str, plus: str, minus: str) -> None:
        j = JOINT_INDEX[dof]
        profile[plus], profile[minus] = self._plus[j], self._minus[j]


def _trunk_angles(profile: dict[str, Array], flat: Flat, posed: Posed) -> None:
    bent = _BothWays(posed.angles - flat.neutral)
    for region in (*TRUNK_REGIONS, "neck"):
        bent.put(profile, f"{region}.flexion", f"{region}_flexion_deg", f"{region}_extension_deg")
        bent.put(profile, f"{region}.side_bend", f"left.{region}_side_bend_deg", f"right.{region}_side_bend_deg")
        bent.put(profile, f"{region}.rotation", f"left.{region}_rotation_deg", f"right.{region}_rotation_deg")

    def total(kind: str) -> Array:
        return np.sum([bent.at(f"{r}.{kind}") for r in TRUNK_REGIONS], axis=0)

    _signed(profile, "trunk_flexion_deg", "trunk_extension_deg", total("flexion"))
    _signed(profile, "left.trunk_side_bend_deg", "right.trunk_side_bend_deg", total("side_bend"))
    _signed(profile, "left.trunk_rotation_deg", "right.trunk_rotation_deg", total("rotation"))


def _limb_angles(profile: dict[str, Array], skeleton: Skeleton, posed: Posed) -> None:
    bent = _BothWays(posed.angles)
    thorax = posed.placement.rotation[:, skeleton.segment_index["upper_thorax"]]
    for side in ("left", "right"):
        bent.put(profile, f"{side}.hip.flexion", f"{side}.hip_flexion_deg", f"{side}.hip_extension_deg")
        bent.put(profile, f"{side}.hip.abduction", f"{side}.hip_abduction_deg", f"{side}.hip_adduction_deg")
        bent.put(profile, f"{side}.hip.rotation", f"{side}.hip_internal_rotation_deg", f"{side}.hip_external_rotation_deg")
        profile[f"{side}.knee_flexion_deg"] = bent.at(f"{side}.knee.flexion")
        profile[f"{side}.ankle_dorsiflexion_deg"] = bent.at(f"{side}.ankle.dorsiflexion")
        profile[f"{side}.ankle_plantarflexion_deg"] = np.maximum(0.0, -bent.at(f"{side}.ankle.dorsiflexion"))
        profile[f"{side}.elbow_flexion_deg"] = bent.at(f"{side}.elbow.flexion")
        profile[f"{side}.wrist_extension_deg"] = np.maximum(0.0, bent.at(f"{side}.wrist.extension"))
        arm = posed.placement.rotation[:, skeleton.segment_index[f"{side}.upper_arm"]]
        bend = _thigh_against_trunk_deg(skeleton, posed, side)
        profile[f"{side}.thigh_trunk_deg"] = np.maximum(0.0, bend)
        profile[f"{side}.hip_bend_deg"] = np.maximum(profile[f"{side}.hip_flexion_deg"], bend)
        cosine = np.einsum("bi,bi->b", arm[:, :, 2], thorax[:, :, 2])
        profile[f"{side}.shoulder_elevation_deg"] = np.degrees(np.arccos(np.clip(cosine, -1, 1)))


def _past_middle_cm(skeleton: Skeleton, posed: Posed, side: str) -> Array:
    """How far the knee, or the ankle by more than half a foot, is on the other side of the plane midway between the hips."""
    at = {n: posed.points[:, skeleton.landmarks.index[n]] for n in ("left.hip", "right.hip", f"{side}.knee", f"{side}.ankle")}
    across = at["left.hip"] - at["right.hip"]
    across /= np.linalg.norm(across, axis=1)[:, None] * (1 if side == "left" else -1)
    middle = 0.5 * (at["left.hip"] + at["right.hip"])
    knee, ankle = (-100 * np.einsum("bi,bi->b", at[f"{side}.{n}"] - middle, across) for n in ("knee", "ankle"))
    return np.maximum(0.0, np.maximum(knee, ankle - HALF_A_FOOT_CM))


def _thigh_against_trunk_deg(skeleton: Skeleton, posed: Posed, side: str) -> Array:
    """Bend between thigh and the line from hip to shoulder, seen along the axis through both hips; straight is 0."""
    at = {n: posed.points[:, skeleton.landmarks.index[f"{side}.{n}"]] for n in ("hip", "knee", "shoulder")}
    axis = posed.placement.rotation[:, skeleton.segment_index["pelvis"], :, 1]

    def flat(way: Array) -> Array:
        out: Array = way - np.einsum("bi,bi->b", way, axis)[:, None] * axis
        return out

    thigh, trunk = flat(at["knee"] - at["hip"]), flat(at["hip"] - at["shoulder"])
    (x, y, z), (u, v, w) = thigh.T, trunk.T  # numpy's own cross product costs more than the rest of this for a frame or two
    across = np.einsum("ib,bi->b", np.array([y * w - z * v, z * u - x * w, x * v - y * u]), axis)
    bend: Array = np.degrees(np.arctan2(across, np.einsum("bi,bi->b", thigh, trunk)))
    return bend


def _loads(
    profile: dict[str, Array],
    loads: InnerLoads,
    weight_n: float,
    skeleton: Skeleton,
    flat: Flat,
    reactions: Reactions,
) -> None:
    for level in LEVELS:
        profile[f"moment_{level}_nm"] = loads.moment[level]
        profile[f"compression_{level}_n"] = loads.compression[level]
        profile[f"compression_{level}_percent_bw"] = 100 * loads.compression[level] / weight_n
        for way in ("bending", "arching"):
            profile[f"{way}_moment_{level}_nm"] = loads.direction[level][way]
        for way in ("side", "turning"):
            _signed(
                profile, f"left.{way}_moment_{level}_nm", f"right.{way}_moment_{level}_nm", loads.direction[level][way]
            )
    external = np.diff(flat.loads.first) > 0
    highest = np.max([loads.compression[level] for level in LEVELS], axis=0)
    bound = np.where(reactions.back_rests, LEANING_REFERENCE_BW, LYING_REFERENCE_BW)
    profile["loaded"] = ((highest > bound * weight_n) | external).astype(float)
    profile["pelvic_flexion_moment_nm"] = loads.pelvic_flexion
    profile["pelvic_rotation_moment_nm"] = loads.pelvic_rotation
    profile["support_margin_cm"] = 100 * loads.margin_m
    size = skeleton.body.mass_kg * skeleton.body.stature_m
    profile["pelvic_side_moment_nm"] = loads.pelvic_side
    # Of limbs lifted about the hip axis and about the long axis; what tips the pelvis sideways is a quantity of its own.
    profile["pelvic_moment_nm_per_kg_m"] = np.maximum(loads.pelvic_flexion, loads.pelvic_rotation) / size
    for side in ("left", "right"):
        profile[f"{side}.hip_side_moment_nm"] = loads.joint_moment[f"{side}.hip_side"]
        profile[f"{side}.hand_pull_n"] = loads.hand_pull[side]
        for joint in ("hip", "knee", "shoulder"):
            profile[f"{side}.{joint}_moment_nm"] = loads.joint_moment[f"{side}.{joint}"]


def _supports(profile: dict[str, Array], flat: Flat, reactions: Reactions, weight_n: float) -> None:
    carried = np.zeros((flat.poses, len(PARTS), 3))
    pose = np.repeat(np.arange(flat.poses), np.diff(flat.contacts.first))
    named = flat.contacts.part >= 0
    np.add.at(carried, (pose[named], flat.contacts.part[named]), reactions.force[named])
    percent_bw = 100 * np.linalg.norm(carried, axis=2).T / weight_n
    for k, part in enumerate(PARTS):
        profile[f"{part}_support_percent_bw"] = percent_bw[k]
    for side in ("left", "right"):
        carries = profile[f"{side}.hand_support_percent_bw"] > 2.0
        wrist = profile[f"{side}.wrist_extension_deg"]
        profile[f"{side}.loaded_wrist_extension_deg"] = np.where(carries, wrist, 0.0)
        bears = profile[f"{side}.foot_support_percent_bw"] > 25.0
        profile[f"{side}.loaded_knee_flexion_deg"] = np.where(bears, profile[f"{side}.knee_flexion_deg"], 0.0)
        for whole, pieces in (("leg", ("foot", "knee")), ("arm", ("hand", "forearm", "shoulder"))):
            profile[f"{side}.{whole}_support_percent_bw"] = np.sum(
                [profile[f"{side}.{p}_support_percent_bw"] for p in pieces], axis=0
            )
    profile["feet_supporting"] = np.sum(
        [profile[f"{s}.foot_support_percent_bw"] > 5.0 for s in ("left", "right")], axis=0
    ).astype(float)


def _combined(profile: dict[str, Array], skeleton: Skeleton, posed: Posed, told: _Told) -> None:
    index = skeleton.landmarks.index
    trunk = profile["trunk_flexion_deg"]
    loaded = profile["loaded"] > 0
    fact = told.fact
    # Hands that hold the legs bend the back with the strength of the arms: no rest, whatever presses the spine.
    strained = loaded | (fact("legs_in_the_hands") > 0)
    profile["loaded_trunk_flexion_deg"] = np.where(strained, trunk, 0.0)
    profile["unloaded_trunk_flexion_deg"] = np.where(strained, 0.0, trunk)
    profile["held_trunk_flexion_deg"] = np.where(fact("hold_s") > 3.0, trunk, 0.0)
    profile["seated_rounding_deg"] = np.where(fact("seated") > 0, profile["lumbar_flexion_deg"], 0.0)
    turn = np.maximum(profile["left.trunk_rotation_deg"], profile["right.trunk_rotation_deg"])
    profile["flexion_with_rotation_deg"] = np.minimum(trunk, turn)
    up = posed.placement.rotation[:, skeleton.segment_index["upper_thorax"], 2, 2]
    profile["trunk_inclination_deg"] = np.degrees(np.arccos(np.clip(up, -1, 1)))
    signed_trunk = trunk - profile["trunk_extension_deg"]
    signed_neck = profile["neck_flexion_deg"] - profile["neck_extension_deg"]
    for side in ("left", "right"):
        hip = profile[f"{side}.hip_flexion_deg"] - profile[f"{side}.hip_extension_deg"]
        profile[f"{side}.neural_line_deg"] = (
            hip
            - profile[f"{side}.knee_flexion_deg"]
            + profile[f"{side}.ankle_dorsiflexion_deg"]
            + signed_trunk
            + signed_neck
        )
    head = posed.points[:, index["com.head"], 2]
    profile["head_above_heart_cm"] = 100 * (head - posed.points[:, index["heart"], 2])
    below = 100 * (posed.points[:, index["heart"], 2] - head)
    profile["head_below_heart_cm"] = np.where(below > HEAD_LEVEL_CM, below, 0.0)
    profile["one_leg_stance"] = np.where((fact("standing") > 0) & (profile["feet_supporting"] < 2), 1.0, 0.0)
    for name in ("hold_s", "breath_held", "hand_support_level", "coordination", "rises"):
        profile[name] = fact(name)
    profile["floor_transfer"] = fact("on_floor")
    # On the side the head lies on its pad: that is not what "flat" closes.
    profile["lying_flat"] = told.column(lambda f: f.lying_flat and f.position != "on the side")
    for name in ("unstable_surface", "rolls_on_spine", "uses_band"):
        profile[name] = fact(
            {"unstable_surface": "unstable", "rolls_on_spine": "rolls", "uses_band": "band"}[name]
        )
    bend = profile["neck_flexion_deg"] + profile["neck_extension_deg"]
    profile["loaded_neck_bend_deg"] = np.where(profile["head_support_percent_bw"] > 1.0, 0.0, bend)


def _regions_under_load(profile: dict[str, Array]) -> None:
    """Side bend, turn and arch of each part of the spine while it is loaded."""
    loaded = profile["loaded"] > 0
    for side in ("left", "right"):
        for kind in ("side_bend", "rotation"):
            upper = sum(profile[f"{side}.{r}_{kind}_deg"] for r in ("lower_thoracic", "upper_thoracic"))
            parts = {
                "thoracic": upper,
                "lumbar": profile[f"{side}.lumbar_{kind}_deg"],
                "trunk": profile[f"{side}.trunk_{kind}_deg"],
            }
            for region, value in parts.items():
                profile[f"{side}.loaded_{region}_{kind}_deg"] = np.where(loaded, value, 0.0)
    turned = [profile[f"{s}.trunk_{k}_deg"] for s in ("left", "right") for k in ("side_bend", "rotation")]
    most = np.max([profile["trunk_flexion_deg"], *turned], axis=0)
    pulled = np.maximum(profile["left.hand_pull_n"], profile["right.hand_pull_n"])
    profile["weighted_trunk_deg"] = np.where(pulled > HOLDS_FROM_N, most, 0.0)
    profile["loaded_trunk_extension_deg"] = np.where(loaded, profile["trunk_extension_deg"], 0.0)


BENT_HIP_DEG = 45.0
HOLDS_FROM_N = 1.0  # less than a cup of water: nothing is held
CARRIES_PERCENT_BW = 5.0


def _legs(profile: dict[str, Array], loads: InnerLoads, told: _Told) -> None:
    """What compares or combines the legs."""
    hips = [profile[f"{s}.hip_flexion_deg"] - profile[f"{s}.hip_extension_deg"] for s in ("left", "right")]
    profile["hip_difference_deg"] = np.abs(hips[0] - hips[1])
    profile["hip_spread_deg"] = profile["left.hip_abduction_deg"] + profile["right.hip_abduction_deg"]
    profile["leg_load_difference_percent_bw"] = np.abs(
        profile["left.leg_support_percent_bw"] - profile["right.leg_support_percent_bw"]
    )
    for s in ("left", "right"):
        bent = profile[f"{s}.hip_flexion_deg"] > BENT_HIP_DEG
        profile[f"{s}.hip_adduction_in_flexion_deg"] = np.where(bent, profile[f"{s}.hip_adduction_deg"], 0.0)
        carries = profile[f"{s}.leg_support_percent_bw"] > CARRIES_PERCENT_BW
        turned = profile[f"{s}.hip_internal_rotation_deg"] + profile[f"{s}.hip_external_rotation_deg"]
        profile[f"{s}.loaded_leg_rotation_deg"] = np.where(carries, turned, 0.0)
        profile[f"{s}.front_thigh_line_deg"] = (
            profile[f"{s}.hip_extension_deg"] + profile[f"{s}.knee_flexion_deg"]
        )
        # Lying on the other side the leg goes out against gravity; standing it is held by its foot.
        lying = told.column(partial(_is_on_its, {"left": "right", "right": "left"}[s])) > 0
        profile[f"{s}.hip_abductor_moment_nm"] = np.where(lying, loads.joint_moment[f"{s}.hip_side"], 0.0)


# A limb rests up to so many times its own weight where something else carries the trunk (our reading): a foot under a
# seat or a leg face down has nearly the whole leg on it, a foot in crook lying not even half.
RESTS_SITTING, RESTS_LYING, RESTS_ROLLING, ARM_RESTS = 1.05, 0.6, 1.3, 1.3
_LYING = frozenset(("on the back", "on the side", "face down"))
_LIES = frozenset(("on the back", "on the side"))
_CARRIED_BY_LIMBS = frozenset(("hands and knees", "kneeling", "standing", "at the wall"))
_LIMBS = {"leg": ("thigh", "shank", "foot"), "arm": ("upper_arm", "forearm", "hand")}


def _rests_up_to(f: FrameFacts) -> float:
    """How many times its own weight a leg may press and still only rest; 0 where nothing but limbs carries."""
    if f.position in _CARRIED_BY_LIMBS:
        return 0.0
    if f.seated:
        return RESTS_SITTING
    if f.daily_task:  # rolling over, the whole leg lies on its edge
        return RESTS_ROLLING
    return RESTS_LYING if f.position in _LIES else RESTS_SITTING


def _carried(profile: dict[str, Array], skeleton: Skeleton, told: _Told) -> None:
    """What leg and arm carry, apart from resting: all of it where only limbs carry, else what is more than a limb at rest."""
    whole = float(skeleton.mass_kg.sum())
    standing = profile["standing"] > 0
    rests = told.column(_rests_up_to)
    for side in ("left", "right"):
        share = {
            limb: 100 * sum(float(skeleton.mass_kg[skeleton.segment_index[f"{side}.{p}"]]) for p in parts) / whole
            for limb, parts in _LIMBS.items()
        }
        leg = profile[f"{side}.leg_support_percent_bw"]
        arm = profile[f"{side}.hand_support_percent_bw"] + profile[f"{side}.forearm_support_percent_bw"]
        profile[f"{side}.leg_carries_percent_bw"] = np.where(standing | (leg > rests * share["leg"]), leg, 0.0)
        profile[f"{side}.arm_carries_percent_bw"] = np.where(arm > ARM_RESTS * share["arm"], arm, 0.0)


_ON_SKIN = (
    "head_support_percent_bw",
    *(f"{s}.{part}_support_percent_bw" for part in ("hand", "forearm", "shoulder", "knee", "sit_bone", "foot") for s in ("left", "right")),
)
_POSITION = {
    "on_the_back": "on the back",
    "face_down": "face down",
    "on_hands_and_knees": "hands and knees",
}


def _declared(profile: dict[str, Array], told: _Told) -> None:
    """What the declaration says: position, props, tempo."""
    profile["performed"] = np.ones_like(profile["floor_transfer"])
    for name, position in _POSITION.items():
        profile[name] = told.column(partial(_is_in, position))
    profile["sitting"] = told.fact("seated")
    profile["standing"] = told.fact("standing")
    profile["lying"] = told.column(lambda f: f.position in _LYING)
    profile["bed_transfer"] = profile["lying"] * (1.0 - profile["floor_transfer"])
    profile["legs_lifted"] = told.fact("legs_lifted")
    profile["legs_in_the_hands"] = told.fact("legs_in_the_hands")
    profile["sitting_unsupported"] = told.fact("sits_unsupported")
    knees = profile["left.knee_support_percent_bw"] + profile["right.knee_support_percent_bw"]
    profile["kneeling"] = ((knees > CARRIES_PERCENT_BW) & (profile["face_down"] < 1)).astype(float)
    for side in ("left", "right"):
        profile[f"{side}.lying_on"] = told.column(partial(_is_on_its, side))
    for name in ("jolt", "band_on_foot", "hard_prop"):
        profile[name] = told.fact(name)
    profile["back_raised_deg"] = told.column(lambda f: f.back_raised_deg if f.position == "on the back" else UPRIGHT_DEG)
    profile["time_flat_min"] = told.column(lambda f: f.minutes_at_once if f.position == "on the back" and f.lying_flat else 0.0)
    profile["time_sitting_min"] = told.column(lambda f: f.minutes_at_once if f.seated else 0.0)
    profile["time_standing_min"] = told.column(lambda f: f.minutes_at_once if f.standing else 0.0)
    profile["skin_percent_bw_min"] = told.fact("minutes") * np.max([profile[name] for name in _ON_SKIN], axis=0)
    profile["effort_0_to_10"] = told.fact("effort")
    profile["strained_hold_s"] = told.column(lambda f: f.hold_s if f.effort >= 6 else 0.0)


def _is_in(position: str, f: FrameFacts) -> bool:
    return f.position == position


def _is_on_its(side: str, f: FrameFacts) -> bool:
    return f.side_down == side
