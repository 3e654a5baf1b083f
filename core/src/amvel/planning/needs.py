"""What this person needs from a session, how much, and because of what: findings, test results and own goals.

The weights are our choice; what they rest on stands beside each.
"""

import re
from dataclasses import dataclass

from amvel.case import Case
from amvel.planning.purposes import GENERAL
from amvel.safety import Envelope
from amvel.screening import Findings, test_library

_OBLIGED, _GOAL, _SHOWN = 2, 4, 3
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
    (r"dance|turn\b|look over|reverse", ("balance", "turning"), "turning on the feet"),
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
    for goal in case.wishes.goals:
        for purpose in _goal(goal):
            add(purpose, _GOAL, f"own goal: {goal}")
    return {p: Need(p, w, tuple(dict.fromkeys(because[p]))) for p, w in weight.items()}


def _shown(case: Case, findings: Findings) -> list[tuple[str, str]]:
    """What poor results speak for, once for each test and purpose."""
    found: dict[tuple[str, str], str] = {}
    for test, purposes in _TESTS.items():
        for result in findings.results(test):
            reading = test_library()[test].read(result, case)
            if reading.level in _POOR:
                for purpose in purposes:
                    found[test, purpose] = f"{test_library()[test].title}: {reading.text}"
    return [(purpose, why) for (_, purpose), why in found.items()]


def _goal(goal: str) -> list[str]:
    text = goal.lower()
    return list(
        dict.fromkeys(p for pattern, purposes, _ in _GOALS if re.search(pattern, text) for p in purposes)
    )


__all__ = ["Need", "needs"]
