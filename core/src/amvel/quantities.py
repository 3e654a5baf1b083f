"""The quantities of a demand profile: limits, profiles, charts and screens point at these and nothing else."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Quantity:
    """One thing that can be computed of a pose.

    `decimals` is the resolution to which values are rounded, to the adverse side, before comparing.
    """

    id: str
    title: str
    unit: str
    sentence: str
    sided: bool = False
    decimals: int = 1


REGISTRY: dict[str, Quantity] = {}


def _add(id: str, title: str, unit: str, sentence: str, sided: bool = False, decimals: int = 1) -> None:
    if not id.replace("_", "").isalnum() or id in REGISTRY:
        raise ValueError(f"quantities.{id}: the id must be new and in snake_case")
    REGISTRY[id] = Quantity(id, title, unit, sentence, sided, decimals)


for _region, _words in (
    ("trunk", "whole trunk"),
    ("lumbar", "low back"),
    ("lower_thoracic", "lower rib cage"),
    ("upper_thoracic", "upper back"),
    ("neck", "neck"),
):
    _add(
        f"{_region}_flexion_deg",
        f"{_words} rounding",
        "deg",
        f"Forward bend of the {_words} from its neutral in this posture.",
    )
    _add(
        f"{_region}_extension_deg",
        f"{_words} arching",
        "deg",
        f"Backward bend of the {_words} from its neutral in this posture.",
    )
    _add(
        f"{_region}_side_bend_deg",
        f"{_words} side bend",
        "deg",
        f"Bend of the {_words} to this side.",
        sided=True,
    )
    _add(
        f"{_region}_rotation_deg",
        f"{_words} turn",
        "deg",
        f"Turn of the {_words} to this side, thorax against pelvis.",
        sided=True,
    )
_add(
    "loaded_trunk_flexion_deg",
    "rounding under load",
    "deg",
    "Forward bend of the whole trunk while the spine is loaded.",
)
_add(
    "unloaded_trunk_flexion_deg",
    "rounding without load",
    "deg",
    "Forward bend of the whole trunk while the spine is not loaded.",
)
_add(
    "flexion_with_rotation_deg",
    "rounding and turning together",
    "deg",
    "The smaller of forward bend and turn at the same moment.",
)
_add(
    "held_trunk_flexion_deg",
    "rounding that is held",
    "deg",
    "Forward bend of the whole trunk in a frame that is held.",
)
_add("seated_rounding_deg", "rounding while sitting", "deg", "Forward bend of the low back from tall sitting.")
_add("trunk_inclination_deg", "lean of the trunk", "deg", "Angle of the trunk from upright.")
for _level, _name in (("t7_t8", "T7/8"), ("t12_l1", "T12/L1"), ("l4_l5", "L4/5")):
    _add(
        f"moment_{_level}_nm", f"bending moment at {_name}", "N·m", f"Moment that muscles must hold at {_name}."
    )
    _add(
        f"compression_{_level}_n",
        f"compression at {_name}",
        "N",
        f"Estimated compression of the spine at {_name}.",
        decimals=0,
    )
    _add(
        f"compression_{_level}_percent_bw",
        f"compression at {_name}",
        "% of body weight",
        f"Estimated compression of the spine at {_name} against body weight.",
        decimals=0,
    )
_add(
    "loaded",
    "spine loaded",
    "0/1",
    "1 when the spine carries more than in quiet lying, or a load is held.",
    decimals=0,
)
_add(
    "pelvic_flexion_moment_nm",
    "pelvic control moment, tilting",
    "N·m",
    "Moment of the lifted legs about the hip axis.",
)
_add(
    "pelvic_rotation_moment_nm",
    "pelvic control moment, turning",
    "N·m",
    "Moment of the lifted limbs about the long axis of the pelvis.",
)
_add(
    "pelvic_moment_nm_per_kg_m",
    "pelvic control moment for size",
    "N·m/(kg·m)",
    "The larger pelvic control moment divided by mass and stature.",
    decimals=3,
)
for _id, _words in (
    ("hip_flexion", "hip bend"),
    ("hip_extension", "hip reach back"),
    ("hip_abduction", "hip out"),
    ("hip_adduction", "hip in"),
    ("hip_external_rotation", "hip turn-out"),
    ("hip_internal_rotation", "hip turn-in"),
    ("knee_flexion", "knee bend"),
    ("ankle_dorsiflexion", "ankle bend"),
    ("shoulder_elevation", "arm raise"),
    ("elbow_flexion", "elbow bend"),
    ("wrist_extension", "wrist bend back"),
):
    _add(f"{_id}_deg", _words, "deg", f"Angle of this joint: {_words}.", sided=True)
for _id in ("hip", "knee", "shoulder"):
    _add(
        f"{_id}_moment_nm", f"{_id} moment", "N·m", f"Moment that muscles must hold at this {_id}.", sided=True
    )
_add(
    "loaded_knee_flexion_deg",
    "knee bend under load",
    "deg",
    "Knee bend while this leg carries weight.",
    sided=True,
)
_add(
    "knee_support_percent_bw",
    "load on the knee cap",
    "% of body weight",
    "What this knee presses on the floor.",
    sided=True,
)
_add(
    "neural_line_deg",
    "nerve line at the back of the leg",
    "deg",
    "Hip bend − knee bend + ankle bend + trunk and neck rounding.",
    sided=True,
)
_add(
    "wrist_extension_loaded_deg",
    "wrist bend back under load",
    "deg",
    "Wrist angle while this hand carries weight.",
    sided=True,
)
for _id, _words in (
    ("hand", "hand"),
    ("forearm", "forearm"),
    ("shoulder", "shoulder"),
    ("sit_bone", "sit bone"),
    ("foot", "foot"),
):
    _add(
        f"{_id}_support_percent_bw",
        f"load on the {_words}",
        "% of body weight",
        f"What this {_words} presses on its surface.",
        sided=True,
    )
_add("head_support_percent_bw", "load on the head", "% of body weight", "What the head presses on its surface.")
_add(
    "head_below_heart_cm",
    "head below heart",
    "cm",
    "How far the head is lower than the heart; 0 when it is not.",
)
_add("feet_supporting", "feet that carry", "count", "Feet that carry weight.", decimals=0)
_add(
    "hand_support_level",
    "hand support in standing",
    "0–3",
    "0 none, 1 hands hovering over a support, 2 fingertips, 3 firm grip.",
    decimals=0,
)
_add("one_leg_stance", "standing on one leg", "0/1", "1 while only one foot carries in standing.", decimals=0)
_add("hold_s", "hold", "s", "How long a position is held at a time.")
_add("breath_held", "breath held", "0/1", "1 when the movement asks to hold the breath.", decimals=0)
_add(
    "coordination",
    "limbs moving at once",
    "count",
    "Limbs that move independently; a symmetrical pair counts one.",
    decimals=0,
)
_add(
    "rises",
    "rises to standing",
    "count",
    "Rises from lying or sitting to standing that the step itself asks for.",
    decimals=0,
)
_add("floor_transfer", "floor transfer", "0/1", "1 when the step is done on the floor.", decimals=0)
_add("lying_flat", "lying flat", "0/1", "1 when head and trunk lie flat.", decimals=0)


def base_id(name: str) -> str:
    """The registry id of a profile column ('left.hip_flexion_deg' → 'hip_flexion_deg')."""
    return name.split(".", 1)[1] if name.startswith(("left.", "right.")) else name


def quantity(name: str) -> Quantity:
    """The quantity behind a profile column; KeyError names an unknown one."""
    return REGISTRY[base_id(name)]
