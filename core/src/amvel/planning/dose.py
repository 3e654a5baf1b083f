"""The dose of a step for this person: the first dose, sides by their difference, holds from what was measured.

A weaker side gets an extra set; where a paresis is the reason, each side goes its own way instead and the stronger one
is not held back (`safety.md`, stroke).  A hold is never longer than what was judged.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from types import MappingProxyType

from amvel.case import Case, Result
from amvel.case.results.balance_and_strength import OneLegStance
from amvel.case.results.endurance import SideBridgeHold
from amvel.case.results.quiet_core import FallOutClean, LimbLiftClean
from amvel.case.traits import Trait
from amvel.languages import said, term
from amvel.literature import GRINDEM
from amvel.movements import Profile, Step
from amvel.movements.dosing import REST_S, repetitions_and_hold, scaled

Values = Mapping[str, float | str]
SYMMETRY = GRINDEM.says("limb symmetry of 90 % as common threshold")
WEAK_SHARE = 0.9
# Which result speaks for which purposes, and its number.
_SIDED: tuple[tuple[type[Result], str, tuple[str, ...]], ...] = (
    (SideBridgeHold, "seconds", ("side_bend",)),
    (OneLegStance, "seconds", ("balance", "hip_out")),
    (FallOutClean, "deg", ("turning",)),
    (LimbLiftClean, "repetitions", ("hip_back",)),
)


@dataclass(frozen=True)
class Dosed:
    """What one side does: repetitions, rounds, hold; `why` says what is not the first dose."""

    side: str
    repetitions: int
    sets: int
    hold_s: float
    why: tuple[str, ...] = ()


def doses_of(
    case: Case,
    step: Step,
    values: Mapping[str, Values],
    holds_s: Mapping[str, float] = MappingProxyType({}),
    preferred: tuple[str, str] = ("", ""),
) -> tuple[Dosed, ...]:
    """The dose of each side of one step, by the values that were judged for it, which may name a smaller one than the first.

    `holds_s` are clean holds estimated from measured ones; `preferred` is a side that gets a round more whatever was measured,
    and why.
    """
    weak, says = ("", "") if len(values) != 2 else preferred if preferred[0] else weaker_side(case, step)
    return tuple(
        _dose_of_side(step, side, own, holds_s.get(side, 0.0), says if side == weak else "") for side, own in values.items()
    )


def _dose_of_side(step: Step, side: str, values: Values, held_s: float, more: str) -> Dosed:
    first = step.dose
    repetitions, hold = repetitions_and_hold(step, dict(values))
    why = said("a smaller dose keeps the limits") if repetitions < first.repetitions or hold < first.hold_s else ""
    if hold and 0 < held_s < hold:
        hold, why = held_s, said("hold from what was measured")
    return Dosed(side, repetitions, first.sets + (1 if more else 0), hold, tuple(x for x in (why, more) if x))


def minutes_of(step: Step, doses: Sequence[Dosed]) -> float:
    """Working time of all sides with the rests between rounds."""
    first = step.dose
    work = sum(d.repetitions * d.sets * (first.seconds - first.hold_s + d.hold_s) for d in doses)
    return round((work + REST_S * (min(d.sets for d in doses) - 1)) / 60, 2)


def weaker_side(case: Case, step: Step) -> tuple[str, str]:
    """The side that gets a round more, and the results that say so; ('', '') when they are alike or a paresis speaks."""
    if any(Trait.PARESIS in c.traits() for c in case.conditions):
        return "", ""
    for model, field, purposes in _SIDED:
        if not any(step.purposes.get(p, 0) >= 0.5 for p in purposes):
            continue
        best = _by_side(case, model, field)
        if len(best) == 2 and max(best.values()) > 0:
            weak = min(best, key=lambda s: best[s])
            share = best[weak] / max(best.values())
            if share < WEAK_SHARE:
                return weak, said("{weak} side has {what1} % of the other in {what2}", weak=term(weak), what1=round(100 * share), what2=said(model.TITLE))
    return "", ""


def _by_side(case: Case, model: type[Result], field: str) -> dict[str, float]:
    """The newest result of each side."""
    found: dict[str, float] = {}
    for r in sorted((t for t in case.tests if isinstance(t, model)), key=lambda t: t.on):
        found[str(getattr(r, "side", ""))] = float(getattr(r, field))
    return found


def at_dose(profile: Profile, repetitions: int, rounds: int, hold_s: float) -> Profile:
    """The profile of one side with another dose: another hold, more or fewer minutes flat and on the skin."""
    if profile.fault or not repetitions:
        return profile
    return replace(profile, columns=scaled(profile, repetitions, rounds, hold_s))


__all__ = ["REST_S", "SYMMETRY", "WEAK_SHARE", "Dosed", "Values", "at_dose", "doses_of", "minutes_of", "weaker_side"]
