"""Whether other ranges of the joints would place a pose otherwise."""

import numpy as np

from amvel.body import JOINT_INDEX, Capacities, Posed

_AT_STOP_RAD = np.radians(0.1)


def reshaped(posed: Posed | None, old: Capacities, new: Capacities) -> bool:
    """Whether other ranges would place these frames otherwise: a joint lies at its old stop, or beyond the new one."""
    before, after = old.stops_rad(), new.stops_rad()
    moved = [name for name in after if after[name] != before[name]]
    hips = any(
        old.of(f"{s}.{r}") != new.of(f"{s}.{r}")
        for s in ("left", "right")
        for r in ("hip_flexion", "straight_leg_raise")
    )
    if posed is None:
        return bool(moved) or hips
    for name in moved:
        own, (low, high), (lower, higher) = posed.angles[:, JOINT_INDEX[name]], before[name], after[name]
        at_low = low != lower and own.min() < max(low + _AT_STOP_RAD, lower)
        at_high = high != higher and own.max() > min(high - _AT_STOP_RAD, higher)
        if at_low or at_high:
            return True
    # A hip that was asked for more lies at its stop, and the pelvis has tucked instead.
    return hips and (_hip_beyond(posed, old, -_AT_STOP_RAD) or _hip_beyond(posed, new, 1e-6))


def _hip_beyond(posed: Posed, capacities: Capacities, by_rad: float) -> bool:
    """Whether a hip bends further than its stop plus `by_rad` in any frame."""
    for side in ("left", "right"):
        hip = posed.angles[:, JOINT_INDEX[f"{side}.hip.flexion"]]
        knee = posed.angles[:, JOINT_INDEX[f"{side}.knee.flexion"]]
        if any(h > capacities.hip_stop_rad(side, float(k)) + by_rad for h, k in zip(hip, knee, strict=True)):
            return True
    return False
