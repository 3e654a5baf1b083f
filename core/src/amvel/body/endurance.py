"""How long a share of the maximum can be held: from a measured hold to other poses.

Frey Law & Avin 2010 (trunk, power curve) and Rohmert 1960 (general).  Both from memory, as is the spread between
people, which is our estimate and wide on purpose.
"""

from dataclasses import dataclass

import numpy as np

from amvel.body.tree import Array
from amvel.literature import FREY_LAW, ROHMERT

FREY_LAW_AVIN = FREY_LAW.says("endurance time of the trunk against share of maximum")
GENERAL_CURVE = ROHMERT.says("general endurance curve")
_A_S, _B = 22.69, -2.27
SPREAD = 1.6  # between people, up and down: our estimate
LEAST_THAT_TIRES = 0.15  # of the maximum: below it a hold has no end of its own (Rohmert 1960, from memory)
LONGEST_S = 120.0  # nothing longer is suggested, whatever the curve says


def hold_s(share: float) -> float:
    """Seconds to failure at a share of the maximum (0-1, above 0) of the trunk muscles."""
    if not share > 0.0:
        raise ValueError(f"share: must be above 0, is {share}")
    return float(_A_S * share**_B)


def as_long_at_full(seconds: float, ratio: Array) -> Array:
    """Seconds of the full load that tire as much as `seconds` at `ratio` of it: the curve is a power of the share."""
    tired: Array = seconds * np.maximum(ratio, 0.0) ** -_B
    return tired


def share_of(seconds: float) -> float:
    """The share of the maximum that is held for so long.

    Above 1 for less than the curve gives at the maximum: who holds so short is weaker than the curve knows, and a pose
    that was held gets its own time back.
    """
    if not seconds > 0.0:
        raise ValueError(f"seconds: must be above 0, is {seconds}")
    return float((seconds / _A_S) ** (1.0 / _B))


def rohmert_s(share: float) -> float:
    """Rohmert's curve in seconds; it holds above 15 % of the maximum only, below it raises ValueError."""
    if share <= LEAST_THAT_TIRES:
        raise ValueError("share: Rohmert's curve begins above 0.15")
    return 60.0 * (-1.5 + 2.1 / share - 0.6 / share**2 + 0.1 / share**3)


@dataclass(frozen=True)
class Estimate:
    """An estimated time with what it may as well be, in seconds."""

    seconds: float
    low_s: float
    high_s: float


def estimated_capacity(demand_nm: float, seconds: float) -> float:
    """The largest moment, in N·m, of whoever held `demand_nm` for so long."""
    return demand_nm / share_of(seconds)


def estimated_hold(capacity_nm: float, demand_nm: float) -> Estimate:
    """How long another demand is held, with the spread between people; shorter and shorter beyond the capacity."""
    if demand_nm <= 0.0:
        return Estimate(LONGEST_S, LONGEST_S, LONGEST_S)
    mean = hold_s(demand_nm / capacity_nm)
    return Estimate(min(LONGEST_S, mean), min(LONGEST_S, mean / SPREAD), min(LONGEST_S, mean * SPREAD))
