"""The rules of progress on simulated people over 24 weeks, against a rung a week and against never: flares, and rungs kept up.

`./bench progress` prints the figures that stand in docs/progress.md.
"""

from collections.abc import Iterator
from datetime import date, timedelta

from amvel.progress.simulated import OVERLOAD, Person, Policy, by_the_rules, drawn, every_week, never, practise

WEEKS, BEGINS = 24, date(2026, 6, 1)
FAMILIES = ("toe_float", "knee_fold", "bridge", "wall_plank", "sit_to_stand")
SIX_WEEKS, TWELVE_WEEKS = timedelta(weeks=6), timedelta(weeks=12)


def people(count: int, policy: Policy, overload: float) -> list[Person]:
    found = []
    for seed in range(count):
        person = drawn(seed, FAMILIES, BEGINS)
        person.overload = overload
        found.append(practise(person, WEEKS, policy))
    return found


def most_flares(p: Person) -> int:
    """In any twelve weeks."""
    return max((sum(timedelta(0) <= f - first < TWELVE_WEEKS for f in p.flares) for first in p.flares), default=0)


def kept_up(p: Person) -> float:
    """The share of sessions on a rung that is at least the one that could be done six weeks before."""
    good = total = 0
    for family in {f for _, f, _, _ in p.rungs}:
        own = [(on, rung, able) for on, f, rung, able in p.rungs if f == family]
        for on, rung, _ in own:
            before = [able for day, _, able in own if on - day >= SIX_WEEKS]
            if before:
                total += 1
                good += rung >= int(max(0.0, before[-1]))
    return good / max(1, total)


def progress_lines(count: int) -> Iterator[str]:
    """One line a policy, at the stated flare model and at half and twice its weight of overload."""
    for weight in (1.0, 0.5, 2.0):
        for name, policy in (("rules", by_the_rules()), ("a rung a week", every_week), ("never", never)):
            found = people(count, policy, OVERLOAD * weight)
            quiet = sum(most_flares(p) <= 1 for p in found) / len(found)
            up = sum(map(kept_up, found)) / len(found)
            flares = sum(len(p.flares) for p in found) / len(found)
            yield (
                f"overload × {weight:3.1f}, {name:13s}  at most one flare in 12 weeks {100 * quiet:5.1f} %  (aim 90)   "
                f"kept up within 6 weeks {100 * up:5.1f} %   flares in {WEEKS} weeks {flares:5.2f}"
            )
