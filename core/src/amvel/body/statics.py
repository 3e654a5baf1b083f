"""Reactions of the supports, for many poses at once.

Contacts are patches on elastic foundations that cannot pull and slip beyond their friction cone.  The
reactions minimise elastic energy under force and moment balance.  The dual of that problem has six
unknowns per pose (how the body settles as one piece) and is maximised by a damped Newton method.
Patches are sampled at Gauss points, so that a finer sampling gives the same resultant.
"""

from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np
from numpy.typing import NDArray

from amvel.body.pose import Contact, PoseSpec
from amvel.body.posing import Posed, part_of
from amvel.body.skeleton import Array, Skeleton

GRAVITY_M_S2 = 9.81
_SHEAR_TO_NORMAL = 0.5  # stiffness along the surface against into it: our estimate for skin, cloth and mat
_LENGTH_M = 0.4  # scales rotation against translation
_MAX_ITERATIONS = 120
_CHUNK = 256  # poses with about as many contacts are solved together
_BALANCED = 2e-6  # of body weight
_SOFT_REACH = 0.04  # of stature and girth: flesh between a landmark and what it lies on (our estimate)
_REST_LEVER_M = 0.06
_LEFT_OVER_FRICTION = 0.05  # what a limb that already pushes at a slant has left
_LEG = ("thigh", "shank", "foot", "toes")


@dataclass
class Reactions:
    """Point forces of B poses, padded to P points: where (B×P×3, m), force (B×P×3, N), segment and contact row."""

    where: Array
    force: Array
    segment: NDArray[np.int64]
    contact: NDArray[np.int64]
    unbalanced: Array

    def stands(self) -> NDArray[np.bool_]:
        """Whether admissible reactions balance the pose."""
        return self.unbalanced < 1e-4


def react(skeleton: Skeleton, specs: list[PoseSpec], posed: Posed, sampling: int = 3) -> Reactions:
    """Solve the supports of every pose with sampling×sampling points per patch."""
    order = sorted(range(len(specs)), key=lambda i: len(specs[i].contacts))
    chunks = [order[i : i + _CHUNK] for i in range(0, len(order), _CHUNK)]
    return _in_order(
        [_react(skeleton, [specs[i] for i in c], part_of(posed, c), sampling) for c in chunks], order
    )


def _in_order(solved: list[Reactions], order: list[int]) -> Reactions:
    """Chunks put together in the order in which they were asked, padded to the most points."""
    back = np.argsort(np.array(order))
    most = max(r.where.shape[1] for r in solved)

    def joined(name: str, empty: float) -> NDArray[Any]:
        parts = [getattr(r, name) for r in solved]
        padded = [
            np.concatenate(
                [p, np.full((p.shape[0], most - p.shape[1], *p.shape[2:]), empty, dtype=p.dtype)], axis=1
            )
            for p in parts
        ]
        whole: NDArray[Any] = np.concatenate(padded)[back]
        return whole

    return Reactions(
        joined("where", 0.0),
        joined("force", 0.0),
        joined("segment", 0),
        joined("contact", -1),
        np.concatenate([r.unbalanced for r in solved])[back],
    )


def _react(skeleton: Skeleton, specs: list[PoseSpec], posed: Posed, sampling: int) -> Reactions:
    problem = _Problem(skeleton, specs, posed, sampling)
    placed = np.array([not fault for fault in posed.faults])
    twist = problem.settle(placed)
    force = problem.world_force(problem.forces(twist)[0])
    force = np.where(problem.given[..., None] > 0, problem.given_force, force)
    return Reactions(problem.where, force, problem.segment, problem.contact, problem.unbalanced(twist))


def _basis(normal: Array) -> Array:
    """Rows n, t1, t2 for normals …×3."""
    helper = np.where(np.abs(normal[..., :1]) < 0.9, np.array([1.0, 0, 0]), np.array([0, 1.0, 0]))
    first = np.cross(normal, helper)
    first /= np.maximum(np.linalg.norm(first, axis=-1, keepdims=True), 1e-12)
    return np.stack([normal, first, np.cross(normal, first)], axis=-2)


class _Problem:
    def __init__(self, skeleton: Skeleton, specs: list[PoseSpec], posed: Posed, sampling: int) -> None:
        self.skeleton, self.specs, self.posed = skeleton, specs, posed
        count = len(specs)
        self.soft_reach_m = _SOFT_REACH * skeleton.body.stature_m * skeleton.body.girth
        nodes, weights = np.polynomial.legendre.leggauss(sampling)
        per = sampling * sampling
        size = max(1, max(len(s.contacts) for s in specs)) * per
        self.where, self.normal = np.zeros((count, size, 3)), np.zeros((count, size, 3))
        self.normal[..., 2] = 1.0
        self.stiff, self.friction = np.zeros((count, size)), np.full((count, size), 0.5)
        self.segment = np.zeros((count, size), dtype=np.int64)
        self.contact = np.full((count, size), -1)
        self.given, self.given_force = np.zeros((count, size)), np.zeros((count, size, 3))
        self.centre = skeleton.centre_of_mass(posed.points)
        self.weight_n = float(skeleton.mass_kg.sum()) * GRAVITY_M_S2
        self.external = np.zeros((count, 6))
        self.external[:, 2] = -self.weight_n
        grid = np.array(
            [
                (nodes[i], nodes[j], weights[i] * weights[j] / 4)
                for i in range(sampling)
                for j in range(sampling)
            ]
        )
        for b, spec in enumerate(specs):
            self._add_loads(b, spec)
            for c, contact in enumerate(spec.contacts):
                self._add_contact(b, c, contact, slice(c * per, (c + 1) * per), grid)
        self.local = _basis(self.normal)
        self.wrench = self._wrenches()
        self.root = np.sqrt(
            np.stack([self.stiff, self.stiff * _SHEAR_TO_NORMAL, self.stiff * _SHEAR_TO_NORMAL], axis=-1)
        )
        self.cone = self.friction / np.sqrt(_SHEAR_TO_NORMAL)

    def _point(self, b: int, name: str) -> Array:
        return self.posed.points[b, self.skeleton.landmarks.index[name]]

    def _push(self, b: int, where: Array, force: Array) -> None:
        self.external[b, :3] += force
        self.external[b, 3:] += np.cross(where - self.centre[b], force) / _LENGTH_M

    def _add_loads(self, b: int, spec: PoseSpec) -> None:
        for load in spec.loads:
            force = load.force_at(self.posed.points[b], self.skeleton.landmarks.index)
            self._push(b, self._point(b, load.point), force)

    def _add_contact(self, b: int, c: int, contact: Contact, rows: slice, grid: Array) -> None:
        at = self._point(b, contact.point)
        normal = np.array(contact.normal)
        along, across = _patch_axes(contact.normal)
        half_a, half_b = contact.half_size_m
        self.where[b, rows] = at + grid[:, :1] * (along * half_a) + grid[:, 1:2] * (across * half_b)
        self.normal[b, rows] = normal
        self.segment[b, rows] = self.skeleton.landmarks.segment[self.skeleton.landmarks.index[contact.point]]
        self.contact[b, rows] = c
        self.friction[b, rows] = contact.friction
        if contact.strategy == "pushes":
            self.normal[b, rows] = self._along_the_arm(b, contact, at)
            self.friction[b, rows] = _LEFT_OVER_FRICTION
        resting = self._resting_force(b, contact, at) if contact.strategy == "rests" else None
        if contact.plane_m is not None and float(normal @ at) - contact.plane_m > self.soft_reach_m:
            return
        if resting is None:
            self.stiff[b, rows] = contact.stiffness_n_per_m * grid[:, 2]
            return
        self.where[b, rows] = at
        self.given[b, rows] = 1.0
        self.given_force[b, rows] = resting * normal / len(grid)
        self._push(b, at, resting * normal)

    def _along_the_arm(self, b: int, contact: Contact, at: Array) -> Array:
        """From the hand to the shoulder, no flatter to the surface than friction holds."""
        side = contact.point.partition(".")[0]
        normal = np.array(contact.normal)
        along = self._point(b, f"{side}.shoulder") - at
        up = max(float(along @ normal), 1e-6)
        shear = along / up - normal
        slope = float(np.linalg.norm(shear))
        direction = normal + shear * min(1.0, contact.friction / max(slope, 1e-9))
        return direction / np.linalg.norm(direction)

    def _resting_force(self, b: int, contact: Contact, at: Array) -> float | None:
        """What a limb at rest presses: its own weight about its root joint, no muscle at that joint."""
        segment = self.skeleton.names[
            self.skeleton.landmarks.segment[self.skeleton.landmarks.index[contact.point]]
        ]
        side, _, part = segment.partition(".")
        leg = part in _LEG
        joint = self._point(b, f"{side}.{'hip' if leg else 'shoulder'}")
        parts = _LEG if leg else ("upper_arm", "forearm", "hand")
        rows = [self.skeleton.segment_index[f"{side}.{p}"] for p in parts]
        mass = self.skeleton.mass_kg[rows]
        com = self.posed.points[b, self.skeleton.com_rows[rows]]
        lever = float(np.linalg.norm((at - joint)[:2]))
        if lever < _REST_LEVER_M:
            return None
        toward = (at - joint)[:2] / lever
        moment = float((mass * ((com - joint)[:, :2] @ toward)).sum()) * GRAVITY_M_S2
        sharing = sum(
            c.strategy == "rests" and c.point.startswith(side) and self._is_leg(c.point) == leg
            for c in self.specs[b].contacts
        )
        return float(max(0.0, moment / lever)) / sharing

    def _is_leg(self, point: str) -> bool:
        segment = self.skeleton.names[self.skeleton.landmarks.segment[self.skeleton.landmarks.index[point]]]
        return segment.partition(".")[2] in _LEG

    def _wrenches(self) -> Array:
        """How a unit settling moves each point, in its surface basis: B×P×3×6."""
        arm = (self.where - self.centre[:, None]) / _LENGTH_M
        turn = np.zeros((*arm.shape, 3))
        x, y, z = arm[..., 0], arm[..., 1], arm[..., 2]
        turn[..., 0, 1], turn[..., 0, 2] = z, -y
        turn[..., 1, 0], turn[..., 1, 2] = -z, x
        turn[..., 2, 0], turn[..., 2, 1] = y, -x
        world = np.concatenate([np.broadcast_to(np.eye(3), turn.shape), turn], axis=-1)
        return self.local @ world

    def forces(self, twist: Array) -> tuple[Array, Array, Array]:
        """Scaled forces, their energy and their derivative by the scaled trial force."""
        trial = -self.root * np.einsum("bpij,bj->bpi", self.wrench, twist)
        a, shear = trial[..., 0], trial[..., 1:]
        size = np.maximum(np.linalg.norm(shear, axis=-1), 1e-12)
        inside = size <= self.cone * a
        gone = self.cone * size <= -a
        share = 1 / (1 + self.cone**2)
        reach = (a + self.cone * size) * share
        unit = shear / size[..., None]
        slipping = np.concatenate([reach[..., None], (self.cone * reach)[..., None] * unit], axis=-1)
        force = np.where(inside[..., None], trial, np.where(gone[..., None], 0.0, slipping))
        slope = np.zeros((*trial.shape, 3))
        slope[..., 0, 0] = share
        slope[..., 0, 1:] = (self.cone * share)[..., None] * unit
        slope[..., 1:, 0] = slope[..., 0, 1:]
        outer = unit[..., :, None] * unit[..., None, :]
        sideways = (self.cone * reach / size)[..., None, None]
        slope[..., 1:, 1:] = (self.cone**2 * share)[..., None, None] * outer + sideways * (np.eye(2) - outer)
        slope = np.where(inside[..., None, None], np.eye(3), np.where(gone[..., None, None], 0.0, slope))
        return force, 0.5 * (force**2).sum((1, 2)), slope

    def world_force(self, scaled: Array) -> Array:
        return np.einsum("bpij,bpi->bpj", self.local, scaled * self.root)

    def _gradient(self, force: Array) -> Array:
        return self.external + np.einsum("bpij,bpi->bj", self.wrench, force * self.root)

    def unbalanced(self, twist: Array) -> Array:
        return np.abs(self._gradient(self.forces(twist)[0])).max(1) / self.weight_n

    def _part(self, rows: NDArray[np.int64]) -> "_Problem":
        """The same problem for some of the poses."""
        part: _Problem = object.__new__(_Problem)
        part.weight_n = self.weight_n
        for name in ("external", "root", "wrench", "cone"):
            setattr(part, name, getattr(self, name)[rows])
        return part

    def settle(self, wanted: NDArray[np.bool_]) -> Array:
        """How every wanted pose settles; those that have converged leave the work."""
        twist = np.zeros((len(self.specs), 6))
        twist[:, 2] = -0.01
        rows = np.flatnonzero(wanted)
        if not len(rows):
            return twist
        part, own = self._part(rows), twist[rows]
        damping = np.full(len(rows), 1e-2)
        force, energy, slope = part.forces(own)
        value = (own * part.external).sum(1) - energy
        for _ in range(_MAX_ITERATIONS):
            gradient = part._gradient(force)
            open_ = np.abs(gradient).max(1) >= _BALANCED * self.weight_n
            if not open_.all():
                twist[rows] = own
                if not open_.any():
                    return twist
                if open_.sum() < 0.7 * len(rows):
                    rows, own, damping = rows[open_], own[open_], damping[open_]
                    force, slope, value, gradient = force[open_], slope[open_], value[open_], gradient[open_]
                    part = self._part(rows)
            trial = own + part._newton(gradient, slope, damping)
            new_force, new_energy, new_slope = part.forces(trial)
            new_value = (trial * part.external).sum(1) - new_energy
            better = new_value >= value - 1e-12 * np.abs(value)
            damping = np.clip(np.where(better, damping * 0.2, damping * 10), 1e-10, 1e10)
            own = np.where(better[:, None], trial, own)
            value = np.where(better, new_value, value)
            force = np.where(better[:, None, None], new_force, force)
            slope = np.where(better[:, None, None, None], new_slope, slope)
        twist[rows] = own
        return twist

    def _newton(self, gradient: Array, slope: Array, damping: Array) -> Array:
        scaled = self.wrench * self.root[..., None]
        hessian = np.einsum("bpji,bpjk,bpkl->bil", scaled, slope, scaled, optimize=True)
        d = np.arange(6)
        size = hessian[:, d, d].max(1)
        hessian[:, d, d] += np.maximum(damping * size, 1e-3)[:, None]
        return np.linalg.solve(hessian, gradient[..., None])[..., 0]


@lru_cache(maxsize=64)
def _patch_axes(direction: tuple[float, float, float]) -> tuple[Array, Array]:
    """Two directions in the surface: along the body's usual x or the vertical, and sideways."""
    normal = np.array(direction)
    along = np.array([1.0, 0, 0]) if abs(normal[0]) < 0.9 else np.array([0, 0, 1.0])
    along = along - normal * float(along @ normal)
    along /= np.linalg.norm(along)
    return along, np.cross(normal, along)
