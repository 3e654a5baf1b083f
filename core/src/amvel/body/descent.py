"""How a pose comes to meet its contacts: damped Gauss–Newton with analytic Jacobians, one pose at a time.

Unknowns of a pose are the placement of the pelvis and the joints that it leaves free.  A free joint stops at the end of
the client's range, and the others make up for it.
"""

from typing import NamedTuple

import numpy as np

from amvel.body.cholesky import solve_in_place
from amvel.body.compiled import inner_kernel, kernel
from amvel.body.flat import CENTRE, NOWHERE
from amvel.body.skeleton import JOINT_INDEX, JOINTS
from amvel.body.tree import Array, Rows, Tree, place, turn_of
from amvel.body.wish import ROOT_DOF, Room, Wish

_ROOT_WEIGHT = 3.0  # nothing else holds where a body faces: it must not drift while contacts are met
_MAX_ITERATIONS = 70
_STOP = 1e-5
_RELEASES = 4
_COMMON_DAMPING = 0.05
_AT_STOP = 1e-9
_LEAST_DAMPING, _MOST_DAMPING, _STUCK = 1e-9, 1e9, 1e8
_LONGEST_STEP = 0.6
# Of a hip: the knee of the same leg, for it goes no further than the hamstring lets it, and which leg that is.
_KNEE_OF, _LEG_OF = np.full(len(JOINTS), NOWHERE), np.zeros(len(JOINTS), dtype=np.int64)
for _leg, _side in enumerate(("left", "right")):
    _KNEE_OF[JOINT_INDEX[f"{_side}.hip.flexion"]] = JOINT_INDEX[f"{_side}.knee.flexion"]
    _LEG_OF[JOINT_INDEX[f"{_side}.hip.flexion"]] = _leg


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


@inner_kernel
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


@inner_kernel
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


@inner_kernel
def _tilt(rotation: Array, start: Array, out: Array) -> None:
    """Half of the antisymmetric part of the turn from the start: small turns as a vector."""
    out[:] = 0.0
    for k in range(3):
        out[0] += 0.5 * (rotation[2, k] * start[1, k] - rotation[1, k] * start[2, k])
        out[1] += 0.5 * (rotation[0, k] * start[2, k] - rotation[2, k] * start[0, k])
        out[2] += 0.5 * (rotation[1, k] * start[0, k] - rotation[0, k] * start[1, k])


@inner_kernel
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
def _row(tree: Tree, wish: Wish, body: Body, r: int, size: int, out: Array) -> None:
    """How row r moves with each degree of freedom (6+K): a turn about a through c moves p by a × (p − c)."""
    out[:size] = 0.0
    if wish.a[r] != NOWHERE:
        _swept(tree, wish, body, r, wish.a[r], body.at_a, wish.weight[r], out)
    if wish.b[r] != NOWHERE:
        _swept(tree, wish, body, r, wish.b[r], body.at_b, -wish.weight[r], out)


@inner_kernel
def _swept(tree: Tree, wish: Wish, body: Body, r: int, mark: int, at: Array, weight: float, out: Array) -> None:
    x, y, z = wish.normal[r, 0], wish.normal[r, 1], wish.normal[r, 2]
    p, q, o = at[r, 0], at[r, 1], at[r, 2]
    out[0] += weight * x
    out[1] += weight * y
    out[2] += weight * z
    u, v, w = p - body.position[0], q - body.position[1], o - body.position[2]
    out[3] += weight * (v * z - w * y)
    out[4] += weight * (w * x - u * z)
    out[5] += weight * (u * y - v * x)
    segment = tree.segment[mark] if mark != CENTRE else 0
    for k in range(len(wish.free)):
        j = wish.free[k]
        if mark == CENTRE:
            u, v, w = body.com_arm[j, 0], body.com_arm[j, 1], body.com_arm[j, 2]
        elif tree.moves[segment, j]:
            u, v, w = p - body.centre[j, 0], q - body.centre[j, 1], o - body.centre[j, 2]
        else:
            continue
        out[ROOT_DOF + k] += weight * (
            body.axis[j, 0] * (v * z - w * y) + body.axis[j, 1] * (w * x - u * z) + body.axis[j, 2] * (u * y - v * x)
        )


@kernel
def _com_arms(tree: Tree, wish: Wish, body: Body) -> None:
    """The arm of the centre of mass about each free joint: that of what the joint moves, times its share of the mass."""
    total = 0.0
    for s in range(len(tree.mass_kg)):
        total += tree.mass_kg[s]
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


@inner_kernel
def _direction(size: int, damping: float, room: Room) -> None:
    """The damped step of what is not held; held ones move as `fixed` says."""
    n, moved, most = 0, 0, 0.0
    for p in range(size):
        room.delta[p] = room.fixed[p]
        if not room.held[p]:
            room.keep[n] = p
            n += 1
            most = max(most, room.hessian[p, p])
        elif room.fixed[p] != 0.0:
            room.touched[moved] = p
            moved += 1
    # A joint that hardly moves any point must not be the one that damping drives: it is damped like the others.
    common = _COMMON_DAMPING * most
    for i in range(n):
        p = room.keep[i]
        pull = room.gradient[p]
        for m in range(moved):
            q = room.touched[m]
            pull += room.hessian[p, q] * room.fixed[q]
        room.right[i] = pull
        own, row = room.hessian[p], room.system[i]
        for j in range(i + 1):
            row[j] = own[room.keep[j]]
        row[i] += room.diagonal[p] + damping * (1.0 + common + own[p])
    solve_in_place(room.system, room.right, n)
    for i in range(n):
        room.delta[room.keep[i]] = -room.right[i]


@inner_kernel
def _most(wish: Wish, body: Body, k: int) -> float:
    """How far free joint k goes now: a hip no further than the hamstring lets it at this bend of the knee."""
    j = wish.free[k]
    knee = _KNEE_OF[j]
    if knee == NOWHERE:
        return wish.high[k]
    return max(wish.low[k], min(wish.high[k], wish.hamstring[_LEG_OF[j]] + body.angles[knee]))


@inner_kernel
def _sent(body: Body, j: int, angle: float) -> None:
    """Joint j is sent to this angle."""
    body.least[j] = min(body.least[j], angle)
    body.most[j] = max(body.most[j], angle)
    if _KNEE_OF[j] != NOWHERE:
        over = len(body.angles) + _LEG_OF[j]
        body.most[over] = max(body.most[over], angle - body.angles[_KNEE_OF[j]])


@inner_kernel
def stays(body: Body) -> None:
    """All joints are where they are."""
    for j in range(len(body.angles)):
        _sent(body, j, body.angles[j])


@inner_kernel
def _within_stops(wish: Wish, body: Body, room: Room, first: bool) -> None:
    """Send every free joint by its step (the first time to where it is wanted); it goes as far as its stops let it."""
    for k in range(len(wish.free)):
        j = wish.free[k]
        there = wish.target[k] if first else body.angles[j] + room.delta[ROOT_DOF + k]
        _sent(body, j, there)
        body.angles[j] = min(max(there, wish.low[k]), wish.high[k])
    for k in range(len(wish.free)):
        j = wish.free[k]
        _sent(body, j, body.angles[j])
        body.angles[j] = min(body.angles[j], _most(wish, body, k))


@inner_kernel
def _longest(size: int, room: Room) -> float:
    longest = 0.0
    for p in range(size):
        longest = max(longest, abs(room.delta[p]))
    if longest > _LONGEST_STEP:
        for p in range(size):
            room.delta[p] *= _LONGEST_STEP / longest
        return _LONGEST_STEP
    return longest


@inner_kernel
def _remember(body: Body, angles: Array, position: Array, rotation: Array) -> None:
    for j in range(len(angles)):
        angles[j] = body.angles[j]
    for i in range(3):
        position[i] = body.position[i]
        for k in range(3):
            rotation[i, k] = body.rotation[i, k]


@inner_kernel
def _return(body: Body, angles: Array, position: Array, rotation: Array) -> None:
    for j in range(len(angles)):
        body.angles[j] = angles[j]
    for i in range(3):
        body.position[i] = position[i]
        for k in range(3):
            body.rotation[i, k] = rotation[i, k]


@inner_kernel
def _moved_root(body: Body, room: Room) -> None:
    turn, old = room.turn, room.old_rotation
    turn_of(room.delta[3:6], turn)
    for i in range(3):
        body.position[i] += room.delta[i]
        for k in range(3):
            body.rotation[i, k] = turn[i, 0] * old[0, k] + turn[i, 1] * old[1, k] + turn[i, 2] * old[2, k]


@inner_kernel
def descend_from_here(tree: Tree, wish: Wish, body: Body, room: Room) -> None:
    """The same for a body whose placement now is the one to keep to."""
    _remember(body, room.start_angles, room.start_position, room.start_rotation)
    descend(tree, wish, body, room.start_position, room.start_rotation, room)


@inner_kernel
def descend(tree: Tree, wish: Wish, body: Body, position0: Array, rotation0: Array, room: Room) -> None:
    """Take a pose to where nothing moves any more, or has had its share of steps; `body` is where it starts and ends."""
    joints = len(wish.free)
    size = ROOT_DOF + joints
    residual = room.residual[: len(wish.a)]
    room.diagonal[:ROOT_DOF] = _ROOT_WEIGHT**2
    stays(body)
    for k in range(joints):
        room.diagonal[ROOT_DOF + k] = wish.spring[k] ** 2
    _within_stops(wish, body, room, True)
    damping = 1e-4
    refresh(tree, wish, body)
    _residual(wish, body, residual)
    cost = _cost(wish, body, residual, position0, rotation0, room.tilt)
    fresh = True
    for _ in range(_MAX_ITERATIONS):
        if fresh:  # a refused step has moved nothing
            _normal_equations(tree, wish, body, residual, position0, rotation0, room)
            _remember(body, room.old_angles, room.old_position, room.old_rotation)
        _stepped(wish, body, damping, room)
        longest = _longest(size, room)
        _within_stops(wish, body, room, False)
        _moved_root(body, room)
        refresh(tree, wish, body)
        _residual(wish, body, residual)
        now = _cost(wish, body, residual, position0, rotation0, room.tilt)
        fresh = now <= cost * (1 + 1e-12)
        if fresh:
            gained = cost - now > 1e-6 * (1 + cost)
            cost = now
            damping = max(_LEAST_DAMPING, damping * 0.2)
            if not gained or longest <= _STOP:
                break
        else:
            _return(body, room.old_angles, room.old_position, room.old_rotation)
            damping = min(_MOST_DAMPING, damping * 8)
            if damping >= _STUCK:
                break
    if not fresh:
        refresh(tree, wish, body)


@inner_kernel
def _normal_equations(
    tree: Tree, wish: Wish, body: Body, residual: Array, position0: Array, rotation0: Array, room: Room
) -> None:
    """Gradient and Gauss–Newton matrix of the cost (without the springs' own part of it), both halves of the matrix."""
    joints = len(wish.free)
    size = ROOT_DOF + joints
    gradient, hessian, row, touched = room.gradient, room.hessian, room.moved, room.touched
    for r in range(len(wish.a)):
        if wish.a[r] == CENTRE or wish.b[r] == CENTRE:
            _com_arms(tree, wish, body)
            break
    for i in range(size):
        gradient[i] = 0.0
        for j in range(i + 1):
            hessian[i, j] = 0.0
    for r in range(len(wish.a)):
        if wish.weight[r] == 0.0:
            continue
        _row(tree, wish, body, r, size, row)
        count = 0  # a row moves with few of the joints
        for i in range(size):
            if row[i] != 0.0:
                touched[count] = i
                count += 1
        for n in range(count):
            i = touched[n]
            own = row[i]
            gradient[i] += own * residual[r]
            for m in range(n + 1):
                hessian[i, touched[m]] += own * row[touched[m]]
    for i in range(size):
        for j in range(i):
            hessian[j, i] = hessian[i, j]
    _tilt(body.rotation, rotation0, room.tilt)
    for i in range(3):
        gradient[i] += _ROOT_WEIGHT**2 * (body.position[i] - position0[i])
        gradient[3 + i] += _ROOT_WEIGHT**2 * room.tilt[i]
    for k in range(joints):
        gradient[ROOT_DOF + k] += wish.spring[k] ** 2 * (body.angles[wish.free[k]] - wish.target[k])


@inner_kernel
def _stepped(wish: Wish, body: Body, damping: float, room: Room) -> None:
    """The next step; a joint that would pass its stop goes there, and the others make up for it."""
    joints = len(wish.free)
    size = ROOT_DOF + joints
    room.held[:size] = False
    room.fixed[:size] = 0.0
    for k in range(joints):
        at, pull = body.angles[wish.free[k]], room.gradient[ROOT_DOF + k]
        room.held[ROOT_DOF + k] = (at <= wish.low[k] + _AT_STOP and pull > 0) or (
            at >= _most(wish, body, k) - _AT_STOP and pull < 0
        )
    _direction(size, damping, room)
    for _ in range(_RELEASES):
        passed = False
        for k in range(joints):
            i = ROOT_DOF + k
            at = body.angles[wish.free[k]]
            there = at + room.delta[i]
            _sent(body, wish.free[k], there)
            most = _most(wish, body, k)
            if not room.held[i] and (there < wish.low[k] - _AT_STOP or there > most + _AT_STOP):
                room.held[i] = passed = True
                room.fixed[i] = min(max(there, wish.low[k]), most) - at
        if not passed:
            return
        _direction(size, damping, room)


@inner_kernel
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


__all__ = ["Body", "descend", "descend_from_here", "gaps", "refresh", "stays"]
