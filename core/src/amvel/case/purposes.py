"""What a movement or a task can ask of the body, and how each reads."""

from typing import Literal, get_args

Purpose = Literal[
    "breath",
    "deep_control",
    "resist_extension",
    "turning",
    "side_bend",
    "hip_out",
    "hip_back",
    "upper_back",
    "balance",
    "sit_to_stand",
    "leg_loading",
    "flexion_strength",
    "hip_bend",
    "foot",
    "position_change",
]
PURPOSES: tuple[Purpose, ...] = get_args(Purpose)
PURPOSE_TITLES: dict[str, str] = {
    "breath": "breath",
    "deep_control": "deep control",
    "resist_extension": "resisting an arch",
    "turning": "resisting a turn",
    "side_bend": "side control",
    "hip_out": "the side of the hip",
    "hip_back": "the back of the hip",
    "upper_back": "the upper back",
    "balance": "balance",
    "sit_to_stand": "rising from a seat",
    "leg_loading": "loading legs and hips",
    "flexion_strength": "bending strength",
    "hip_bend": "bending from the hip",
    "foot": "the foot",
    "position_change": "changing position",
}
if set(PURPOSES) != set(PURPOSE_TITLES):
    raise ValueError(f"case/purposes.py: without a title or a purpose: {sorted(set(PURPOSES) ^ set(PURPOSE_TITLES))}")
