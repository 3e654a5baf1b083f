"""How a step is done: position, hold, time, hands, limbs that carry or act, rises and stances."""

from amvel.quantities.quantity import add

add("hold_s", "hold", "s", "How long a position is held at a time.")
add("breath_held", "breath held", "0/1", "1 when the movement asks to hold the breath.", decimals=0)
add(
    "coordination",
    "limbs moving at once",
    "count",
    "Limbs that move independently; a symmetrical pair counts one.",
    decimals=0,
)
add(
    "rises",
    "rises to standing",
    "count",
    "Rises from lying or sitting to standing that the step itself asks for.",
    decimals=0,
)
add("floor_transfer", "floor transfer", "0/1", "1 when the step is done on the floor.", decimals=0)
add("back_raised_deg", "head end raised", "deg", "How far the slope comes up that the back lies on; 90 in every other position.")
add("lying_flat", "lying flat", "0/1", "1 when head and trunk lie flat, on the back or face down.", decimals=0)

for _id, _words, _sentence in (
    ("performed", "this step", "1 whenever the step is done at all."),
    ("exercise", "exercise", "1 unless it is a daily task: rising, rolling or getting up by the taught way."),
    ("on_the_back", "lying on the back", "1 while the back carries."),
    ("face_down", "lying face down", "1 while the front of the trunk carries."),
    ("on_hands_and_knees", "hands and knees", "1 on hands or forearms and knees."),
    ("kneeling", "kneeling", "1 while a knee carries weight."),
    ("sitting", "sitting", "1 while sitting."),
    ("lying", "lying", "1 while lying: on the back, on a side, face down."),
    ("bed_transfer", "bed", "1 while lying on something that is not the floor."),
    ("standing", "standing", "1 while the feet alone, or feet and hands, carry upright."),
    ("unstable_surface", "unstable surface", "1 on a roller, a cushion or a ball."),
    ("rolls_on_spine", "rolling on the spine", "1 when weight rolls along the spine or neck."),
    ("jolt", "jolt", "1 when the movement asks for a bounce or a throw."),
    ("uses_band", "stretch band", "1 when a stretch band is used."),
    ("band_on_foot", "band round a foot", "1 when a band or strap presses on a foot."),
    ("hard_prop", "hard prop", "1 when a roller, block or ball presses on the body."),
):
    add(_id, _words, "0/1", _sentence, decimals=0)
add("lying_on", "lying on this side", "0/1", "1 while this side of the body is down.", sided=True, decimals=0)
add("time_flat_min", "time flat on the back", "min", "Minutes flat on the back at a time: one round of the first dose.")
add("time_sitting_min", "time sitting", "min", "Minutes sitting at a time: one round of the first dose.")
add("time_standing_min", "time standing", "min", "Minutes standing at a time: one round of the first dose.")
add("effort_0_to_10", "effort", "0–10", "Effort of the step on the 0–10 scale.")
add("strained_hold_s", "hold with strain", "s", "How long an effort of 6 or more is held.")
add("speed_deg_s", "speed", "deg/s", "Fastest joint at the step's tempo.", decimals=0)
add(
    "loaded_neck_bend_deg",
    "neck bend without support",
    "deg",
    "Bend of the neck while nothing carries the head.",
)
add("hip_difference_deg", "difference of the hips", "deg", "How much more one hip bends than the other.", limb_angle=True)
add("hip_spread_deg", "legs apart", "deg", "Both hips out, added.", limb_angle=True)
add(
    "leg_load_difference_percent_bw",
    "more on one leg",
    "% of body weight",
    "What one leg carries more than the other.",
)
add(
    "hip_adduction_in_flexion_deg",
    "hip in while bent",
    "deg",
    "Hip in past the midline while it bends beyond 45°.",
    sided=True,
    limb_angle=True,
)
add(
    "leg_past_middle_cm",
    "leg across the middle",
    "cm",
    "How far this knee, or the ankle by more than half a foot, has crossed the plane midway between the hips.",
    sided=True,
)
add(
    "hip_abductor_moment_nm",
    "lifting the leg sideways",
    "N·m",
    "Moment that lifts this leg outwards against gravity.",
    sided=True,
)
add(
    "loaded_leg_rotation_deg",
    "turned leg under load",
    "deg",
    "Turn of the hip, in or out, while this leg carries.",
    sided=True,
    limb_angle=True,
)
add(
    "leg_support_percent_bw",
    "load on this leg",
    "% of body weight",
    "What foot and knee of this leg press on the floor.",
    sided=True,
)
add(
    "arm_support_percent_bw",
    "load on this arm",
    "% of body weight",
    "What hand, forearm and shoulder press.",
    sided=True,
)
for _id, _words in (("leg", "leg"), ("arm", "arm")):
    add(
        f"{_id}_carries_percent_bw",
        f"weight that this {_words} carries",
        "% of body weight",
        f"What this {_words} presses where it carries, in every posture; 0 where it only rests.",
        sided=True,
    )
add(
    "legs_lifted",
    "legs in the air",
    "count",
    "Legs of which nothing lies on anything, in every posture.",
    decimals=0,
)
add("legs_in_the_hands", "legs held by the hands", "count", "Legs of which a part lies in a hand.", decimals=0)
for _id in ("arm", "leg"):
    add(
        f"{_id}_acts",
        f"muscles of this {_id} that must act",
        "0/1",
        f"1 when this {_id} is moved, held up or carries by its own muscles.",
        sided=True,
        decimals=0,
    )
add(
    "foot_rubs",
    "foot that works on the ground",
    "0/1",
    "1 when this foot rolls, curls or slides on what it lies on.",
    sided=True,
    decimals=0,
)
add(
    "trunk_acts",
    "muscles of the trunk that must act",
    "0/1",
    "1 when the trunk bends or turns by its own muscles.",
    decimals=0,
)
add(
    "stance_level",
    "stance",
    "stance",
    "0 on both feet, 1 a half step, 2 heel to toe, 3 on one leg; 1 less for fingertips, 2 less for a firm hold.",
    decimals=0,
)
add(
    "rise_level",
    "rise from a seat",
    "rise",
    "1 with both hands, 2 with one, 3 without, 4 with one foot ahead, 5 on one leg; 0 when nobody rises.",
    decimals=0,
)
add(
    "low_seat_cm",
    "seat lower than a chair",
    "cm",
    "How much lower than a chair of 43 cm the seat is from which one rises; 0 when nobody rises.",
    decimals=0,
)
add(
    "sitting_unsupported",
    "sitting without support",
    "0/1",
    "1 while sitting with neither a back to lean on nor a hand or forearm that carries.",
    decimals=0,
)
