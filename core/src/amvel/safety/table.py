"""Many profiles against many envelopes at once: the worst value of every quantity is found once, then only compared.

Says which profiles are allowed as they are; the reasons come from `verdict.check`, which this must always agree with.
"""

import numpy as np
from numpy.typing import NDArray

from amvel.movements import Profile
from amvel.quantities import quantity
from amvel.safety.limits import Envelope, Limit
from amvel.safety.verdict import concerns

Flags = NDArray[np.bool_]
_SIDES = ("left", "right")


class Table:
    """The worst values of a set of profiles, by quantity, direction and place."""

    def __init__(self, profiles: list[Profile]) -> None:
        self.profiles = profiles
        self.labels = [p.request.label for p in profiles]
        self.faulty = np.array([bool(p.fault) for p in profiles])
        self._worst: dict[tuple[str, bool, str], NDArray[np.float64]] = {}

    def allowed(self, envelope: Envelope, context: str) -> Flags:
        """Which profiles hold every limit of the envelope in this context."""
        good = ~self.faulty
        for limit in envelope.limits:
            if limit.strength != "caution":
                good &= ~self.breaks(limit, context)
        return good

    def breaks(self, limit: Limit, context: str) -> Flags:
        """Which profiles break one limit."""
        place = limit.when.column
        out = np.zeros(len(self.profiles), dtype=bool)
        if limit.at_home and context != "home":
            return out
        for name in self._columns(limit.quantity):
            out |= quantity(name).breaks(self._of(name, limit.at_least, place), limit.bound, limit.at_least)
        if limit.only_step:
            out &= np.array([concerns(limit, label) for label in self.labels])
        return out & ~self.faulty

    def _columns(self, name: str) -> list[str]:
        sided = quantity(name).sided and "." not in name
        return [f"{s}.{name}" for s in _SIDES] if sided else [name]

    def _of(self, name: str, at_least: bool, place: str) -> NDArray[np.float64]:
        key = (name, at_least, place)
        if key not in self._worst:
            self._worst[key] = np.array([self._one(p, name, at_least, place) for p in self.profiles])
        return self._worst[key]

    @staticmethod
    def _one(profile: Profile, name: str, at_least: bool, place: str) -> float:
        """±inf that breaks nothing where the limit does not look, and that breaks where a value is missing."""
        seen = None if profile.fault else profile.extremes(place)
        if seen is None:
            return np.inf if at_least else -np.inf
        return seen.worst(name, at_least)
