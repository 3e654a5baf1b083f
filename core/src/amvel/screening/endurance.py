"""Ratios of the endurance holds (McGill, Low Back Disorders)."""

from typing import Any

from amvel.case import Case
from amvel.case.results.endurance import BackExtensorHold, FlexorHold, SideBridgeHold
from amvel.languages import said, said_together, to_decimals
from amvel.screening.declaration import results

ENOUGH_S = 20.0  # our choice for older adults; the published means are of young adults
SIDES_WITHIN, FLEXOR_TO_EXTENSOR, SIDE_TO_EXTENSOR = 0.05, 1.0, 0.75


def ratios(case: Case) -> dict[str, tuple[float, bool]]:
    """Each ratio that can be formed from the newest holds, and whether it is balanced."""
    newest: dict[str, float] = {}
    for r in sorted(results(case, SideBridgeHold), key=lambda r: r.on):
        newest[r.side] = r.seconds
    for name, model in (("extensor", BackExtensorHold), ("flexor", FlexorHold)):
        for h in sorted(results(case, model), key=lambda r: r.on):
            newest[name] = h.seconds
    out: dict[str, tuple[float, bool]] = {}
    left, right, extensor, flexor = (newest.get(k) for k in ("left", "right", "extensor", "flexor"))
    if left and right:
        out[said("right to left side")] = (right / left, abs(right / left - 1) <= SIDES_WITHIN)
    if flexor and extensor:
        out[said("flexor to extensor")] = (flexor / extensor, flexor / extensor < FLEXOR_TO_EXTENSOR)
    sides = [x for x in (left, right) if x]
    if sides and extensor:
        out[said("side to extensor")] = (max(sides) / extensor, max(sides) / extensor < SIDE_TO_EXTENSOR)
    return out


def compared(result: Any, case: Case) -> str:
    """The ratios that are out of balance, in words."""
    off = [said_together([name, to_decimals(value, 2)], " ") for name, (value, fine) in ratios(case).items() if not fine]
    return said("; out of balance: {what}", what=said_together(off, ", ")) if off else ""
