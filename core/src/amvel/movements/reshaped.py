"""Whether other ranges of the joints would place a pose otherwise."""

import numpy as np

from amvel.body import JOINT_INDEX, JOINTS, Capacities, Posed, Stops

_AT_STOP_RAD = np.radians(0.1)


def reshaped(posed: Posed | None, old: Capacities, new: Capacities) -> bool:
    """Whether other ranges would place these frames otherwise: on the way to them a joint was sent to a stop that moves, or
    beyond where it moves to."""
    before, after = old.stops_rad(), new.stops_rad()
    moved = [name for name in after if after[name] != before[name]]
    if posed is None:
        return bool(moved) or any(a != b for a, b in zip(old.hamstring_rad(), new.hamstring_rad(), strict=True))
    for name in moved:
        j, (low, high), (lower, higher) = JOINT_INDEX[name], before[name], after[name]
        at_low = low != lower and posed.least[:, j].min() < max(low, lower) + _AT_STOP_RAD
        at_high = high != higher and posed.most[:, j].max() > min(high, higher) - _AT_STOP_RAD
        if at_low or at_high:
            return True
    return _arm_beyond(posed, [n for n in moved if n.endswith("shoulder.flexion")], before, after) or _hamstring_beyond(posed, old, new)


def _arm_beyond(posed: Posed, shoulders: list[str], before: Stops, after: Stops) -> bool:
    """Whether an arm is as high as one of its stops lets it go: forward, out to the side or between the two."""
    for name in shoulders:
        forward, out = (posed.angles[:, JOINT_INDEX[f"{name.partition('.')[0]}.shoulder.{way}"]] for way in ("flexion", "abduction"))
        highest = float(np.arccos(np.clip(np.cos(forward) * np.cos(out), -1.0, 1.0)).max())
        if highest > min(before[name][1], after[name][1]) - _AT_STOP_RAD:
            return True
    return False


def _hamstring_beyond(posed: Posed, old: Capacities, new: Capacities) -> bool:
    """Whether a hip was sent further, against its knee, than one of two different hamstrings lets it go."""
    both = zip(old.hamstring_rad(), new.hamstring_rad(), strict=True)
    return any(
        a != b and posed.most[:, len(JOINTS) + side].max() > min(a, b) - _AT_STOP_RAD for side, (a, b) in enumerate(both)
    )


__all__ = ["reshaped"]
