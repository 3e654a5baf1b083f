"""The pose solver: places many bodies at once so that every contact meets its surface.

Declared angles hold exactly; only joints named free, and the placement of the pelvis, adjust.
Damped Gauss–Newton with analytic Jacobians; a free joint stops at the end of the client's range.
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from amvel.body.pose import COM, PoseSpec
from amvel.body.skeleton import JOINT_INDEX, JOINTS, ROOT_DOF, Array, Placement, Skeleton, rotation_from_vector

CONTACT_TOLERANCE_M = 0.005
_ROW_SCALE = 1000.0  # one millimetre of gap weighs one
_ROOT_WEIGHT = 3.0  # nothing else holds where a body faces: it must not drift while contacts are met
_MAX_ITERATIONS = 70
_CHUNK = 400
_STOP = 1e-5
_LOOSE = 4.0  # keeps joints that give easily from drifting where nothing holds them
_RELEASES = 4
_COMMON_DAMPING = 0.05
_SHRINK = 0.75  # a batch is cut when this share or less still moves


@dataclass
class Posed:
    """B placed bodies."""

    angles: Array
    root_position: Array
    root_rotation: Array
    placement: Placement
    points: Array
    worst_gap_m: Array
    faults: list[str]


@dataclass
class _Batch:
    a: NDArray[np.int64]
    b: NDArray[np.int64]
    normal: Array
    offset: Array
    weight: Array
    must: Array
    target: Array
    spring: Array
    low: Array
    high: Array


Stops = dict[str, tuple[float, float]]


def solve(skeleton: Skeleton, specs: list[PoseSpec], stops_rad: Stops | list[Stops]) -> Posed:
    """Place every spec.  `stops_rad` bounds free joints by name, for all specs or for each.

    `faults` of the answer names, per pose, the contact that stays open by more than 5 mm ('' when none):
    such a pose cannot be taken by this body, and nothing may be judged from it.
    """
    stops = stops_rad if isinstance(stops_rad, list) else [stops_rad] * len(specs)
    if not specs:
        return _solve_chunk(skeleton, specs, stops)
    # Poses with about as many rows together: little padding, and arrays that stay in the processor's cache.
    order = sorted(range(len(specs)), key=lambda i: len(specs[i].rows))
    chunks = [order[i : i + _CHUNK] for i in range(0, len(order), _CHUNK)]
    solved = [_solve_chunk(skeleton, [specs[i] for i in c], [stops[i] for i in c]) for c in chunks]
    return _in_order(solved, order)


def put_back(posed: Posed, rows: list[int], found: Posed) -> None:
    """Take poses found anew into their places."""

    def put(into: Array, values: Array) -> None:
        into[rows] = values

    for name in ("angles", "root_position", "root_rotation", "points", "worst_gap_m"):
        put(getattr(posed, name), getattr(found, name))
    for name in ("origin", "rotation", "axis", "centre"):
        put(getattr(posed.placement, name), getattr(found.placement, name))
    for row, fault in zip(rows, found.faults, strict=True):
        posed.faults[row] = fault


def part_of(posed: Posed, rows: list[int]) -> Posed:
    """Some of the placed bodies, in the order of `rows`."""
    placement = Placement(
        *(getattr(posed.placement, n)[rows] for n in ("origin", "rotation", "axis", "centre"))
    )
    return Posed(
        posed.angles[rows],
        posed.root_position[rows],
        posed.root_rotation[rows],
        placement,
        posed.points[rows],
        posed.worst_gap_m[rows],
        [posed.faults[i] for i in rows],
    )


def _in_order(solved: list[Posed], order: list[int]) -> Posed:
    """Chunks put together, in the order in which they were asked."""
    back = np.argsort(np.array(order))

    def joined(parts: list[Array]) -> Array:
        whole: Array = np.concatenate(parts)[back]
        return whole

    placement = Placement(
        *(joined([getattr(p.placement, n) for p in solved]) for n in ("origin", "rotation", "axis", "centre"))
    )
    faults = [f for p in solved for f in p.faults]
    return Posed(
        joined([p.angles for p in solved]),
        joined([p.root_position for p in solved]),
        joined([p.root_rotation for p in solved]),
        placement,
        joined([p.points for p in solved]),
        joined([p.worst_gap_m for p in solved]),
        [faults[i] for i in back],
    )


def _solve_chunk(skeleton: Skeleton, specs: list[PoseSpec], stops: list[Stops]) -> Posed:
    batch = _compile(skeleton, specs, stops)
    state = _State(skeleton, specs, batch)
    active = np.arange(len(specs))
    part = state.subset(active)
    for _ in range(_MAX_ITERATIONS):
        moving = part.step() > _STOP
        part.settled |= ~moving  # they stay where they are, so that the answer does not depend on the batch
        left = ~part.settled
        if not left.any() or left.sum() < _SHRINK * len(active):
            state.take(active, part)
            active = active[left]
            if not len(active):
                break
            part = state.subset(active)
    if len(active):
        state.take(active, part)
    state.refresh()
    return state.finish(specs)


def _compile(skeleton: Skeleton, specs: list[PoseSpec], stops: list[Stops]) -> _Batch:
    count, rows = len(specs), max((len(s.rows) for s in specs), default=0)
    index = {**skeleton.landmarks.index, COM: -2}
    out = _Batch(
        np.full((count, rows), -1),
        np.full((count, rows), -1),
        np.zeros((count, rows, 3)),
        np.zeros((count, rows)),
        np.zeros((count, rows)),
        np.zeros((count, rows)),
        np.zeros((count, len(JOINTS))),
        np.zeros((count, len(JOINTS))),
        np.full((count, len(JOINTS)), -np.inf),
        np.full((count, len(JOINTS)), np.inf),
    )
    for i, spec in enumerate(specs):
        for r, row in enumerate(spec.rows):
            out.a[i, r] = index[row.point]
            out.b[i, r] = -1 if row.origin is None else index[row.origin]
            out.normal[i, r], out.offset[i, r] = row.normal, row.offset_m
            out.weight[i, r], out.must[i, r] = row.weight * _ROW_SCALE, float(row.must_hold)
        for name, value in spec.angles_rad.items():
            out.target[i, JOINT_INDEX[name]] = value
        for name, stiffness in spec.free.items():
            out.spring[i, JOINT_INDEX[name]] = stiffness * (_LOOSE if stiffness <= 1.0 else 1.0)
    for name in stops[0]:
        j = JOINT_INDEX[name]
        out.low[:, j], out.high[:, j] = np.array([own[name] for own in stops]).T
    for i, spec in enumerate(specs):
        for name, low in spec.floor_rad.items():
            j = JOINT_INDEX[name]
            out.low[i, j] = min(max(out.low[i, j], low), out.high[i, j])
    return out


_CARRIED = ("free", "angles", "position", "rotation", "position0", "rotation0", "damping")


class _State:
    def __init__(self, skeleton: Skeleton, specs: list[PoseSpec], batch: _Batch) -> None:
        self.skeleton, self.batch = skeleton, batch
        self.free = batch.spring > 0
        self.angles = batch.target.copy()
        clipped = np.clip(self.angles, batch.low, batch.high)
        self.angles[self.free] = clipped[self.free]
        self.position = np.array([s.root_position_m for s in specs], dtype=float)
        self.rotation = np.array([s.root_rotation for s in specs], dtype=float)
        self.position0, self.rotation0 = self.position.copy(), self.rotation.copy()
        self.damping = np.full(len(specs), 1e-4)
        self.settled = np.zeros(len(specs), dtype=bool)
        self.refresh()

    def refresh(self) -> None:
        """Place the bodies where the angles say, and cost them."""
        self._place()
        self.cost = self._cost(self._residual(), self.angles, self.position, self.rotation)

    def subset(self, rows: NDArray[np.int64]) -> "_State":
        part: _State = object.__new__(_State)
        part.skeleton = self.skeleton
        part.batch = _Batch(**{name: values[rows] for name, values in vars(self.batch).items()})
        for name in _CARRIED:
            setattr(part, name, getattr(self, name)[rows])
        part.settled = np.zeros(len(rows), dtype=bool)
        part.refresh()
        return part

    def take(self, rows: NDArray[np.int64], part: "_State") -> None:
        for name in ("angles", "position", "rotation", "damping"):
            getattr(self, name)[rows] = getattr(part, name)

    def _place(self) -> None:
        self.placed = self.skeleton.place(self.position, self.rotation, self.angles)
        self.points = self.skeleton.points(self.placed)
        self.com = self.skeleton.centre_of_mass(self.points)

    def _at(self, rows: NDArray[np.int64]) -> Array:
        got = np.take_along_axis(self.points, np.maximum(rows, 0)[..., None], axis=1)
        got = np.where((rows == -2)[..., None], self.com[:, None], got)
        return np.where((rows == -1)[..., None], 0.0, got)

    def _residual(self) -> Array:
        gap = (
            np.einsum("bri,bri->br", self.batch.normal, self._at(self.batch.a) - self._at(self.batch.b))
            - self.batch.offset
        )
        return gap * self.batch.weight

    def _tilt(self, rotation: Array) -> Array:
        turned = rotation @ self.rotation0.transpose(0, 2, 1)
        return 0.5 * np.stack(
            [
                turned[:, 2, 1] - turned[:, 1, 2],
                turned[:, 0, 2] - turned[:, 2, 0],
                turned[:, 1, 0] - turned[:, 0, 1],
            ],
            axis=1,
        )

    def _cost(self, residual: Array, angles: Array, position: Array, rotation: Array) -> Array:
        return (
            (residual**2).sum(1)
            + ((angles - self.batch.target) ** 2 * self.batch.spring**2).sum(1)
            + _ROOT_WEIGHT**2 * (((position - self.position0) ** 2).sum(1) + (self._tilt(rotation) ** 2).sum(1))
        )

    def _jacobian(self) -> Array:
        """Rows by degrees of freedom, B×R×(6+J): a turn about a through c moves p by a × (p − c)."""
        n = self.batch.normal
        out = self._swept(self.batch.a, n) - self._swept(self.batch.b, n)
        return out * self.batch.weight[..., None]

    def _swept(self, rows: NDArray[np.int64], n: Array) -> Array:
        points = self._at(rows)
        axis, centre = self.placed.axis, self.placed.centre
        about = np.cross(points, n) @ axis.transpose(0, 2, 1) + n @ np.cross(centre, axis).transpose(0, 2, 1)
        about *= self.skeleton.moves[self.skeleton.landmarks.segment[np.maximum(rows, 0)]]
        com = rows == -2
        if com.any():
            swept = np.cross(axis, self._com_arms())
            about = np.where(com[..., None], n @ swept.transpose(0, 2, 1), about)
        spin = np.cross(points - self.position[:, None], n)
        out = np.concatenate([n, spin, about], axis=2)
        return np.where((rows == -1)[..., None], 0.0, out)

    def _com_arms(self) -> Array:
        mass = self.skeleton.mass_kg / self.skeleton.mass_kg.sum()
        moved = self.skeleton.moves * mass[:, None]
        weighted = np.einsum("sj,bsi->bji", moved, self.points[:, self.skeleton.com_rows])
        return weighted - moved.sum(0)[None, :, None] * self.placed.centre

    def step(self) -> Array:
        """One damped step for every pose; returns the largest movement of each, infinite while a step was refused."""
        residual, jac = self._residual(), self._jacobian()
        gradient = np.einsum("brd,br->bd", jac, residual)
        hessian = jac.transpose(0, 2, 1) @ jac
        spring2 = self.batch.spring**2
        gradient[:, ROOT_DOF:] += spring2 * (self.angles - self.batch.target)
        gradient[:, :3] += _ROOT_WEIGHT**2 * (self.position - self.position0)
        gradient[:, 3:6] += _ROOT_WEIGHT**2 * self._tilt(self.rotation)
        diagonal = np.concatenate([np.full((len(self.angles), ROOT_DOF), _ROOT_WEIGHT**2), spring2], axis=1)
        held = self._held(gradient)
        fixed = np.zeros(gradient.shape)
        delta = self._direction(gradient, hessian, diagonal, held, fixed)
        for _ in range(_RELEASES):  # a joint that would pass its stop goes there, and the others make up for it
            passed = self._passed(delta) & ~held
            if not passed.any():
                break
            held |= passed
            fixed[passed] = self._to_the_stop(delta)[passed]
            delta = self._direction(gradient, hessian, diagonal, held, fixed)
        delta[self.settled] = 0.0
        return self._try(delta)

    def _passed(self, delta: Array) -> NDArray[np.bool_]:
        there = self.angles + delta[:, ROOT_DOF:]
        out = (there < self.batch.low - 1e-9) | (there > self.batch.high + 1e-9)
        return np.concatenate([np.zeros((len(delta), ROOT_DOF), dtype=bool), out & self.free], axis=1)

    def _to_the_stop(self, delta: Array) -> Array:
        there = np.clip(self.angles + delta[:, ROOT_DOF:], self.batch.low, self.batch.high) - self.angles
        return np.concatenate([np.zeros((len(delta), ROOT_DOF)), there], axis=1)

    def _held(self, gradient: Array) -> NDArray[np.bool_]:
        at_low = (self.angles <= self.batch.low + 1e-9) & (gradient[:, ROOT_DOF:] > 0)
        at_high = (self.angles >= self.batch.high - 1e-9) & (gradient[:, ROOT_DOF:] < 0)
        held = np.zeros(gradient.shape, dtype=bool)
        held[:, ROOT_DOF:] = ~self.free | at_low | at_high
        return held

    def _direction(
        self, gradient: Array, hessian: Array, diagonal: Array, held: NDArray[np.bool_], fixed: Array
    ) -> Array:
        """The damped step of what is not held; held ones move as `fixed` says."""
        gradient = gradient + np.einsum("bij,bj->bi", hessian, fixed)
        used = np.flatnonzero(~held.all(0))
        keep = ~held[:, used]
        system = hessian[:, used[:, None], used] * keep[:, :, None] * keep[:, None, :]
        d = np.arange(len(used))
        own = system[:, d, d]
        # A joint that hardly moves any point must not be the one that damping drives: it is damped like the others.
        common = _COMMON_DAMPING * own.max(axis=1, keepdims=True)
        system[:, d, d] += np.where(keep, diagonal[:, used] + self.damping[:, None] * (1.0 + common + own), 1.0)
        delta = fixed.copy()
        delta[:, used] = (
            delta[:, used] * ~keep
            - np.linalg.solve(system, np.where(keep, gradient[:, used], 0.0)[..., None])[..., 0]
        )
        return delta

    def _try(self, delta: Array) -> Array:
        delta = delta * np.minimum(1.0, 0.6 / np.maximum(np.abs(delta).max(1), 1e-12))[:, None]
        old = (self.angles, self.position, self.rotation)
        self.angles = np.where(
            self.free, np.clip(self.angles + delta[:, ROOT_DOF:], self.batch.low, self.batch.high), self.angles
        )
        self.position = self.position + delta[:, :3]
        self.rotation = rotation_from_vector(delta[:, 3:6]) @ self.rotation
        self._place()
        cost = self._cost(self._residual(), self.angles, self.position, self.rotation)
        better = cost <= self.cost * (1 + 1e-12)
        self.angles = np.where(better[:, None], self.angles, old[0])
        self.position = np.where(better[:, None], self.position, old[1])
        self.rotation = np.where(better[:, None, None], self.rotation, old[2])
        if not better.all():
            self._place()
        before = self.cost
        self.cost = np.where(better, cost, self.cost)
        self.damping = np.clip(np.where(better, self.damping * 0.2, self.damping * 8), 1e-9, 1e9)
        stuck = self.damping >= 1e8
        gained = better & (before - cost > 1e-6 * (1 + before))
        return np.where(better, np.where(gained, np.abs(delta).max(1), 0.0), np.where(stuck, 0.0, np.inf))

    def finish(self, specs: list[PoseSpec]) -> Posed:
        gaps = np.abs(
            np.where(self.batch.weight > 0, self._residual() / np.maximum(self.batch.weight, 1e-9), 0.0)
        )
        gaps = gaps * self.batch.must
        worst = gaps.max(1)
        faults = [self._fault(spec, gap) for spec, gap in zip(specs, gaps, strict=True)]
        return Posed(self.angles, self.position, self.rotation, self.placed, self.points, worst, faults)

    @staticmethod
    def _fault(spec: PoseSpec, gaps: Array) -> str:
        r = int(gaps.argmax())
        if gaps[r] <= CONTACT_TOLERANCE_M:
            return ""
        return f"{spec.name}: '{spec.rows[r].name}' stays {gaps[r] * 1000:.0f} mm from where it must be"
