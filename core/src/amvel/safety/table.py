"""Many profiles against many envelopes at once: the worst value of every quantity is found once, then only compared.

Says which profiles are allowed as they are; the reasons come from `verdict.check`, which this must always agree with.
"""

import numpy as np
from numpy.typing import NDArray

from amvel.movements import Profile
from amvel.movements.course import told_when_asked
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
        self.faulty = np.array([bool(p.fault) for p in profiles], dtype=bool)
        self._worst: dict[tuple[str, bool, str], NDArray[np.float64]] = {}
        self._concerned: dict[str, Flags] = {}
        self._compared: dict[tuple[str, float, bool, str, str], Flags] = {}

    def allowed(self, envelope: Envelope, context: str, by_frames_alone: bool = False) -> Flags:
        """Which profiles hold every limit of the envelope in this context; `by_frames_alone`, without those limits that look
        at what is told of the whole movement: enough to rule out."""
        good = ~self.faulty
        binding = [x for x in envelope.limits if x.strength != "caution" and not (by_frames_alone and told_when_asked(x.quantity))]
        for limit in sorted(binding, key=lambda x: told_when_asked(x.quantity)):  # worked out only for those that are open without it
            good &= ~self._broken(limit, context, good)
        return good

    def breaks(self, limit: Limit, context: str) -> Flags:
        """Which profiles break one limit."""
        return self._broken(limit, context, ~self.faulty)

    def _broken(self, limit: Limit, context: str, among: Flags) -> Flags:
        if limit.at_home and context != "home":
            return np.zeros(len(self.profiles), dtype=bool)
        if told_when_asked(limit.quantity):
            return self._beyond(limit, among)
        key = (limit.quantity, limit.bound, limit.at_least, limit.when.column, limit.only_step)
        if key not in self._compared:  # most limits are the same in many envelopes
            self._compared[key] = self._beyond(limit, ~self.faulty)
        return self._compared[key] & among

    def _beyond(self, limit: Limit, among: Flags) -> Flags:
        out = np.zeros(len(self.profiles), dtype=bool)
        for name in self._columns(limit.quantity):
            out |= quantity(name).breaks(self._of(name, limit.at_least, limit.when.column, among), limit.bound, limit.at_least)
        if limit.only_step:
            out &= self._concerns(limit)
        return out & among

    def _concerns(self, limit: Limit) -> Flags:
        """The profiles of the step or family that a limit speaks of alone."""
        if limit.only_step not in self._concerned:
            self._concerned[limit.only_step] = np.array([concerns(limit, label) for label in self.labels], dtype=bool)
        return self._concerned[limit.only_step]

    def _columns(self, name: str) -> list[str]:
        sided = quantity(name).sided and "." not in name
        return [f"{s}.{name}" for s in _SIDES] if sided else [name]

    def _of(self, name: str, at_least: bool, place: str, among: Flags) -> NDArray[np.float64]:
        """The worst value of these profiles; of others it may be missing, which breaks nothing."""
        key = (name, at_least, place)
        if not told_when_asked(name):
            if key not in self._worst:
                self._worst[key] = np.array([_worst(p, name, at_least, place) for p in self.profiles], dtype=float)
            return self._worst[key]
        if key not in self._worst:
            self._worst[key] = np.full(len(self.profiles), np.nan)
        worst = self._worst[key]
        for i in np.flatnonzero(among & np.isnan(worst)):
            worst[i] = _worst(self.profiles[i], name, at_least, place)
        return worst


def _worst(profile: Profile, name: str, at_least: bool, place: str) -> float:
    """±inf that breaks nothing where the limit does not look, and that breaks where a value is missing."""
    found = profile.columns.worst(name, at_least, place)
    if found is None:
        return np.inf if at_least else -np.inf
    return found
