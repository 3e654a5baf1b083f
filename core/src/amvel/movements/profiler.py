"""Demand profiles of steps for one body: every frame of every step solved in batches, and kept.

A profile depends on the body with its capacities, the set-up and the parameters, never on findings.
"""

import hashlib
import json
from collections import OrderedDict
from collections.abc import Callable
from dataclasses import replace
from functools import cached_property, lru_cache
from threading import RLock

import numpy as np

from amvel.body import (
    Anthropometry,
    Capacities,
    Flat,
    Measures,
    Posed,
    PoseSpec,
    Skeleton,
    Stops,
    bands_started,
    demand,
    filled,
    flatten,
    healthy,
    measure,
    react_flat,
    solve_flat,
    sunk,
    tipped,
)
from amvel.content import MODEL, version
from amvel.movements.columns import Columns
from amvel.movements.course import OF_MOVEMENTS, Course, MeasuredBatch, first_of
from amvel.movements.declared_frames import declared_frames
from amvel.movements.frames import Frame
from amvel.movements.levels import REFERENCES, Ceilings
from amvel.movements.library import find
from amvel.movements.other_way_round import declared_alike, left_twin, same_both_ways, turned_round
from amvel.movements.pose_of_frame import compile_frame
from amvel.movements.profile import Profile, Request, as_asked, as_posed
from amvel.movements.shelf import Kind, Shelved, packed, unpacked
from amvel.movements.stance import stance_level
from amvel.quantities import quantity

MODEL_VERSION = version("2026.11", MODEL)
BETWEEN = 5  # frames between two declared ones; the peaks are settled there (tests refine them)


class Profiler:
    """Profiles for one body; keeps what it has solved."""

    def __init__(
        self, body: Anthropometry, capacities: Capacities, between: int = BETWEEN, keep: int = 20_000
    ) -> None:
        self.body, self.capacities, self.between = body, capacities, between
        self.skeleton = Skeleton(body)
        self._sketches: OrderedDict[str, Profile] = OrderedDict()
        self._kept: OrderedDict[str, Profile] = OrderedDict()
        self._shelf: dict[Kind, dict[str, Shelved]] = {kind: {} for kind in Kind}  # taken over from another process
        self._keep = keep
        self.solved = 0  # how many were solved here, since the start or the last packing
        # Requests of one server share a profiler; whoever moves a slider does not wait for whoever judges a library.
        self._solving, self._sketching = RLock(), RLock()

    @property
    def ceilings(self) -> Ceilings | None:
        """What the levels of trunk work ask of a body of this size; None while they are being found."""
        return ceilings_of(self.body.measures)

    @cached_property
    def stops_rad(self) -> Stops:
        """How far the joints of this body go."""
        return self.capacities.stops_rad()

    @cached_property
    def loosened(self) -> "Profiler":
        """The same body with untested limbs that go as far as healthy ones; itself when every limb was tested."""
        loose = self.capacities.loosened()
        if loose.range_deg == self.capacities.range_deg:
            return self
        return Profiler(self.body, loose, self.between, self._keep)

    def digest(self) -> str:
        text = json.dumps([MODEL_VERSION, repr(self.body.measures), self.capacities.digest()])
        return hashlib.sha256(text.encode()).hexdigest()[:16]

    def profile(self, request: Request) -> Profile:
        return self.profiles([request])[0]

    def profiles(self, requests: list[Request]) -> list[Profile]:
        """All profiles, in the order asked; only what is new is solved."""
        with self._solving:
            return self._answer(requests, self._kept, self.between)

    def known(self, requests: list[Request]) -> int:
        """How many of these are solved already; asks nothing of whoever is solving now."""
        return sum(as_posed(r).key() in self._kept for r in requests)

    @property
    def held(self) -> int:
        """How many solved profiles it keeps, found here or taken over."""
        return len(self._kept) + len(self._sketches) + sum(map(len, self._shelf.values()))

    def sketches(self, requests: list[Request]) -> list[Profile]:
        """The declared frames only: enough to rule a version out, never enough to allow it."""
        with self._sketching:
            return self._answer(requests, self._sketches, 0)

    def _whole(self, request: Request) -> Request:
        """The request with every measure of its step: one that was stored before a measure came has it at its usual value."""
        lacking = [p for p in request.step.parameters if p.id not in request.values]
        if not lacking:
            return request
        values = {**request.values, **{p.id: p.default_for(self.body) for p in lacking}}
        return Request(request.family, request.step, request.side, values)

    def _answer(
        self, requests: list[Request], kept: "OrderedDict[str, Profile]", between: int
    ) -> list[Profile]:
        requests = [self._whole(r) for r in requests]
        placed = [as_posed(r) for r in requests]
        shelf = self._shelf[Kind.SKETCH if kept is self._sketches else Kind.WHOLE]
        for r in placed:
            if r.key() in shelf:
                kept.setdefault(r.key(), _from_shelf(r, shelf.pop(r.key())))
        missing = {r.key(): r for r in placed if r.key() not in kept}
        if missing:
            self.solved += len(missing)
            _solve_and_keep([(self, r) for r in missing.values()], between, lambda _: kept)
        answer = [as_asked(r, kept[p.key()]) for r, p in zip(requests, placed, strict=True)]
        while len(kept) > self._keep:
            kept.popitem(last=False)
        return answer

    def posed(self, profile: Profile) -> Profile:
        """The same profile with its poses, which are found anew where it was taken over; its columns stay."""
        if profile.posed is not None or profile.fault:
            return profile
        sketched = all(b - a == 1 for a, b in zip(profile.rows, profile.rows[1:], strict=False))
        between = 0 if sketched else self.between
        [found] = _solve_within([(self, as_posed(profile.request))], between)
        return replace(profile, frames=found.frames, posed=found.posed, declared=found.declared, sent=found.sent)

    def pack(self) -> bytes:
        """Whatever is solved, to be taken over by another process for the same body (`digest`)."""
        self.solved = 0
        solved = {Kind.SKETCH: self._sketches, Kind.WHOLE: self._kept}
        good = {kind: {k: _for_shelf(p) for k, p in list(kept.items()) if not p.fault} for kind, kept in solved.items()}
        return packed({kind: {**self._shelf[kind], **good[kind]} for kind in Kind})

    @property
    def is_fresh(self) -> bool:
        """Nothing is solved yet, and nothing was taken over."""
        return not (self._kept or self._sketches or any(self._shelf.values()))

    def take_over(self, data: bytes) -> None:
        """What another process has solved for this body; raises ShelfError for anything else."""
        for kind, found in unpacked(data).items():
            self._shelf[kind] |= found

    def turned_round(self, request: Request, left: Profile, between: int) -> Profile | None:
        """The right version of a step from its left one; None where this body would be placed otherwise."""
        own = self.capacities
        if left.fault or (not own.alike_on_both_sides and not (same_both_ways(own, left, between) and self._asked_alike(request))):
            return None
        return turned_round(request, left)

    def _asked_alike(self, request: Request) -> bool:
        """Whether the step asks the same of this body with left and right exchanged."""
        ours, theirs = (self._declared(request, "left", c) for c in (self.capacities, self.capacities.swapped()))
        return ours is theirs or declared_alike(ours, theirs)

    def _declared(self, request: Request, side: str, ranges: Capacities) -> tuple[Frame, ...]:
        return declared_frames(request.family, request.step, side, self.body, ranges, request.values)

    def _compiled(self, request: Request) -> "tuple[tuple[Frame, ...], list[PoseSpec]]":
        """The frames of a request, and each as the pose solver takes it; as in its sketch, where there is one."""
        sketch = self._sketches.get(request.key())
        if sketch is not None and sketch.declared is not None and sketch.request == request:
            return sketch.frames, [sketch.declared.keys[k] for k in sketch.declared.key]
        turned = request.side == "right" and not self.capacities.alike_on_both_sides
        frames = self._declared(request, request.side, self.capacities.swapped() if turned else self.capacities)
        return frames, [compile_frame(f, request.label, self.body, self.capacities) for f in frames]


def _for_shelf(profile: Profile) -> Shelved:
    return Shelved(profile.frame_names, profile.rows, profile.columns)


def _from_shelf(request: Request, shelved: Shelved) -> Profile:
    return Profile(request, shelved.frame_names, shelved.columns, rows=shelved.rows)


Asked = tuple[Profiler, Request]
Kept = OrderedDict[str, Profile]  # by key


def solve_together(wanted: "list[tuple[Profiler, list[Request]]]", quick: bool = False) -> None:
    """Solve what several profilers of one body lack in one batch, `quick` as sketches; each keeps its own."""

    def kept_of(own: Profiler) -> Kept:
        return own._sketches if quick else own._kept

    lacking = [(p, r) for p, requests in wanted for r in requests if r.key() not in kept_of(p)]
    if lacking:
        _solve_and_keep(lacking, 0 if quick else lacking[0][0].between, kept_of)


def _solve_and_keep(asked: list[Asked], between: int, kept_of: Callable[[Profiler], Kept]) -> None:
    """Solve what each profiler is asked; a right version is turned round from the left one where that is the same."""
    lefts = {(id(own), r.key()) for own, r in asked if r.side == "left"}
    now: dict[tuple[int, str], Asked] = {}
    later: list[Asked] = []
    for own, r in asked:
        twin = left_twin(r) if r.side == "right" else None
        known = twin is not None and (twin.key() in kept_of(own) or (id(own), twin.key()) in lefts)
        if twin is None or not (known or own.capacities.alike_on_both_sides):
            now[id(own), r.key()] = (own, r)
            continue
        later.append((own, r))
        if not known:
            now[id(own), twin.key()] = (own, twin)
    _keep_solved(list(now.values()), between, kept_of)
    turned = [(own, r, own.turned_round(r, kept_of(own)[left_twin(r).key()], between)) for own, r in later]
    for own, r, found in turned:
        if found is not None:
            kept_of(own)[r.key()] = found
    _keep_solved([(own, r) for own, r, found in turned if found is None], between, kept_of)


def _keep_solved(asked: list[Asked], between: int, kept_of: Callable[[Profiler], Kept]) -> None:
    if asked:
        for (own, r), found in zip(asked, solved_directly(asked, between), strict=True):
            kept_of(own)[r.key()] = found


def solved_directly(asked: "list[Asked]", between: int) -> list[Profile]:
    """Profiles of requests, each for the ranges of its own profiler; all share one body.

    Where a limb lies at a stop that is only assumed, the pose is solved once more without it: nobody knows whether the
    limb ends there, so that its angles count as far as they may go.
    """
    found = _solve_within(asked, between)
    if not between:  # a sketch allows nothing, so that it need not know how far a limb may go
        return found
    open_ended = [
        i
        for i, ((own, _), p) in enumerate(zip(asked, found, strict=True))
        if not p.fault
        and own.loosened is not own
        and p.placed_otherwise(own.capacities, own.loosened.capacities)
    ]
    if open_ended:
        freer = _solve_within([(asked[i][0].loosened, asked[i][1]) for i in open_ended], between)
        for i, other in zip(open_ended, freer, strict=True):
            found[i] = _limbs_as_far_as(found[i], other)
    return found


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


def _solve_within(asked: "list[tuple[Profiler, Request]]", between: int) -> list[Profile]:
    """The same, every stop taken as it is."""
    skeleton = asked[0][0].skeleton
    compiled = [own._compiled(r) for own, r in asked]
    declared = [frames for frames, _ in compiled]
    keys = [spec for _, specs in compiled for spec in specs]
    stops = [own.stops_rad for (own, _), group in zip(asked, declared, strict=True) for _ in group]
    names = [k.name for k in keys]
    flat = flatten(skeleton, keys, stops)
    meant, started = flat.rotation, solve_flat(skeleton, flat, names)
    flat = bands_started(_from(flat, started), started.points, np.cumsum([0, *(len(g) for g in declared)]))
    solved = solve_flat(skeleton, flat, names)
    solved.faults = first_of(solved.faults, tipped(names, meant, solved))
    course = Course(declared, keys, solved.faults, between)
    flat = filled(_from(flat, solved), course.key, course.share)
    floors = np.array([f.surfaces["floor"].at_cm / 100 for f in course.frames])
    posed = solve_flat(skeleton, flat, course.names, floors, course.share == 0)
    posed.faults = first_of(
        [solved.faults[k] if t == 0 else None for k, t in zip(course.key, course.share, strict=True)], posed.faults
    )
    for way in (started, solved):
        _sent_on_the_way(posed, way, course)
    posed.faults = first_of(posed.faults, sunk(skeleton, flat, course.names, posed, floors))
    reactions = react_flat(skeleton, flat, posed)
    columns = Columns.of(demand(skeleton, flat, posed, reactions, [f.facts for f in course.frames]))
    of_frames = {"stance_level": stance_level(skeleton, posed, columns)}
    ceilings = asked[0][0].ceilings
    if ceilings is not None:
        of_frames |= ceilings.columns(columns)
    columns = columns.with_(of_frames | dict.fromkeys(OF_MOVEMENTS, np.zeros(len(course.frames))))
    measured = MeasuredBatch(skeleton, course, flat, posed, reactions.stands(), columns, ceilings)
    return measured.profiles([r for _, r in asked])


def _sent_on_the_way(posed: Posed, declared: Posed, course: Course) -> None:
    """How far joints were sent on the way to the declared frames at both ends counts for those between as well."""
    for end in (course.key, course.key + (course.share > 0)):
        posed.least = np.minimum(posed.least, declared.least[end])
        posed.most = np.maximum(posed.most, declared.most[end])


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


def _from(flat: Flat, solved: Posed) -> Flat:
    """The same poses, starting where a solve has ended."""
    return flat._replace(angles=solved.angles, position=solved.root_position, rotation=solved.root_rotation)

