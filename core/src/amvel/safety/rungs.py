"""Which rung of each ladder this person is ready for.

A ladder is entered at its first rung, and none is skipped: the next one waits until the rung below was in the last
programme, was logged clean, or a test of these days has shown that it is there.  Rungs that limits close are not waited
for: above them a light one may be entered, and the rise or turn that somebody does every day.
"""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from amvel.case import Case
from amvel.case.visits import sessions_of_step, went_clean
from amvel.languages import said, term
from amvel.movements import Family, Step, find, library
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

ENTRY_EFFORT = 3.0  # up to which a rung may be entered above one that limits close (our choice)
CLEAN_SESSIONS = 2  # in a row, that count as done (job, § 7)
FIRST_BY_TEST = COMMON_PRACTICE


@dataclass(frozen=True)
class Shown:
    """A test result that shows how far somebody is on a ladder: every rung up to `step`."""

    test: str
    holds: Callable[[Any], bool]
    family: str
    step: str
    says: str


# What a result shows of a ladder (common practice, no source): the test is the rung, or close to it.
_SHOWN: tuple[Shown, ...] = (
    Shown("toe_float_clean", lambda r: r.cm <= 0.5, "toe_float", "paper_thin", said("a clean float of half a cm")),
    Shown("fall_out_clean", lambda r: r.deg >= 20, "bent_knee_fall_out", "larger", said("20° clean in the fall-out")),
    Shown(
        "limb_lift_clean", lambda r: r.repetitions >= 8, "arm_or_leg_slide", "leg_lift", said("8 clean limb lifts")
    ),
    Shown("leg_reach_clean", lambda r: r.hip_deg <= 45, "leg_reach", "lower", said("a clean leg reach below 45°")),
    Shown(
        "chair_stand_30s",
        lambda r: r.count >= 5 and not r.arms_used,
        "sit_to_stand",
        "two_legs",
        said("rises without arms"),
    ),
    Shown(
        "chair_stand_30s",
        lambda r: r.count >= 14 and not r.arms_used,
        "sit_to_stand",
        "staggered",
        said("14 stands or more in 30 s"),
    ),
    Shown(
        "chair_stand_30s",
        lambda r: r.count >= 5 and not r.arms_used,
        "rise_and_carry",
        "rise_with_a_cup",
        said("rises without arms"),
    ),
    Shown("plank_hold", lambda r: r.seconds >= 10, "wall_plank", "one_foot_light", said("plank held for 10 s")),
    Shown("plank_hold", lambda r: r.seconds >= 20, "counter_plank", "lower", said("plank held for 20 s")),
    Shown("plank_hold", lambda r: r.seconds >= 20, "floor_plank", "on_knees", said("plank held for 20 s")),
    Shown("plank_hold", lambda r: r.seconds >= 45, "floor_plank", "full_length", said("plank held for 45 s")),
    Shown(
        "side_bridge_hold",
        lambda r: r.seconds >= 10,
        "side_bridge",
        "on_the_shoulder",
        said("side bridge held for 10 s"),
    ),
    Shown(
        "side_bridge_hold", lambda r: r.seconds >= 20, "side_bridge", "knees_bent", said("side bridge held for 20 s")
    ),
    Shown(
        "side_bridge_hold", lambda r: r.seconds >= 45, "side_bridge", "full_length", said("side bridge held for 45 s")
    ),
    Shown(
        "four_stage_balance",
        lambda r: (r.tandem_s or 0) >= 10,
        "tandem_stand",
        "fingertips",
        said("10 s heel to toe"),
    ),
    Shown(
        "four_stage_balance", lambda r: (r.tandem_s or 0) >= 10, "heel_raise", "fingertips", said("10 s heel to toe")
    ),
    Shown(
        "four_stage_balance",
        lambda r: (r.one_leg_s or 0) >= 10,
        "standing_reach",
        "opposite_arm",
        said("10 s on one leg"),
    ),
    Shown(
        "four_stage_balance",
        lambda r: (r.one_leg_s or 0) >= 10,
        "step_and_reach",
        "fingertips",
        said("10 s on one leg"),
    ),
    Shown(
        "one_leg_stance", lambda r: r.seconds >= 10, "standing_leg_to_the_side", "fingertips", said("10 s on one leg")
    ),
    Shown("one_leg_stance", lambda r: r.seconds >= 10, "standing_reach", "opposite_arm", said("10 s on one leg")),
    Shown("one_leg_stance", lambda r: r.seconds >= 10, "one_leg_hinge", "one_leg", said("10 s on one leg")),
    Shown("one_leg_stance", lambda r: r.seconds >= 10, "one_side_carry", "slow_steps", said("10 s on one leg")),
    Shown(
        "one_leg_stance",
        lambda r: r.seconds >= 20,
        "standing_leg_to_the_side",
        "hands_hover",
        said("20 s on one leg"),
    ),
)


@dataclass(frozen=True)
class Readiness:
    """Whether a rung is ready, and what says so or what is missing."""

    ready: bool
    why: str
    done: bool = False  # it lies behind this person


def readiness(case: Case, findings: Findings, closed: frozenset[str] = frozenset()) -> dict[str, Readiness]:
    """Every step of the library, 'family/step'; those in `closed` are out for their limits."""
    shown, done = _shown_rungs(findings), _done(case)
    out: dict[str, Readiness] = {}
    for family in library().values():
        for i, step in enumerate(family.steps):
            out[family.ref(step)] = _one(done, closed, family, i, step, shown)
    return out


def _done(case: Case) -> dict[str, str]:
    """What lies behind this person, and how that is known."""
    done: dict[str, str] = dict.fromkeys(case.previous_steps, said("done in the last programme"))
    for ref in {m.step for v in case.visits for m in v.movements}:
        last = [went_clean(v, m) for v, m in sessions_of_step(case.visits, ref)][-CLEAN_SESSIONS:]
        if len(last) == CLEAN_SESSIONS and all(last):
            done.setdefault(ref, said("clean in the last two sessions"))
    return done


def _one(
    done: dict[str, str], closed: frozenset[str], family: Family, i: int, step: Step, shown: dict[str, tuple[int, str]]
) -> Readiness:
    ref = family.ref(step)
    if ref in done:
        return Readiness(True, done[ref], done=True)
    level, says = shown.get(family.id, (-1, ""))
    if i <= level:
        return Readiness(True, says)
    missing = [r for r in step.after if r not in done and r not in closed]
    lower = [family.ref(s) for s in family.steps[:i] if family.ref(s) not in closed]
    if not missing and not lower and (i == 0 or step.effort <= ENTRY_EFFORT or family.daily_task):
        return Readiness(True, said("the first of its kind") if i == 0 else said("the first of its kind that is open"))
    if not missing and lower and lower[-1] in done:
        return Readiness(True, said("the one before it was {what}", what=term(done[lower[-1]])))
    other, one = find(lower[-1] if lower and lower[-1] not in done else missing[0] if missing else family.ref(family.steps[i - 1]))
    return Readiness(False, f"first: {one.title if other is family else f'{other.title}, {one.title}'}")


def _shown_rungs(findings: Findings) -> dict[str, tuple[int, str]]:
    """The highest rung that results show, by family; of two sides the weaker one speaks."""
    found: dict[str, tuple[int, str]] = {}
    for s in _SHOWN:
        results = findings.results(s.test)
        if results and all(s.holds(r) for r in results):
            family = library()[s.family]
            at = family.steps.index(family.index[s.step])
            if at > found.get(s.family, (-1, ""))[0]:
                found[s.family] = (at, s.says)
    return found


__all__ = ["CLEAN_SESSIONS", "ENTRY_EFFORT", "Readiness", "readiness"]
