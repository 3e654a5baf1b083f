"""What this person needs from a session, how much, and because of what: findings, test results and own goals.

The weights are our choice; what they rest on stands beside each.
"""

import re
from dataclasses import dataclass

from amvel.case import CONDITIONS, Case
from amvel.planning.purposes import GENERAL
from amvel.safety import Envelope
from amvel.screening import Findings, test_library

_OBLIGED, _GOAL, _GOAL_ITSELF, _SHOWN, _CONDITION = 2, 4, 8, 3, 3
# What a condition weakens or asks for beside its obligations (common practice, no source).
_CONDITIONS: dict[str, tuple[tuple[str, ...], str]] = {
    "hip_replacement": (("hip_out", "hip_back"), "the muscles around a new hip"),
    "knee_trouble": (("leg_loading", "hip_out"), "thigh and hip take load off the knee"),
    "shoulder_trouble": (("upper_back",), "the shoulder blade carries the shoulder"),
    "stroke": (("balance", "leg_loading"), "both legs under load after a stroke"),
    "multiple_sclerosis": (("balance",), "balance with multiple sclerosis"),
    "neuropathy": (("balance", "foot"), "feet that feel less"),
    "down_syndrome": (("deep_control", "hip_out"), "lax joints are held by muscle"),
    "hypermobility": (("deep_control", "hip_out"), "lax joints are held by muscle"),
    "stenosis": (("deep_control", "hip_bend"), "room for the nerves: a long back, the bend from the hip"),
    "spondylolisthesis": (("deep_control", "hip_back"), "a quiet low back and strong hips"),
    "abdominal_surgery": (("breath", "deep_control"), "the wall of the belly after an operation"),
    "pregnancy": (("breath", "deep_control"), "breath and deep layer with the child"),
}
if set(_CONDITIONS) - set(CONDITIONS):
    raise ValueError(f"planning/needs.py: there is no condition {sorted(set(_CONDITIONS) - set(CONDITIONS))}")
# A poor result speaks for these purposes.
_TESTS = {
    "chair_stand_30s": ("sit_to_stand", "leg_loading"),
    "five_stands": ("sit_to_stand", "leg_loading"),
    "timed_up_and_go": ("balance", "sit_to_stand"),
    "four_stage_balance": ("balance",),
    "one_leg_stance": ("balance", "hip_out"),
    "gait_4m": ("leg_loading", "balance"),
    "floor_rise": ("position_change", "leg_loading"),
    "side_bridge_hold": ("side_bend",),
    "back_extensor_hold": ("upper_back", "hip_back"),
    "flexor_hold": ("resist_extension",),
    "plank_hold": ("resist_extension",),
    "toe_float_clean": ("deep_control",),
    "fall_out_clean": ("turning", "deep_control"),
    "leg_reach_clean": ("resist_extension", "deep_control"),
    "limb_lift_clean": ("turning", "hip_back"),
    "wall_plank_drop": ("hip_out", "turning"),
    "deep_contraction": ("deep_control",),
    "breath_directions": ("breath",),
    "pelvic_level": ("hip_out",),
}
_POOR = ("watch", "refer")
# Words of a goal, in the person's own language, and what they ask of the body.
_GOALS: tuple[tuple[str, tuple[str, ...], str], ...] = (
    (
        r"lift|pick|carry|bag|shopping|groceries|grand|cello|baby|older one",
        ("hip_bend", "leg_loading", "side_bend"),
        "lifting and carrying",
    ),
    (
        r"walk|run|bus stop|market|harbour|hut|hike|stairs|climb",
        ("balance", "leg_loading", "hip_out"),
        "walking",
    ),
    (r"dance|turn\b(?! over)|look over|reverse", ("balance", "turning"), "turning on the feet"),
    (r"stand|queue", ("balance", "upper_back"), "standing"),
    (r"rise|get up|chair|sofa|toilet|out of the boat", ("sit_to_stand", "leg_loading"), "rising"),
    (r"bed|turn over|roll", ("position_change", "turning"), "moving in bed"),
    (r"floor|kneel|garden|allotment|play with", ("position_change", "leg_loading"), "getting to the floor"),
    (r"sit\b|sitting|meeting|drive|desk", ("upper_back", "hip_bend", "deep_control"), "sitting"),
    (r"shoe|sock|feet", ("hip_bend", "foot"), "reaching the feet"),
    (
        r"reach|shelf|washing|hang|cupboard|knead|both hands",
        ("upper_back", "resist_extension"),
        "reaching and pressing",
    ),
    (r"breath|sing|cough|laugh", ("breath", "deep_control"), "breath"),
)

# The movement that is the goal's own task, or comes nearest to it: every ladder ends outside the exercise.
_TASKS: tuple[tuple[str, tuple[str, ...]], ...] = (
    (
        r"lift|pick|bag|shopping|groceries|grand|baby|older one",
        ("bag_from_the_floor", "one_leg_hinge", "tall_hinge"),
    ),
    (r"carry|cello|suitcase", ("one_side_carry",)),
    (r"walk|run|bus stop|market|harbour|hut|hike|stairs|climb", ("step_and_reach", "heel_raise")),
    (r"rise|get up|chair|sofa|toilet|out of the boat|meeting", ("sit_to_stand", "rise_and_carry")),
    (r"bed|turn over|roll", ("roll_to_the_side", "side_to_sitting")),
    (r"floor|kneel|garden|allotment|play with", ("floor_by_a_chair",)),
    (r"reach|shelf|washing|hang|cupboard", ("reach_to_a_shelf", "step_and_reach")),
    (r"dance|turn\b(?! over)", ("step_and_reach", "standing_reach")),
)


@dataclass(frozen=True)
class Need:
    """One purpose: its weight and everything that adds to it."""

    purpose: str
    weight: int
    because: tuple[str, ...]


def needs(case: Case, findings: Findings, envelope: Envelope) -> dict[str, Need]:
    """Every purpose that counts in this person's session."""
    weight = dict(GENERAL)
    because: dict[str, list[str]] = {p: [] for p in weight}

    def add(purpose: str, more: int, why: str) -> None:
        weight[purpose] = weight.get(purpose, 0) + more
        because.setdefault(purpose, []).append(why)

    for title, purposes in dict.fromkeys((o.title, o.purposes) for o in envelope.obligations):
        for purpose in purposes:
            add(purpose, _OBLIGED, title)
    for purpose, why in _shown(case, findings):
        add(purpose, _SHOWN, why)
    for kind in dict.fromkeys(c.kind for c in case.conditions):
        purposes, why = _CONDITIONS.get(kind, ((), ""))
        for purpose in purposes:
            add(purpose, _CONDITION, why)
    for goal in case.wishes.goals:
        for purpose, more in _goal(goal).items():
            add(purpose, more, f"own goal: {goal}")
    return {p: Need(p, w, tuple(dict.fromkeys(because[p]))) for p, w in weight.items()}


def _shown(case: Case, findings: Findings) -> list[tuple[str, str]]:
    """What poor results speak for, once for each test and purpose."""
    found: dict[tuple[str, str], str] = {}
    for test, purposes in _TESTS.items():
        for result in findings.results(test):
            reading = test_library()[test].reading(result, case)
            if reading.level in _POOR:
                for purpose in purposes:
                    found[test, purpose] = f"{test_library()[test].title}: {reading.text}"
    return [(purpose, why) for (_, purpose), why in found.items()]


def tasks(case: Case) -> tuple[frozenset[str], ...]:
    """For every goal whose words say so, the families that are its own task."""
    found = [
        frozenset(f for pattern, families in _TASKS if re.search(pattern, goal.lower()) for f in families)
        for goal in case.wishes.goals
    ]
    return tuple(dict.fromkeys(t for t in found if t))


def _goal(goal: str) -> dict[str, int]:
    """What a goal asks of the body: the first purpose of its words is the goal itself, the others lead there."""
    text, found = goal.lower(), dict[str, int]()
    for pattern, purposes, _ in _GOALS:
        if re.search(pattern, text):
            found |= {p: max(found.get(p, 0), _GOAL_ITSELF if p == purposes[0] else _GOAL) for p in purposes}
    return found


__all__ = ["Need", "needs", "tasks"]
