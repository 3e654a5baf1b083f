"""Every force on a body as a list of pushes, and what those beyond a joint add up to."""

from typing import NamedTuple

import numpy as np

from amvel.body.compiled import inner_kernel
from amvel.body.flat import NOWHERE, ContactTable, LoadTable
from amvel.body.tree import Array, Rows, Tree

GRAVITY_M_S2 = 9.81


class Borne(NamedTuple):
    """What C contacts carry: where (C×3, m), the force (C×3, N) and the moment about that place (C×3, N·m), on which
    segment."""

    at: Array
    force: Array
    moment: Array
    segment: Rows


@inner_kernel
def cross(a: Array, b: Array) -> tuple[float, float, float]:
    return a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]


@inner_kernel
def dot(a: Array, b: Array) -> float:
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2]


@inner_kernel
def norm(a: Array) -> float:
    return np.sqrt(a[0] ** 2 + a[1] ** 2 + a[2] ** 2)


@inner_kernel
def load_force(loads: LoadTable, i: int, points: Array, out: Array) -> None:
    """Newtons in the world of load i: a given force, or a band by its stretch beyond slack (two thirds of its start)."""
    if loads.pull[i] != loads.pull[i]:
        for k in range(3):
            out[k] = loads.force[i, k]
        return
    for k in range(3):
        end = loads.force[i, k] if loads.to[i] == NOWHERE else points[loads.to[i], k]
        out[k] = end - points[loads.point[i], k]
    length = norm(out)
    slack = loads.start[i] * 2 / 3
    pull = loads.pull[i] * (length - slack) / (loads.start[i] - slack) / length if length > slack else 0.0
    for k in range(3):
        out[k] *= pull


class Pushes(NamedTuple):
    """Every force on one body: where (N×3, m), how much (N×3, N), its free moment (N×3, N·m), and on which segment."""

    where: Array
    force: Array
    moment: Array
    segment: Rows


def room_for_pushes(segments: int, contacts: int, loads: int) -> Pushes:
    """Room for what pushes on a body of so many segments."""
    most = segments + 2 * contacts + loads
    return Pushes(np.zeros((most, 3)), np.zeros((most, 3)), np.zeros((most, 3)), np.zeros(most, dtype=np.int64))


@inner_kernel
def _put(out: Array, n: int, of: Array, k: int, share: float) -> None:
    """Row n becomes row k of the other, times a share."""
    for i in range(3):
        out[n, i] = share * of[k, i]


@inner_kernel
def gathered(
    tree: Tree,
    contacts: ContactTable,
    loads: LoadTable,
    b: int,
    points: Array,
    borne: Borne,
    room: Pushes,
) -> Pushes:
    """Everything that pushes on pose b, in this room: segments, contacts, what those press on the body itself, loads."""
    n = 0
    for s in range(len(tree.com)):
        _put(room.where, n, points, tree.com[s], 1.0)
        room.force[n, 0], room.force[n, 1], room.force[n, 2] = 0.0, 0.0, -tree.mass_kg[s] * GRAVITY_M_S2
        room.segment[n] = s
        room.moment[n] = 0.0
        n += 1
    for c in range(contacts.first[b], contacts.first[b + 1]):
        _put(room.where, n, borne.at, c, 1.0)
        _put(room.force, n, borne.force, c, 1.0)
        _put(room.moment, n, borne.moment, c, 1.0)
        room.segment[n] = borne.segment[c]
        n += 1
    for c in range(contacts.first[b], contacts.first[b + 1]):
        if contacts.on[c] != NOWHERE:
            _put(room.where, n, borne.at, c, 1.0)
            _put(room.force, n, borne.force, c, -1.0)
            room.moment[n] = 0.0
            room.segment[n] = tree.segment[contacts.on[c]]
            n += 1
    for i in range(loads.first[b], loads.first[b + 1]):
        _put(room.where, n, points, loads.point[i], 1.0)
        load_force(loads, i, points, room.force[n])
        room.moment[n] = 0.0
        room.segment[n] = tree.segment[loads.point[i]]
        n += 1
    return Pushes(room.where[:n], room.force[:n], room.moment[:n], room.segment[:n])


@inner_kernel
def beyond(tree: Tree, p: Pushes, j: int, about: Array, force: Array, moment: Array) -> None:
    """Force and moment about a point that everything moved by joint j exerts."""
    u, v, w = about[0], about[1], about[2]
    fx, fy, fz, mx, my, mz = 0.0, 0.0, 0.0, 0.0, 0.0, 0.0
    for n in range(len(p.segment)):
        if not tree.moves[p.segment[n], j]:
            continue
        x, y, z = p.where[n, 0] - u, p.where[n, 1] - v, p.where[n, 2] - w
        a, b, c = p.force[n, 0], p.force[n, 1], p.force[n, 2]
        mx += y * c - z * b + p.moment[n, 0]
        my += z * a - x * c + p.moment[n, 1]
        mz += x * b - y * a + p.moment[n, 2]
        fx += a
        fy += b
        fz += c
    force[0], force[1], force[2] = fx, fy, fz
    moment[0], moment[1], moment[2] = mx, my, mz


__all__ = ["GRAVITY_M_S2", "Borne", "Pushes", "beyond", "cross", "dot", "gathered", "load_force", "norm", "room_for_pushes"]
