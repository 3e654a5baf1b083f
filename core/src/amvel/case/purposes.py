"""What a movement or a task can ask of the body, and how each reads."""

from typing import Literal, get_args

from amvel.languages import Message, said

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
PURPOSE_TITLES: dict[str, Message] = {
    "breath": said("breath"),
    "deep_control": said("deep control"),
    "resist_extension": said("resisting an arch"),
    "turning": said("resisting a turn"),
    "side_bend": said("side control"),
    "hip_out": said("the side of the hip"),
    "hip_back": said("the back of the hip"),
    "upper_back": said("the upper back"),
    "balance": said("balance"),
    "sit_to_stand": said("rising from a seat"),
    "leg_loading": said("loading legs and hips"),
    "flexion_strength": said("bending strength"),
    "hip_bend": said("bending from the hip"),
    "foot": said("the foot"),
    "position_change": said("changing position"),
}
if set(PURPOSES) != set(PURPOSE_TITLES):
    raise ValueError(f"case/purposes.py: without a title or a purpose: {sorted(set(PURPOSES) ^ set(PURPOSE_TITLES))}")
