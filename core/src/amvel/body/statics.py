"""Reactions of the supports, one pose at a time.

Contacts are patches on elastic foundations that cannot pull and slip beyond their friction cone.  The
reactions minimise elastic energy under force and moment balance.  The dual of that problem has six
unknowns per pose (how the body settles as one piece) and is maximised by a damped Newton method.
Patches are sampled at Gauss points, so that a finer sampling gives the same resultant.

What a contact does is said by its role.  One that *rests* carries its own part: the limb about its root joint, or the
foot where the knee carries; the head about the neck.  One that *leans* carries what leans on it: as much as leaves
nothing for the back to hold, where that balances.  Neither takes what the structure above must carry, so both are given before the rest settles.
"""

from dataclasses import dataclass
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body.compiled import inner_kernel, kernel
from amvel.body.flat import LEANS, NOWHERE, PARTS, PUSHES, RESTS, ContactTable, Flat, LoadTable, flatten
from amvel.body.pose import PoseSpec
from amvel.body.posing import Posed
from amvel.body.pushes import GRAVITY_M_S2, Borne, cross, dot, load_force, norm
from amvel.body.resting import Limbs, leaning_force, limbs_of, resting_force
from amvel.body.settling import LENGTH_M, Problem, SettlingRoom, problem_in, settle, settling_room
from amvel.body.skeleton import Skeleton
from amvel.body.tree import Array, Flags, Rows, Tree, most_of

_STANDS = 1e-4  # of body weight left over
_TOUCHES_N = 1.0
_SOFT_REACH = 0.04  # of stature and girth: flesh between a landmark and what it lies on (our estimate)
_LEFT_OVER_FRICTION = 0.05  # what a limb that already pushes at a slant has left
_NO_STOPS: dict[str, tuple[float, float]] = {}


@dataclass
class Reactions:
    """What every contact of B poses carries: contacts of pose b are rows `first[b]` to `first[b + 1]`.

    `force` (C×3, N) acts at the landmark `at` (C×3, m), with the moment `moment` about it (C×3, N·m), on `segment`.
    `outside` (C) tells what presses on a surface from what rests on the body itself.  `unbalanced` (B) is what is left
    over, as a share of body weight; `back_rests` (B) whether the back holds nothing, for what it leans on holds it.
    """

    first: Rows
    at: Array
    force: Array
    moment: Array
    segment: Rows
    outside: Flags
    unbalanced: Array
    back_rests: Flags

    @classmethod
    def of_nothing(cls) -> "Reactions":
        """Of no pose at all."""
        none, three = np.zeros(0), np.zeros((0, 3))
        return cls(np.zeros(1, dtype=np.int64), three, three, three, none.astype(np.int64), none > 0, none, none > 0)

    def stands(self) -> Flags:
        """Whether admissible reactions balance the pose."""
        return self.unbalanced < _STANDS

    def carried_n(self, b: int) -> Array:
        """What all surfaces together carry of pose b (N, world frame)."""
        total: Array = self.force[self.of(b)][self.outside[self.of(b)]].sum(axis=0)
        return total

    @property
    def borne(self) -> Borne:
        return Borne(self.at, self.force, self.moment, self.segment)

    def of(self, b: int) -> slice:
        """The contacts of pose b."""
        return slice(int(self.first[b]), int(self.first[b + 1]))


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
        np.zeros(flat.poses, dtype=bool),
    )
    _react_all(
        skeleton.tree,
        limbs_of(tuple(skeleton.names), skeleton.moves.tobytes()),
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
        out.back_rests,
        _room(most_of(flat.contacts.first), sampling * sampling),
    )
    return out


class _Room(NamedTuple):
    """What the supports of one pose are found in, made once for many: directions (3), a basis (3×3), and what settles."""

    centre: Array
    pull: Array
    along: Array
    across: Array
    toward: Array
    basis: Array
    bearing: Rows
    settling: SettlingRoom


@lru_cache(maxsize=64)
def _room(contacts: int, per: int) -> _Room:
    """Room for a pose of so many contacts with so many points each; shared, see `compiled`."""
    centre, pull, along, across, toward = np.zeros((5, 3))
    bearing = np.zeros(contacts, dtype=np.int64)
    return _Room(centre, pull, along, across, toward, np.zeros((3, 3)), bearing, settling_room(contacts * per))


def carried_by_part(flat: Flat, reactions: Reactions) -> Array:
    """What every part of the body carries in every pose (P×B, N), in the order of `flat.PARTS`."""
    out, force = np.zeros((len(PARTS), flat.poses)), np.zeros((len(PARTS), 3))
    _by_part(flat.contacts, reactions.force, force, out)
    return out


@kernel
def _by_part(contacts: ContactTable, force: Array, total: Array, out: Array) -> None:
    """`total` (P×3) is room: what the contacts of one part carry together."""
    for b in range(out.shape[1]):
        total[:] = 0.0
        for c in range(contacts.first[b], contacts.first[b + 1]):
            if contacts.part[c] >= 0:
                for i in range(3):
                    total[contacts.part[c], i] += force[c, i]
        for k in range(len(total)):
            out[k, b] = norm(total[k])


@inner_kernel
def _push(external: Array, where: Array, centre: Array, force: Array) -> None:
    u, v, w = where[0] - centre[0], where[1] - centre[1], where[2] - centre[2]
    for i in range(3):
        external[i] += force[i]
    external[3] += (v * force[2] - w * force[1]) / LENGTH_M
    external[4] += (w * force[0] - u * force[2]) / LENGTH_M
    external[5] += (u * force[1] - v * force[0]) / LENGTH_M


@inner_kernel
def _patch_axes(normal: Array, along: Array, across: Array) -> None:
    """Two directions in the surface: along the body's usual x or the vertical, and sideways."""
    along[:] = 0.0
    along[0 if abs(normal[0]) < 0.9 else 2] = 1.0
    share = dot(along, normal)
    for i in range(3):
        along[i] -= normal[i] * share
    size = norm(along)
    for i in range(3):
        along[i] /= size
    across[0], across[1], across[2] = cross(normal, along)


@inner_kernel
def _basis(normal: Array, helper: Array, out: Array) -> None:
    """Rows n, t1, t2; `helper` (3) is room."""
    helper[:] = 0.0
    helper[0 if abs(normal[0]) < 0.9 else 1] = 1.0
    for i in range(3):
        out[0, i] = normal[i]
    out[1, 0], out[1, 1], out[1, 2] = cross(normal, helper)
    size = max(norm(out[1]), 1e-12)
    for i in range(3):
        out[1, i] /= size
    out[2, 0], out[2, 1], out[2, 2] = cross(normal, out[1])


@inner_kernel
def _along_the_arm(normal: Array, friction: float, shoulder: Array, at: Array, out: Array) -> None:
    """From the hand to the shoulder, no flatter to the surface than friction holds."""
    for i in range(3):
        out[i] = shoulder[i] - at[i]
    up = max(dot(out, normal), 1e-6)
    for i in range(3):
        out[i] = out[i] / up - normal[i]
    share = min(1.0, friction / max(norm(out), 1e-9))
    for i in range(3):
        out[i] = normal[i] + out[i] * share
    size = norm(out)
    for i in range(3):
        out[i] /= size


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
    back_rests: Flags,
    room: _Room,
) -> None:
    for b in range(len(points)):
        first, last = contacts.first[b], contacts.first[b + 1]
        for c in range(first, last):
            for i in range(3):
                at[c, i] = points[b, contacts.point[c], i]
        if not placed[b]:
            continue
        f, m, o, p = force[first:last], moment[first:last], origin[b], points[b]
        leans = False
        for c in range(first, last):
            leans = leans or contacts.strategy[c] == LEANS
        unbalanced[b] = _react(tree, limbs, contacts, loads, b, o, p, grid, soft_reach_m, leans, f, m, room)
        if unbalanced[b] < _STANDS:
            back_rests[b] = _leaned_n(contacts, b, f) > _TOUCHES_N
        elif leans:
            # Supports that cannot balance a back at rest: the back works, and the arms carry what balance asks.
            f[:], m[:] = 0.0, 0.0
            unbalanced[b] = _react(tree, limbs, contacts, loads, b, o, p, grid, soft_reach_m, False, f, m, room)


@inner_kernel
def _leaned_n(contacts: ContactTable, b: int, force: Array) -> float:
    """What leaning contacts of pose b carry together (N)."""
    total = 0.0
    for c in range(len(force)):
        if contacts.strategy[contacts.first[b] + c] == LEANS:
            total += norm(force[c])
    return total


@inner_kernel
def _outside(tree: Tree, loads: LoadTable, b: int, points: Array, weight_n: float, external: Array, room: _Room) -> None:
    """Weight and loads on pose b about its centre of mass, which is in the room then."""
    centre = room.centre
    centre[:] = 0.0
    total = weight_n / GRAVITY_M_S2
    for s in range(len(tree.com)):
        for i in range(3):
            centre[i] += tree.mass_kg[s] * points[tree.com[s], i]
    for i in range(3):
        centre[i] /= total
    external[:] = 0.0
    external[2] = -weight_n
    for i in range(loads.first[b], loads.first[b + 1]):
        load_force(loads, i, points, room.pull)
        _push(external, points[loads.point[i]], centre, room.pull)


@inner_kernel
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
    room: _Room,
) -> float:
    """Fills force and moment of pose b's contacts; returns what is left unbalanced as a share of body weight."""
    per, first, own = len(grid), contacts.first[b], len(force)
    weight_n = 0.0
    for s in range(len(tree.mass_kg)):
        weight_n += tree.mass_kg[s]
    weight_n *= GRAVITY_M_S2
    external = room.settling.problem.external
    _outside(tree, loads, b, points, weight_n, external, room)
    carrying = 0
    for c in range(own):
        k = first + c
        spot, normal = points[contacts.point[k]], contacts.normal[k]
        resting = np.nan
        if contacts.strategy[k] == RESTS:
            resting = resting_force(tree, limbs, contacts, b, k, origin, points)
        elif contacts.strategy[k] == LEANS and back_rests:
            resting = leaning_force(tree, limbs, contacts, loads, b, k, origin, points, room.pull)
        plane = contacts.plane[k]
        if plane == plane and dot(normal, spot) - plane > soft_reach_m:
            continue
        if resting != resting and contacts.on[k] != NOWHERE:
            continue  # straight over its joint a limb carries itself, and nothing else of the body has to
        if resting != resting:
            room.bearing[carrying] = c
            carrying += 1
            continue
        for i in range(3):
            force[c, i] = resting * normal[i]
        if contacts.on[k] == NOWHERE:  # what rests on the body itself pushes it down as much as up
            _push(external, spot, room.centre, force[c])
    p = problem_in(room.settling, carrying * per)
    for m in range(carrying):
        _sample(tree, limbs, contacts, first + room.bearing[m], origin, points, grid, m * per, p, room)
    left = settle(p, weight_n, room.settling)
    for m in range(carrying):
        c = room.bearing[m]
        _carried(p, room.settling.force, m * per, per, points[contacts.point[first + c]], force[c], moment[c])
    return left


@inner_kernel
def _carried(p: Problem, scaled: Array, start: int, per: int, spot: Array, force: Array, moment: Array) -> None:
    """What the points of one contact carry together, as a force at its landmark and a moment about it."""
    for n in range(start, start + per):
        x, y, z = 0.0, 0.0, 0.0
        for j in range(3):
            push = scaled[n, j] * p.root[n, j]
            x += p.basis[n, j, 0] * push
            y += p.basis[n, j, 1] * push
            z += p.basis[n, j, 2] * push
        u, v, w = p.where[n, 0] - spot[0], p.where[n, 1] - spot[1], p.where[n, 2] - spot[2]
        force[0] += x
        force[1] += y
        force[2] += z
        moment[0] += v * z - w * y
        moment[1] += w * x - u * z
        moment[2] += u * y - v * x


@inner_kernel
def _sample(
    tree: Tree,
    limbs: Limbs,
    contacts: ContactTable,
    k: int,
    origin: Array,
    points: Array,
    grid: Array,
    start: int,
    p: Problem,
    room: _Room,
) -> None:
    """The points of contact k, from row `start` of the problem on."""
    spot, normal, friction = points[contacts.point[k]], contacts.normal[k], contacts.friction[k]
    centre, basis, along, across = room.centre, room.basis, room.along, room.across
    if contacts.strategy[k] == PUSHES:
        limb = limbs.limb[tree.segment[contacts.point[k]]]
        _along_the_arm(normal, friction, origin[limbs.root[limb]], spot, room.toward)
        _basis(room.toward, along, basis)
        friction = _LEFT_OVER_FRICTION
    else:
        _basis(normal, along, basis)
    _patch_axes(normal, along, across)
    for g in range(len(grid)):
        n = start + g
        for i in range(3):
            p.where[n, i] = (
                spot[i]
                + grid[g, 0] * contacts.half[k, 0] * along[i]
                + grid[g, 1] * contacts.half[k, 1] * across[i]
            )
        u, v, w = (
            (p.where[n, 0] - centre[0]) / LENGTH_M,
            (p.where[n, 1] - centre[1]) / LENGTH_M,
            (p.where[n, 2] - centre[2]) / LENGTH_M,
        )
        for i in range(3):
            x, y, z = basis[i, 0], basis[i, 1], basis[i, 2]
            p.basis[n, i, 0], p.basis[n, i, 1], p.basis[n, i, 2] = x, y, z
            p.wrench[n, i, 0], p.wrench[n, i, 1], p.wrench[n, i, 2] = x, y, z
            p.wrench[n, i, 3], p.wrench[n, i, 4], p.wrench[n, i, 5] = v * z - w * y, w * x - u * z, u * y - v * x
        stiff = contacts.stiffness[k] * grid[g, 2]
        p.root[n, 0] = np.sqrt(stiff)
        p.root[n, 1] = p.root[n, 2] = np.sqrt(stiff * contacts.shear[k])
        p.cone[n] = friction / np.sqrt(contacts.shear[k])


__all__ = ["Reactions", "react", "react_flat"]
