"""What this person needs from a session, how much, and because of what: findings, test results and own goals.

The weights are our choice; what they rest on stands beside each.
"""

from dataclasses import dataclass

from amvel.case import Case
from amvel.case.goals import Goal
from amvel.languages import said, said_together
from amvel.planning.purposes import GENERAL
from amvel.planning.tasks import asks_of
from amvel.safety import Envelope
from amvel.screening import Findings, test_library

_OBLIGED, _GOAL, _GOAL_ITSELF, _SHOWN, _CONDITION = 2, 4, 8, 3, 3
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
    for asked in {type(c): c.ASKS for c in case.conditions}.values():
        for purpose in asked.purposes:
            add(purpose, _CONDITION, said(asked.why))
    for goal in case.wishes.goals:
        for purpose, more in _goal(goal).items():
            add(purpose, more, said("own goal: {words}", words=goal.words))
    return {p: Need(p, w, tuple(dict.fromkeys(because[p]))) for p, w in weight.items()}


def _shown(case: Case, findings: Findings) -> list[tuple[str, str]]:
    """What poor results speak for, once for each test and purpose."""
    found: dict[tuple[str, str], str] = {}
    for test, purposes in _TESTS.items():
        for result in findings.results(test):
            reading = test_library()[test].reading(result, case)
            if reading.level in _POOR:
                for purpose in purposes:
                    found[test, purpose] = said_together((said(test_library()[test].title), reading.text), ": ")
    return [(purpose, why) for (_, purpose), why in found.items()]


def _goal(goal: Goal) -> dict[str, int]:
    """What a goal asks of the body: the first purpose is the goal itself, the others lead there."""
    return {p: _GOAL if i else _GOAL_ITSELF for i, p in enumerate(asks_of(goal))}


__all__ = ["Need", "needs"]
