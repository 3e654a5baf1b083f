"""How much a step asks of what this person has shown: far below it, it trains little.

Read from the same levels that close what was never shown: work of the trunk by its way, stances, rises.
"""

from collections.abc import Mapping, Sequence

from amvel.movements.levels import HIGHEST, Way
from amvel.movements.stance import ONE_LEG, RISE_ON_ONE_LEG
from amvel.safety import Envelope, Verdict
from amvel.sources import ours

LIGHT = ours("a step more than one level below what was shown trains the less, down to two fifths")
_FREE, _PER_LEVEL, _LEAST = 1.0, 0.3, 0.4
# What a purpose is measured by, and the top of that scale.
_MEASURED: dict[str, tuple[str, float]] = {
    "resist_extension": (Way.ARCHING.quantity, HIGHEST),
    "upper_back": (Way.BENDING.quantity, HIGHEST),
    "hip_back": (Way.BENDING.quantity, HIGHEST),
    "side_bend": (Way.SIDE.quantity, HIGHEST),
    "turning": (Way.TURNING.quantity, HIGHEST),
    "balance": ("stance_level", ONE_LEG),
    "sit_to_stand": ("rise_level", RISE_ON_ONE_LEG),
}


def trains(verdicts: Sequence[Verdict], shown: Mapping[str, float]) -> dict[str, float]:
    """By purpose the share of its full worth that these poses have for somebody who has shown so much."""
    out = {}
    for purpose, (quantity, _) in _MEASURED.items():
        asked = max(v.profile.peak(quantity) for v in verdicts)
        below = shown[quantity] - asked - _FREE
        out[purpose] = max(_LEAST, 1.0 - _PER_LEVEL * max(0.0, below))
    return out


def shown_by(envelope: Envelope, at_home: bool) -> dict[str, float]:
    """The level up to which each of these quantities is open; the top of the scale where nothing bounds it."""
    found = dict(_MEASURED.values())
    for limit in envelope.limits:
        if limit.quantity in found and (at_home or not limit.at_home):
            found[limit.quantity] = min(found[limit.quantity], limit.bound)
    return found


__all__ = ["LIGHT", "shown_by", "trains"]
