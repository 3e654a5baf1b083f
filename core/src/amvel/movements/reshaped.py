"""Whether other ranges of the joints would place a pose otherwise."""

from dataclasses import dataclass

import numpy as np

from amvel.body import JOINT_INDEX, JOINTS, Capacities, Posed, Stops
from amvel.body.tree import Array

_AT_STOP_RAD = np.radians(0.1)
_SIDES = ("left", "right")


@dataclass(frozen=True)
class Sent:
    """How far the joints of one movement were sent on the way to its poses: `least` and `most` (J+2, rad, see `Posed`), and
    how high the left and the right arm are: forward, out to the side or between the two."""

    least: Array
    most: Array
    arms_rad: tuple[float, float]

    @classmethod
    def of(cls, posed: Posed) -> "Sent":
        left, right = (_highest_rad(posed, s) for s in _SIDES)
        return cls(posed.least.min(axis=0), posed.most.max(axis=0), (left, right))

    def otherwise(self, old: Capacities, new: Capacities) -> bool:
        """Whether other ranges would have sent them elsewhere: one came to a stop that moves, or beyond where it moves to."""
        before, after = old.stops_rad(), new.stops_rad()
        for name in _moved(before, after):
            j, (low, high), (lower, higher) = JOINT_INDEX[name], before[name], after[name]
            at_low = low != lower and self.least[j] < max(low, lower) + _AT_STOP_RAD
            at_high = high != higher and self.most[j] > min(high, higher) - _AT_STOP_RAD
            if at_low or at_high:
                return True
        return self._arm_beyond(before, after) or self._hamstring_beyond(old, new)

    def _arm_beyond(self, before: Stops, after: Stops) -> bool:
        names = [f"{s}.shoulder.flexion" for s in _SIDES]
        return any(
            before[n] != after[n] and high > min(before[n][1], after[n][1]) - _AT_STOP_RAD
            for n, high in zip(names, self.arms_rad, strict=True)
        )

    def _hamstring_beyond(self, old: Capacities, new: Capacities) -> bool:
        """Whether a hip was sent further, against its knee, than one of two different hamstrings lets it go."""
        both = zip(old.hamstring_rad(), new.hamstring_rad(), strict=True)
        return any(a != b and self.most[len(JOINTS) + k] > min(a, b) - _AT_STOP_RAD for k, (a, b) in enumerate(both))


def any_stop_moves(old: Capacities, new: Capacities) -> bool:
    """Whether these ranges differ in anything that places a pose."""
    return bool(_moved(old.stops_rad(), new.stops_rad())) or old.hamstring_rad() != new.hamstring_rad()


def _moved(before: Stops, after: Stops) -> list[str]:
    return [name for name in after if after[name] != before[name]]


def _highest_rad(posed: Posed, side: str) -> float:
    forward, out = (posed.angles[:, JOINT_INDEX[f"{side}.shoulder.{way}"]] for way in ("flexion", "abduction"))
    return float(np.arccos(np.clip(np.cos(forward) * np.cos(out), -1.0, 1.0)).max())


__all__ = ["Sent", "any_stop_moves"]
