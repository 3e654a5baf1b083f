"""The dose as a measure that may be changed: fewer repetitions, a shorter hold; the pose stays as it is.

Values name a dose only where it is not the first one, so that the pose of every dose is solved once.
"""

from dataclasses import replace
from functools import lru_cache
from math import ceil
from typing import TYPE_CHECKING

from amvel.movements.columns import Columns
from amvel.movements.declaration import Parameter, Step
from amvel.movements.levels import HELD_WAYS

if TYPE_CHECKING:
    from amvel.movements.profile import Profile

REPETITIONS, HOLD = "repetitions", "hold_s"
SMALLEST_SHARE = 1 / 3  # of the first dose: below that it is another dose, or none (our reading of common practice)
SHORTEST_HOLD_S = 3.0
REST_S = 30.0  # between rounds
# What grows with the time that a dose takes.
BY_TIME = ("time_flat_min", "time_sitting_min", "time_standing_min", "skin_percent_bw_min")
_HELD = "held_trunk_flexion_deg"
_BY_HOLD = ("hold_s", "strained_hold_s", _HELD, *(w.hold_quantity for w in HELD_WAYS))
Values = dict[str, float | str]


@lru_cache(maxsize=1024)
def dose_parameters(step: Step) -> tuple[Parameter, ...]:
    """What of the dose may be less: repetitions, and the hold where the step is held."""
    first = step.dose
    found = []
    if first.repetitions > 1:
        low = max(1, ceil(SMALLEST_SHARE * first.repetitions))
        moves = frozenset(BY_TIME)
        found.append(Parameter(REPETITIONS, "repetitions", "", float(first.repetitions), low, first.repetitions, still_itself=low, moves=moves))
    if first.hold_s > SHORTEST_HOLD_S:
        low_s = max(SHORTEST_HOLD_S, float(ceil(SMALLEST_SHARE * first.hold_s)))
        moves = frozenset((*_BY_HOLD, *BY_TIME))
        found.append(Parameter(HOLD, "hold", "s", first.hold_s, low_s, first.hold_s, still_itself=low_s, moves=moves))
    return tuple(found)


def first_dose(step: Step) -> Values:
    """The usual value of everything that may be less."""
    return {REPETITIONS: float(step.dose.repetitions), HOLD: step.dose.hold_s}


def repetitions_and_hold(step: Step, values: Values) -> tuple[int, float]:
    """The dose that these values name, the first one where they name none."""
    told = {**first_dose(step), **values}
    return int(float(told[REPETITIONS])), float(told[HOLD])


def only_what_differs(step: Step, values: Values) -> Values:
    """The values without a dose that is the first one anyway."""
    usual = first_dose(step)
    return {k: v for k, v in values.items() if k not in usual or v != usual[k]}


def names_a_dose(values: Values) -> bool:
    """Whether they say anything of the dose."""
    return REPETITIONS in values or HOLD in values


def without_dose(values: Values) -> Values:
    """The values that the pose depends on."""
    return {k: v for k, v in values.items() if k not in (REPETITIONS, HOLD)}


def _minutes_of(step: Step, repetitions: int, rounds: int, hold_s: float) -> float:
    """Time of one side with the rests between its rounds."""
    return (repetitions * (step.dose.seconds - step.dose.hold_s + hold_s) * rounds + REST_S * (rounds - 1)) / 60


def in_its_dose(values: Values, solved: "Profile") -> "Profile":
    """The profile with the dose that the values name: less time and a shorter hold in the same pose."""
    step = solved.request.step
    repetitions, hold_s = repetitions_and_hold(step, values)
    first = step.dose
    if solved.fault or (repetitions == first.repetitions and hold_s == first.hold_s):
        return solved
    return replace(solved, columns=scaled(solved, repetitions, first.sets, hold_s))


def scaled(profile: "Profile", repetitions: int, rounds: int, hold_s: float) -> Columns:
    """The columns of a profile, for whatever dose it stands, for another dose: its time and its hold."""
    step = profile.request.step
    own, first_s = repetitions_and_hold(step, profile.request.values)
    share = _minutes_of(step, repetitions, rounds, hold_s) / _minutes_of(step, own, step.dose.sets, first_s)
    columns = profile.columns.times(share, BY_TIME)
    if hold_s != first_s and first_s > 0:
        columns = columns.times(hold_s / first_s, tuple(n for n in _BY_HOLD if n in columns.index and n != _HELD))
        if hold_s <= SHORTEST_HOLD_S:
            columns = columns.times(0.0, (_HELD,))
    return columns


__all__ = ["HOLD", "REPETITIONS", "REST_S", "dose_parameters", "first_dose", "in_its_dose", "names_a_dose", "only_what_differs", "repetitions_and_hold", "scaled", "without_dose"]
