"""Reactions of the supports, one pose at a time.

Contacts are patches on elastic foundations that cannot pull and slip beyond their friction cone.  The
reactions minimise elastic energy under force and moment balance.  The dual of that problem has six
unknowns per pose (how the body settles as one piece) and is maximised by a damped Newton method.
Patches are sampled at Gauss points, so that a finer sampling gives the same resultant.

What a contact does is said by its role.  One that *rests* carries its own part: the limb about its root joint, or or the
foot where the knee carries; the head about the neck.  One that *leans* carries what leans on it: as much as leaves
nothing for the back to hold.  Neither takes what the structure above must carry, so both are given before the rest settles.
"""

from dataclasses import dataclass
from functools import lru_cache
from typing import Any, NamedTuple

import numpy as np
from numpy.typing import NDArray

from amvel.body.compiled import kernel
from amvel.body.flat import BEARS, KNEES, LEANS, NOWHERE, PUSHES, RESTS, ContactTable, Flat, LoadTable, flatten
from amvel.body.pose import PoseSpec
from amvel.body.posing import Posed
from amvel.body.skeleton import JOINT_INDEX, Skeleton
from amvel.body.tree import Array, Flags, Rows, Tree

GRAVITY_M_S2 = 9.81
_LENGTH_M = 0.4  # scales rotation against translation
_STANDS = 1e-4  # of body weight left over
_MAX_ITERATIONS = 400
_BALANCED = 2e-6  # of body weight
_SOFT_REACH = 0.04  # of stature and girth: flesh between a landmark and what it lies on (our estimate)
_REST_LEVER_M = 0.06
_LEFT_OVER_FRICTION = 0.05  # what a limb that already pushes at a slant has left
_LIMBS = {
    **{
        f"{side}.{limb}": tuple(f"{side}.{p}" for p in parts)
        for side in ("left", "right")
        for limb, parts in (("leg", ("thigh", "shank", "foot", "toes")), ("arm", ("upper_arm", "forearm", "hand")))
    },
    "head": ("neck", "head"),
    # A leg whose knee carries: the shin hangs from it, and the toes carry the foot.
    "left.foot": ("left.foot", "left.toes"),
    "right.foot": ("right.foot", "right.toes"),
}
_NO_STOPS: dict[str, tuple[float, float]] = {}


@dataclass
class Reactions:
    """What every contact of B poses carries: contacts of pose b are rows `first[b]` to `first[b + 1]`.

    `force` (C×3, N) acts at the landmark `at` (C×3, m), with the moment `moment` about it (C×3, N·m), on `segment`.
    `outside` (C) tells what presses on a surface from what rests on the body itself.  `unbalanced` (B) is what is left
    over, as a share of body weight.
    """

    first: Rows
    at: Array
    force: Array
    moment: Array
    segment: Rows
    outside: Flags
    unbalanced: Array

    def stands(self) -> Flags:
        """Whether admissible reactions balance the pose."""
        return self.unbalanced < _STANDS

    def carried_n(self, b: int) -> Array:
        """What all surfaces together carry of pose b (N, world frame)."""
        total: Array = self.force[self.of(b)][self.outside[self.of(b)]].sum(axis=0)
        return total

    def of(self, b: int) -> slice:
        """The contacts of pose b."""
        return slice(int(self.first[b]), int(self.first[b + 1]))


class Limbs(NamedTuple):
    """Limbs that may rest: which limb each segment belongs to (-1: none), which foot, what a limb consists of (7×S), its
    first segment (7); `knee` are the parts by whose contacts a knee carries (2), `trunk` is the segment above L4/5 and
    `upper` what it carries (S)."""

    limb: Rows
    foot: Rows
    parts: Flags
    root: Rows
    knee: Rows
    trunk: int
    upper: Flags


@lru_cache(maxsize=4)
def _limbs_of(names: tuple[str, ...], moves: bytes) -> Limbs:
    parts = np.array([[n in own for n in names] for own in _LIMBS.values()])
    limb, foot = np.full(len(names), NOWHERE), np.full(len(names), NOWHERE)
    for k in range(5):
        limb[parts[k]] = k
    for k in (5, 6):
        foot[parts[k]] = k
    upper = np.frombuffer(moves, dtype=bool).reshape(len(names), -1)[:, JOINT_INDEX["lumbar.flexion"]].copy()
    root = np.array([names.index(own[0]) for own in _LIMBS.values()])
    return Limbs(limb, foot, parts, root, np.array(KNEES), names.index("lumbar"), upper)


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
    contacts = len(flat.contacts.point)
    out = Reactions(
        flat.contacts.first,
        np.zeros((contacts, 3)),
        np.zeros((contacts, 3)),
        np.zeros((contacts, 3)),
        skeleton.landmarks.segment[flat.contacts.point] if contacts else np.zeros(0, dtype=np.int64),
        flat.contacts.on == NOWHERE,
        np.zeros(flat.poses),
    )
    _react_all(
        skeleton.tree,
        _limbs_of(tuple(skeleton.names), skeleton.moves.tobytes()),
        flat.contacts,
        flat.loads,
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
def load_force(loads: LoadTable, i: int, points: Array, out: Array) -> None:
    """Newtons in the world of load i: a given force, or a band by its stretch beyond slack (two thirds of its start)."""
    if loads.pull[i] != loads.pull[i]:
        out[:] = loads.force[i]
        return
    end = loads.force[i] if loads.to[i] == NOWHERE else points[loads.to[i]]
    way = end - points[loads.point[i]]
    length = np.sqrt((way**2).sum())
    slack = loads.start[i] * 2 / 3
    out[:] = 0.0
    if length > slack:
        out[:] = way * (loads.pull[i] * (length - slack) / (loads.start[i] - slack) / length)


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
def _limb_at(tree: Tree, limbs: Limbs, contacts: ContactTable, b: int, k: int) -> int:
    """The limb that rests at contact k: of a leg whose knee carries, the foot."""
    s = tree.segment[contacts.point[k]]
    if limbs.foot[s] >= 0 and contacts.part[k] != limbs.knee[limbs.foot[s] - 5]:
        for c in range(contacts.first[b], contacts.first[b + 1]):
            if contacts.part[c] == limbs.knee[limbs.foot[s] - 5] and contacts.strategy[c] == BEARS:
                return limbs.foot[s]
    return limbs.limb[s]


@kernel
def _resting_force(tree: Tree, limbs: Limbs, contacts: ContactTable, b: int, k: int, origin: Array, points: Array) -> float:
    """What a limb at rest presses: its own weight about its root joint, no muscle at that joint; NaN under the joint."""
    at = points[contacts.point[k]]
    limb = _limb_at(tree, limbs, contacts, b, k)
    joint = origin[limbs.root[limb]]
    x, y = at[0] - joint[0], at[1] - joint[1]
    lever = np.sqrt(x * x + y * y)
    mass, moment = 0.0, 0.0
    for s in range(len(limbs.limb)):
        if limbs.parts[limb, s]:
            com = points[tree.com[s]]
            mass += tree.mass_kg[s]
            moment += tree.mass_kg[s] * ((com[0] - joint[0]) * x + (com[1] - joint[1]) * y) / max(lever, 1e-9)
    if lever < _REST_LEVER_M:
        if limb != limbs.limb[tree.segment[contacts.point[k]]]:
            return mass * GRAVITY_M_S2  # a foot under its ankle stands on its toes, and nothing else does
        return np.nan
    sharing = 0
    for c in range(contacts.first[b], contacts.first[b + 1]):
        if contacts.strategy[c] == RESTS and _limb_at(tree, limbs, contacts, b, c) == limb:
            sharing += 1
    return max(0.0, moment * GRAVITY_M_S2 / lever) / sharing


@kernel
def _leaning_force(
    tree: Tree, limbs: Limbs, contacts: ContactTable, loads: LoadTable, b: int, k: int, origin: Array, points: Array
) -> float:
    """What each leaning contact presses, so that together they hold all above L4/5 and the back holds nothing."""
    joint, normal = origin[limbs.trunk], contacts.normal[k]
    arm, sharing = np.zeros(3), 0
    for c in range(contacts.first[b], contacts.first[b + 1]):
        if contacts.strategy[c] == LEANS:
            arm += points[contacts.point[c]] - joint
            sharing += 1
    arm /= sharing
    x, y, z = cross(normal, arm)
    size = np.sqrt(x * x + y * y + z * z)
    if size < _REST_LEVER_M:
        return 0.0
    moment = 0.0
    for s in range(len(limbs.upper)):
        if limbs.upper[s]:
            com = points[tree.com[s]] - joint
            moment -= tree.mass_kg[s] * GRAVITY_M_S2 * (com[1] * x - com[0] * y) / size
    for i in range(loads.first[b], loads.first[b + 1]):
        if limbs.upper[tree.segment[loads.point[i]]]:
            pull = np.zeros(3)
            load_force(loads, i, points, pull)
            u, v, w = cross(points[loads.point[i]] - joint, pull)
            moment += (u * x + v * y + w * z) / size
    for c in range(contacts.first[b], contacts.first[b + 1]):
        if contacts.strategy[c] == RESTS and limbs.upper[tree.segment[contacts.point[c]]]:
            rest = _resting_force(tree, limbs, contacts, b, c, origin, points)
            if rest == rest:
                u, v, w = cross(points[contacts.point[c]] - joint, rest * contacts.normal[c])
                moment += (u * x + v * y + w * z) / size
    # The unit push has the moment arm × normal, which is −size about the axis normal × arm.
    return max(0.0, moment / size) / sharing


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
    step: NDArray[Any] = np.linalg.solve(hessian, gradient)
    return step


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
    contacts: ContactTable,
    loads: LoadTable,
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
        first, last = contacts.first[b], contacts.first[b + 1]
        for c in range(first, last):
            at[c] = points[b, contacts.point[c]]
        if not placed[b]:
            continue
        f, m, o, p = force[first:last], moment[first:last], origin[b], points[b]
        unbalanced[b] = _react(tree, limbs, contacts, loads, b, o, p, grid, soft_reach_m, True, f, m)
        if unbalanced[b] >= _STANDS and (contacts.strategy[first:last] == LEANS).any():
            # Supports that cannot balance a back at rest: the back works, and the arms carry what balance asks.
            f[:], m[:] = 0.0, 0.0
            unbalanced[b] = _react(tree, limbs, contacts, loads, b, o, p, grid, soft_reach_m, False, f, m)


@kernel
def _react(
    tree: Tree,
    limbs: Limbs,
    contacts: ContactTable,
    loads: LoadTable,
    b: int,
    origin: Array,
    points: Array,
    grid: Array,
    soft_reach_m: float,
    back_rests: bool,
    force: Array,
    moment: Array,
) -> float:
    """Fills force and moment of pose b's contacts; returns what is left unbalanced as a share of body weight."""
    per, first, own = len(grid), contacts.first[b], len(force)
    weight_n = tree.mass_kg.sum() * GRAVITY_M_S2
    centre = np.zeros(3)
    for s in range(len(tree.com)):
        centre += tree.mass_kg[s] * points[tree.com[s]]
    centre /= tree.mass_kg.sum()
    external, pull = np.zeros(6), np.zeros(3)
    external[2] = -weight_n
    for i in range(loads.first[b], loads.first[b + 1]):
        load_force(loads, i, points, pull)
        _push(external, points[loads.point[i]], centre, pull)
    bearing = np.zeros(own, dtype=np.bool_)
    for c in range(own):
        k = first + c
        spot, normal = points[contacts.point[k]], contacts.normal[k]
        resting = np.nan
        if contacts.strategy[k] == RESTS:
            resting = _resting_force(tree, limbs, contacts, b, k, origin, points)
        elif contacts.strategy[k] == LEANS and back_rests:
            resting = _leaning_force(tree, limbs, contacts, loads, b, k, origin, points)
        plane = contacts.plane[k]
        if plane == plane and (normal * spot).sum() - plane > soft_reach_m:
            continue
        if resting != resting and contacts.on[k] != NOWHERE:
            continue  # straight over its joint a limb carries itself, and nothing else of the body has to
        if resting != resting:
            bearing[c] = True
            continue
        force[c] = resting * normal
        if contacts.on[k] == NOWHERE:  # what rests on the body itself pushes it down as much as up
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
        _sample(tree, limbs, contacts, first + carrying[m], origin, points, centre, grid, m * per, p)
    scaled = np.zeros((count, 3))
    left = _settle(p, weight_n, scaled)
    push = np.empty(3)
    for m in range(len(carrying)):
        c = carrying[m]
        spot = points[contacts.point[first + c]]
        for n in range(m * per, (m + 1) * per):
            for i in range(3):
                push[i] = 0.0
                for j in range(3):
                    push[i] += p.basis[n, j, i] * scaled[n, j] * p.root[n, j]
            force[c] += push
            x, y, z = cross(p.where[n] - spot, push)
            moment[c, 0] += x
            moment[c, 1] += y
            moment[c, 2] += z
    return left


@kernel
def _sample(
    tree: Tree,
    limbs: Limbs,
    contacts: ContactTable,
    k: int,
    origin: Array,
    points: Array,
    centre: Array,
    grid: Array,
    start: int,
    p: Problem,
) -> None:
    """The points of contact k, from row `start` of the problem on."""
    spot, normal, friction = points[contacts.point[k]], contacts.normal[k], contacts.friction[k]
    along, across = np.zeros(3), np.zeros(3)
    _patch_axes(normal, along, across)
    toward = normal
    if contacts.strategy[k] == PUSHES:
        limb = limbs.limb[tree.segment[contacts.point[k]]]
        toward = _along_the_arm(normal, friction, origin[limbs.root[limb]], spot)
        friction = _LEFT_OVER_FRICTION
    basis = np.zeros((3, 3))
    _basis(toward, basis)
    for g in range(len(grid)):
        n = start + g
        for i in range(3):
            p.where[n, i] = (
                spot[i]
                + grid[g, 0] * contacts.half[k, 0] * along[i]
                + grid[g, 1] * contacts.half[k, 1] * across[i]
            )
        p.basis[n] = basis
        arm = (p.where[n] - centre) / _LENGTH_M
        for i in range(3):
            x, y, z = cross(arm, basis[i])
            p.wrench[n, i, 0], p.wrench[n, i, 1], p.wrench[n, i, 2] = basis[i, 0], basis[i, 1], basis[i, 2]
            p.wrench[n, i, 3], p.wrench[n, i, 4], p.wrench[n, i, 5] = x, y, z
        stiff = contacts.stiffness[k] * grid[g, 2]
        p.root[n, 0] = np.sqrt(stiff)
        p.root[n, 1] = p.root[n, 2] = np.sqrt(stiff * contacts.shear[k])
        p.cone[n] = friction / np.sqrt(contacts.shear[k])


__all__ = ["GRAVITY_M_S2", "Reactions", "cross", "load_force", "react", "react_flat"]
