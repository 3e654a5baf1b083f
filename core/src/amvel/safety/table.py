"""Many profiles against many envelopes at once: the worst value of every quantity is found once, then only compared.

Says which profiles are allowed as they are; the reasons come from `verdict.check`, which this must always agree with.
"""

import numpy as np
from numpy.typing import NDArray

from amvel.movements import Profile
from amvel.movements.columns import Extremes
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
        self._at: dict[str, _ExtremesAt] = {}
        self._concerned: dict[str, Flags] = {}
        self._compared: dict[tuple[str, float, bool, str, str], Flags] = {}

    def allowed(self, envelope: Envelope, context: str, by_frames_alone: bool = False) -> Flags:
        """Which profiles hold every limit of the envelope in this context; `by_frames_alone`, without those limits that look
        at what is told of the whole movement: enough to rule out."""
        good = ~self.faulty
        for limit in envelope.binding.on_frames:
            if limit.binds_in(context):
                good &= self._held(limit)
        for limit in () if by_frames_alone else envelope.binding.on_the_whole:  # worked out only for those that are open without it
            if limit.binds_in(context):
                good &= ~self._beyond(limit, good)
        return good

    def breaks(self, limit: Limit, context: str) -> Flags:
        """Which profiles break one limit."""
        if not limit.binds_in(context):
            return np.zeros(len(self.profiles), dtype=bool)
        if told_when_asked(limit.quantity):
            return self._beyond(limit, ~self.faulty)
        return ~self._held(limit) & ~self.faulty

    def _held(self, limit: Limit) -> Flags:
        """Which profiles hold a limit on frames: compared once, since most limits are the same in many envelopes."""
        key = (limit.quantity, limit.bound, limit.at_least, limit.when.column, limit.only_step)
        if key not in self._compared:
            self._compared[key] = ~self._beyond(limit, ~self.faulty)
        return self._compared[key]

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
                if place not in self._at:
                    self._at[place] = _ExtremesAt(self.profiles, place)
                self._worst[key] = self._at[place].of(name, at_least)
            return self._worst[key]
        if key not in self._worst:
            self._worst[key] = np.full(len(self.profiles), np.nan)
        worst = self._worst[key]
        for i in np.flatnonzero(among & np.isnan(worst)):
            worst[i] = _worst(self.profiles[i], name, at_least, place)
        return worst


class _ExtremesAt:
    """The largest and smallest values of all columns at one place: one table for all profiles that have the same columns."""

    def __init__(self, profiles: list[Profile], place: str) -> None:
        self._count = len(profiles)
        rows: dict[int, list[int]] = {}
        found = [p.columns.extremes(place) for p in profiles]
        for i, extremes in enumerate(found):
            if extremes is not None:
                rows.setdefault(id(extremes.index), []).append(i)
        self._groups = [(np.array(own), _stacked([x for i in own if (x := found[i]) is not None])) for own in rows.values()]

    def of(self, name: str, at_least: bool) -> NDArray[np.float64]:
        """What a bound on this column looks at; where a profile never is at the place, what breaks nothing."""
        out = np.full(self._count, _breaks_nothing(at_least))
        for rows, among in self._groups:
            out[rows] = (among.least if at_least else among.most)[:, among.index[name]]
        return out


def _stacked(extremes: list[Extremes]) -> Extremes:
    """Those of several profiles, P×C; `index` is that of all of them."""
    return Extremes(extremes[0].index, np.stack([x.most for x in extremes]), np.stack([x.least for x in extremes]))


def _breaks_nothing(at_least: bool) -> float:
    return np.inf if at_least else -np.inf


def _worst(profile: Profile, name: str, at_least: bool, place: str) -> float:
    """What breaks nothing where the limit does not look, and what breaks where a value is missing."""
    found = profile.columns.worst(name, at_least, place)
    return _breaks_nothing(at_least) if found is None else found
