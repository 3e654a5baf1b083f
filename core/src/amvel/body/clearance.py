"""Nothing passes through the floor: a hand or foot that would, is turned or lifted until it does not.

Contacts are placed by the pose solver; a limb that is free in the air is declared by its angles, and on some bodies its
toes or fingers would end below the floor.  Only such poses are solved again, with the small joints of that limb given.
"""

from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body.compiled import inner_kernel
from amvel.body.descent import Body, descend_from_here, gaps
from amvel.body.flat import NOWHERE
from amvel.body.skeleton import JOINT_INDEX, Skeleton
from amvel.body.tree import Array, Rows, Tree
from amvel.body.wish import Room, Wish, freed

TOLERANCE_M = 0.004
EXTRA_ROWS = 20  # every landmark that may get a row
_PASSES = 3
_WEIGHT = 500.0  # half of a contact's
_STAYS = 30.0  # the rest of the pose is right already and is not to move for a toe
_FOOT = ("toe_tip", "toe_under", "ball", "heel", "foot_outer", "foot_inner", "instep")
_HAND = ("fingertips", "palm", "knuckles")
# The nearer to the end of the limb, the easier it gives.
_GIVE = (
    {"toes.extension": 0.2, "ankle.dorsiflexion": 0.3, "ankle.inversion": 0.3, "knee.flexion": 3.0},
    {"wrist.extension": 0.3, "elbow.flexion": 0.6, "shoulder.flexion": 3.0},
)


class Ends(NamedTuple):
    """The ends of the limbs: four limbs (left foot, left hand, right foot, right hand), each with landmarks and joints.

    `marks` 4×7 and `joints` 4×4 are padded with -1; `give` 4×4.  A limb that carries on one of its `fists` is left as its
    contact has placed it: a fist has no fingertips to lift.
    """

    marks: Rows
    joints: Rows
    give: Array
    fists: Rows


@lru_cache(maxsize=64)
def ends_of(skeleton: Skeleton) -> Ends:
    """The ends of this body's limbs."""
    marks, joints, give = np.full((4, 7), NOWHERE), np.full((4, 4), NOWHERE), np.zeros((4, 4))
    fists = np.full((4, 2), NOWHERE)
    index = skeleton.landmarks.index
    for s, side in enumerate(("left", "right")):
        for k, points in enumerate((_FOOT, _HAND)):
            limb = 2 * s + k
            marks[limb, : len(points)] = [index[f"{side}.{p}"] for p in points]
            joints[limb, : len(_GIVE[k])] = [JOINT_INDEX[f"{side}.{j}"] for j in _GIVE[k]]
            give[limb, : len(_GIVE[k])] = list(_GIVE[k].values())
        fists[2 * s + 1] = [index[f"{side}.{p}"] for p in ("palm", "knuckles")]
    return Ends(marks, joints, give, fists)


@inner_kernel
def _lowest(tree: Tree, body: Body, marks: Rows) -> tuple[int, float]:
    lowest, height = NOWHERE, np.inf
    for mark in marks:
        if mark == NOWHERE:
            continue
        s = tree.segment[mark]
        up = body.origin[s, 2]
        for k in range(3):
            up += body.turned[s, 2, k] * tree.local_m[mark, k]
        if up < height:
            lowest, height = mark, up
    return lowest, height


@inner_kernel
def _carries(contacts: Rows, fists: Rows) -> bool:
    for mark in fists:
        if mark == NOWHERE:
            continue
        for c in contacts:
            if c == mark:
                return True
    return False


@inner_kernel
def clear(
    tree: Tree,
    ends: Ends,
    wish: Wish,
    body: Body,
    rows: int,
    must: Array,
    contacts: Rows,
    floor_m: float,
    give: Array,
    floor: Array,
    low: Array,
    high: Array,
    gap: float,
    which: int,
    room: Room,
) -> tuple[float, int]:
    """Raise what lies under the floor, where the joints allow it; `give` becomes what gave.  Returns the widest gap.

    `wish` has room for EXTRA_ROWS rows after its first `rows`.
    """
    added = 0
    for _ in range(_PASSES):
        if gap > 0.005:  # it cannot be taken: nothing to raise
            return gap, which
        under = 0  # which limbs, a bit each
        for limb in range(4):
            if _carries(contacts, ends.fists[limb]):
                continue
            mark, height = _lowest(tree, body, ends.marks[limb])
            if height < floor_m - TOLERANCE_M:
                under |= 1 << limb
                added = _row_for(wish, rows, added, mark, floor_m)
        if not under:
            return gap, which
        _loosen(ends, under, give)
        again = freed(wish, body.angles, give, floor, low, high, room)
        descend_from_here(tree, again, body, room)
        gap, which = gaps(again, body, rows, must)
    return gap, which


@inner_kernel
def _row_for(wish: Wish, rows: int, added: int, mark: int, floor_m: float) -> int:
    """A wish that a landmark be on the floor; how many there are now."""
    for r in range(rows, rows + added):
        if wish.a[r] == mark:
            return added
    r = rows + added
    wish.a[r], wish.b[r] = mark, NOWHERE
    wish.normal[r, 2], wish.offset[r], wish.weight[r] = 1.0, floor_m, _WEIGHT
    return added + 1


@inner_kernel
def _loosen(ends: Ends, under: int, give: Array) -> None:
    for j in range(len(give)):
        if give[j] > 0:
            give[j] = max(_STAYS, give[j])
    for limb in range(4):
        if under & (1 << limb):
            for k in range(4):
                if ends.joints[limb, k] != NOWHERE:
                    give[ends.joints[limb, k]] = ends.give[limb, k]


__all__ = ["EXTRA_ROWS", "TOLERANCE_M", "Ends", "clear", "ends_of"]
