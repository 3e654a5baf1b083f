"""What one pose is to meet, and the room in which it is worked out how."""

from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body.compiled import inner_kernel, kernel
from amvel.body.flat import NOWHERE, Flat
from amvel.body.tree import Array, Flags, Rows, Tree, most_of

ROOT_DOF = 6
_ROW_SCALE = 1000.0  # one millimetre of gap weighs one
_LOOSE = 4.0  # keeps joints that give easily from drifting where nothing holds them


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


class Room(NamedTuple):
    """What one descent works in, made once for many: as large as the largest of their poses needs.

    R rows with N joints that may give: the wish itself, where the rows' points are, and what the steps need.
    """

    wish: Wish
    at_a: Array
    at_b: Array
    weight_at: Array
    com_at: Array
    com_arm: Array
    residual: Array
    moved: Array  # 6+N: how a row moves with each unknown
    touched: Rows
    gradient: Array
    hessian: Array
    diagonal: Array
    held: Flags
    fixed: Array
    delta: Array
    keep: Rows
    system: Array
    right: Array
    tilt: Array
    turn: Array
    old_angles: Array
    old_position: Array
    old_rotation: Array
    start_angles: Array
    start_position: Array
    start_rotation: Array


def room_for(tree: Tree, flat: Flat, extra: int) -> Room:
    """Room for each of these poses, with some rows more; the same one whenever it is as large (see `compiled`)."""
    return _room(most_of(flat.rows.first) + extra, flat.angles.shape[1], len(tree.com))


@lru_cache(maxsize=64)
def _room(rows: int, joints: int, segments: int) -> Room:
    size = ROOT_DOF + joints

    def real(*shape: int) -> Array:
        return np.zeros(shape)

    def whole(count: int) -> Rows:
        return np.zeros(count, dtype=np.int64)

    rows_wanted = whole(rows), whole(rows), real(rows, 3), real(rows), real(rows)
    joints_wanted = whole(joints), real(joints), real(joints), real(joints), real(joints)
    return Room(
        Wish(*rows_wanted, *joints_wanted, real(2)),
        real(rows, 3),
        real(rows, 3),
        real(3),
        real(segments, 3),
        real(joints, 3),
        real(rows),
        real(size),
        whole(size),
        real(size),
        real(size, size),
        real(size),
        np.zeros(size, dtype=bool),
        real(size),
        real(size),
        whole(size),
        real(size, size),
        real(size),
        real(3),
        real(3, 3),
        real(joints),
        real(3),
        real(3, 3),
        real(joints),
        real(3),
        real(3, 3),
    )


@kernel
def wish_of(flat: Flat, b: int, extra: int, room: Room) -> Wish:
    """The rows and free joints of pose b, with room for some rows more (they weigh nothing)."""
    first, last = flat.rows.first[b], flat.rows.first[b + 1]
    count = last - first
    for r in range(count + extra):
        own = r < count
        room.wish.a[r] = flat.rows.a[first + r] if own else NOWHERE
        room.wish.b[r] = flat.rows.b[first + r] if own else NOWHERE
        for i in range(3):
            room.wish.normal[r, i] = flat.rows.normal[first + r, i] if own else 0.0
        room.wish.offset[r] = flat.rows.offset[first + r] if own else 0.0
        room.wish.weight[r] = flat.rows.weight[first + r] * _ROW_SCALE if own else 0.0
    joints = _joints_of(flat.angles[b], flat.give[b], flat.floor[b], flat.low[b], flat.high[b], room)
    return part_of(room, count + extra, joints, flat.hamstring[b])


@kernel
def part_of(room: Room, rows: int, joints: int, hamstring: Array) -> Wish:
    """The first so many rows and joints of the room."""
    return Wish(
        room.wish.a[:rows],
        room.wish.b[:rows],
        room.wish.normal[:rows],
        room.wish.offset[:rows],
        room.wish.weight[:rows],
        room.wish.free[:joints],
        room.wish.target[:joints],
        room.wish.spring[:joints],
        room.wish.low[:joints],
        room.wish.high[:joints],
        hamstring,
    )


@inner_kernel
def _joints_of(angles: Array, give: Array, floor: Array, low: Array, high: Array, room: Room) -> int:
    """The joints that give, into the room: their rows, declared angles, springs and stops.  Returns how many."""
    k = 0
    for j in range(len(give)):
        own = give[j]
        if not own > 0:
            continue
        room.wish.free[k], room.wish.target[k] = j, angles[j]
        room.wish.spring[k] = own * _LOOSE if own <= 1.0 else own
        least, up = low[j], floor[j]
        if up == up:
            least = min(max(least, up), high[j])
        room.wish.low[k], room.wish.high[k] = least, high[j]
        k += 1
    return k


@inner_kernel
def freed(wish: Wish, angles: Array, give: Array, floor: Array, low: Array, high: Array, room: Room) -> Wish:
    """The same rows in the same room with other joints that give, wanted where they are."""
    return part_of(room, len(wish.a), _joints_of(angles, give, floor, low, high, room), wish.hamstring)


__all__ = ["ROOT_DOF", "Room", "Wish", "freed", "part_of", "room_for", "wish_of"]
