"""Verdicts: a cached demand profile against the envelope.  Nothing here knows a diagnosis."""

import math
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from datetime import date
from operator import itemgetter
from typing import NamedTuple

import numpy as np

from amvel.body import DECLARED, PoseFault
from amvel.body.tree import Array, Flags, Rows
from amvel.case import Override
from amvel.movements import Profile
from amvel.movements.columns import Extremes
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


@dataclass(frozen=True)
class _OfFrames:
    """Bounds on what frames have, as arrays: the row of each column, the bound with what the model can tell (see
    `Quantity.breaks`), which way it goes; and for each the place of its limit in the envelope and its column."""

    row: Rows
    bound: Array
    at_least: Flags
    limit: list[int]
    name: list[str]

    @classmethod
    def of(cls, bounds: "list[_Bound]", index: Mapping[str, int]) -> "_OfFrames":
        return cls(
            np.array([index[b.name] for b in bounds], dtype=np.int64),
            np.array([b.beyond for b in bounds], dtype=float),
            np.array([b.at_least for b in bounds], dtype=bool),
            [b.limit for b in bounds],
            [b.name for b in bounds],
        )

    def broken(self, seen: Extremes) -> list[_Broken]:
        """Of each bound that is broken the number of its limit, its column and the worst value."""
        worst = np.where(self.at_least, seen.least[self.row], seen.most[self.row])
        beyond = np.where(self.at_least, worst < self.bound, worst > self.bound)
        return [(self.limit[k], self.name[k], float(worst[k])) for k in np.flatnonzero(beyond)]


class _Bound(NamedTuple):
    """One column that a limit binds, and from where on it is broken."""

    limit: int
    name: str
    beyond: float
    at_least: bool

    def broken(self, profile: Profile) -> _Broken | None:
        """The same of what is told of the whole movement."""
        told = profile.columns[self.name].item(0)
        return (self.limit, self.name, told) if (told < self.beyond if self.at_least else told > self.beyond) else None


class _Place(NamedTuple):
    """Bounds that look at the same frames: on what these have, and on what is told of the whole movement."""

    of_frames: _OfFrames
    of_the_whole: list[_Bound]

    def broken_by_the_whole(self, profile: Profile) -> list[_Broken]:
        """Only what a bound looks at is worked out."""
        return [broken for b in self.of_the_whole if (broken := b.broken(profile))]


class _AtPlace(NamedTuple):
    """All bounds that look at one place, and the same to be compared with what is there."""

    bounds: list[_Bound]
    of_its_own: _Place


def _bounds_by_place(envelope: Envelope, index: dict[str, int], context: str) -> dict[str, _AtPlace]:
    """The bounds of an envelope by the place where they look; made once for each kind of columns."""
    known = envelope.looked_up
    key = (id(index), context)
    if key not in known:
        places: dict[str, list[_Bound]] = {}
        for n, limit in enumerate(envelope.limits):
            if limit.binds_in(context):
                places.setdefault(limit.when.column, []).extend(_bounds_of(n, limit, index))
        known[key] = index, {place: _AtPlace(bounds, _split(bounds, index)) for place, bounds in places.items()}
    found: dict[str, _AtPlace] = known[key][1]
    return found


def _bounds_of(n: int, limit: Limit, index: Mapping[str, int]) -> list[_Bound]:
    return [
        _Bound(n, name, quantity(name).breaks_beyond(limit.bound, limit.at_least), limit.at_least)
        for name in _columns_of(limit, index)
    ]


def _split(bounds: list[_Bound], index: Mapping[str, int]) -> _Place:
    of_frames = [b for b in bounds if not told_when_asked(b.name)]
    return _Place(_OfFrames.of(of_frames, index), [b for b in bounds if told_when_asked(b.name)])


def check(profile: Profile, envelope: Envelope, context: str, lifted: frozenset[str] = frozenset()) -> Check:
    """Every limit against every frame.  `lifted` are limit ids opened by a valid override."""
    seen = _seen(profile, envelope, context)
    broken = [b for bounds, worst in seen for b in (*bounds.of_frames.broken(worst), *bounds.broken_by_the_whole(profile))]
    breaches: list[Breach] = []
    cautions: list[Breach] = []
    for n, name, worst in _that_bind(sorted(broken, key=itemgetter(0)), profile, envelope, lifted):
        limit = envelope.limits[n]
        value = adverse(worst, name, limit.at_least)
        (cautions if limit.strength == "caution" else breaches).append(Breach(limit, name, abs(value) if math.isinf(value) else value))
    return Check(tuple(breaches), tuple(cautions), profile.fault)


def holds(profile: Profile, envelope: Envelope, context: str, lifted: frozenset[str] = frozenset()) -> bool:
    """Whether `check` would allow it: what is told of the whole movement is worked out only where its frames hold."""
    if profile.fault:
        return False
    seen = _seen(profile, envelope, context)

    def closed(broken: list[_Broken]) -> bool:
        return any(envelope.limits[n].strength != "caution" for n, _, _ in _that_bind(broken, profile, envelope, lifted))

    if any(closed(bounds.of_frames.broken(worst)) for bounds, worst in seen):
        return False
    return not any(closed(bounds.broken_by_the_whole(profile)) for bounds, _ in seen)


def _seen(profile: Profile, envelope: Envelope, context: str) -> list[tuple[_Place, Extremes]]:
    """The bounds of each place that this movement has, with the worst of its frames there; together those of all places in
    which it is from its beginning to its end, which most are."""
    columns = profile.columns
    places = _bounds_by_place(envelope, columns.index, context)
    whole = columns.extremes()
    found = [(place, columns.extremes(place)) for place in places]
    throughout = tuple(place for place, worst in found if worst is whole)
    partly = [(places[place].of_its_own, worst) for place, worst in found if worst is not whole and worst is not None]
    return partly if whole is None else [(_joined(envelope, columns.index, context, throughout), whole), *partly]


def _joined(envelope: Envelope, index: dict[str, int], context: str, places: tuple[str, ...]) -> _Place:
    """The bounds of several places as one."""
    known = envelope.looked_up
    key = (id(index), context, places)
    if key not in known:
        bounds = _bounds_by_place(envelope, index, context)
        known[key] = _split([b for place in places for b in bounds[place].bounds], index)
    found: _Place = known[key]
    return found


def _that_bind(
    broken: list[_Broken], profile: Profile, envelope: Envelope, lifted: frozenset[str]
) -> Iterator[tuple[int, str, float]]:
    """Those broken limits that speak of this step, are not lifted, and hold even if the body cannot take the pose."""
    for n, name, worst in broken:
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
