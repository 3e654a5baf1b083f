"""The dose of a step for this person: the first dose, sides by their difference, holds from what was measured.

A weaker side gets an extra set; where a paresis is the reason, each side goes its own way instead and the stronger one
is not held back (`safety.md`, stroke).  A hold is never longer than what was judged.
"""

from dataclasses import dataclass, replace

from amvel.case import Case, Result
from amvel.case.results.balance_and_strength import OneLegStance
from amvel.case.results.endurance import SideBridgeHold
from amvel.case.results.quiet_core import FallOutClean, LimbLiftClean
from amvel.case.traits import Trait
from amvel.literature import GRINDEM
from amvel.movements import Profile, Step
from amvel.movements.dosing import REST_S, repetitions_and_hold, scaled

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
    """What is done: repetitions a side, rounds, hold; `extra_side` does one round more."""

    repetitions: int
    sets: int
    hold_s: float
    minutes: float
    extra_side: str = ""
    why: str = ""


def dose_of(
    case: Case,
    step: Step,
    sides: tuple[str, ...],
    hold_s: float | None = None,
    preferred: tuple[str, str] = ("", ""),
    values: dict[str, float | str] | None = None,
) -> Dosed:
    """The dose of one step; `hold_s` is the clean hold estimated from a measured one.

    `preferred` is a side that gets a round more whatever was measured, and why; `values` are those that were judged, which
    may name a smaller dose than the first one.
    """
    first = step.dose
    repetitions, hold = repetitions_and_hold(step, values or {})
    smaller = repetitions < first.repetitions or hold < first.hold_s
    why = "a smaller dose keeps the limits" if smaller else ""
    if hold and hold_s is not None and 0 < hold_s < hold:
        hold, why = hold_s, "hold from what was measured"
    per_repetition = first.seconds - first.hold_s + hold
    weak, says = ("", "") if len(sides) != 2 else preferred if preferred[0] else weaker_side(case, step)
    rounds = first.sets * len(sides) + (1 if weak else 0)
    work = repetitions * per_repetition * rounds + REST_S * (first.sets - 1)
    return Dosed(
        repetitions, first.sets, hold, round(work / 60, 2), weak, "; ".join(x for x in (why, says) if x)
    )


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
                return weak, f"{weak} side has {100 * share:.0f} % of the other in {model.TITLE.lower()}"
    return "", ""


def _by_side(case: Case, model: type[Result], field: str) -> dict[str, float]:
    """The newest result of each side."""
    found: dict[str, float] = {}
    for r in sorted((t for t in case.tests if isinstance(t, model)), key=lambda t: t.on):
        found[str(getattr(r, "side", ""))] = float(getattr(r, field))
    return found


def without_extra(step: Step, dosed: Dosed) -> Dosed:
    """The same dose without the round more."""
    per_repetition = step.dose.seconds - step.dose.hold_s + dosed.hold_s
    minutes = round(dosed.minutes - dosed.repetitions * per_repetition / 60, 2)
    return replace(dosed, extra_side="", minutes=minutes, why="")


def at_dose(profile: Profile, repetitions: int, rounds: int, hold_s: float) -> Profile:
    """The profile of one side with another dose: another hold, more or fewer minutes flat and on the skin."""
    if profile.fault or not repetitions:
        return profile
    return replace(profile, columns=scaled(profile, repetitions, rounds, hold_s))


__all__ = ["REST_S", "SYMMETRY", "WEAK_SHARE", "Dosed", "at_dose", "dose_of", "weaker_side", "without_extra"]
