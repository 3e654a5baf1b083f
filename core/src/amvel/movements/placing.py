"""Placing the frames of many movements: those that are declared, each once, and those on the way from one to the next."""

from collections import OrderedDict
from collections.abc import Hashable, Sequence
from dataclasses import replace
from functools import cached_property
from itertools import pairwise
from threading import Lock
from typing import NamedTuple

import numpy as np

from amvel.body import (
    BandPull,
    Capacities,
    Contact,
    Flat,
    Posed,
    PoseFault,
    PoseSpec,
    Row,
    Skeleton,
    Stops,
    asked_of,
    bands_started,
    but,
    filled,
    flatten,
    react_flat,
    solve_flat,
    sunk,
    tipped,
)
from amvel.body.tree import Rows
from amvel.movements.course import Course
from amvel.movements.frames import Frame
from amvel.movements.placed import Content, Met, Packed, Placed, PlacedFrames, PlacedWay, kept_frames, named
from amvel.movements.pose_of_frame import compile_frame

_KEPT = 4096  # frames of one body: some five kilobytes each
_KEPT_WAYS = 1024  # five frames each
_Way = tuple[int, int, int, int, int]  # what both ends are (see `Placed.lies`), and how many frames lie between them


class Placer:
    """One body with how far its joints go; keeps the frames that it was placed in.

    `like` is the same body with other ranges: a frame in which no joint comes to a stop that they do not share is taken from it.
    """

    def __init__(self, skeleton: Skeleton, capacities: Capacities, like: "Placer | None" = None) -> None:
        self.skeleton, self.capacities, self.like = skeleton, capacities, like
        self._kept: OrderedDict[Content, Placed] = OrderedDict()
        self._ways: OrderedDict[_Way, PlacedWay] = OrderedDict()
        self._keeping = Lock()

    @cached_property
    def stops_rad(self) -> Stops:
        """How far the joints of this body go."""
        return self.capacities.stops_rad()

    def known(self, content: Content, name: str) -> Placed | None:
        """The frame as it was placed before."""
        own = self._kept.get(content)
        if own is not None or self.like is None:
            return own
        other = self.like._kept.get(content)
        if other is None or other.otherwise(self.like.capacities, self.capacities):
            return None
        found = replace(other, spec=self.compiled(other.frame, name))
        self.keep(content, found)
        return found

    def keep(self, content: Content, placed: Placed) -> None:
        """Keep it for whoever asks for the same again; the oldest go."""
        with self._keeping:
            self._kept[content] = placed
            if len(self._kept) > _KEPT:
                self._kept.popitem(last=False)

    def known_way(self, way: _Way) -> PlacedWay | None:
        """The way as it was placed before."""
        own = self._ways.get(way)
        if own is not None or self.like is None:
            return own
        other = self.like._ways.get(way)
        if other is None or other.sent.otherwise(self.like.capacities, self.capacities):
            return None
        self.keep_way(way, other)
        return other

    def keep_way(self, way: _Way, placed: PlacedWay) -> None:
        """Keep it for whoever goes there again; the oldest go."""
        with self._keeping:
            self._ways[way] = placed
            if len(self._ways) > _KEPT_WAYS:
                self._ways.popitem(last=False)

    def compiled(self, frame: Frame, name: str) -> PoseSpec:
        """The frame as the pose solver takes it."""
        return compile_frame(frame, name, self.skeleton.body, self.capacities)


class Movement(NamedTuple):
    """The declared frames of one movement for one body, and the name of each."""

    placer: Placer
    frames: tuple[Frame, ...]
    names: list[str]


class _Group(NamedTuple):
    """Frames that are placed together: one by itself, or a whole movement, whose bands learn their length at its start; and
    the places among all frames where these are wanted."""

    placer: Placer
    frames: Sequence[Frame]
    names: Sequence[str]
    places: list[list[int]]  # of each frame
    content: Content | None = None  # of one by itself


def placed_frames(movements: Sequence[Movement]) -> list[Placed]:
    """All declared frames of these movements, one after the other; those that are the same are placed once."""
    found: list[Placed | None] = []
    lacking: dict[Hashable, _Group] = {}
    for m in movements:
        if any(frame.bands for frame in m.frames):
            lacking[len(found)] = _Group(*m, [[len(found) + i] for i in range(len(m.frames))])
            found += [None] * len(m.frames)
            continue
        for frame, name in zip(m.frames, m.names, strict=True):
            content = Content.of(frame)
            known = m.placer.known(content, name)
            if known is None:
                single = lacking.setdefault((id(m.placer), content), _Group(m.placer, (frame,), (name,), [[]], content))
                single.places[0].append(len(found))
            found.append(known)
    for group, placed in zip(lacking.values(), _placed_anew(list(lacking.values())), strict=True):
        for own, places in zip(placed, group.places, strict=True):
            for place in places:
                found[place] = own
    out = [placed for placed in found if placed is not None]
    assert len(out) == len(found), "a frame was left unplaced"
    return out


def _placed_anew(groups: Sequence[_Group]) -> list[list[Placed]]:
    if not groups:
        return []
    frames = [frame for g in groups for frame in g.frames]
    specs = [g.placer.compiled(*each) for g in groups for each in zip(g.frames, g.names, strict=True)]
    stops = [g.placer.stops_rad for g in groups for _ in g.frames]
    first = np.cumsum([0, *(len(g.frames) for g in groups)])
    kept = _met_and_measured(groups[0].placer.skeleton, frames, specs, stops, first)
    each = [kept[a:b] for a, b in pairwise(first.tolist())]
    for group, own in zip(groups, each, strict=True):
        if group.content is not None:
            group.placer.keep(group.content, own[0])
    return each


def _met_and_measured(
    skeleton: Skeleton, frames: list[Frame], specs: list[PoseSpec], stops: list[Stops], first: Rows
) -> list[Placed]:
    """Declared frames of groups that begin at `first`: contacts met, then raised off the floor, then what they ask."""
    names = [s.name for s in specs]
    flat = flatten(skeleton, specs, stops)
    meant, started = flat.rotation, solve_flat(skeleton, flat, names)
    flat = bands_started(_from(flat, started), started.points, first)
    solved = solve_flat(skeleton, flat, names)
    unmet = first_of(solved.faults, tipped(names, meant, solved))
    flat = _from(flat, solved)
    least, most = np.minimum(started.least, solved.least), np.maximum(started.most, solved.most)
    met = Met(solved.angles, solved.root_position, solved.root_rotation, least, most)
    placed = _measured(skeleton, flat, names, frames, met, unmet)
    started_specs = [_with_bands_started(s, flat, b) for b, s in enumerate(specs)]
    return kept_frames(frames, started_specs, placed, [fault is not None for fault in unmet])


def _measured(
    skeleton: Skeleton,
    flat: Flat,
    names: list[str],
    frames: Sequence[Frame],
    met: Met,
    unmet: list[PoseFault | None],
    settled: bool = True,
) -> PlacedFrames:
    """Poses as they meet their contacts, or near that where they are not `settled`: raised off the floor, and what each asks
    of the body."""
    floors = np.array([f.surfaces["floor"].at_cm / 100 for f in frames])
    posed = solve_flat(skeleton, flat, names, floors, np.full(len(frames), settled))
    posed.faults = first_of(first_of(unmet, posed.faults), sunk(skeleton, flat, names, posed, floors))
    posed.least, posed.most = np.minimum(posed.least, met.least), np.maximum(posed.most, met.most)
    reactions = react_flat(skeleton, flat, posed)
    return PlacedFrames.of(posed, met, asked_of(skeleton, flat, posed, reactions), reactions.stands())


def _with_bands_started(spec: PoseSpec, flat: Flat, b: int) -> PoseSpec:
    """The frame with the length that its bands have at the start of the movement."""
    if not any(isinstance(load, BandPull) for load in spec.loads):
        return spec
    starts = flat.loads.start[flat.loads.first[b] : flat.loads.first[b + 1]].tolist()
    each = zip(spec.loads, starts, strict=True)
    return but(spec, loads=tuple(but(load, start_m=start) if isinstance(load, BandPull) else load for load, start in each))


def with_those_on_the_way(
    course: Course, movements: Sequence[Movement], placed: Sequence[Placed], declared: PlacedFrames
) -> PlacedFrames:
    """All frames of a course in its order: the declared ones, and those on the way from each to the next."""
    on_the_way = np.flatnonzero(course.share)
    if not len(on_the_way):
        return declared
    rows = on_the_way.reshape(-1, course.between)  # one for each leg
    placers = [m.placer for m in movements for _ in m.frames]
    legs = _Legs(course.key[rows[:, 0]].tolist(), placed, placers, course.between)
    ways = legs.placed(_on_the_way(course, legs, rows, placers, placed, declared) if legs.new else None)
    found = declared.merged(ways, np.flatnonzero(course.share == 0), on_the_way)
    return but(found, faults=[named(fault, name) for fault, name in zip(found.faults, course.names, strict=True)])


class _Leg(NamedTuple):
    """One leg of a batch: the number of its way among those that are new, or what is known of it; `back` where it goes that way
    the other way round."""

    new: int
    known: PlacedWay | None
    back: bool


class _Legs:
    """The ways of a batch from one declared frame to the next: those that have to be looked at (`new`: which of all legs), and
    those that are known."""

    def __init__(self, starts: Sequence[int], placed: Sequence[Placed], placers: Sequence[Placer], between: int) -> None:
        self.starts, self.new = starts, list[int]()
        self._placed, self._placers, self._between = placed, placers, between
        self._legs: list[_Leg] = []
        begun: dict[tuple[int, _Way], int] = {}  # by placer and way
        for n, k in enumerate(starts):
            leg = self._known(k, begun)
            if leg is None:
                begun[id(placers[k]), self._way(k)] = len(self.new)
                leg = _Leg(len(self.new), None, False)
                self.new.append(n)
            self._legs.append(leg)

    def _way(self, k: int) -> _Way:
        return (*self._placed[k].lies, *self._placed[k + 1].lies, self._between)

    def _known(self, k: int, begun: dict[tuple[int, _Way], int]) -> _Leg | None:
        """The leg from this frame on, where it is kept, or among those that are begun, there or back.  What is kept is never taken
        the other way round: from either end it is the same but for rounding, and an answer does not depend on who asked before."""
        placer, there = self._placers[k], self._way(k)
        known = placer.known_way(there)
        if known is not None:
            return _Leg(-1, known, False)
        if (id(placer), there) in begun:
            return _Leg(begun[id(placer), there], None, False)
        a, b = self._placed[k], self._placed[k + 1]
        back = (id(placer), (*b.lies, *a.lies, self._between))
        return _Leg(begun[back], None, True) if back in begun and same_way_back(a, b) else None

    def placed(self, new: PlacedFrames | None) -> PlacedFrames:
        """The frames of all legs, in their order; `new` are those that had to be looked at, which are kept."""
        kept = [] if new is None else self._keep(new)
        ways = [kept[leg.new] if leg.known is None else leg.known for leg in self._legs]
        each = [(way, -1 if leg.back else 1) for way, leg in zip(ways, self._legs, strict=True)]
        table = np.concatenate([way.packed.table[way.rows][::order] for way, order in each])
        return PlacedFrames.from_arrays(ways[0].packed.unpacked(table), [fault for way, order in each for fault in way.faults[::order]])

    def _keep(self, new: PlacedFrames) -> list[PlacedWay]:
        packed = Packed(new)
        each = [slice(i, i + self._between) for i in range(0, len(packed.table), self._between)]
        sent = new.sent_from([rows.start for rows in each])
        found = []
        for n, rows, own in zip(self.new, each, sent, strict=True):
            k = self.starts[n]
            a, b = self._placed[k], self._placed[k + 1]
            way = PlacedWay(packed, rows, new.faults[rows], own, (a.packed, b.packed))
            self._placers[k].keep_way(self._way(k), way)
            found.append(way)
        return found


def same_way_back(a: Placed, b: Placed) -> bool:
    """Whether the frames on the way from b to a are those from a to b: what both ends share asks for the same at either."""
    here, there = a.frame, b.frame
    if here.surfaces["floor"].at_cm != there.surfaces["floor"].at_cm or a.spec.loads != b.spec.loads:
        return False
    rows, contacts = {r.name: r for r in b.spec.rows}, {c.point: c for c in b.spec.contacts}
    shared = [(r, rows[r.name]) for r in a.spec.rows if r.name in rows]
    touching = [(c, contacts[c.point]) for c in a.spec.contacts if c.point in contacts]
    return all(_asks_alike(r, o) for r, o in shared) and all(_carries_alike(c, o) for c, o in touching)


def _asks_alike(r: Row, o: Row) -> bool:
    """Apart from where its surface is, which goes from one to the other."""
    return r._replace(normal=o.normal, offset_m=o.offset_m) == o


def _carries_alike(c: Contact, o: Contact) -> bool:
    """What bears at either end bears on the way."""
    return c == o or ("bears" in (c.strategy, o.strategy) and c._replace(strategy=o.strategy) == o)


def _on_the_way(
    course: Course,
    legs: _Legs,
    rows: Rows,
    placers: Sequence[Placer],
    placed: Sequence[Placed],
    declared: PlacedFrames,
) -> PlacedFrames:
    """The frames of the new legs, each from what its two ends share."""
    starts, own = [legs.starts[n] for n in legs.new], rows[legs.new].ravel()
    ends, first = _chained(starts)
    skeleton = placers[0].skeleton
    flat = flatten(skeleton, [placed[k].spec for k in ends], [placers[k].stops_rad for k in ends])
    met = declared.met
    flat = flat._replace(angles=met.angles[ends], position=met.position[ends], rotation=met.rotation[ends])
    flat = filled(flat, np.repeat(first, course.between), course.share[own])
    begin = course.key[own]
    least = np.minimum(met.least[begin], met.least[begin + 1])
    most = np.maximum(met.most[begin], met.most[begin + 1])
    begun = Met(flat.angles, flat.position, flat.rotation, least, most)
    names, frames = [course.names[i] for i in own], [course.frames[i] for i in own]
    return _measured(skeleton, flat, names, frames, begun, [None] * len(own), settled=False)


def _chained(starts: Sequence[int]) -> tuple[list[int], list[int]]:
    """The frames at both ends of legs that begin at these, one after the other, and where among them each leg begins: a frame
    that ends one leg and begins the next stands there once."""
    ends: list[int] = []
    first: list[int] = []
    for k in starts:
        if not ends or ends[-1] != k:
            ends.append(k)
        first.append(len(ends) - 1)
        ends.append(k + 1)
    return ends, first


def first_of(faults: list[PoseFault | None], more: list[PoseFault | None]) -> list[PoseFault | None]:
    return [a or b for a, b in zip(faults, more, strict=True)]


def _from(flat: Flat, solved: Posed) -> Flat:
    """The same poses, starting where a solve has ended."""
    return flat._replace(angles=solved.angles, position=solved.root_position, rotation=solved.root_rotation)


__all__ = ["Movement", "Placer", "placed_frames", "same_way_back", "with_those_on_the_way"]
