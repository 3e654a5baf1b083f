"""Every force on a body as a list of pushes, and what those beyond a joint add up to."""

from typing import NamedTuple

import numpy as np

from amvel.body.compiled import kernel
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


class Pushes(NamedTuple):
    """Every force on one body: where (N×3, m), how much (N×3, N), its free moment (N×3, N·m), and on which segment."""

    where: Array
    force: Array
    moment: Array
    segment: Rows


@kernel
def gathered(
    tree: Tree,
    contacts: ContactTable,
    loads: LoadTable,
    b: int,
    points: Array,
    borne: Borne,
) -> Pushes:
    segments, first, last = len(tree.com), contacts.first[b], contacts.first[b + 1]
    begin, more = loads.first[b], loads.first[b + 1] - loads.first[b]
    on_body = 0
    for c in range(first, last):
        on_body += contacts.on[c] != NOWHERE
    count = segments + (last - first) + more + on_body
    p = Pushes(np.zeros((count, 3)), np.zeros((count, 3)), np.zeros((count, 3)), np.zeros(count, dtype=np.int64))
    for s in range(segments):
        p.where[s] = points[tree.com[s]]
        p.force[s, 2] = -tree.mass_kg[s] * GRAVITY_M_S2
        p.segment[s] = s
    for c in range(first, last):
        n = segments + c - first
        p.where[n], p.force[n], p.moment[n], p.segment[n] = borne.at[c], borne.force[c], borne.moment[c], borne.segment[c]
    n = segments + last - first
    for c in range(first, last):
        if contacts.on[c] != NOWHERE:
            p.where[n], p.force[n], p.segment[n] = borne.at[c], -borne.force[c], tree.segment[contacts.on[c]]
            n += 1
    for i in range(more):
        n = count - more + i
        p.where[n] = points[loads.point[begin + i]]
        load_force(loads, begin + i, points, p.force[n])
        p.segment[n] = tree.segment[loads.point[begin + i]]
    return p


@kernel
def beyond(tree: Tree, p: Pushes, j: int, about: Array, force: Array, moment: Array) -> None:
    """Force and moment about a point that everything moved by joint j exerts."""
    force[:] = 0.0
    moment[:] = 0.0
    for n in range(len(p.segment)):
        if not tree.moves[p.segment[n], j]:
            continue
        x, y, z = cross(p.where[n] - about, p.force[n])
        moment[0] += x + p.moment[n, 0]
        moment[1] += y + p.moment[n, 1]
        moment[2] += z + p.moment[n, 2]
        force += p.force[n]


__all__ = ["GRAVITY_M_S2", "Borne", "Pushes", "beyond", "cross", "gathered", "load_force"]
