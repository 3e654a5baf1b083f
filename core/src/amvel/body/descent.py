"""How a batch of poses comes to meet its contacts: damped Gauss–Newton with analytic Jacobians.

Unknowns of a pose are the placement of the pelvis and the joints that some pose of the batch leaves free; a joint that
is not free in this pose is held.  A free joint stops at the end of the client's range, and the others make up for it.
"""

from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from amvel.body.moving_part import MovingPart, Rows, cross
from amvel.body.pose import COM, PoseSpec
from amvel.body.skeleton import JOINT_INDEX, JOINTS, ROOT_DOF, Array, Skeleton, rotation_from_vector

Stops = dict[str, tuple[float, float]]
Flags = NDArray[np.bool_]

_ROW_SCALE = 1000.0  # one millimetre of gap weighs one
_ROOT_WEIGHT = 3.0  # nothing else holds where a body faces: it must not drift while contacts are met
_MAX_ITERATIONS = 70
_STOP = 1e-5
_LOOSE = 4.0  # keeps joints that give easily from drifting where nothing holds them
_RELEASES = 4
_COMMON_DAMPING = 0.05
_SHRINK = 0.75  # a batch is cut when this share or less still moves
_NOWHERE, _CENTRE = -1, -2


@dataclass
class _Batch:
    """B poses with R rows each, K joints that move: what is wanted, and how far each joint may go."""

    a: Rows
    b: Rows
    normal: Array
    offset: Array
    weight: Array
    must: Array
    target: Array
    spring: Array
    low: Array
    high: Array


def _rows_of(skeleton: Skeleton, specs: list[PoseSpec]) -> dict[str, Any]:
    """The rows of every pose, padded with rows that weigh nothing."""
    count, rows = len(specs), max((len(s.rows) for s in specs), default=0)
    index = {**skeleton.landmarks.index, COM: _CENTRE}
    out: dict[str, Any] = {
        "a": np.full((count, rows), _NOWHERE),
        "b": np.full((count, rows), _NOWHERE),
        "normal": np.zeros((count, rows, 3)),
        "offset": np.zeros((count, rows)),
        "weight": np.zeros((count, rows)),
        "must": np.zeros((count, rows)),
    }
    for i, spec in enumerate(specs):
        own = spec.rows
        if not own:
            continue
        n = len(own)
        out["a"][i, :n] = [index[r.point] for r in own]
        out["b"][i, :n] = [_NOWHERE if r.origin is None else index[r.origin] for r in own]
        out["normal"][i, :n] = [r.normal for r in own]
        out["offset"][i, :n] = [r.offset_m for r in own]
        out["weight"][i, :n] = [r.weight * _ROW_SCALE for r in own]
        out["must"][i, :n] = [float(r.must_hold) for r in own]
    return out


def _joints_of(specs: list[PoseSpec], stops: list[Stops]) -> dict[str, Any]:
    """Declared angles, how hard each joint gives (0: not at all) and its stops: B×J."""
    shape = (len(specs), len(JOINTS))
    out = {
        "target": np.zeros(shape),
        "spring": np.zeros(shape),
        "low": np.full(shape, -np.inf),
        "high": np.full(shape, np.inf),
    }
    for i, spec in enumerate(specs):
        for name, value in spec.angles_rad.items():
            out["target"][i, JOINT_INDEX[name]] = value
        for name, stiffness in spec.free.items():
            out["spring"][i, JOINT_INDEX[name]] = stiffness * (_LOOSE if stiffness <= 1.0 else 1.0)
    for name in stops[0] if stops else ():
        j = JOINT_INDEX[name]
        out["low"][:, j], out["high"][:, j] = np.array([own[name] for own in stops]).T
    for i, spec in enumerate(specs):
        for name, low in spec.floor_rad.items():
            j = JOINT_INDEX[name]
            out["low"][i, j] = min(max(out["low"][i, j], low), out["high"][i, j])
    return out


_CARRIED = ("free", "angles", "position", "rotation", "position0", "rotation0", "damping")


class Descent:
    """The state of a batch on its way; `run` takes it to where nothing moves any more."""

    def __init__(self, skeleton: Skeleton, specs: list[PoseSpec], stops: list[Stops]) -> None:
        rows, joints = _rows_of(skeleton, specs), _joints_of(specs, stops)
        self._whole = joints["target"]
        self._joints = np.flatnonzero((joints["spring"] > 0).any(0))
        asked = {int(r) for name in ("a", "b") for r in np.unique(rows[name])}
        weighed = _CENTRE in asked
        marks = sorted({r for r in asked if r >= 0} | (set(skeleton.com_rows.tolist()) if weighed else set()))
        self.part = MovingPart(skeleton, self._joints, np.array(marks, dtype=np.int64), self._whole)
        column = np.full(len(skeleton.landmarks.index), _NOWHERE)
        column[marks] = np.arange(len(marks))
        for name in ("a", "b"):
            rows[name] = np.where(rows[name] >= 0, column[np.maximum(rows[name], 0)], rows[name])
        self.batch = _Batch(**rows, **{k: v[:, self._joints] for k, v in joints.items()})
        self.moves = skeleton.moves[:, self._joints]
        self.mass = skeleton.mass_kg / skeleton.mass_kg.sum() if weighed else np.zeros(0)
        self.com_columns = column[skeleton.com_rows] if weighed else np.zeros(0, dtype=np.int64)
        self._begin(specs)

    def _begin(self, specs: list[PoseSpec]) -> None:
        batch = self.batch
        self.free = batch.spring > 0
        self.angles = np.where(self.free, np.clip(batch.target, batch.low, batch.high), batch.target)
        self.position = np.array([s.root_position_m for s in specs], dtype=float)
        self.rotation = np.array([s.root_rotation for s in specs], dtype=float)
        self.position0, self.rotation0 = self.position.copy(), self.rotation.copy()
        self.damping = np.full(len(specs), 1e-4)
        self.moved_a, self.moved_b = self._moved_by(batch.a), self._moved_by(batch.b)
        self.settled = np.zeros(len(specs), dtype=bool)
        self.refresh()

    def run(self) -> None:
        """Step until every pose rests, or has had its share of steps."""
        active = np.arange(len(self.angles))
        part = self.subset(active)
        for _ in range(_MAX_ITERATIONS):
            moving = part.step() > _STOP
            part.settled |= ~moving  # they stay where they are, so that the answer does not depend on the batch
            left = ~part.settled
            if not left.any() or left.sum() < _SHRINK * len(active):
                self.take(active, part)
                active = active[left]
                if not len(active):
                    break
                part = self.subset(active)
        if len(active):
            self.take(active, part)
        self.refresh()

    def all_angles(self) -> Array:
        """Every joint of every pose, B×J (rad)."""
        whole = self._whole.copy()
        whole[:, self._joints] = self.angles
        return whole

    def gaps_m(self) -> Array:
        """How far each row that must hold is from holding, B×R (m)."""
        weight = np.maximum(self.batch.weight, 1e-9)
        gaps: Array = np.abs(np.where(self.batch.weight > 0, self._residual() / weight, 0.0))
        return gaps * self.batch.must

    def refresh(self) -> None:
        """Place the bodies where the angles say, and cost them."""
        self._place()
        self.cost = self._cost(self._residual(), self.angles, self.position, self.rotation)

    def subset(self, rows: Rows) -> "Descent":
        """The same for some of the poses."""
        part: Descent = object.__new__(Descent)
        part.part = self.part.subset(rows)
        part.batch = _Batch(**{name: values[rows] for name, values in vars(self.batch).items()})
        part.moves, part.mass, part.com_columns = self.moves, self.mass, self.com_columns
        for name in _CARRIED:
            setattr(part, name, getattr(self, name)[rows])
        part.settled = np.zeros(len(rows), dtype=bool)
        part.moved_a, part.moved_b = part._moved_by(part.batch.a), part._moved_by(part.batch.b)
        part.refresh()
        return part

    def take(self, rows: Rows, part: "Descent") -> None:
        """Take what some of the poses have come to."""
        for name in ("angles", "position", "rotation", "damping"):
            getattr(self, name)[rows] = getattr(part, name)

    def _moved_by(self, rows: Rows) -> Array:
        """Whether each joint moves the point of each row, B×R×K."""
        moved: Array = self.moves[self.part.segment[np.maximum(rows, 0)]].astype(float)
        moved[rows < 0] = 0.0
        return moved

    def _place(self) -> None:
        self.points, self.axis, self.centre = self.part.place(self.position, self.rotation, self.angles)
        if len(self.mass):
            self.com = np.einsum("s,bsi->bi", self.mass, self.points[:, self.com_columns])

    def _at(self, rows: Rows) -> Array:
        """Where the points of the rows are, B×R×3; the origin of the world where a row has none."""
        got = np.take_along_axis(self.points, np.maximum(rows, 0)[..., None], axis=1)
        if len(self.mass):
            got = np.where((rows == _CENTRE)[..., None], self.com[:, None], got)
        return np.where((rows == _NOWHERE)[..., None], 0.0, got)

    def _residual(self) -> Array:
        apart = self._at(self.batch.a) - self._at(self.batch.b)
        gap: Array = (self.batch.normal * apart).sum(2) - self.batch.offset
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
        away = (angles - self.batch.target) * self.batch.spring
        root = ((position - self.position0) ** 2).sum(1) + (self._tilt(rotation) ** 2).sum(1)
        cost: Array = (residual**2).sum(1) + (away**2).sum(1) + _ROOT_WEIGHT**2 * root
        return cost

    def _jacobian(self) -> Array:
        """Rows by degrees of freedom, B×R×(6+K): a turn about a through c moves p by a × (p − c)."""
        out = self._swept(self.batch.a, self.moved_a)
        if (self.batch.b != _NOWHERE).any():
            out = out - self._swept(self.batch.b, self.moved_b)
        return out * self.batch.weight[..., None]

    def _swept(self, rows: Rows, moved_by: Array) -> Array:
        n, points = self.batch.normal, self._at(rows)
        out = np.empty((*rows.shape, ROOT_DOF + self.angles.shape[1]))
        out[..., :3] = n
        out[..., 3:6] = cross(points - self.position[:, None], n)
        about = out[..., ROOT_DOF:]
        axis = self.axis.transpose(0, 2, 1)
        np.matmul(cross(points, n), axis, out=about)
        about += n @ cross(self.centre, self.axis).transpose(0, 2, 1)
        about *= moved_by
        if len(self.mass):
            com = rows == _CENTRE
            if com.any():
                swept = cross(self.axis, self._com_arms())
                about[...] = np.where(com[..., None], n @ swept.transpose(0, 2, 1), about)
        out[rows == _NOWHERE] = 0.0
        return out

    def _com_arms(self) -> Array:
        moved = self.moves * self.mass[:, None]
        weighted = moved.T @ self.points[:, self.com_columns]
        return weighted - moved.sum(0)[None, :, None] * self.centre

    def step(self) -> Array:
        """One damped step for every pose; returns the largest movement of each, infinite while a step was refused."""
        residual, jac = self._residual(), self._jacobian()
        turned = jac.transpose(0, 2, 1)
        gradient = (turned @ residual[..., None])[..., 0]
        hessian = turned @ jac
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
            rows = np.flatnonzero(passed.any(1))
            if not len(rows):
                break
            held |= passed
            fixed[passed] = self._to_the_stop(delta)[passed]
            delta[rows] = self._direction(
                gradient[rows], hessian[rows], diagonal[rows], held[rows], fixed[rows], self.damping[rows]
            )
        delta[self.settled] = 0.0
        return self._try(delta)

    def _passed(self, delta: Array) -> Flags:
        there = self.angles + delta[:, ROOT_DOF:]
        out = (there < self.batch.low - 1e-9) | (there > self.batch.high + 1e-9)
        return np.concatenate([np.zeros((len(delta), ROOT_DOF), dtype=bool), out & self.free], axis=1)

    def _to_the_stop(self, delta: Array) -> Array:
        there = np.clip(self.angles + delta[:, ROOT_DOF:], self.batch.low, self.batch.high) - self.angles
        return np.concatenate([np.zeros((len(delta), ROOT_DOF)), there], axis=1)

    def _held(self, gradient: Array) -> Flags:
        at_low = (self.angles <= self.batch.low + 1e-9) & (gradient[:, ROOT_DOF:] > 0)
        at_high = (self.angles >= self.batch.high - 1e-9) & (gradient[:, ROOT_DOF:] < 0)
        held = np.zeros(gradient.shape, dtype=bool)
        held[:, ROOT_DOF:] = ~self.free | at_low | at_high
        return held

    def _direction(
        self,
        gradient: Array,
        hessian: Array,
        diagonal: Array,
        held: Flags,
        fixed: Array,
        damping: Array | None = None,
    ) -> Array:
        """The damped step of what is not held; held ones move as `fixed` says."""
        damping = self.damping if damping is None else damping
        if fixed.any():
            gradient = gradient + (hessian @ fixed[..., None])[..., 0]
        keep = ~held
        system = hessian * (keep[:, :, None] & keep[:, None, :])
        d = np.arange(system.shape[1])
        own = system[:, d, d]
        # A joint that hardly moves any point must not be the one that damping drives: it is damped like the others.
        common = _COMMON_DAMPING * own.max(axis=1, keepdims=True)
        system[:, d, d] += np.where(keep, diagonal + damping[:, None] * (1.0 + common + own), 1.0)
        found = np.linalg.solve(system, np.where(keep, gradient, 0.0)[..., None])[..., 0]
        return np.where(keep, -found, fixed)

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


__all__ = ["Descent", "Stops"]
