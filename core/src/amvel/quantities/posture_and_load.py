"""How a pose bends and turns, and what it loads."""

from amvel.quantities.quantity import add

for _region, _words in (
    ("trunk", "whole trunk"),
    ("lumbar", "low back"),
    ("lower_thoracic", "lower rib cage"),
    ("upper_thoracic", "upper back"),
    ("neck", "neck"),
):
    add(
        f"{_region}_flexion_deg",
        f"{_words} rounding",
        "deg",
        f"Forward bend of the {_words} from its neutral in this posture.",
    )
    add(
        f"{_region}_extension_deg",
        f"{_words} arching",
        "deg",
        f"Backward bend of the {_words} from its neutral in this posture.",
    )
    add(
        f"{_region}_side_bend_deg",
        f"{_words} side bend",
        "deg",
        f"Bend of the {_words} to this side.",
        sided=True,
    )
    add(
        f"{_region}_rotation_deg",
        f"{_words} turn",
        "deg",
        f"Turn of the {_words} to this side, thorax against pelvis.",
        sided=True,
    )
add(
    "loaded_trunk_flexion_deg",
    "rounding under load",
    "deg",
    "Forward bend of the whole trunk while the spine is loaded, or while the hands hold the legs.",
)
add(
    "unloaded_trunk_flexion_deg",
    "rounding without load",
    "deg",
    "Forward bend of the whole trunk while the spine is not loaded and no hand holds a leg.",
)
add(
    "flexion_with_rotation_deg",
    "rounding and turning together",
    "deg",
    "The smaller of forward bend and turn at the same moment.",
)
add(
    "held_trunk_flexion_deg",
    "rounding that is held",
    "deg",
    "Forward bend of the whole trunk in a frame that is held.",
)
add("seated_rounding_deg", "rounding while sitting", "deg", "Forward bend of the low back from tall sitting.")
add("trunk_inclination_deg", "lean of the trunk", "deg", "Angle of the trunk from upright.")
for _level, _name in (("t7_t8", "T7/8"), ("t12_l1", "T12/L1"), ("l4_l5", "L4/5")):
    add(
        f"moment_{_level}_nm", f"bending moment at {_name}", "N·m", f"Moment that muscles must hold at {_name}."
    )
    add(
        f"compression_{_level}_n",
        f"compression at {_name}",
        "N",
        f"Estimated compression of the spine at {_name}.",
        decimals=0,
    )
    add(
        f"compression_{_level}_percent_bw",
        f"compression at {_name}",
        "% of body weight",
        f"Estimated compression of the spine at {_name} against body weight.",
        decimals=0,
    )
for _level, _name in (("t7_t8", "T7/8"), ("t12_l1", "T12/L1"), ("l4_l5", "L4/5")):
    for _way, _does, _holder in (
        ("bending", "bends the trunk forward", "the back"),
        ("arching", "arches the trunk", "the belly"),
    ):
        add(
            f"{_way}_moment_{_level}_nm",
            f"{_way} load at {_name}",
            "N·m",
            f"Moment with which the load {_does} at {_name}; {_holder} holds it.",
        )
    for _way, _does in (("side", "bends the trunk to this side"), ("turning", "turns the trunk to this side")):
        add(
            f"{_way}_moment_{_level}_nm",
            f"{_way} load at {_name}",
            "N·m",
            f"Moment with which the load {_does} at {_name}.",
            sided=True,
        )
add(
    "pelvic_side_moment_nm",
    "pelvic control moment, sideways",
    "N·m",
    "Moment of the lifted legs about the axis that runs through the pelvis from front to back.",
)
add(
    "loaded",
    "spine loaded",
    "0/1",
    "1 when the spine carries more than in quiet lying, or a load is held.",
    decimals=0,
)
add(
    "pelvic_flexion_moment_nm",
    "pelvic control moment, tilting",
    "N·m",
    "Moment of the lifted legs about the hip axis.",
)
add(
    "pelvic_rotation_moment_nm",
    "pelvic control moment, turning",
    "N·m",
    "Moment of the lifted limbs about the long axis of the pelvis.",
)
add(
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
    ("ankle_plantarflexion", "ankle pointed"),
    ("shoulder_elevation", "arm raise"),
    ("elbow_flexion", "elbow bend"),
    ("wrist_extension", "wrist bend back"),
):
    add(f"{_id}_deg", _words, "deg", f"Angle of this joint: {_words}.", sided=True, limb_angle=_id != "elbow_flexion")
add(
    "thigh_trunk_deg",
    "thigh against trunk",
    "deg",
    "Bend between the thigh and the line from hip to shoulder, wherever the pelvis is.",
    sided=True,
    limb_angle=True,
)
add(
    "hip_bend_deg",
    "hip bend as a surgeon means it",
    "deg",
    "The larger of thigh against pelvis and thigh against the line from hip to shoulder.",
    sided=True,
    limb_angle=True,
)
for _id in ("hip", "knee", "shoulder"):
    add(
        f"{_id}_moment_nm", f"{_id} moment", "N·m", f"Moment that muscles must hold at this {_id}.", sided=True
    )
add(
    "loaded_knee_flexion_deg",
    "knee bend under load",
    "deg",
    "Knee bend while this leg carries weight.",
    sided=True,
    limb_angle=True,
)
add(
    "knee_support_percent_bw",
    "load on the knee cap",
    "% of body weight",
    "What this knee presses on the floor.",
    sided=True,
)
add(
    "neural_line_deg",
    "nerve line at the back of the leg",
    "deg",
    "Hip bend − knee bend + ankle bend + trunk and neck rounding.",
    sided=True,
    limb_angle=True,
)
add(
    "loaded_wrist_extension_deg",
    "wrist bend back under load",
    "deg",
    "Wrist angle while this hand carries weight.",
    sided=True,
    limb_angle=True,
)
for _id, _words in (
    ("hand", "hand"),
    ("forearm", "forearm"),
    ("shoulder", "shoulder"),
    ("sit_bone", "sit bone"),
    ("foot", "foot"),
):
    add(
        f"{_id}_support_percent_bw",
        f"load on the {_words}",
        "% of body weight",
        f"What this {_words} presses on its surface.",
        sided=True,
    )
add("head_support_percent_bw", "load on the head", "% of body weight", "What the head presses on its surface.")
add(
    "skin_percent_bw_min",
    "pressure on one part of the skin over time",
    "% of body weight × min",
    "The largest share of body weight on head, hand, elbow, shoulder, knee, sit bone or foot, times the minutes of the step.",
    decimals=0,
)
add(
    "head_below_heart_cm",
    "head below heart",
    "cm",
    "How far the head is lower than the heart; 0 when it is level within a centimetre, as in lying flat, or higher.",
)
add("feet_supporting", "feet that carry", "count", "Feet that carry weight.", decimals=0)
add(
    "hand_support_level",
    "hand support in standing",
    "0–3",
    "0 none, 1 hands hovering over a support, 2 fingertips, 3 firm grip.",
    decimals=0,
)
add(
    "hip_side_moment_nm",
    "side of the hip",
    "N·m",
    "Moment that the muscles at the side of this hip must hold, standing or lying.",
    sided=True,
)
add("hand_pull_n", "pull on a hand", "N", "What a weight or a band pulls on this hand.", sided=True, decimals=3)
add(
    "support_margin_cm",
    "room to the edge of the base",
    "cm",
    "How far the centre of mass is inside the base that carries; less than 0 when it is outside.",
)
add(
    "head_above_heart_cm",
    "head above heart",
    "cm",
    "How far the head is higher than the heart; less than 0 when it is lower.",
)
add("one_leg_stance", "standing on one leg", "0/1", "1 while only one foot carries in standing.", decimals=0)
