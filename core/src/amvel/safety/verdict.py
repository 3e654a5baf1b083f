"""Verdicts: a cached demand profile against the envelope.  Nothing here knows a diagnosis."""

import math
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from datetime import date
from operator import itemgetter
from typing import NamedTuple

import numpy as np

from amvel.body import DECLARED, PoseFault
from amvel.body.bounds import EVERYWHERE, Bounds, broken, found_at
from amvel.body.tree import Rows
from amvel.case import Override
from amvel.movements import Profile
from amvel.movements.columns import Columns
from amvel.movements.course import told_when_asked
from amvel.movements.levels import named_levels
from amvel.quantities import base_id, quantity
from amvel.safety.limits import Envelope, Limit, in_words
from amvel.sources import Kind, Source

CONTEXTS = ("visit", "home")
POSE = Source(Kind.MODEL, quoted_for="the body model: this body cannot take the pose")


@dataclass(frozen=True)
class Breach:
    """One limit that a step breaks: the worst value over all frames, rounded to the adverse side."""

    limit: Limit
    quantity: str
    value: float

    def here(self) -> str:
        """What the step has, in words: 'here 96°', 'here: one leg, hands free'; '' where the limit says it all."""
        return in_words(self.value, self.limit.unit)


@dataclass(frozen=True)
class Check:
    """One profile against the envelope in one context."""

    breaches: tuple[Breach, ...]
    cautions: tuple[Breach, ...]
    fault: PoseFault | None = None

    @property
    def allowed(self) -> bool:
        return not self.breaches and not self.fault


def adverse(value: float, name: str, at_least: bool) -> float:
    """Round to the quantity's resolution, upwards for upper bounds and downwards for lower ones."""
    if math.isinf(value):
        return value
    scale = 10.0 ** quantity(name).decimals
    return (math.floor(value * scale + 1e-6) if at_least else math.ceil(value * scale - 1e-6)) / scale


def _columns_of(limit: Limit, index: Mapping[str, int]) -> list[str]:
    """The profile columns that a limit binds."""
    if limit.quantity in index:
        return [limit.quantity]
    return [f"{side}.{limit.quantity}" for side in ("left", "right")]


def concerns(limit: Limit, label: str) -> bool:
    """Whether a limit speaks of this step at all."""
    return not limit.only_step or limit.only_step in (label, label.partition("/")[0])


_Broken = tuple[int, str, float]  # the number of a limit, its column and the worst value


class _Bound(NamedTuple):
    """One column that a limit binds, where it looks ('' for everywhere), and from where on it is broken."""

    limit: int
    name: str
    place: str
    beyond: float
    at_least: bool

    def broken(self, columns: Columns) -> _Broken | None:
        """The same of what is told of the whole movement."""
        told = columns.worst(self.name, self.at_least)
        if told is None or not (told < self.beyond if self.at_least else told > self.beyond):
            return None
        return self.limit, self.name, told


class _Bounds:
    """The bounds of an envelope in one context for one kind of columns: those on what frames have, and those on what is told
    of the whole movement."""

    def __init__(self, envelope: Envelope, index: dict[str, int], context: str) -> None:
        self._index = index  # kept, so that its number stays its own
        binding = [(n, limit) for n, limit in enumerate(envelope.limits) if limit.binds_in(context)]
        bounds = [b for n, limit in binding for b in _bounds_of(n, limit, index)]
        self._of_frames = [b for b in bounds if not told_when_asked(b.name)]
        self._of_the_whole = [b for b in bounds if told_when_asked(b.name)]
        signs = [-1.0 if b.at_least else 1.0 for b in self._of_frames]
        beyond = [sign * b.beyond for sign, b in zip(signs, self._of_frames, strict=True)]
        rows = [index[b.name] for b in self._of_frames]
        self._compared = Bounds(_whole(rows), self._places(self._of_frames), np.array(signs), np.array(beyond))
        self._looked_at = self._places(self._of_the_whole)

    @classmethod
    def of(cls, envelope: Envelope, index: dict[str, int], context: str) -> "_Bounds":
        """Made once for each kind of columns."""
        known, key = envelope.looked_up, (id(index), context)
        if key not in known:
            known[key] = cls(envelope, index, context)
        found: _Bounds = known[key]
        return found

    def _places(self, bounds: "list[_Bound]") -> Rows:
        return _whole([self._index[b.place] if b.place else EVERYWHERE for b in bounds])

    def broken_by_frames(self, columns: Columns) -> list[_Broken]:
        """What frames break, in the order of the limits."""
        found = broken(columns.of_frames, self._compared)
        return [(self._of_frames[k].limit, self._of_frames[k].name, worst) for k, worst in found]

    def broken_by_the_whole(self, columns: Columns) -> Iterator[_Broken]:
        """The same of what is told of the whole movement: worked out one after the other, as somebody goes on asking."""
        there = found_at(columns.of_frames, self._looked_at)
        for b in (b for b, looked_at in zip(self._of_the_whole, there, strict=True) if looked_at):
            if (found := b.broken(columns)) is not None:
                yield found


def _whole(values: list[int]) -> Rows:
    return np.array(values, dtype=np.int64)


def _bounds_of(n: int, limit: Limit, index: Mapping[str, int]) -> list[_Bound]:
    return [
        _Bound(n, name, limit.when.column, quantity(name).breaks_beyond(limit.bound, limit.at_least), limit.at_least)
        for name in _columns_of(limit, index)
    ]


def check(profile: Profile, envelope: Envelope, context: str, lifted: frozenset[str] = frozenset()) -> Check:
    """Every limit against every frame.  `lifted` are limit ids opened by a valid override."""
    columns = profile.columns
    bounds = _Bounds.of(envelope, columns.index, context)
    found = [*bounds.broken_by_frames(columns), *bounds.broken_by_the_whole(columns)]
    breaches: list[Breach] = []
    cautions: list[Breach] = []
    for n, name, worst in _that_bind(sorted(found, key=itemgetter(0)), profile, envelope, lifted):
        limit = envelope.limits[n]
        value = adverse(worst, name, limit.at_least)
        (cautions if limit.strength == "caution" else breaches).append(Breach(limit, name, abs(value) if math.isinf(value) else value))
    return Check(tuple(breaches), tuple(cautions), profile.fault)


def holds(profile: Profile, envelope: Envelope, context: str, lifted: frozenset[str] = frozenset()) -> bool:
    """Whether `check` would allow it: what is told of the whole movement is worked out only where its frames hold."""
    if profile.fault:
        return False
    columns = profile.columns
    bounds = _Bounds.of(envelope, columns.index, context)

    def closed(found: Iterable[_Broken]) -> bool:
        return any(envelope.limits[n].strength != "caution" for n, _, _ in _that_bind(found, profile, envelope, lifted))

    return not closed(bounds.broken_by_frames(columns)) and not closed(bounds.broken_by_the_whole(columns))


def _that_bind(
    found: Iterable[_Broken], profile: Profile, envelope: Envelope, lifted: frozenset[str]
) -> Iterator[tuple[int, str, float]]:
    """Those broken limits that speak of this step, are not lifted, and hold even if the body cannot take the pose."""
    for n, name, worst in found:
        limit = envelope.limits[n]
        if limit.id in lifted or not concerns(limit, profile.request.label):
            continue
        if not profile.fault or known_of_any_body(limit, profile):
            yield n, name, worst


def known_of_any_body(limit: Limit, profile: Profile) -> bool:
    """Whether a limit speaks of what the step declares or is named as: that holds even where the model cannot take the pose."""
    declared = base_id(limit.quantity) in DECLARED and (not limit.when.column or limit.when.column in DECLARED)
    ways = named_levels().get(profile.request.label, {})
    return declared or any(w.quantity == limit.quantity and level > limit.bound for w, level in ways.items())


def valid_overrides(
    overrides: tuple[Override, ...], envelope: Envelope, on: date, step: str, side: str
) -> frozenset[str]:
    """Limits opened for exactly this step and side today; 'forbidden' yields only to a clinician."""
    out = set()
    for o in overrides:
        limit = envelope.by_id.get(o.limit_id)
        if limit is None or o.step != step or o.side not in (side, "both") or not o.on <= on <= o.expires_on:
            continue
        if o.withdrawn_on is not None and o.withdrawn_on <= on:
            continue
        if limit.strength == "forbidden" and o.role != "clinician":
            continue
        out.add(limit.id)
    return frozenset(out)
