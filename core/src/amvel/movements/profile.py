"""Demand profiles of steps for one body: every frame of every step solved in batches, and kept.

A profile depends on the body with its capacities, the set-up and the parameters, never on findings.
"""

import hashlib
import json
from collections import OrderedDict
from dataclasses import dataclass, field, replace
from functools import cached_property
from threading import RLock

import numpy as np

from amvel.body import (
    JOINTS,
    Anthropometry,
    BandPull,
    Capacities,
    FrameFacts,
    Posed,
    PoseSpec,
    Reactions,
    Row,
    Skeleton,
    Stops,
    clear_of_floor,
    demand,
    put_together,
    react,
    solve,
    sunk,
    tipped,
)
from amvel.body.skeleton import Array
from amvel.movements.bed import FLOOR, LYING_ON, lies_on_bed
from amvel.movements.declaration import Family, Setting, Step
from amvel.movements.frames import Frame, compile_frame, mirrored
from amvel.movements.reshaped import reshaped
from amvel.movements.schools import with_school
from amvel.quantities import base_id, quantity

MODEL_VERSION = "11"
BETWEEN = 5  # frames between two declared ones; the peaks are settled there (tests refine them)
_ON_THE_WAY = 10.0  # between two solved poses the blend is nearly right: joints give little there
_MOVED_RAD = np.radians(8.0)
_LIMB_ANGLES = frozenset(
    quantity(f"{name}_deg").id
    for name in (
        "hip_flexion",
        "hip_extension",
        "hip_abduction",
        "hip_adduction",
        "hip_adduction_in_flexion",
        "hip_external_rotation",
        "hip_internal_rotation",
        "hip_difference",
        "hip_spread",
        "loaded_leg_rotation",
        "knee_flexion",
        "loaded_knee_flexion",
        "ankle_dorsiflexion",
        "shoulder_elevation",
        "wrist_extension",
        "wrist_extension_loaded",
        "neural_line",
        "front_thigh_line",
    )
)


@dataclass(frozen=True)
class Request:
    """One step, side ('left', 'right' or 'both') and set of parameter values to be profiled."""

    family: Family
    step: Step
    side: str
    values: dict[str, float | str] = field(hash=False)

    @property
    def label(self) -> str:
        return f"{self.family.id}/{self.step.id}"

    def key(self) -> str:
        return json.dumps([self.label, self.side, self.values], sort_keys=True)


@dataclass(frozen=True)
class Profile:
    """Columns by quantity, one value per frame; `fault` is not empty when this body cannot take the pose."""

    request: Request
    frame_names: tuple[str, ...]
    columns: dict[str, Array] = field(compare=False)
    fault: str = ""
    frames: tuple[Frame, ...] = field(default=(), compare=False)
    specs: tuple[PoseSpec, ...] = field(default=(), compare=False)
    posed: Posed | None = field(default=None, compare=False)
    rows: tuple[int, ...] = ()

    def peak(self, name: str) -> float:
        return float(self.columns[name].max())

    def lowest(self, name: str) -> float:
        return float(self.columns[name].min())

    def placed_otherwise(self, old: Capacities, new: Capacities) -> bool:
        """Whether other ranges than those it was solved for would change it."""
        return reshaped(self.posed, self.specs, old, new)


class Profiler:
    """Profiles for one body; keeps what it has solved."""

    def __init__(
        self, body: Anthropometry, capacities: Capacities, between: int = BETWEEN, keep: int = 20_000
    ) -> None:
        self.body, self.capacities, self.between = body, capacities, between
        self.skeleton = Skeleton(body)
        self._sketches: OrderedDict[str, Profile] = OrderedDict()
        self._kept: OrderedDict[str, Profile] = OrderedDict()
        self._keep = keep
        # Requests of one server share a profiler; whoever moves a slider does not wait for whoever judges a library.
        self._solving, self._sketching = RLock(), RLock()

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
        return sum(on_the_floor(r).key() in self._kept for r in requests)

    def sketches(self, requests: list[Request]) -> list[Profile]:
        """The declared frames only: enough to rule a version out, never enough to allow it."""
        with self._sketching:
            return self._answer(requests, self._sketches, 0)

    def _answer(
        self, requests: list[Request], kept: "OrderedDict[str, Profile]", between: int
    ) -> list[Profile]:
        placed = [on_the_floor(r) for r in requests]
        missing = {r.key(): r for r in placed if r.key() not in kept}
        if missing:
            asked = [(self, r) for r in missing.values()]
            for found in _solve(asked, between):
                kept[found.request.key()] = found
        answer = [on_its_surface(r, kept[p.key()]) for r, p in zip(requests, placed, strict=True)]
        while len(kept) > self._keep:
            kept.popitem(last=False)
        return answer

    def _declare(self, request: Request) -> list[Frame]:
        frames = request.step.frames(
            Setting(
                self.body,
                self.capacities if request.side != "right" else _swapped(self.capacities),
                request.values,
            )
        )
        frames = with_school(frames, request.values)
        frames = [mirrored(f) for f in frames] if request.side == "right" else frames
        return [replace(f, facts=_facts(f, request)) for f in frames]


def on_the_floor(request: Request) -> Request:
    """The same request on the floor: the pose is the same on a firm bed, so that it is solved only once."""
    if not lies_on_bed(request.values):
        return request
    return Request(request.family, request.step, request.side, {**request.values, LYING_ON.id: FLOOR})


def on_its_surface(request: Request, solved: Profile) -> Profile:
    """The profile as asked for: on a bed, nobody has to get to the floor."""
    if not lies_on_bed(request.values):
        return solved
    columns = {**solved.columns, "floor_transfer": np.zeros_like(solved.columns["floor_transfer"])}
    return replace(solved, request=request, columns=columns)


def solve_together(wanted: "list[tuple[Profiler, list[Request]]]") -> None:
    """Solve what several profilers of one body lack in one batch; each keeps its own."""
    lacking = [(p, r) for p, requests in wanted for r in requests if r.key() not in p._kept]
    if lacking:
        for (own, _), found in zip(lacking, _solve(lacking, lacking[0][0].between), strict=True):
            own._kept[found.request.key()] = found


def _solve(asked: "list[tuple[Profiler, Request]]", between: int) -> list[Profile]:
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
    larger = {
        name: np.maximum(values, other.columns[name])
        for name, values in profile.columns.items()
        if base_id(name) in _LIMB_ANGLES
    }
    return replace(profile, columns={**profile.columns, **larger})


def _solve_within(asked: "list[tuple[Profiler, Request]]", between: int) -> list[Profile]:
    """The same, every stop taken as it is."""
    skeleton = asked[0][0].skeleton
    declared = [own._declare(r) for own, r in asked]
    keys = [
        compile_frame(f, r.label, skeleton.body, own.capacities)
        for (own, r), frames in zip(asked, declared, strict=True)
        for f in frames
    ]
    sizes = [len(group) for group in declared]
    limits = [own.capacities.stops_rad() for own, _ in asked]
    stops = [x for x, size in zip(limits, sizes, strict=True) for _ in range(size)]
    solved = solve(skeleton, keys, stops)
    meant = keys
    keys = _bands_started(skeleton, keys, solved, sizes)
    keys = [_placed(spec, solved, i) for i, spec in enumerate(keys)]
    solved = solve(skeleton, keys, stops)
    solved.faults = _first_of(solved.faults, tipped(meant, solved))
    specs, frames, spans, steps = _filled(keys, solved, declared, between)
    stops = [x for x, span in zip(limits, spans, strict=True) for _ in span]
    floors = [f.surfaces["floor"].at_cm / 100 for f in frames]
    specs, posed = clear_of_floor(
        skeleton, specs, _posed(skeleton, specs, stops, solved, spans, steps), stops, floors
    )
    posed.faults = _first_of(posed.faults, sunk(skeleton, specs, posed, floors))
    reactions = react(skeleton, specs, posed)
    facts = [f.facts for f in frames]
    columns = demand(skeleton, specs, posed, reactions, facts)
    return [
        _one(skeleton, r, span, specs, frames, posed, reactions, columns, step)
        for (_, r), span, step in zip(asked, spans, steps, strict=True)
    ]


def _first_of(faults: list[str], more: list[str]) -> list[str]:
    return [a or b for a, b in zip(faults, more, strict=True)]


def _posed(
    skeleton: Skeleton,
    specs: list[PoseSpec],
    stops: list[Stops],
    declared: Posed,
    spans: list[range],
    steps: list[int],
) -> Posed:
    """All frames: the declared ones as they were solved, and those in between."""
    own = [i for span, step in zip(spans, steps, strict=True) for i in span[::step]]
    between = sorted(set(range(len(specs))) - set(own))
    if not between:
        return declared
    solved = solve(skeleton, [specs[i] for i in between], [stops[i] for i in between])
    return put_together([declared, solved], own + between)


def _filled(
    keys: list[PoseSpec], solved: Posed, declared: list[list[Frame]], between: int
) -> tuple[list[PoseSpec], list[Frame], list[range], list[int]]:
    """Declared frames with those in between: specs, frames, the span of each movement, and how far its own are apart.

    A movement with a frame that this body cannot take is not looked at in between: it is out already.
    """
    specs: list[PoseSpec] = []
    frames: list[Frame] = []
    spans: list[range] = []
    steps: list[int] = []
    at = 0
    for group in declared:
        own = range(at, at + len(group))
        start, inner = len(specs), 0 if any(solved.faults[i] for i in own) else between
        for i, frame in zip(own, group, strict=True):
            specs.append(keys[i])
            frames.append(frame)
            if i + 1 in own:
                for t in np.linspace(0, 1, inner + 2)[1:-1]:
                    specs.append(_between(keys[i], keys[i + 1], solved, i, i + 1, float(t)))
                    frames.append(replace(frame, name=f"{frame.name} → {group[i + 1 - at].name}"))
        spans.append(range(start, len(specs)))
        steps.append(inner + 1)
        at += len(group)
    return specs, frames, spans, steps


def _bands_started(skeleton: Skeleton, keys: list[PoseSpec], solved: Posed, sizes: list[int]) -> list[PoseSpec]:
    """Every band learns the length that it has in the first frame of its movement."""
    out = list(keys)
    index = skeleton.landmarks.index
    at = 0
    for size in sizes:
        for i in range(at, at + size):
            loads = tuple(
                replace(load, start_m=max(0.05, load.length_m(solved.points[at], index)))
                if isinstance(load, BandPull)
                else load
                for load in keys[i].loads
            )
            out[i] = keys[i].changed(loads=loads)
        at += size
    return out


def _one(
    skeleton: Skeleton,
    request: Request,
    span: range,
    specs: list[PoseSpec],
    frames: list[Frame],
    posed: Posed,
    reactions: Reactions,
    columns: dict[str, Array],
    step: int,
) -> Profile:
    rows = slice(span.start, span.stop)
    own = {name: values[rows].copy() for name, values in columns.items()}
    own["coordination"] = np.full(len(span), float(_coordination(posed.angles[rows])))
    own["speed_deg_s"] = np.full(len(span), _speed_deg_s(posed.angles[rows], request.step.dose.seconds))
    fault = next((posed.faults[i] for i in span if posed.faults[i]), "")
    if not fault:
        falling = [i for i in span if not reactions.stands()[i]]
        fault = f"{specs[falling[0]].name}: the supports cannot balance this pose" if falling else ""
    own_posed = Posed(
        posed.angles[rows],
        posed.root_position[rows],
        posed.root_rotation[rows],
        posed.placement,
        posed.points[rows],
        posed.worst_gap_m[rows],
        posed.faults[rows],
    )
    own_posed.placement = skeleton.place(own_posed.root_position, own_posed.root_rotation, own_posed.angles)
    names = tuple(frames[i].name for i in span)
    return Profile(
        request,
        names,
        own,
        fault,
        tuple(frames[i] for i in span),
        tuple(specs[i] for i in span),
        own_posed,
        tuple(range(0, len(span), step)),
    )


def _facts(frame: Frame, request: Request) -> FrameFacts:
    """What the step declares, added to what its frames say."""
    step = request.step
    props = " ".join(step.props)
    band = "band" in props
    return replace(
        frame.facts,
        hold_s=max(frame.facts.hold_s, step.dose.hold_s),
        position=request.family.position,
        minutes=step.dose.minutes(1),
        effort=step.effort,
        band=band,
        band_on_foot=frame.facts.band_on_foot or ("foot" in props and (band or "strap" in props)),
        hard_prop=any(p in props for p in ("roller", "block", "ball")),
        unstable=frame.facts.unstable or "unstable" in props or "roller" in props,
    )


def _swapped(capacities: Capacities) -> Capacities:
    """Left and right exchanged: frames are declared for the left and mirrored."""
    from amvel.movements.frames import other_side

    return Capacities({other_side(k): v for k, v in capacities.range_deg.items()}, capacities.assumed)


def _placed(spec: PoseSpec, solved: Posed, i: int) -> PoseSpec:
    """Start the second solve where the first one ended."""
    return spec.changed(
        root_position_m=tuple(solved.root_position[i]),
        root_rotation=solved.root_rotation[i],
        angles_rad=_angles(solved.angles[i]),
    )


def _angles(row: Array) -> dict[str, float]:
    return {name: float(value) for (name, _, _), value in zip(JOINTS, row, strict=True)}


def _row_between(a: Row, b: Row, t: float) -> Row:
    if a.offset_m == b.offset_m and a.normal == b.normal:
        return a
    normal = (1 - t) * np.array(a.normal) + t * np.array(b.normal)
    return replace(a, offset_m=(1 - t) * a.offset_m + t * b.offset_m, normal=(normal[0], normal[1], normal[2]))


def _between(a: PoseSpec, b: PoseSpec, solved: Posed, i: int, j: int, t: float) -> PoseSpec:
    """A frame on the way: solved angles blended, contacts that both ends share, joints that either leaves free."""
    angles = (1 - t) * solved.angles[i] + t * solved.angles[j]
    rows_b = {r.name: r for r in b.rows}
    rows = tuple(_row_between(r, rows_b[r.name], t) for r in a.rows if r.name in rows_b)
    shared = {c.point for c in b.contacts}
    contacts = tuple(c for c in a.contacts if c.point in shared)
    free = {k: max(_ON_THE_WAY, a.free.get(k, 0.0), b.free.get(k, 0.0)) for k in {*a.free, *b.free}}
    root = (1 - t) * solved.root_position[i] + t * solved.root_position[j]
    u, _, v = np.linalg.svd((1 - t) * solved.root_rotation[i] + t * solved.root_rotation[j])
    neutral = {
        k: (1 - t) * a.neutral_rad.get(k, 0.0) + t * b.neutral_rad.get(k, 0.0)
        for k in {*a.neutral_rad, *b.neutral_rad}
    }
    floor = {k: (1 - t) * a.floor_rad[k] + t * b.floor_rad[k] for k in a.floor_rad.keys() & b.floor_rad.keys()}
    return PoseSpec(
        f"{a.name} → {b.name}",
        u @ v,
        tuple(root),
        _angles(angles),
        free,
        rows,
        contacts,
        a.loads,
        neutral,
        floor,
    )


def _speed_deg_s(angles: Array, seconds: float) -> float:
    """The joint that travels furthest, over half a repetition."""
    return float(np.degrees(np.ptp(angles, axis=0).max()) / max(0.5, seconds / 2))


def _coordination(angles: Array) -> int:
    """Limbs that move independently at once; a pair that moves alike counts one."""
    names = [n for n, _, _ in JOINTS]
    swing = np.ptp(angles, axis=0)
    count = 0
    for limb, parts in (("arm", ("shoulder", "elbow")), ("leg", ("hip", "knee"))):
        moved = {
            s: [swing[k] for k, n in enumerate(names) if n.startswith(s) and n.split(".")[1] in parts]
            for s in ("left", "right")
        }
        sides = [s for s in moved if max(moved[s]) > _MOVED_RAD]
        alike = len(sides) == 2 and np.allclose(moved["left"], moved["right"], atol=np.radians(3))
        count += 1 if alike else len(sides)
        del limb
    return count
