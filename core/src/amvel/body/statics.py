"""Reactions of the supports, one pose at a time.

Contacts are patches on elastic foundations that cannot pull and slip beyond their friction cone.  The
reactions minimise elastic energy under force and moment balance.  The dual of that problem has six
unknowns per pose (how the body settles as one piece) and is maximised by a damped Newton method.
Patches are sampled at Gauss points, so that a finer sampling gives the same resultant.
"""

from dataclasses import dataclass
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body.compiled import kernel
from amvel.body.flat import NOWHERE, PUSHES, RESTS, Flat, flatten
from amvel.body.pose import PoseSpec
from amvel.body.posing import Posed
from amvel.body.skeleton import Skeleton
from amvel.body.tree import Array, Flags, Rows, Tree

GRAVITY_M_S2 = 9.81
_SHEAR_TO_NORMAL = 0.5  # stiffness along the surface against into it: our estimate for skin, cloth and mat
_LENGTH_M = 0.4  # scales rotation against translation
_MAX_ITERATIONS = 120
_BALANCED = 2e-6  # of body weight
_SOFT_REACH = 0.04  # of stature and girth: flesh between a landmark and what it lies on (our estimate)
_REST_LEVER_M = 0.06
_LEFT_OVER_FRICTION = 0.05  # what a limb that already pushes at a slant has left
_LIMBS = {
    f"{side}.{limb}": tuple(f"{side}.{p}" for p in parts)
    for side in ("left", "right")
    for limb, parts in (("leg", ("thigh", "shank", "foot", "toes")), ("arm", ("upper_arm", "forearm", "hand")))
}
_NO_STOPS: dict[str, tuple[float, float]] = {}


@dataclass
class Reactions:
    """What every contact of B poses carries: contacts of pose b are rows `first[b]` to `first[b + 1]`.

    `force` (C×3, N) acts at the landmark `at` (C×3, m), with the moment `moment` about it (C×3, N·m), on `segment`.
    `unbalanced` (B) is what is left over, as a share of body weight.
    """

    first: Rows
    at: Array
    force: Array
    moment: Array
    segment: Rows
    unbalanced: Array

    def stands(self) -> Flags:
        """Whether admissible reactions balance the pose."""
        return self.unbalanced < 1e-4

    def of(self, b: int) -> slice:
        """The contacts of pose b."""
        return slice(int(self.first[b]), int(self.first[b + 1]))


class Limbs(NamedTuple):
    """Which limb (0–3, or -1) each segment belongs to, and the first segment of every limb."""

    limb: Rows
    root: Rows


@lru_cache(maxsize=4)
def _limbs_of(names: tuple[str, ...]) -> Limbs:
    limb = np.full(len(names), NOWHERE)
    for k, parts in enumerate(_LIMBS.values()):
        limb[[names.index(p) for p in parts]] = k
    return Limbs(limb, np.array([names.index(parts[0]) for parts in _LIMBS.values()]))


@lru_cache(maxsize=8)
def _gauss(sampling: int) -> Array:
    nodes, weights = np.polynomial.legendre.leggauss(sampling)
    return np.array(
        [(nodes[i], nodes[j], weights[i] * weights[j] / 4) for i in range(sampling) for j in range(sampling)]
    )


def react(skeleton: Skeleton, specs: list[PoseSpec], posed: Posed, sampling: int = 3) -> Reactions:
    """Solve the supports of every pose with sampling×sampling points per patch."""
    return react_flat(skeleton, flatten(skeleton, specs, [_NO_STOPS] * len(specs)), posed, sampling)


def react_flat(skeleton: Skeleton, flat: Flat, posed: Posed, sampling: int = 3) -> Reactions:
    """The same for flat poses; a pose that could not be taken gets no forces."""
    contacts = len(flat.contact_point)
    out = Reactions(
        flat.contact_first,
        np.zeros((contacts, 3)),
        np.zeros((contacts, 3)),
        np.zeros((contacts, 3)),
        skeleton.landmarks.segment[flat.contact_point] if contacts else np.zeros(0, dtype=np.int64),
        np.zeros(flat.count),
    )
    _react_all(
        skeleton.tree,
        _limbs_of(tuple(skeleton.names)),
        flat,
        posed.placement.origin,
        posed.points,
        np.array([not f for f in posed.faults], dtype=bool),
        _gauss(sampling),
        _SOFT_REACH * skeleton.body.stature_m * skeleton.body.girth,
        out.at,
        out.force,
        out.moment,
        out.unbalanced,
    )
    return out


class Problem(NamedTuple):
    """One pose's supports at P points: how a unit settling moves each (P×3×6, in its surface basis), and how stiff it is."""

    where: Array
    basis: Array
    wrench: Array
    root: Array
    cone: Array
    external: Array


@kernel
def cross(a: Array, b: Array) -> tuple[float, float, float]:
    return a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]


@kernel
def load_force(flat: Flat, i: int, points: Array, out: Array) -> None:
    """Newtons in the world of load i: a given force, or a band by its stretch beyond slack (two thirds of its start)."""
    if flat.load_pull[i] != flat.load_pull[i]:
        out[:] = flat.load_force[i]
        return
    end = flat.load_force[i] if flat.load_to[i] == NOWHERE else points[flat.load_to[i]]
    way = end - points[flat.load_point[i]]
    length = np.sqrt((way**2).sum())
    slack = flat.load_start[i] * 2 / 3
    out[:] = 0.0
    if length > slack:
        out[:] = way * (flat.load_pull[i] * (length - slack) / (flat.load_start[i] - slack) / length)


@kernel
def _push(external: Array, where: Array, centre: Array, force: Array) -> None:
    x, y, z = cross(where - centre, force)
    for i in range(3):
        external[i] += force[i]
    external[3] += x / _LENGTH_M
    external[4] += y / _LENGTH_M
    external[5] += z / _LENGTH_M


@kernel
def _patch_axes(normal: Array, along: Array, across: Array) -> None:
    """Two directions in the surface: along the body's usual x or the vertical, and sideways."""
    along[:] = 0.0
    along[0 if abs(normal[0]) < 0.9 else 2] = 1.0
    along -= normal * (along * normal).sum()
    along /= np.sqrt((along**2).sum())
    across[0], across[1], across[2] = cross(normal, along)


@kernel
def _basis(normal: Array, out: Array) -> None:
    """Rows n, t1, t2."""
    helper = np.zeros(3)
    helper[0 if abs(normal[0]) < 0.9 else 1] = 1.0
    out[0] = normal
    out[1, 0], out[1, 1], out[1, 2] = cross(normal, helper)
    out[1] /= max(np.sqrt((out[1] ** 2).sum()), 1e-12)
    out[2, 0], out[2, 1], out[2, 2] = cross(normal, out[1])


@kernel
def _along_the_arm(normal: Array, friction: float, shoulder: Array, at: Array) -> Array:
    """From the hand to the shoulder, no flatter to the surface than friction holds."""
    along = shoulder - at
    up = max((along * normal).sum(), 1e-6)
    shear = along / up - normal
    slope = np.sqrt((shear**2).sum())
    direction = normal + shear * min(1.0, friction / max(slope, 1e-9))
    return direction / np.sqrt((direction**2).sum())


@kernel
def _resting_force(tree: Tree, limbs: Limbs, flat: Flat, b: int, c: int, origin: Array, points: Array) -> float:
    """What a limb at rest presses: its own weight about its root joint, no muscle at that joint; NaN under the joint."""
    at = points[flat.contact_point[c]]
    limb = limbs.limb[tree.segment[flat.contact_point[c]]]
    joint = origin[limbs.root[limb]]
    x, y = at[0] - joint[0], at[1] - joint[1]
    lever = np.sqrt(x * x + y * y)
    if lever < _REST_LEVER_M:
        return np.nan
    moment = 0.0
    for s in range(len(limbs.limb)):
        if limbs.limb[s] == limb:
            com = points[tree.com[s]]
            moment += tree.mass_kg[s] * ((com[0] - joint[0]) * x + (com[1] - joint[1]) * y) / lever
    sharing = 0
    for k in range(flat.contact_first[b], flat.contact_first[b + 1]):
        if flat.contact_strategy[k] == RESTS and limbs.limb[tree.segment[flat.contact_point[k]]] == limb:
            sharing += 1
    return max(0.0, moment * GRAVITY_M_S2 / lever) / sharing


@kernel
def _forces(p: Problem, twist: Array, force: Array, slope: Array) -> float:
    """Scaled forces P×3 and their derivative by the scaled trial force P×3×3; returns their energy."""
    energy = 0.0
    trial = np.empty(3)
    for n in range(len(p.root)):
        for i in range(3):
            move = 0.0
            for k in range(6):
                move += p.wrench[n, i, k] * twist[k]
            trial[i] = -p.root[n, i] * move
        slope[n] = 0.0
        a, cone = trial[0], p.cone[n]
        size = max(np.sqrt(trial[1] ** 2 + trial[2] ** 2), 1e-12)
        if size <= cone * a:
            force[n] = trial
            for i in range(3):
                slope[n, i, i] = 1.0
        elif cone * size <= -a:
            force[n] = 0.0
        else:
            share = 1 / (1 + cone * cone)
            reach = (a + cone * size) * share
            u, v = trial[1] / size, trial[2] / size
            force[n, 0], force[n, 1], force[n, 2] = reach, cone * reach * u, cone * reach * v
            slope[n, 0, 0] = share
            slope[n, 0, 1] = slope[n, 1, 0] = cone * share * u
            slope[n, 0, 2] = slope[n, 2, 0] = cone * share * v
            side, in_line = cone * reach / size, cone * cone * share
            slope[n, 1, 1] = in_line * u * u + side * (1 - u * u)
            slope[n, 2, 2] = in_line * v * v + side * (1 - v * v)
            slope[n, 1, 2] = slope[n, 2, 1] = (in_line - side) * u * v
        energy += 0.5 * (force[n, 0] ** 2 + force[n, 1] ** 2 + force[n, 2] ** 2)
    return energy


@kernel
def _left_over(p: Problem, force: Array, out: Array) -> float:
    """What outside loads and forces leave unbalanced (6); returns the largest of them."""
    out[:] = p.external
    for n in range(len(force)):
        for i in range(3):
            f = force[n, i] * p.root[n, i]
            if f != 0.0:
                for k in range(6):
                    out[k] += p.wrench[n, i, k] * f
    return np.abs(out).max()


@kernel
def _newton(p: Problem, slope: Array, gradient: Array, damping: float) -> Array:
    hessian = np.zeros((6, 6))
    for n in range(len(slope)):
        if slope[n, 0, 0] == 0.0:
            continue
        for i in range(3):
            for j in range(3):
                s = slope[n, i, j] * p.root[n, i] * p.root[n, j]
                if s == 0.0:
                    continue
                for k in range(6):
                    own = s * p.wrench[n, i, k]
                    for m in range(6):
                        hessian[k, m] += own * p.wrench[n, j, m]
    most = 0.0
    for k in range(6):
        most = max(most, hessian[k, k])
    for k in range(6):
        hessian[k, k] += max(damping * most, 1e-3)
    return np.linalg.solve(hessian, gradient)


@kernel
def _settle(p: Problem, weight_n: float, force: Array) -> float:
    """How the pose settles: fills the scaled forces, returns what is left unbalanced as a share of body weight."""
    count = len(p.root)
    twist, gradient = np.zeros(6), np.zeros(6)
    twist[2] = -0.01
    slope = np.zeros((count, 3, 3))
    new_force, new_slope = np.zeros((count, 3)), np.zeros((count, 3, 3))
    damping = 1e-2
    value = (twist * p.external).sum() - _forces(p, twist, force, slope)
    open_ = _left_over(p, force, gradient)
    for _ in range(_MAX_ITERATIONS):
        if open_ < _BALANCED * weight_n:
            break
        trial = twist + _newton(p, slope, gradient, damping)
        new_value = (trial * p.external).sum() - _forces(p, trial, new_force, new_slope)
        if new_value >= value - 1e-12 * abs(value):
            twist, value = trial, new_value
            force[:], slope[:] = new_force, new_slope
            open_ = _left_over(p, force, gradient)
            damping = max(1e-10, damping * 0.2)
        else:
            damping = min(1e10, damping * 10)
    return open_ / weight_n


@kernel
def _react_all(
    tree: Tree,
    limbs: Limbs,
    flat: Flat,
    origin: Array,
    points: Array,
    placed: Flags,
    grid: Array,
    soft_reach_m: float,
    at: Array,
    force: Array,
    moment: Array,
    unbalanced: Array,
) -> None:
    for b in range(len(points)):
        first, last = flat.contact_first[b], flat.contact_first[b + 1]
        for c in range(first, last):
            at[c] = points[b, flat.contact_point[c]]
        if placed[b]:
            unbalanced[b] = _react(
                tree, limbs, flat, b, origin[b], points[b], grid, soft_reach_m, force[first:last], moment[first:last]
            )


@kernel
def _react(
    tree: Tree,
    limbs: Limbs,
    flat: Flat,
    b: int,
    origin: Array,
    points: Array,
    grid: Array,
    soft_reach_m: float,
    force: Array,
    moment: Array,
) -> float:
    per, first, contacts = len(grid), flat.contact_first[b], len(force)
    weight_n = tree.mass_kg.sum() * GRAVITY_M_S2
    centre = np.zeros(3)
    for s in range(len(tree.com)):
        centre += tree.mass_kg[s] * points[tree.com[s]]
    centre /= tree.mass_kg.sum()
    external, pull = np.zeros(6), np.zeros(3)
    external[2] = -weight_n
    for i in range(flat.load_first[b], flat.load_first[b + 1]):
        load_force(flat, i, points, pull)
        _push(external, points[flat.load_point[i]], centre, pull)
    bearing = np.zeros(contacts, dtype=np.bool_)
    for c in range(contacts):
        k = first + c
        spot, normal = points[flat.contact_point[k]], flat.contact_normal[k]
        resting = np.nan
        if flat.contact_strategy[k] == RESTS:
            resting = _resting_force(tree, limbs, flat, b, k, origin, points)
        plane = flat.contact_plane[k]
        if plane == plane and (normal * spot).sum() - plane > soft_reach_m:
            continue
        if resting != resting:
            bearing[c] = True
            continue
        force[c] = resting * normal
        _push(external, spot, centre, force[c])
    carrying = np.flatnonzero(bearing)
    count = len(carrying) * per
    p = Problem(
        np.zeros((count, 3)),
        np.zeros((count, 3, 3)),
        np.zeros((count, 3, 6)),
        np.zeros((count, 3)),
        np.zeros(count),
        external,
    )
    for m in range(len(carrying)):
        _sample(tree, limbs, flat, first + carrying[m], origin, points, centre, grid, m * per, p)
    scaled = np.zeros((count, 3))
    left = _settle(p, weight_n, scaled)
    own = np.empty(3)
    for m in range(len(carrying)):
        c = carrying[m]
        spot = points[flat.contact_point[first + c]]
        for n in range(m * per, (m + 1) * per):
            for i in range(3):
                own[i] = 0.0
                for j in range(3):
                    own[i] += p.basis[n, j, i] * scaled[n, j] * p.root[n, j]
            force[c] += own
            x, y, z = cross(p.where[n] - spot, own)
            moment[c, 0] += x
            moment[c, 1] += y
            moment[c, 2] += z
    return left


@kernel
def _sample(
    tree: Tree,
    limbs: Limbs,
    flat: Flat,
    k: int,
    origin: Array,
    points: Array,
    centre: Array,
    grid: Array,
    start: int,
    p: Problem,
) -> None:
    """The points of contact k, from row `start` of the problem on."""
    spot, normal, friction = points[flat.contact_point[k]], flat.contact_normal[k], flat.contact_friction[k]
    along, across = np.zeros(3), np.zeros(3)
    _patch_axes(normal, along, across)
    toward = normal
    if flat.contact_strategy[k] == PUSHES:
        limb = limbs.limb[tree.segment[flat.contact_point[k]]]
        toward = _along_the_arm(normal, friction, origin[limbs.root[limb]], spot)
        friction = _LEFT_OVER_FRICTION
    basis = np.zeros((3, 3))
    _basis(toward, basis)
    for g in range(len(grid)):
        n = start + g
        for i in range(3):
            p.where[n, i] = (
                spot[i]
                + grid[g, 0] * flat.contact_half[k, 0] * along[i]
                + grid[g, 1] * flat.contact_half[k, 1] * across[i]
            )
        p.basis[n] = basis
        arm = (p.where[n] - centre) / _LENGTH_M
        for i in range(3):
            x, y, z = cross(arm, basis[i])
            p.wrench[n, i, 0], p.wrench[n, i, 1], p.wrench[n, i, 2] = basis[i, 0], basis[i, 1], basis[i, 2]
            p.wrench[n, i, 3], p.wrench[n, i, 4], p.wrench[n, i, 5] = x, y, z
        stiff = flat.contact_stiffness[k] * grid[g, 2]
        p.root[n, 0] = np.sqrt(stiff)
        p.root[n, 1] = p.root[n, 2] = np.sqrt(stiff * _SHEAR_TO_NORMAL)
        p.cone[n] = friction / np.sqrt(_SHEAR_TO_NORMAL)


__all__ = ["GRAVITY_M_S2", "Reactions", "cross", "load_force", "react", "react_flat"]
