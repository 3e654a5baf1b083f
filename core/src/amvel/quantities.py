"""The quantities of a demand profile: limits, profiles, charts and screens point at these and nothing else."""

from dataclasses import dataclass
from typing import overload

import numpy as np
from numpy.typing import NDArray


@dataclass(frozen=True)
class Quantity:
    """One thing that can be computed of a pose.

    `decimals` are those that are shown, rounded to the adverse side.  `limb_angle` says that
    it is an angle of a limb: where nobody has tested that limb, it counts as far as a healthy one would go.
    """

    id: str
    title: str
    unit: str
    sentence: str
    sided: bool = False
    decimals: int = 1
    limb_angle: bool = False

    @property
    def hangs_on(self) -> tuple[str, ...]:
        """The ranges of the hip that shape it: where the hip ends, the back rounds."""
        return _HIP_BENDS if self.id in _BENDS_WITH_THE_HIP else ()

    @property
    def resolution(self) -> float:
        """What the model can tell apart, in the quantity's unit; 0 for counts, flags and times, which are exact."""
        return _RESOLUTION.get(self.unit, 0.0)

    @overload
    def breaks(self, value: float, bound: float, at_least: bool = False) -> bool: ...

    @overload
    def breaks(self, value: NDArray[np.float64], bound: float, at_least: bool = False) -> NDArray[np.bool_]: ...

    def breaks(
        self, value: float | NDArray[np.float64], bound: float, at_least: bool = False
    ) -> bool | NDArray[np.bool_]:
        """Whether values lie beyond a bound by what the model can tell: half of the resolution is the bound itself."""
        within = max(_EXACT, 0.5 * self.resolution)
        return value < bound - within if at_least else value > bound + within


# The unit of what is counted in levels 1 to 6: on a screen it is said in words, never as a number.
LEVEL = "level"
# Angles and loads as our reading of what the pose solver and the reactions repeat; lengths as closely as contacts hold.
_RESOLUTION = {"deg": 0.5, "% of body weight": 1.0, "cm": 0.5, LEVEL: 0.1, "× quiet standing": 0.02}
_EXACT = 1e-6
_HIP_BENDS = ("hip_flexion", "straight_leg_raise")
_BENDS_WITH_THE_HIP = frozenset(
    (
        "trunk_flexion_deg",
        "lumbar_flexion_deg",
        "loaded_trunk_flexion_deg",
        "unloaded_trunk_flexion_deg",
        "held_trunk_flexion_deg",
        "flexion_with_rotation_deg",
        "seated_rounding_deg",
        "hip_flexion_deg",
        "hip_bend_deg",
        "thigh_trunk_deg",
    )
)
REGISTRY: dict[str, Quantity] = {}


def _add(
    id: str,
    title: str,
    unit: str,
    sentence: str,
    sided: bool = False,
    decimals: int = 1,
    limb_angle: bool = False,
) -> None:
    if not id.replace("_", "").isalnum() or id in REGISTRY:
        raise ValueError(f"quantities.{id}: the id must be new and in snake_case")
    REGISTRY[id] = Quantity(id, title, unit, sentence, sided, decimals, limb_angle)


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
for _level, _name in (("t7_t8", "T7/8"), ("t12_l1", "T12/L1"), ("l4_l5", "L4/5")):
    for _way, _does, _holder in (
        ("bending", "bends the trunk forward", "the back"),
        ("arching", "arches the trunk", "the belly"),
    ):
        _add(
            f"{_way}_moment_{_level}_nm",
            f"{_way} load at {_name}",
            "N·m",
            f"Moment with which the load {_does} at {_name}; {_holder} holds it.",
        )
    for _way, _does in (("side", "bends the trunk to this side"), ("turning", "turns the trunk to this side")):
        _add(
            f"{_way}_moment_{_level}_nm",
            f"{_way} load at {_name}",
            "N·m",
            f"Moment with which the load {_does} at {_name}.",
            sided=True,
        )
_add(
    "pelvic_side_moment_nm",
    "pelvic control moment, sideways",
    "N·m",
    "Moment of the lifted legs about the axis that runs through the pelvis from front to back.",
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
    ("ankle_plantarflexion", "ankle pointed"),
    ("shoulder_elevation", "arm raise"),
    ("elbow_flexion", "elbow bend"),
    ("wrist_extension", "wrist bend back"),
):
    _add(f"{_id}_deg", _words, "deg", f"Angle of this joint: {_words}.", sided=True, limb_angle=_id != "elbow_flexion")
_add(
    "thigh_trunk_deg",
    "thigh against trunk",
    "deg",
    "Bend between the thigh and the line from hip to shoulder, wherever the pelvis is.",
    sided=True,
    limb_angle=True,
)
_add(
    "hip_bend_deg",
    "hip bend as a surgeon means it",
    "deg",
    "The larger of thigh against pelvis and thigh against the line from hip to shoulder.",
    sided=True,
    limb_angle=True,
)
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
    limb_angle=True,
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
    limb_angle=True,
)
_add(
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
    _add(
        f"{_id}_support_percent_bw",
        f"load on the {_words}",
        "% of body weight",
        f"What this {_words} presses on its surface.",
        sided=True,
    )
_add("head_support_percent_bw", "load on the head", "% of body weight", "What the head presses on its surface.")
_add(
    "skin_percent_bw_min",
    "pressure on one part of the skin over time",
    "% of body weight × min",
    "The largest share of body weight on head, hand, elbow, shoulder, knee, sit bone or foot, times the minutes of the step.",
    decimals=0,
)
_add(
    "head_below_heart_cm",
    "head below heart",
    "cm",
    "How far the head is lower than the heart; 0 when it is level within a centimetre, as in lying flat, or higher.",
)
_add("feet_supporting", "feet that carry", "count", "Feet that carry weight.", decimals=0)
_add(
    "hand_support_level",
    "hand support in standing",
    "0–3",
    "0 none, 1 hands hovering over a support, 2 fingertips, 3 firm grip.",
    decimals=0,
)
_add(
    "hip_side_moment_nm",
    "side of the hip",
    "N·m",
    "Moment that the muscles at the side of this hip must hold, standing or lying.",
    sided=True,
)
_add("hand_pull_n", "pull on a hand", "N", "What a weight or a band pulls on this hand.", sided=True)
_add(
    "support_margin_cm",
    "room to the edge of the base",
    "cm",
    "How far the centre of mass is inside the base that carries; less than 0 when it is outside.",
)
_add(
    "head_above_heart_cm",
    "head above heart",
    "cm",
    "How far the head is higher than the heart; less than 0 when it is lower.",
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
_add("back_raised_deg", "head end raised", "deg", "How far the slope comes up that the back lies on; 90 in every other position.")
_add("lying_flat", "lying flat", "0/1", "1 when head and trunk lie flat, on the back or face down.", decimals=0)

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
    _add(_id, _words, "0/1", _sentence, decimals=0)
_add("lying_on", "lying on this side", "0/1", "1 while this side of the body is down.", sided=True, decimals=0)
_add("time_flat_min", "time flat on the back", "min", "Minutes flat on the back at a time: one round of the first dose.")
_add("time_sitting_min", "time sitting", "min", "Minutes sitting at a time: one round of the first dose.")
_add("time_standing_min", "time standing", "min", "Minutes standing at a time: one round of the first dose.")
_add("effort_0_to_10", "effort", "0–10", "Effort of the step on the 0–10 scale.")
_add("strained_hold_s", "hold with strain", "s", "How long an effort of 6 or more is held.")
_add("speed_deg_s", "speed", "deg/s", "Fastest joint at the step's tempo.", decimals=0)
_add(
    "loaded_neck_bend_deg",
    "neck bend without support",
    "deg",
    "Bend of the neck while nothing carries the head.",
)
_add("hip_difference_deg", "difference of the hips", "deg", "How much more one hip bends than the other.", limb_angle=True)
_add("hip_spread_deg", "legs apart", "deg", "Both hips out, added.", limb_angle=True)
_add(
    "leg_load_difference_percent_bw",
    "more on one leg",
    "% of body weight",
    "What one leg carries more than the other.",
)
_add(
    "hip_adduction_in_flexion_deg",
    "hip in while bent",
    "deg",
    "Hip in past the midline while it bends beyond 45°.",
    sided=True,
    limb_angle=True,
)
_add(
    "hip_abductor_moment_nm",
    "lifting the leg sideways",
    "N·m",
    "Moment that lifts this leg outwards against gravity.",
    sided=True,
)
_add(
    "loaded_leg_rotation_deg",
    "turned leg under load",
    "deg",
    "Turn of the hip, in or out, while this leg carries.",
    sided=True,
    limb_angle=True,
)
_add(
    "leg_support_percent_bw",
    "load on this leg",
    "% of body weight",
    "What foot and knee of this leg press on the floor.",
    sided=True,
)
_add(
    "arm_support_percent_bw",
    "load on this arm",
    "% of body weight",
    "What hand, forearm and shoulder press.",
    sided=True,
)
for _id, _words in (("leg", "leg"), ("arm", "arm")):
    _add(
        f"{_id}_carries_percent_bw",
        f"weight that this {_words} carries",
        "% of body weight",
        f"What this {_words} presses where it carries, in every posture; 0 where it only rests.",
        sided=True,
    )
_add(
    "legs_lifted",
    "legs in the air",
    "count",
    "Legs of which nothing lies on anything, in every posture.",
    decimals=0,
)
for _id in ("arm", "leg"):
    _add(
        f"{_id}_acts",
        f"muscles of this {_id} that must act",
        "0/1",
        f"1 when this {_id} is moved, held up or carries by its own muscles.",
        sided=True,
        decimals=0,
    )
_add(
    "foot_rubs",
    "foot that works on the ground",
    "0/1",
    "1 when this foot rolls, curls or slides on what it lies on.",
    sided=True,
    decimals=0,
)
_add(
    "trunk_acts",
    "muscles of the trunk that must act",
    "0/1",
    "1 when the trunk bends or turns by its own muscles.",
    decimals=0,
)
_add(
    "stance_level",
    "stance",
    "stance",
    "0 on both feet, 1 a half step, 2 heel to toe, 3 on one leg; 1 less for fingertips, 2 less for a firm hold.",
    decimals=0,
)
_add(
    "rise_level",
    "rise from a seat",
    "rise",
    "1 with both hands, 2 with one, 3 without, 4 with one foot ahead, 5 on one leg; 0 when nobody rises.",
    decimals=0,
)
_add(
    "low_seat_cm",
    "seat lower than a chair",
    "cm",
    "How much lower than a chair of 43 cm the seat is from which one rises; 0 when nobody rises.",
    decimals=0,
)
_add(
    "sitting_unsupported",
    "sitting without support",
    "0/1",
    "1 while sitting with neither a back to lean on nor a hand or forearm that carries.",
    decimals=0,
)
_add("front_thigh_line_deg", "front of the thigh", "deg", "Hip reach back + knee bend.", sided=True, limb_angle=True)
for _region, _words in (("thoracic", "upper spine"), ("lumbar", "low back")):
    _add(
        f"loaded_{_region}_side_bend_deg",
        f"{_words} side bend under load",
        "deg",
        f"Bend of the {_words} to this side while the spine is loaded.",
        sided=True,
    )
    _add(
        f"loaded_{_region}_rotation_deg",
        f"{_words} turn under load",
        "deg",
        f"Turn of the {_words} to this side while the spine is loaded.",
        sided=True,
    )
_add(
    "weighted_trunk_deg",
    "bending or turning with a weight",
    "deg",
    "The largest of rounding, side bend and turn of the trunk while a hand holds a weight or a band.",
)
_add(
    "loaded_trunk_rotation_deg",
    "turning under load",
    "deg",
    "Turn of the trunk to this side while the spine is loaded.",
    sided=True,
)
_add(
    "loaded_trunk_side_bend_deg",
    "side bend under load",
    "deg",
    "Bend of the trunk to this side while the spine is loaded.",
    sided=True,
)
_add(
    "loaded_trunk_extension_deg",
    "arching under load",
    "deg",
    "Backward bend of the trunk while the spine is loaded.",
)
for _id, _words, _sentence in (
    ("arching", "work of the belly", "Level at which the belly holds against what arches the trunk."),
    ("bending", "work of the back", "Level at which the back holds against what bends the trunk forward."),
    ("side", "work of the sides", "Level at which one side holds against what bends the trunk to the other."),
    ("turning", "work against turning", "Level at which the trunk holds against what turns it."),
    ("press", "press on the spine", "Level of what presses the spine together."),
):
    _add(f"{_id}_level", _words, LEVEL, f"{_sentence} 1 to 6, each what its reference poses ask of this body.")
for _id, _words, _full in (
    ("arching", "hold against arching", "a plank on the feet"),
    ("bending", "hold of the back", "the heaviest lift of the back"),
    ("side", "hold of the sides", "a side bridge on the feet"),
):
    _add(
        f"{_id}_hold_s",
        _words,
        "s",
        f"How long the position is held, reckoned in seconds of {_full} by the endurance curve of the trunk.",
        decimals=1,
    )
_add(
    "press_against_standing",
    "press on the spine against quiet standing",
    "× quiet standing",
    "Compression of the spine at the level where it is most, as a multiple of what quiet standing makes there.",
    decimals=2,
)


def base_id(name: str) -> str:
    """The registry id of a profile column ('left.hip_flexion_deg' → 'hip_flexion_deg')."""
    return name.split(".", 1)[1] if name.startswith(("left.", "right.")) else name


def quantity(name: str) -> Quantity:
    """The quantity behind a profile column; KeyError names an unknown one."""
    return REGISTRY[base_id(name)]
