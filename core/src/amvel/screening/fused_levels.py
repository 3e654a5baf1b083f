"""Which share of each part of the spine still moves where levels of it are fused."""

from amvel.case import SPINE_LEVELS, Case
from amvel.case.conditions.spine import SpinalFusion

# Motion segments of each part of the model, by their upper vertebra.
REGION = {
    "upper_thoracic": ("T1", "T2", "T3", "T4", "T5", "T6", "T7"),
    "lower_thoracic": ("T8", "T9", "T10", "T11", "T12"),
    "lumbar": ("L1", "L2", "L3", "L4", "L5"),
}


def mobile_shares(case: Case) -> dict[str, float]:
    """By region, 0 to 1; only regions that have lost something."""
    fused: set[str] = set()
    for c in case.conditions:
        if isinstance(c, SpinalFusion):
            fused |= set(SPINE_LEVELS[SPINE_LEVELS.index(c.from_level) : SPINE_LEVELS.index(c.to_level)])
    shares = {region: 1 - len(fused & set(levels)) / len(levels) for region, levels in REGION.items()}
    return {region: share for region, share in shares.items() if share < 1}


__all__ = ["REGION", "mobile_shares"]
