"""Demand profiles of steps for one body: every frame of every step solved in batches, and kept.

A profile depends on the body with its capacities, the set-up and the parameters, never on findings.
"""

import hashlib
import json
from collections import OrderedDict
from collections.abc import Sequence
from dataclasses import replace
from functools import cached_property, lru_cache
from threading import RLock
from typing import NamedTuple

from amvel.body import (
    Anthropometry,
    Capacities,
    Measures,
    Skeleton,
    Stops,
    healthy,
    measure,
)
from amvel.content import MODEL, version
from amvel.movements.course import Course, MeasuredBatch
from amvel.movements.declared_frames import declared_frames
from amvel.movements.frames import Frame
from amvel.movements.levels import REFERENCES, Ceilings
from amvel.movements.library import find
from amvel.movements.look import Look
from amvel.movements.other_way_round import declared_alike, left_twin, same_both_ways, turned_round
from amvel.movements.placed import gathered
from amvel.movements.placing import Movement, Placer, placed_frames, with_those_on_the_way
from amvel.movements.profile import Profile, Request, as_asked, as_posed
from amvel.movements.shelf import Shelved, packed, unpacked
from amvel.quantities import quantity

MODEL_VERSION = version("2026.11", MODEL)
BETWEEN = 5  # frames between two declared ones; the peaks are settled there (tests refine them)


class Profiler:
    """Profiles for one body; keeps what it has solved."""

    def __init__(
        self,
        body: Anthropometry,
        capacities: Capacities,
        between: int = BETWEEN,
        keep: int = 20_000,
        like: "Profiler | None" = None,
    ) -> None:
        """`like` is one of the same body with other ranges, which may know some of its poses."""
        self.body, self.capacities, self.between = body, capacities, between
        other: Placer | None = like.placer if like else None
        self.placer: Placer = Placer(other.skeleton if other else Skeleton(body), capacities, other)
        self._kept: dict[Look, OrderedDict[str, Profile]] = {look: OrderedDict() for look in Look}
        self._shelf: dict[Look, dict[str, Shelved]] = {look: {} for look in Look}  # taken over from another process
        self._keep = keep
        self.solved = 0  # how many were solved here, since the start or the last packing
        # Requests of one server share a profiler; whoever moves a slider does not wait for whoever judges a library.
        self._solving, self._sketching = RLock(), RLock()

    @property
    def ceilings(self) -> Ceilings | None:
        """What the levels of trunk work ask of a body of this size; None while they are being found."""
        return ceilings_of(self.body.measures)

    @property
    def skeleton(self) -> Skeleton:
        return self.placer.skeleton

    @property
    def stops_rad(self) -> Stops:
        """How far the joints of this body go."""
        return self.placer.stops_rad

    @cached_property
    def loosened(self) -> "Profiler":
        """The same body with untested limbs that go as far as healthy ones; itself when every limb was tested."""
        loose = self.capacities.loosened()
        if loose.range_deg == self.capacities.range_deg:
            return self
        return Profiler(self.body, loose, self.between, self._keep, self)

    def digest(self) -> str:
        text = json.dumps([MODEL_VERSION, repr(self.body.measures), self.capacities.digest()])
        return hashlib.sha256(text.encode()).hexdigest()[:16]

    def profile(self, request: Request) -> Profile:
        return self.profiles([request])[0]

    def profiles(self, requests: list[Request]) -> list[Profile]:
        """All profiles, in the order asked; only what is new is solved."""
        with self._solving:
            return self._answer([Asked(self, r, Look.WHOLE) for r in requests])

    def known(self, requests: list[Request]) -> int:
        """How many of these are solved already; asks nothing of whoever is solving now."""
        return sum(as_posed(r).key in self._kept[Look.WHOLE] for r in requests)

    @property
    def held(self) -> int:
        """How many solved profiles it keeps, found here or taken over."""
        return sum(len(self._kept[look]) + len(self._shelf[look]) for look in Look)

    def sketches(self, requests: list[Request]) -> list[Profile]:
        """The declared frames only: enough to rule a version out, never enough to allow it."""
        with self._sketching:
            return self._answer([Asked(self, r, Look.SKETCH) for r in requests])

    def looked_at(self, wanted: Sequence[tuple[Look, Request]]) -> list[Profile]:
        """All of these at once, each looked at as closely as is asked, in the order asked."""
        with self._solving, self._sketching:
            return self._answer([Asked(self, r, look) for look, r in wanted])

    def kept(self, look: Look) -> "OrderedDict[str, Profile]":
        """By key what is solved, looked at just so."""
        return self._kept[look]

    def _whole(self, request: Request) -> Request:
        """The request with every measure of its step: one that was stored before a measure came has it at its usual value."""
        lacking = [p for p in request.step.parameters if p.id not in request.values]
        if not lacking:
            return request
        values = {**request.values, **{p.id: p.default_for(self.body) for p in lacking}}
        return Request(request.family, request.step, request.side, values)

    def _answer(self, asked: "list[Asked]") -> list[Profile]:
        wanted = [a.of(self._whole(a.request)) for a in asked]
        placed = [a.of(as_posed(a.request)) for a in wanted]
        if any(self._shelf.values()):
            for a in placed:
                self._take_off_the_shelf(a)
        missing = {(a.request.key, a.look): a for a in placed if a.found is None}
        if missing:
            self.solved += len(missing)
            _solve_and_keep(list(missing.values()))
        answer = [p.answer if a.request is p.request else as_asked(a.request, p.answer) for a, p in zip(wanted, placed, strict=True)]
        for kept in self._kept.values():
            while len(kept) > self._keep:
                kept.popitem(last=False)
        return answer

    def _take_off_the_shelf(self, asked: "Asked") -> None:
        """What another process has solved of it; sketches apart from the rest, since two requests may ask for either at once."""
        key = asked.request.key
        for look in (Look.SKETCH,) if asked.look is Look.SKETCH else (Look.ASSUMED, Look.WHOLE):
            shelf = self._shelf[look]
            if key in shelf:
                self._kept[look].setdefault(key, _from_shelf(asked.request, shelf.pop(key)))

    def posed(self, profile: Profile) -> Profile:
        """The same profile with its poses, which are found anew where it was taken over; its columns stay."""
        if profile.posed is not None or profile.fault:
            return profile
        sketched = all(b - a == 1 for a, b in zip(profile.rows, profile.rows[1:], strict=False))
        [found] = _solve_within([Asked(self, as_posed(profile.request), Look.SKETCH if sketched else Look.ASSUMED)])
        return replace(profile, frames=found.frames, posed=found.posed, declared=found.declared, sent=found.sent)

    def pack(self) -> bytes:
        """Whatever is solved, to be taken over by another process for the same body (`digest`)."""
        self.solved = 0
        good = {look: {k: _for_shelf(p) for k, p in list(kept.items()) if not p.fault} for look, kept in self._kept.items()}
        return packed({look: {**self._shelf[look], **good[look]} for look in Look})

    @property
    def is_fresh(self) -> bool:
        """Nothing is solved yet, and nothing was taken over."""
        return not (any(self._kept.values()) or any(self._shelf.values()))

    def take_over(self, data: bytes) -> None:
        """What another process has solved for this body; raises ShelfError for anything else."""
        for look, found in unpacked(data).items():
            self._shelf[look] |= found

    def turned_round(self, request: Request, left: Profile, look: Look) -> Profile | None:
        """The right version of a step from its left one; None where this body would be placed otherwise."""
        own = self.capacities
        if left.fault or (not own.alike_on_both_sides and not (same_both_ways(own, left, look) and self._asked_alike(request))):
            return None
        return turned_round(request, left)

    def _asked_alike(self, request: Request) -> bool:
        """Whether the step asks the same of this body with left and right exchanged."""
        ours, theirs = (self._declared(request, "left", c) for c in (self.capacities, self.capacities.swapped()))
        return ours is theirs or declared_alike(ours, theirs)

    def _declared(self, request: Request, side: str, ranges: Capacities) -> tuple[Frame, ...]:
        return declared_frames(request.family, request.step, side, self.body, ranges, request.values)

    def movement(self, request: Request) -> Movement:
        """The declared frames of a request."""
        turned = request.side == "right" and not self.capacities.alike_on_both_sides
        frames = self._declared(request, request.side, self.capacities.swapped() if turned else self.capacities)
        return Movement(self.placer, frames, [f"{request.label}, {f.name}" for f in frames])


def _for_shelf(profile: Profile) -> Shelved:
    return Shelved(profile.frame_names, profile.rows, profile.columns)


def _from_shelf(request: Request, shelved: Shelved) -> Profile:
    return Profile(request, shelved.frame_names, shelved.columns, rows=shelved.rows)


class Asked(NamedTuple):
    """A request, for the ranges of one profiler, and how closely it is to be looked at."""

    profiler: Profiler
    request: Request
    look: Look

    def of(self, request: Request) -> "Asked":
        """The same of another request."""
        return self if request is self.request else Asked(self.profiler, request, self.look)

    @property
    def kept(self) -> "OrderedDict[str, Profile]":
        return self.profiler.kept(self.look)

    @property
    def as_known(self) -> "Asked":
        """The same as closely as it is known: what was looked at whole answers what is asked as assumed."""
        known = self.look is Look.ASSUMED and self.request.key in self.profiler.kept(Look.WHOLE)
        return Asked(self.profiler, self.request, Look.WHOLE) if known else self

    @property
    def found(self) -> Profile | None:
        """What answers it already."""
        known = self.as_known
        return known.kept.get(known.request.key)

    @property
    def answer(self) -> Profile:
        """The same of what has to be known by now."""
        found = self.found
        assert found is not None, f"{self.request.label} was left unsolved"
        return found

    @property
    def between(self) -> int:
        """How many frames are looked at between two declared ones."""
        return 0 if self.look is Look.SKETCH else self.profiler.between

    def keep(self, found: Profile) -> None:
        """Keep its answer; what was begun of it as assumed has gone into that."""
        self.kept[self.request.key] = found
        if self.look is Look.WHOLE:
            self.profiler.kept(Look.ASSUMED).pop(self.request.key, None)


def solve_together(wanted: "list[tuple[Profiler, list[Request]]]", look: Look) -> None:
    """Solve what several profilers of one body lack in one batch, looked at so closely; each keeps its own."""
    asked = (Asked(p, r, look) for p, requests in wanted for r in requests)
    lacking = [a for a in asked if a.found is None]
    if lacking:
        _solve_and_keep(lacking)


def _solve_and_keep(asked: list[Asked]) -> None:
    """Solve what each profiler is asked; a right version is turned round from the left one where that is the same."""
    lefts = {(id(a.profiler), a.request.key, a.look) for a in asked if a.request.side == "left"}
    now: dict[tuple[int, str, Look], Asked] = {}
    later: list[tuple[Asked, Asked]] = []  # each with its left twin
    for a in asked:
        twin = a.of(left_twin(a.request)) if a.request.side == "right" else None
        known = twin is not None and (twin.found is not None or (id(a.profiler), twin.request.key, a.look) in lefts)
        if twin is None or not (known or a.profiler.capacities.alike_on_both_sides):
            now[id(a.profiler), a.request.key, a.look] = a
            continue
        later.append((a, twin))
        if not known:
            now[id(a.profiler), twin.request.key, a.look] = twin
    _keep_solved(list(now.values()))
    _keep_solved([a for a, twin in later if not _is_turned(a, twin.as_known)])


def _is_turned(asked: Asked, left: Asked) -> bool:
    """Whether what is asked is the left one turned round; it is kept then, looked at as closely as that was."""
    found = asked.profiler.turned_round(asked.request, left.answer, left.look)
    if found is not None:
        asked._replace(look=left.look).keep(found)
    return found is not None


def _keep_solved(asked: list[Asked]) -> None:
    if asked:
        for a, found in zip(asked, solved_directly(asked), strict=True):
            a.keep(found)


def solved_directly(asked: list[Asked]) -> list[Profile]:
    """Profiles of requests, each for the ranges of its own profiler; all share one body.

    Where a limb lies at a stop that is only assumed, the pose is solved once more without it: nobody knows whether the
    limb ends there, so that its angles count as far as they may go.
    """
    assumed = [a.profiler.kept(Look.ASSUMED).get(a.request.key) if a.look is Look.WHOLE else None for a in asked]
    begun = {i: p for i, p in enumerate(assumed) if p is not None}
    new = [i for i in range(len(asked)) if i not in begun]
    of_begun = [i for i, p in begun.items() if _is_open_ended(asked[i], p)]
    solved = iter(_solve_within([*(asked[i] for i in new), *(_freer(asked[i]) for i in of_begun)]))
    profiles = begun | {i: next(solved) for i in new}
    freer = dict(zip(of_begun, solved, strict=True))
    open_ended = [i for i in new if _is_open_ended(asked[i], profiles[i])]
    freer |= zip(open_ended, _solve_within([_freer(asked[i]) for i in open_ended]), strict=True)
    return [_limbs_as_far_as(profiles[i], freer[i]) if i in freer else profiles[i] for i in range(len(asked))]


def _freer(asked: Asked) -> Asked:
    """The same with limbs that nobody has measured as far as they may go."""
    return asked._replace(profiler=asked.profiler.loosened)


def _is_open_ended(asked: Asked, profile: Profile) -> bool:
    """Whether freer limbs may lie otherwise.  What allows nothing need not know how far a limb may go."""
    own = asked.profiler
    if asked.look is not Look.WHOLE or profile.fault or own.loosened is own:
        return False
    return profile.placed_otherwise(own.capacities, own.loosened.capacities)


def _limbs_as_far_as(profile: Profile, other: Profile) -> Profile:
    """The profile with the limb angles of the other where those are larger.

    A pose that somebody with freer limbs cannot take is out: nobody knows whether this person's limbs are freer.
    """
    if other.fault:
        return replace(profile, fault=other.fault)
    angles = _limb_angles(tuple(profile.columns))
    return replace(profile, columns=profile.columns.larger_of(other.columns, angles), freer=other.sent)


@lru_cache(maxsize=8)
def _limb_angles(names: tuple[str, ...]) -> tuple[str, ...]:
    """Those of these columns that are the angle of a limb."""
    return tuple(name for name in names if quantity(name).limb_angle)


def _solve_within(asked: list[Asked]) -> list[Profile]:
    """The same, every stop taken as it is."""
    if not asked:
        return []
    first = asked[0].profiler
    movements = [a.profiler.movement(a.request) for a in asked]
    names = [name for m in movements for name in m.names]
    placed = placed_frames(movements)
    course = Course([m.frames for m in movements], names, [p.out_of_reach for p in placed], [a.between for a in asked])
    frames = with_those_on_the_way(course, movements, placed, gathered(placed, names))
    batch = MeasuredBatch(first.skeleton, course, [p.spec for p in placed], frames, first.ceilings)
    return batch.profiles([a.request for a in asked])


class _Reference(Profiler):
    """Profiles of the reference poses, from which the levels are made."""

    @property
    def ceilings(self) -> Ceilings | None:
        return None  # nothing to count by yet


@lru_cache(maxsize=256)
def ceilings_of(measures: Measures) -> Ceilings:
    """What each level of trunk work asks of a body of these measures with healthy joints and an upright back."""
    body = measure(replace(measures, kyphosis_extra_rad=0.0))
    requests = []
    for reference in REFERENCES:
        family, step = find(reference.ref)
        requests.append(Request(family, step, "left" if step.sides else "both", step.defaults(body)))
    found = _Reference(body, healthy()).profiles(requests)
    return Ceilings.of((r, p.columns) for r, p in zip(REFERENCES, found, strict=True) if not p.fault)
