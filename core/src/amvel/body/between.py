"""Frames on the way from one solved pose to the next, as flat poses."""

from typing import Any, NamedTuple, TypeVar

import numpy as np

from amvel.body.compiled import inner_kernel, kernel
from amvel.body.flat import BEARS, NOWHERE, ContactTable, Flat, LoadTable, RowTable
from amvel.body.tree import Array, Flags, Rows

Table = TypeVar("Table", RowTable, ContactTable, LoadTable)
_POLAR_STEPS, _TURNS, _OPPOSITE = 60, 1e-15, 1e-12  # a blend of two that face almost opposite ways takes the most
ON_THE_WAY = 10.0  # between two solved poses the blend is nearly right: joints give little there


def filled(flat: Flat, key: Rows, share: Array) -> Flat:
    """Poses `share` of the way from solved pose `key` to the one after it; share 0 is the pose itself.

    On the way angles are blended, contacts and rows are those that both ends share, joints give that either leaves free.
    """
    if not share.any() and np.array_equal(key, np.arange(flat.poses)):
        return flat
    rows, contacts, loads = _kept(flat, key, share)
    row, contact, other = rows.own, contacts.own, rows.other
    t = np.repeat(share, np.diff(rows.first))
    offset, normal = flat.rows.offset[row], flat.rows.normal[row]
    on_the_way = other != NOWHERE
    far = np.where(on_the_way, other, row)
    offset = np.where(on_the_way, (1 - t) * offset + t * flat.rows.offset[far], offset)
    normal = np.where(on_the_way[:, None], (1 - t)[:, None] * normal + t[:, None] * flat.rows.normal[far], normal)
    # What bears at one end bears on the way: it takes over while the others let go.
    far = np.where(contacts.other != NOWHERE, contacts.other, contact)
    role = np.where(flat.contacts.strategy[far] == BEARS, BEARS, flat.contacts.strategy[contact])
    shape = (len(key), flat.angles.shape[1])
    angles, give, floor, ceiling, high, neutral = (np.empty(shape) for _ in range(6))
    position, rotation = np.empty((len(key), 3)), np.empty((len(key), 3, 3))
    _blend(flat, key, share, position, rotation, angles, give, floor, ceiling, high, neutral)
    return Flat(
        position,
        rotation,
        angles,
        give,
        floor,
        ceiling,
        flat.low[key],
        high,
        neutral,
        flat.hamstring[key],
        _taken(flat.rows, rows.first, row)._replace(normal=normal, offset=offset),
        _taken(flat.contacts, contacts.first, contact)._replace(strategy=role),
        _taken(flat.loads, loads.first, loads.own),
    )


def _taken(table: Table, first: Rows, items: Rows) -> Table:
    """The same table with these items only; those of pose b are rows `first[b]` to `first[b + 1]`."""
    columns: list[Any] = [column[items] for column in table[1:]]
    return type(table)(first, *columns)


class _Kept(NamedTuple):
    """Which items of the declared poses go on: those of pose b are `first[b]` to `first[b + 1]`, each with the item at the
    other end that it is blended with (NOWHERE in a declared pose)."""

    first: Rows
    own: Rows
    other: Rows


def _kept(flat: Flat, key: Rows, share: Array) -> tuple[_Kept, _Kept, _Kept]:
    rows, contacts, loads = flat.rows, flat.contacts, flat.loads
    return (
        _going_on(rows.first, _next_alike(rows.id, rows.first), key, share != 0.0),
        _going_on(contacts.first, _next_alike(contacts.point, contacts.first), key, share != 0.0),
        _going_on(loads.first, np.arange(len(loads.point)), key, share != 0.0),
    )


def _next_alike(names: Rows, first: Rows) -> Rows:
    """For each item the one of the same name in the pose after its own (the last one counts); NOWHERE where it has none."""
    if not len(names):
        return np.zeros(0, dtype=np.int64)
    pose = np.repeat(np.arange(len(first) - 1), np.diff(first))
    many = int(names.max()) + 1
    own, wanted = pose * many + names, (pose + 1) * many + names
    order = np.argsort(own, kind="stable")
    last = order[np.maximum(0, np.searchsorted(own[order], wanted, side="right") - 1)]
    found: Rows = np.where(own[last] == wanted, last, NOWHERE)
    return found


def _going_on(first: Rows, alike: Rows, key: Rows, on_the_way: Flags) -> _Kept:
    """Of every pose the items of its declared one: all of them, or on the way those that are at the other end as well."""
    count = first[key + 1] - first[key]
    begin = np.cumsum(count) - count
    pose = np.repeat(np.arange(len(key)), count)
    item = np.arange(len(pose)) + (first[key] - begin)[pose]
    other = np.where(on_the_way[pose], alike[item], NOWHERE)
    goes_on = ~on_the_way[pose] | (other != NOWHERE)
    counted = np.bincount(pose[goes_on], minlength=len(key))
    return _Kept(np.concatenate([[0], np.cumsum(counted)]), item[goes_on], other[goes_on])


@kernel
def _blend(
    flat: Flat,
    key: Rows,
    share: Array,
    position: Array,
    rotation: Array,
    angles: Array,
    give: Array,
    floor: Array,
    ceiling: Array,
    high: Array,
    neutral: Array,
) -> None:
    for b in range(len(key)):
        k, t = key[b], share[b]
        then = k + 1 if t != 0.0 else k
        for i in range(3):
            position[b, i] = (1 - t) * flat.position[k, i] + t * flat.position[then, i]
            for n in range(3):
                rotation[b, i, n] = (1 - t) * flat.rotation[k, i, n] + t * flat.rotation[then, i, n]
        if t != 0.0:
            _nearest_rotation(rotation[b], flat.rotation[k])
        for j in range(floor.shape[1]):
            angles[b, j] = (1 - t) * flat.angles[k, j] + t * flat.angles[then, j]
            neutral[b, j] = (1 - t) * flat.neutral[k, j] + t * flat.neutral[then, j]
            give[b, j], floor[b, j] = flat.give[k, j], flat.floor[k, j]
            ceiling[b, j], high[b, j] = flat.ceiling[k, j], flat.high[k, j]
            if t == 0.0:
                continue
            here, there = flat.angles[k, j], flat.angles[then, j]
            floor[b, j] = _on_the_way(flat.floor[k, j], flat.floor[then, j], here, there, t)
            ceiling[b, j] = _on_the_way(flat.ceiling[k, j], flat.ceiling[then, j], here, there, t)
            high[b, j] = max(flat.high[k, j], flat.high[then, j])
            if ceiling[b, j] == ceiling[b, j]:
                high[b, j] = min(high[b, j], ceiling[b, j])
            most = max(flat.give[k, j], flat.give[then, j])
            give[b, j] = max(ON_THE_WAY, most) if most > 0 else 0.0


@inner_kernel
def _on_the_way(begin: float, end: float, here: float, there: float, t: float) -> float:
    """Between the floors or ceilings of two poses: one without any holds the joint where it is; NaN where neither has one."""
    if begin == begin or end == end:
        begin = begin if begin == begin else here
        end = end if end == end else there
    return (1 - t) * begin + t * end


@kernel
def _nearest_rotation(turn: Array, begin: Array) -> None:
    """The rotation nearest to a blend of two (3×3, in place): half of it and its inverse turned over, again and again
    (Higham 1986, Computing the polar decomposition; from memory)."""
    for _ in range(_POLAR_STEPS):
        a, b, c = turn[0, 0], turn[0, 1], turn[0, 2]
        d, e, f = turn[1, 0], turn[1, 1], turn[1, 2]
        g, h, i = turn[2, 0], turn[2, 1], turn[2, 2]
        p, q, r = e * i - f * h, f * g - d * i, d * h - e * g  # the cofactors: over the determinant, the inverse turned over
        s, t, u = c * h - b * i, a * i - c * g, b * g - a * h
        v, w, x = b * f - c * e, c * d - a * f, a * e - b * d
        size = a * p + b * q + c * r
        if size < _OPPOSITE:  # half-way between two that face exactly opposite ways nothing is nearest: as it began
            for n in range(3):
                for m in range(3):
                    turn[n, m] = begin[n, m]
            break
        turn[0, 0], turn[0, 1], turn[0, 2] = 0.5 * (a + p / size), 0.5 * (b + q / size), 0.5 * (c + r / size)
        turn[1, 0], turn[1, 1], turn[1, 2] = 0.5 * (d + s / size), 0.5 * (e + t / size), 0.5 * (f + u / size)
        turn[2, 0], turn[2, 1], turn[2, 2] = 0.5 * (g + v / size), 0.5 * (h + w / size), 0.5 * (i + x / size)
        if abs(size - 1.0) < _TURNS:
            break


def bands_started(flat: Flat, points: Array, first: Rows) -> Flat:
    """Every band learns the length (m) that it has in the first frame of its movement; movements begin at `first`."""
    start = flat.loads.start.copy()
    for begin, end in zip(first[:-1].tolist(), first[1:].tolist(), strict=True):
        for i in range(flat.loads.first[begin], flat.loads.first[end]):
            if not np.isnan(flat.loads.pull[i]):
                to = flat.loads.to[i]
                end_at = flat.loads.force[i] if to == NOWHERE else points[begin, to]
                length = float(np.linalg.norm(end_at - points[begin, flat.loads.point[i]]))
                start[i] = max(_SHORTEST_M, length)
    return flat._replace(loads=flat.loads._replace(start=start))


_SHORTEST_M = 0.05

__all__ = ["ON_THE_WAY", "bands_started", "filled"]
