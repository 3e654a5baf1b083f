"""The columns of a demand profile: which row of its table each quantity has.

What has sides has two rows, the left one first.  What is declared of a frame comes first, as `frame_facts` reads it.
"""

from amvel.body.flat import PARTS
from amvel.body.frame_facts import DECLARED_COLUMNS
from amvel.body.loads import LEVELS

_names: list[str] = list(DECLARED_COLUMNS)
_SIDES = ("left", "right")


def column(name: str) -> int:
    """Room for a column; its row."""
    return columns(name)


def columns(*names: str) -> int:
    """Room for some, one after the other; the row of the first."""
    first = len(_names)
    _names.extend(names)
    return first


def both(name: str) -> int:
    """Room for the left and the right of a quantity; the row of the left one."""
    return columns(*(f"{side}.{name}" for side in _SIDES))


def _bends(region: str) -> int:
    """Bend and arch, side bends and turns of a part of the spine, in this order."""
    ways = (f"{side}.{region}_{kind}_deg" for kind in ("side_bend", "rotation") for side in _SIDES)
    return columns(f"{region}_flexion_deg", f"{region}_extension_deg", *ways)


HOLD_S = DECLARED_COLUMNS.index("hold_s")
STANDING, SITTING, FACE_DOWN = (DECLARED_COLUMNS.index(name) for name in ("standing", "sitting", "face_down"))
LEGS_IN_THE_HANDS = DECLARED_COLUMNS.index("legs_in_the_hands")
LYING_ON = DECLARED_COLUMNS.index("left.lying_on")

# Of each part of the spine: bend, arch, side bend to the left and right, turn to the left and right.
FLEXION, EXTENSION, SIDE_BEND, ROTATION = 0, 1, 2, 4
LUMBAR, LOWER_THORACIC, UPPER_THORACIC, NECK, TRUNK = map(_bends, ("lumbar", "lower_thoracic", "upper_thoracic", "neck", "trunk"))
TRUNK_INCLINATION = column("trunk_inclination_deg")

HIP_FLEXION, HIP_EXTENSION = both("hip_flexion_deg"), both("hip_extension_deg")
HIP_ABDUCTION, HIP_ADDUCTION = both("hip_abduction_deg"), both("hip_adduction_deg")
HIP_INTERNAL_ROTATION, HIP_EXTERNAL_ROTATION = both("hip_internal_rotation_deg"), both("hip_external_rotation_deg")
KNEE_FLEXION = both("knee_flexion_deg")
ANKLE_DORSIFLEXION, ANKLE_PLANTARFLEXION = both("ankle_dorsiflexion_deg"), both("ankle_plantarflexion_deg")
ELBOW_FLEXION, WRIST_EXTENSION = both("elbow_flexion_deg"), both("wrist_extension_deg")
SHOULDER_ELEVATION = both("shoulder_elevation_deg")
THIGH_TRUNK, HIP_BEND = both("thigh_trunk_deg"), both("hip_bend_deg")
LEG_PAST_MIDDLE = both("leg_past_middle_cm")

# Of each cut, from above to below.
MOMENT = columns(*(f"moment_{cut}_nm" for cut in LEVELS))
COMPRESSION = columns(*(f"compression_{cut}_n" for cut in LEVELS))
COMPRESSION_PERCENT = columns(*(f"compression_{cut}_percent_bw" for cut in LEVELS))
BENDING_MOMENT = columns(*(f"bending_moment_{cut}_nm" for cut in LEVELS))
ARCHING_MOMENT = columns(*(f"arching_moment_{cut}_nm" for cut in LEVELS))
SIDE_MOMENT = columns(*(f"{side}.side_moment_{cut}_nm" for cut in LEVELS for side in _SIDES))
TURNING_MOMENT = columns(*(f"{side}.turning_moment_{cut}_nm" for cut in LEVELS for side in _SIDES))
LOADED = column("loaded")
PELVIC_FLEXION_MOMENT, PELVIC_ROTATION_MOMENT = column("pelvic_flexion_moment_nm"), column("pelvic_rotation_moment_nm")
SUPPORT_MARGIN = column("support_margin_cm")
PELVIC_SIDE_MOMENT, PELVIC_MOMENT = column("pelvic_side_moment_nm"), column("pelvic_moment_nm_per_kg_m")
HIP_SIDE_MOMENT, HAND_PULL = both("hip_side_moment_nm"), both("hand_pull_n")
HIP_MOMENT, KNEE_MOMENT, SHOULDER_MOMENT = both("hip_moment_nm"), both("knee_moment_nm"), both("shoulder_moment_nm")

SUPPORT = columns(*(f"{part}_support_percent_bw" for part in PARTS))  # the head, then what is left, then what is right
LOADED_WRIST, LOADED_KNEE = both("loaded_wrist_extension_deg"), both("loaded_knee_flexion_deg")
LEG_SUPPORT, ARM_SUPPORT = both("leg_support_percent_bw"), both("arm_support_percent_bw")
FEET_SUPPORTING, ONE_LEG_STANCE, KNEELING = column("feet_supporting"), column("one_leg_stance"), column("kneeling")
SKIN_MIN = column("skin_percent_bw_min")

LOADED_TRUNK_FLEXION, UNLOADED_TRUNK_FLEXION = column("loaded_trunk_flexion_deg"), column("unloaded_trunk_flexion_deg")
HELD_TRUNK_FLEXION, SEATED_ROUNDING = column("held_trunk_flexion_deg"), column("seated_rounding_deg")
FLEXION_WITH_ROTATION = column("flexion_with_rotation_deg")
NEURAL_LINE = both("neural_line_deg")

LOADED_THORACIC_SIDE_BEND, LOADED_LUMBAR_SIDE_BEND = both("loaded_thoracic_side_bend_deg"), both("loaded_lumbar_side_bend_deg")
LOADED_TRUNK_SIDE_BEND = both("loaded_trunk_side_bend_deg")
LOADED_THORACIC_ROTATION, LOADED_LUMBAR_ROTATION = both("loaded_thoracic_rotation_deg"), both("loaded_lumbar_rotation_deg")
LOADED_TRUNK_ROTATION = both("loaded_trunk_rotation_deg")
WEIGHTED_TRUNK, LOADED_TRUNK_EXTENSION = column("weighted_trunk_deg"), column("loaded_trunk_extension_deg")

HEAD_ABOVE_HEART, HEAD_BELOW_HEART = column("head_above_heart_cm"), column("head_below_heart_cm")
LOADED_NECK_BEND = column("loaded_neck_bend_deg")

HIP_DIFFERENCE, HIP_SPREAD = column("hip_difference_deg"), column("hip_spread_deg")
LEG_LOAD_DIFFERENCE = column("leg_load_difference_percent_bw")
HIP_ADDUCTION_IN_FLEXION, LOADED_LEG_ROTATION = both("hip_adduction_in_flexion_deg"), both("loaded_leg_rotation_deg")
FRONT_THIGH_LINE, HIP_ABDUCTOR_MOMENT = both("front_thigh_line_deg"), both("hip_abductor_moment_nm")

LEG_CARRIES, ARM_CARRIES = both("leg_carries_percent_bw"), both("arm_carries_percent_bw")


def demand_names() -> tuple[str, ...]:
    """The columns that there is room for, in the order of their rows."""
    return tuple(_names)
