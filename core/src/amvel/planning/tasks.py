"""What each task of daily life asks of the body, and the movements that are the task itself: every ladder ends outside the exercise.

Common practice, no source.  `asks` begins with the task itself; what follows leads there.  `ends` are the families that
are the task, or come nearest to it.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from amvel.case.goals import Goal, Task
from amvel.case.purposes import Purpose
from amvel.languages import said


@dataclass(frozen=True)
class Asked:
    """One task: how it reads, what it asks, where its ladder ends."""

    title: str
    asks: tuple[Purpose, ...]
    ends: tuple[str, ...]

    def __post_init__(self) -> None:
        object.__setattr__(self, "title", said(self.title))


TASKS: dict[Task, Asked] = {
    Task.DRESSING: Asked("dressing", ("hip_bend", "balance", "upper_back"), ("standing_leg_to_the_side", "seated_march", "reach_to_a_shelf")),
    Task.SHOES: Asked("shoes and socks", ("hip_bend", "foot"), ("seated_leg_reach", "tall_hinge")),
    Task.BATH: Asked("in and out of the bath", ("balance", "position_change", "hip_out"), ("standing_leg_to_the_side", "step_and_reach")),
    Task.BED: Asked("moving in bed", ("position_change", "turning"), ("roll_to_the_side", "side_to_sitting")),
    Task.RISING: Asked("rising from chair, sofa or toilet", ("sit_to_stand", "leg_loading"), ("sit_to_stand", "rise_and_carry")),
    Task.FLOOR: Asked("down to the floor and up", ("position_change", "leg_loading"), ("floor_by_a_chair",)),
    Task.STAIRS: Asked("stairs", ("leg_loading", "balance", "hip_out"), ("heel_raise", "step_and_reach")),
    Task.WALKING: Asked("walking outdoors", ("balance", "leg_loading", "hip_out"), ("walking_practice", "step_and_reach", "heel_raise")),
    Task.RUNNING: Asked("running", ("leg_loading", "balance", "hip_back"), ("one_leg_hinge", "heel_raise")),
    Task.SHOPPING: Asked("shopping", ("hip_bend", "side_bend", "leg_loading"), ("bag_from_the_floor", "one_side_carry", "rise_and_carry")),
    Task.CARRYING_A_CHILD: Asked("carrying a child", ("side_bend", "hip_bend", "leg_loading"), ("one_side_carry", "bag_from_the_floor")),
    Task.LIFTING: Asked("lifting from low down", ("hip_bend", "leg_loading"), ("bag_from_the_floor", "one_leg_hinge", "tall_hinge")),
    Task.CARRYING: Asked("carrying on one side", ("side_bend", "balance"), ("one_side_carry",)),
    Task.REACHING_UP: Asked("reaching up", ("upper_back", "resist_extension"), ("reach_to_a_shelf", "step_and_reach")),
    Task.KITCHEN: Asked("working with the hands at a worktop", ("upper_back", "resist_extension", "balance"), ("counter_plank", "reach_to_a_shelf")),
    Task.HOUSEWORK: Asked("housework", ("turning", "hip_bend", "upper_back"), ("step_and_reach", "reach_to_a_shelf", "bag_from_the_floor")),
    Task.GARDEN: Asked("gardening", ("position_change", "hip_bend", "leg_loading"), ("floor_by_a_chair", "one_leg_hinge", "bag_from_the_floor")),
    Task.SITTING_AT_WORK: Asked("sitting for long", ("upper_back", "hip_bend", "deep_control"), ("sit_to_stand", "tall_turn")),
    Task.STANDING_AT_WORK: Asked("standing for long", ("balance", "upper_back", "foot"), ("standing_foot", "heel_raise", "standing_reach")),
    Task.DRIVING: Asked("driving", ("turning", "upper_back"), ("tall_turn",)),
    Task.TRANSFER: Asked("from seat to seat", ("position_change", "side_bend", "upper_back"), ("light_seat", "seated_weight_shift")),
    Task.SWIMMING: Asked("swimming", ("upper_back", "hip_back", "breath"), ("shoulder_blade_slide", "arm_or_leg_slide", "wall_arm_slide")),
    Task.DANCING: Asked("dancing", ("balance", "turning", "hip_out"), ("step_and_reach", "standing_reach")),
    Task.SINGING: Asked("singing", ("breath", "deep_control"), ("standing_breath", "tall_sitting")),
    Task.PLAYING_MUSIC: Asked("playing an instrument", ("upper_back", "deep_control"), ("tall_sitting", "tall_turn")),
}
if set(TASKS) != set(Task):
    raise ValueError(f"planning/tasks.py: nothing is said of {sorted(set(Task) - set(TASKS))}")


def asks_of(goal: Goal) -> tuple[Purpose, ...]:
    """What a goal asks of the body, itself first; nothing when it is not mapped."""
    return TASKS[goal.task].asks if goal.task is not None else goal.asks


def ends_of(goals: Sequence[Goal]) -> tuple[frozenset[str], ...]:
    """For every task of the list that is meant, the families of which one is wanted; each once."""
    return tuple(dict.fromkeys(frozenset(TASKS[g.task].ends) for g in goals if g.task is not None))


def unmapped(goals: Sequence[Goal]) -> tuple[str, ...]:
    """Goals for which nothing can be planned, as the client said them."""
    return tuple(g.words for g in goals if not g.mapped)


__all__ = ["TASKS", "Asked", "asks_of", "ends_of", "unmapped"]
