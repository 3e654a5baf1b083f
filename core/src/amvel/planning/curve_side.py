"""One-sided work for a curve: the side that gets a round more, where somebody certified has signed for it.

The bulging side works: the side bridge is done with the bulge down (Fishman et al. 2014, side plank for curves, from
memory).  Without the sign-off the sides are trained alike.
"""

from amvel.case import Case
from amvel.case.conditions.spine import Scoliosis
from amvel.languages import said, term
from amvel.literature import FISHMAN
from amvel.safety import Verdict
from amvel.safety.schools import one_sided_for_a_curve

BULGE_DOWN = FISHMAN.says("side plank with the bulge down", reading=True)
_FAMILY = "side_bridge"


def curve_side(case: Case, group: list[Verdict]) -> tuple[str, str]:
    """The side of a side bridge on which the bulging side works, and why; ('', '') when no side is preferred.

    Opposite curves ask for opposite sides of one trunk: then nothing is preferred here, and the specialist decides.
    """
    bulges = {c.convexity for c in case.conditions if isinstance(c, Scoliosis)}
    if len(bulges) != 1 or "unknown" in bulges or group[0].family != _FAMILY or not one_sided_for_a_curve(case):
        return "", ""
    (bulge,) = bulges
    down = [v.side for v in group if v.profile.peak(f"{bulge}.lying_on") > 0]
    if len(down) != 1 or len(group) != 2:
        return "", ""
    return down[0], said("a round more with the bulge ({bulge}) down: one-sided work for the curve, signed for", bulge=term(bulge))


__all__ = ["BULGE_DOWN", "curve_side"]
