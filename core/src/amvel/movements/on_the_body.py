"""Where each quantity is seen on a body: an angle between two parts, a load that comes up from below, a place.

A quantity without an entry is said in words only.
"""

from dataclasses import dataclass
from enum import Enum

from amvel.body import side_of
from amvel.quantities import REGISTRY, base_id


class Plane(Enum):
    """From where a mark is seen best, whatever the movement is drawn from."""

    AS_DRAWN = "as the movement is drawn"
    ACROSS = "across the body: from the front, or from above where one lies"


@dataclass(frozen=True)
class Angle:
    """An angle at a landmark, between the ways to two others."""

    at: str
    one: str
    other: str
    plane: Plane = Plane.AS_DRAWN


@dataclass(frozen=True)
class Twist:
    """Two lines across the body that are turned against each other, seen from above."""

    one: tuple[str, str]
    other: tuple[str, str]


@dataclass(frozen=True)
class Load:
    """A force that comes up into a landmark."""

    at: str


@dataclass(frozen=True)
class Spot:
    """A place that is meant."""

    at: tuple[str, ...]


Mark = Angle | Load | Spot | Twist
_TRUNK = Angle("waist_back", "{near}.buttock", "upper_back")
_ACROSS_TRUNK = Angle("waist_back", "{near}.buttock", "upper_back", Plane.ACROSS)
_FROM_HIP = "{side}.hip"
_ANGLES: dict[str, Angle] = {
    **dict.fromkeys(
        ("hip_flexion_deg", "hip_extension_deg", "hip_bend_deg", "thigh_trunk_deg"),
        Angle(_FROM_HIP, "{side}.knee", "{side}.shoulder"),
    ),
    **dict.fromkeys(("hip_abduction_deg", "hip_adduction_deg", "hip_adduction_in_flexion_deg"), Angle(_FROM_HIP, "{side}.knee", "{other}.hip", Plane.ACROSS)),
    "hip_spread_deg": Angle("left.hip", "left.knee", "right.knee", Plane.ACROSS),
    **dict.fromkeys(("knee_flexion_deg", "loaded_knee_flexion_deg"), Angle("{side}.knee", "{side}.hip", "{side}.ankle")),
    **dict.fromkeys(("neural_line_deg", "front_thigh_line_deg"), Angle("{side}.knee", "{side}.hip", "{side}.ankle")),
    **dict.fromkeys(("ankle_dorsiflexion_deg", "ankle_plantarflexion_deg"), Angle("{side}.ankle", "{side}.knee", "{side}.ball")),
    "shoulder_elevation_deg": Angle("{side}.shoulder", "{side}.elbow", "{side}.hip"),
    "elbow_flexion_deg": Angle("{side}.elbow", "{side}.shoulder", "{side}.wrist"),
    **dict.fromkeys(("wrist_extension_deg", "loaded_wrist_extension_deg"), Angle("{side}.wrist", "{side}.elbow", "{side}.knuckles")),
    **dict.fromkeys(
        (
            "trunk_flexion_deg",
            "trunk_extension_deg",
            "lumbar_flexion_deg",
            "lumbar_extension_deg",
            "loaded_trunk_flexion_deg",
            "unloaded_trunk_flexion_deg",
            "held_trunk_flexion_deg",
            "loaded_trunk_extension_deg",
            "seated_rounding_deg",
            "flexion_with_rotation_deg",
            "weighted_trunk_deg",
        ),
        _TRUNK,
    ),
    **dict.fromkeys(
        ("trunk_side_bend_deg", "lumbar_side_bend_deg", "loaded_trunk_side_bend_deg", "loaded_lumbar_side_bend_deg", "loaded_thoracic_side_bend_deg"),
        _ACROSS_TRUNK,
    ),
    **dict.fromkeys(("neck_flexion_deg", "neck_extension_deg", "loaded_neck_bend_deg"), Angle("upper_back", "mid_back", "vertex")),
}
_TWISTS = dict.fromkeys(
    ("trunk_rotation_deg", "loaded_trunk_rotation_deg", "loaded_thoracic_rotation_deg", "loaded_lumbar_rotation_deg"),
    Twist(("left.shoulder", "right.shoulder"), ("left.hip", "right.hip")),
)
_LOADS: dict[str, Load] = {
    **dict.fromkeys(("foot_support_percent_bw", "leg_support_percent_bw", "leg_carries_percent_bw"), Load("{side}.ball")),
    "knee_support_percent_bw": Load("{side}.shin"),
    **dict.fromkeys(("hand_support_percent_bw", "arm_support_percent_bw", "arm_carries_percent_bw"), Load("{side}.palm")),
    "forearm_support_percent_bw": Load("{side}.forearm_under"),
    "shoulder_support_percent_bw": Load("{side}.shoulder_side"),
    "sit_bone_support_percent_bw": Load("{side}.sit_bone"),
    "head_support_percent_bw": Load("occiput"),
}
_BACK = Spot(("waist_back",))
_SPOTS: dict[str, Spot] = {
    **dict.fromkeys(
        ("arching_level", "bending_level", "side_level", "turning_level", "press_level", "arching_hold_s", "bending_hold_s", "side_hold_s", "press_against_standing", "pelvic_moment_nm_per_kg_m"), _BACK
    ),
    **{f"compression_{cut}_n": Spot((at,)) for cut, at in (("t7_t8", "mid_back"), ("t12_l1", "mid_back"), ("l4_l5", "waist_back"))},
    **{f"compression_{cut}_percent_bw": Spot((at,)) for cut, at in (("t7_t8", "mid_back"), ("t12_l1", "mid_back"), ("l4_l5", "waist_back"))},
    **dict.fromkeys(("stance_level", "one_leg_stance", "standing", "rise_level", "feet_supporting"), Spot(("left.ankle", "right.ankle"))),
    "hand_support_level": Spot(("left.palm", "right.palm")),
    "kneeling": Spot(("left.knee", "right.knee")),
    "legs_lifted": Spot(("left.ankle", "right.ankle")),
    "head_below_heart_cm": Spot(("vertex",)),
    "leg_past_middle_cm": Spot(("{side}.knee",)),
    "leg_acts": Spot(("{side}.knee",)),
    "arm_acts": Spot(("{side}.elbow",)),
    "lying_on": Spot(("{side}.hip_side",)),
    "trunk_acts": _BACK,
}


if unknown := {*_ANGLES, *_TWISTS, *_LOADS, *_SPOTS} - set(REGISTRY):
    raise ValueError(f"movements/on_the_body.py: there is no quantity {sorted(unknown)}")


def mark_of(quantity: str, near: str) -> Mark | None:
    """Where a profile column is seen; `near` is the side towards the viewer, for what has no side of its own."""
    own = base_id(quantity)
    side = side_of(quantity) or near
    found = _ANGLES.get(own) or _LOADS.get(own) or _SPOTS.get(own)
    if own in _TWISTS:
        return _TWISTS[own]
    if found is None:
        return None
    names = {"side": side, "other": "right" if side == "left" else "left", "near": near}
    if isinstance(found, Angle):
        return Angle(found.at.format(**names), found.one.format(**names), found.other.format(**names), found.plane)
    if isinstance(found, Load):
        return Load(found.at.format(**names))
    return Spot(tuple(at.format(**names) for at in found.at))


__all__ = ["Angle", "Load", "Mark", "Plane", "Spot", "Twist", "mark_of"]
