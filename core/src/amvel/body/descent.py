"""How a pose comes to meet its contacts: damped Gauss–Newton with analytic Jacobians, one pose at a time.

Unknowns of a pose are the placement of the pelvis and the joints that it leaves free.  A free joint stops at the end of
the client's range, and the others make up for it.
"""

from typing import NamedTuple

import numpy as np

from amvel.body.cholesky import solve_in_place
from amvel.body.compiled import kernel
from amvel.body.flat import CENTRE, NOWHERE, Flat
from amvel.body.skeleton import JOINT_INDEX
from amvel.body.tree import Array, Flags, Rows, Tree, place, turn_of

_ROOT_DOF = 6
_ROW_SCALE = 1000.0  # one millimetre of gap weighs one
_ROOT_WEIGHT = 3.0  # nothing else holds where a body faces: it must not drift while contacts are met
_MAX_ITERATIONS = 70
_STOP = 1e-5
_LOOSE = 4.0  # keeps joints that give easily from drifting where nothing holds them
_RELEASES = 4
_COMMON_DAMPING = 0.05
_AT_STOP = 1e-9
_LEAST_DAMPING, _MOST_DAMPING, _STUCK = 1e-9, 1e9, 1e8
_LONGEST_STEP = 0.6
_HIPS = np.array([JOINT_INDEX[f"{s}.hip.flexion"] for s in ("left", "right")])
_KNEES = np.array([JOINT_INDEX[f"{s}.knee.flexion"] for s in ("left", "right")])


class Wish(NamedTuple):
    """What one pose is to meet: rows (R), and how far each of its K free joints may go."""

    a: Rows
    b: Rows
    normal: Array
    offset: Array
    weight: Array
    free: Rows
    target: Array
    spring: Array
    low: Array
    high: Array
    hamstring: Array


class Body(NamedTuple):
    """A placed body, where each row's points are (R×3), and where its weight is: each segment's (S×3) and the whole body's,
    with the arm of what each joint moves about that joint (J×3).

    `least` and `most` (J+2) are how far each joint was sent on the way here, stops or no stops, and the two hips against
    their knees: whoever has other stops that lie beyond them would have gone the same way.
    """

    position: Array
    rotation: Array
    angles: Array
    origin: Array
    turned: Array
    axis: Array
    centre: Array
    at_a: Array
    at_b: Array
    weight_at: Array
    com_at: Array
    com_arm: Array
    least: Array
    most: Array


@kernel
def wish_of(flat: Flat, b: int, extra: int) -> Wish:
    """The rows and free joints of pose b, with room for some rows more (they weigh nothing)."""
    first, last = flat.rows.first[b], flat.rows.first[b + 1]
    count = last - first
    a, o = np.full(count + extra, NOWHERE), np.full(count + extra, NOWHERE)
    normal, offset, weight = np.zeros((count + extra, 3)), np.zeros(count + extra), np.zeros(count + extra)
    for r in range(count):
        a[r], o[r] = flat.rows.a[first + r], flat.rows.b[first + r]
        normal[r] = flat.rows.normal[first + r]
        offset[r] = flat.rows.offset[first + r]
        weight[r] = flat.rows.weight[first + r] * _ROW_SCALE
    free, target, spring, low, high = joints_of(flat.angles[b], flat.give[b], flat.floor[b], flat.low[b], flat.high[b])
    return Wish(a, o, normal, offset, weight, free, target, spring, low, high, flat.hamstring[b])


@kernel
def joints_of(
    angles: Array, give: Array, floor: Array, low: Array, high: Array
) -> tuple[Rows, Array, Array, Array, Array]:
    """The joints that give: their rows, declared angles, springs and stops."""
    free = np.flatnonzero(give > 0)
    target, spring = angles[free], np.empty(len(free))
    least, most = low[free], high[free]
    for k in range(len(free)):
        own = give[free[k]]
        spring[k] = own * _LOOSE if own <= 1.0 else own
        up = floor[free[k]]
        if up == up:
            least[k] = min(max(least[k], up), most[k])
    return free, target, spring, least, most


@kernel
def refresh(tree: Tree, wish: Wish, body: Body) -> None:
    """Place the body where its angles say."""
    place(tree, body.position, body.rotation, body.angles, body.origin, body.turned, body.axis, body.centre)
    weighed = False
    for r in range(len(wish.a)):
        weighed = weighed or wish.a[r] == CENTRE or wish.b[r] == CENTRE
    if weighed:
        _weigh(tree, body)
    _mark(tree, body, wish.a, body.at_a)
    _mark(tree, body, wish.b, body.at_b)


@kernel
def _weigh(tree: Tree, body: Body) -> None:
    """Where the weight of each segment and of the whole body is.

    Written element by element, as `_mark`: a view of an array costs more than the arithmetic on its three numbers.
    """
    total = 0.0
    for i in range(3):
        body.weight_at[i] = 0.0
    for s in range(len(tree.com)):
        mark = tree.com[s]
        own = tree.segment[mark]
        total += tree.mass_kg[s]
        for i in range(3):
            at = body.origin[own, i]
            for k in range(3):
                at += body.turned[own, i, k] * tree.local_m[mark, k]
            body.com_at[s, i] = at
            body.weight_at[i] += tree.mass_kg[s] * at
    for i in range(3):
        body.weight_at[i] /= total


@kernel
def _mark(tree: Tree, body: Body, marks: Rows, out: Array) -> None:
    """Where the marks of all rows are (R×3)."""
    for r in range(len(marks)):
        mark = marks[r]
        if mark == CENTRE:
            for i in range(3):
                out[r, i] = body.weight_at[i]
        elif mark == NOWHERE:
            for i in range(3):
                out[r, i] = 0.0
        else:
            s = tree.segment[mark]
            for i in range(3):
                at = body.origin[s, i]
                for k in range(3):
                    at += body.turned[s, i, k] * tree.local_m[mark, k]
                out[r, i] = at


@kernel
def _residual(wish: Wish, body: Body, out: Array) -> None:
    for r in range(len(wish.a)):
        gap = -wish.offset[r]
        for i in range(3):
            gap += wish.normal[r, i] * (body.at_a[r, i] - body.at_b[r, i])
        out[r] = gap * wish.weight[r]


@kernel
def _tilt(rotation: Array, start: Array, out: Array) -> None:
    """Half of the antisymmetric part of the turn from the start: small turns as a vector."""
    out[:] = 0.0
    for k in range(3):
        out[0] += 0.5 * (rotation[2, k] * start[1, k] - rotation[1, k] * start[2, k])
        out[1] += 0.5 * (rotation[0, k] * start[2, k] - rotation[2, k] * start[0, k])
        out[2] += 0.5 * (rotation[1, k] * start[0, k] - rotation[0, k] * start[1, k])


@kernel
def _cost(wish: Wish, body: Body, residual: Array, position0: Array, rotation0: Array, tilt: Array) -> float:
    cost = 0.0
    for r in range(len(residual)):
        cost += residual[r] ** 2
    for k in range(len(wish.free)):
        cost += ((body.angles[wish.free[k]] - wish.target[k]) * wish.spring[k]) ** 2
    _tilt(body.rotation, rotation0, tilt)
    for i in range(3):
        cost += _ROOT_WEIGHT**2 * ((body.position[i] - position0[i]) ** 2 + tilt[i] ** 2)
    return cost


@kernel
def _jacobian(tree: Tree, wish: Wish, body: Body, out: Array) -> None:
    """Rows by degrees of freedom, R×(6+K): a turn about a through c moves p by a × (p − c)."""
    out[:] = 0.0
    for r in range(len(wish.a)):
        if wish.a[r] == CENTRE or wish.b[r] == CENTRE:
            _com_arms(tree, wish, body)
            break
    for r in range(len(wish.a)):
        if wish.a[r] != NOWHERE:
            _swept(tree, wish, body, r, wish.a[r], body.at_a[r], wish.weight[r], out[r])
        if wish.b[r] != NOWHERE:
            _swept(tree, wish, body, r, wish.b[r], body.at_b[r], -wish.weight[r], out[r])


@kernel
def _swept(tree: Tree, wish: Wish, body: Body, r: int, mark: int, at: Array, weight: float, out: Array) -> None:
    x, y, z = wish.normal[r, 0], wish.normal[r, 1], wish.normal[r, 2]
    out[0] += weight * x
    out[1] += weight * y
    out[2] += weight * z
    u, v, w = at[0] - body.position[0], at[1] - body.position[1], at[2] - body.position[2]
    out[3] += weight * (v * z - w * y)
    out[4] += weight * (w * x - u * z)
    out[5] += weight * (u * y - v * x)
    for k in range(len(wish.free)):
        j = wish.free[k]
        if mark == CENTRE:
            u, v, w = body.com_arm[j, 0], body.com_arm[j, 1], body.com_arm[j, 2]
        elif tree.moves[tree.segment[mark], j]:
            u, v, w = at[0] - body.centre[j, 0], at[1] - body.centre[j, 1], at[2] - body.centre[j, 2]
        else:
            continue
        out[_ROOT_DOF + k] += weight * (
            body.axis[j, 0] * (v * z - w * y) + body.axis[j, 1] * (w * x - u * z) + body.axis[j, 2] * (u * y - v * x)
        )


@kernel
def _com_arms(tree: Tree, wish: Wish, body: Body) -> None:
    """The arm of the centre of mass about each free joint: that of what the joint moves, times its share of the mass."""
    total = tree.mass_kg.sum()
    for j in wish.free:
        mass, u, v, w = 0.0, 0.0, 0.0, 0.0
        for s in range(len(tree.com)):
            if tree.moves[s, j]:
                m = tree.mass_kg[s]
                mass += m
                u += m * body.com_at[s, 0]
                v += m * body.com_at[s, 1]
                w += m * body.com_at[s, 2]
        body.com_arm[j, 0] = (u - mass * body.centre[j, 0]) / total
        body.com_arm[j, 1] = (v - mass * body.centre[j, 1]) / total
        body.com_arm[j, 2] = (w - mass * body.centre[j, 2]) / total


class Scratch(NamedTuple):
    """Room for the steps of one descent over N unknowns: made once, used by every step."""

    keep: Rows
    system: Array
    right: Array


@kernel
def _direction(
    gradient: Array, hessian: Array, diagonal: Array, damping: float, held: Flags, fixed: Array, delta: Array, room: Scratch
) -> None:
    """The damped step of what is not held; held ones move as `fixed` says."""
    size, n, most = len(gradient), 0, 0.0
    for p in range(size):
        delta[p] = fixed[p]
        if not held[p]:
            room.keep[n] = p
            n += 1
            most = max(most, hessian[p, p])
    # A joint that hardly moves any point must not be the one that damping drives: it is damped like the others.
    common = _COMMON_DAMPING * most
    for i in range(n):
        p = room.keep[i]
        pull = gradient[p]
        for q in range(size):
            if held[q]:
                pull += hessian[p, q] * fixed[q]
        room.right[i] = pull
        for j in range(i + 1):
            room.system[i, j] = hessian[p, room.keep[j]]
        room.system[i, i] += diagonal[p] + damping * (1.0 + common + hessian[p, p])
    solve_in_place(room.system, room.right, n)
    for i in range(n):
        delta[room.keep[i]] = -room.right[i]


@kernel
def _most(wish: Wish, body: Body, k: int) -> float:
    """How far free joint k goes now: a hip no further than the hamstring lets it at this bend of the knee."""
    j = wish.free[k]
    for s in range(2):
        if j == _HIPS[s]:
            return max(wish.low[k], min(wish.high[k], wish.hamstring[s] + body.angles[_KNEES[s]]))
    return wish.high[k]


@kernel
def _sent(body: Body, j: int, angle: float) -> None:
    """Joint j is sent to this angle."""
    body.least[j] = min(body.least[j], angle)
    body.most[j] = max(body.most[j], angle)
    for s in range(2):
        if j == _HIPS[s]:
            over = len(body.angles) + s
            body.most[over] = max(body.most[over], angle - body.angles[_KNEES[s]])


@kernel
def stays(body: Body) -> None:
    """All joints are where they are."""
    for j in range(len(body.angles)):
        _sent(body, j, body.angles[j])


@kernel
def descend(tree: Tree, wish: Wish, body: Body, position0: Array, rotation0: Array) -> None:
    """Take a pose to where nothing moves any more, or has had its share of steps; `body` is where it starts and ends."""
    rows, joints = len(wish.a), len(wish.free)
    size = _ROOT_DOF + joints
    residual, jac = np.zeros(rows), np.zeros((rows, size))
    gradient, hessian, diagonal = np.zeros(size), np.zeros((size, size)), np.empty(size)
    diagonal[:_ROOT_DOF] = _ROOT_WEIGHT**2
    stays(body)
    for k in range(joints):
        diagonal[_ROOT_DOF + k] = wish.spring[k] ** 2
        j = wish.free[k]
        _sent(body, j, wish.target[k])
        body.angles[j] = min(max(wish.target[k], wish.low[k]), wish.high[k])
    for k in range(joints):
        _sent(body, wish.free[k], body.angles[wish.free[k]])
        body.angles[wish.free[k]] = min(body.angles[wish.free[k]], _most(wish, body, k))
    held, fixed, delta = np.zeros(size, dtype=np.bool_), np.zeros(size), np.zeros(size)
    room = Scratch(np.empty(size, dtype=np.int64), np.empty((size, size)), np.empty(size))
    tilt, turn = np.zeros(3), np.zeros((3, 3))
    old_angles, old_position, old_rotation = body.angles.copy(), body.position.copy(), body.rotation.copy()
    damping = 1e-4
    refresh(tree, wish, body)
    _residual(wish, body, residual)
    cost = _cost(wish, body, residual, position0, rotation0, tilt)
    fresh = True
    for _ in range(_MAX_ITERATIONS):
        if fresh:  # a refused step has moved nothing
            _normal_equations(tree, wish, body, residual, jac, position0, rotation0, tilt, gradient, hessian, room.keep)
        _stepped(wish, body, gradient, hessian, diagonal, damping, held, fixed, delta, room)
        longest = np.abs(delta).max()
        if longest > _LONGEST_STEP:
            delta *= _LONGEST_STEP / longest
            longest = _LONGEST_STEP
        old_angles[:], old_position[:], old_rotation[:] = body.angles, body.position, body.rotation
        for k in range(joints):
            j = wish.free[k]
            _sent(body, j, body.angles[j] + delta[_ROOT_DOF + k])
            body.angles[j] = min(max(body.angles[j] + delta[_ROOT_DOF + k], wish.low[k]), wish.high[k])
        for k in range(joints):
            _sent(body, wish.free[k], body.angles[wish.free[k]])
            body.angles[wish.free[k]] = min(body.angles[wish.free[k]], _most(wish, body, k))
        turn_of(delta[3:6], turn)
        for i in range(3):
            body.position[i] += delta[i]
            for k in range(3):
                body.rotation[i, k] = (
                    turn[i, 0] * old_rotation[0, k] + turn[i, 1] * old_rotation[1, k] + turn[i, 2] * old_rotation[2, k]
                )
        refresh(tree, wish, body)
        _residual(wish, body, residual)
        now = _cost(wish, body, residual, position0, rotation0, tilt)
        fresh = now <= cost * (1 + 1e-12)
        if fresh:
            gained = cost - now > 1e-6 * (1 + cost)
            cost = now
            damping = max(_LEAST_DAMPING, damping * 0.2)
            if not gained or longest <= _STOP:
                break
        else:
            body.angles[:], body.position[:], body.rotation[:] = old_angles, old_position, old_rotation
            refresh(tree, wish, body)
            _residual(wish, body, residual)
            damping = min(_MOST_DAMPING, damping * 8)
            if damping >= _STUCK:
                break


@kernel
def _normal_equations(
    tree: Tree,
    wish: Wish,
    body: Body,
    residual: Array,
    jac: Array,
    position0: Array,
    rotation0: Array,
    tilt: Array,
    gradient: Array,
    hessian: Array,
    touched: Rows,
) -> None:
    _jacobian(tree, wish, body, jac)
    rows, size = jac.shape
    for i in range(size):
        gradient[i] = 0.0
        for j in range(i + 1):
            hessian[i, j] = 0.0
    for r in range(rows):
        if wish.weight[r] == 0.0:
            continue
        count = 0  # a row moves with few of the joints
        for i in range(size):
            if jac[r, i] != 0.0:
                touched[count] = i
                count += 1
        for n in range(count):
            i = touched[n]
            own = jac[r, i]
            gradient[i] += own * residual[r]
            for m in range(n + 1):
                hessian[i, touched[m]] += own * jac[r, touched[m]]
    for i in range(size):
        for j in range(i):
            hessian[j, i] = hessian[i, j]
    _tilt(body.rotation, rotation0, tilt)
    for i in range(3):
        gradient[i] += _ROOT_WEIGHT**2 * (body.position[i] - position0[i])
        gradient[3 + i] += _ROOT_WEIGHT**2 * tilt[i]
    for k in range(len(wish.free)):
        gradient[_ROOT_DOF + k] += wish.spring[k] ** 2 * (body.angles[wish.free[k]] - wish.target[k])


@kernel
def _stepped(
    wish: Wish,
    body: Body,
    gradient: Array,
    hessian: Array,
    diagonal: Array,
    damping: float,
    held: Flags,
    fixed: Array,
    delta: Array,
    room: Scratch,
) -> None:
    """The next step; a joint that would pass its stop goes there, and the others make up for it."""
    held[:] = False
    fixed[:] = 0.0
    for k in range(len(wish.free)):
        at, pull = body.angles[wish.free[k]], gradient[_ROOT_DOF + k]
        held[_ROOT_DOF + k] = (at <= wish.low[k] + _AT_STOP and pull > 0) or (
            at >= _most(wish, body, k) - _AT_STOP and pull < 0
        )
    _direction(gradient, hessian, diagonal, damping, held, fixed, delta, room)
    for _ in range(_RELEASES):
        passed = False
        for k in range(len(wish.free)):
            i = _ROOT_DOF + k
            at = body.angles[wish.free[k]]
            there = at + delta[i]
            _sent(body, wish.free[k], there)
            most = _most(wish, body, k)
            if not held[i] and (there < wish.low[k] - _AT_STOP or there > most + _AT_STOP):
                held[i] = passed = True
                fixed[i] = min(max(there, wish.low[k]), most) - at
        if not passed:
            return
        _direction(gradient, hessian, diagonal, damping, held, fixed, delta, room)


@kernel
def gaps(wish: Wish, body: Body, rows: int, must: Array) -> tuple[float, int]:
    """The widest gap (m) among the first `rows` rows that must hold, and which one it is; -1 when there is none."""
    widest, which = 0.0, -1
    for r in range(rows):
        if must[r] == 0.0 or wish.weight[r] == 0.0:
            continue
        gap = -wish.offset[r]
        for i in range(3):
            gap += wish.normal[r, i] * (body.at_a[r, i] - body.at_b[r, i])
        if which < 0 or abs(gap) > widest:
            widest, which = abs(gap), r
    return widest, which


__all__ = ["Body", "Wish", "descend", "gaps", "joints_of", "refresh", "stays", "wish_of"]
