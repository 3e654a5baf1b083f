"""What a part at rest presses: a limb about its root joint, and a trunk that leans on something."""

from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body.compiled import inner_kernel
from amvel.body.flat import BEARS, KNEES, LEANS, NOWHERE, RESTS, ContactTable, LoadTable
from amvel.body.pushes import GRAVITY_M_S2, load_force
from amvel.body.skeleton import JOINT_INDEX
from amvel.body.tree import Array, Flags, Rows, Tree

_REST_LEVER_M = 0.06
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
def limbs_of(names: tuple[str, ...], moves: bytes) -> Limbs:
    parts = np.array([[n in own for n in names] for own in _LIMBS.values()])
    limb, foot = np.full(len(names), NOWHERE), np.full(len(names), NOWHERE)
    for k in range(5):
        limb[parts[k]] = k
    for k in (5, 6):
        foot[parts[k]] = k
    upper = np.frombuffer(moves, dtype=bool).reshape(len(names), -1)[:, JOINT_INDEX["lumbar.flexion"]].copy()
    root = np.array([names.index(own[0]) for own in _LIMBS.values()])
    return Limbs(limb, foot, parts, root, np.array(KNEES), names.index("lumbar"), upper)


@inner_kernel
def _limb_at(tree: Tree, limbs: Limbs, contacts: ContactTable, b: int, k: int) -> int:
    """The limb that rests at contact k: of a leg whose knee carries, the foot."""
    s = tree.segment[contacts.point[k]]
    if limbs.foot[s] >= 0 and contacts.part[k] != limbs.knee[limbs.foot[s] - 5]:
        for c in range(contacts.first[b], contacts.first[b + 1]):
            if contacts.part[c] == limbs.knee[limbs.foot[s] - 5] and contacts.strategy[c] == BEARS:
                return limbs.foot[s]
    return limbs.limb[s]


@inner_kernel
def resting_force(tree: Tree, limbs: Limbs, contacts: ContactTable, b: int, k: int, origin: Array, points: Array) -> float:
    """What a limb at rest presses: its own weight about its root joint, no muscle at that joint; NaN under the joint."""
    at = points[contacts.point[k]]
    limb = _limb_at(tree, limbs, contacts, b, k)
    joint = origin[limbs.root[limb]]
    x, y = at[0] - joint[0], at[1] - joint[1]
    lever = np.sqrt(x * x + y * y)
    mass, moment = 0.0, 0.0
    for s in range(len(limbs.limb)):
        if limbs.parts[limb, s]:
            com = tree.com[s]
            mass += tree.mass_kg[s]
            moment += tree.mass_kg[s] * ((points[com, 0] - joint[0]) * x + (points[com, 1] - joint[1]) * y) / max(lever, 1e-9)
    if lever < _REST_LEVER_M:
        if limb != limbs.limb[tree.segment[contacts.point[k]]]:
            return mass * GRAVITY_M_S2  # a foot under its ankle stands on its toes, and nothing else does
        return np.nan
    sharing = 0
    for c in range(contacts.first[b], contacts.first[b + 1]):
        if contacts.strategy[c] == RESTS and _limb_at(tree, limbs, contacts, b, c) == limb:
            sharing += 1
    return max(0.0, moment * GRAVITY_M_S2 / lever) / sharing


@inner_kernel
def _moment_about(points: Array, mark: int, joint: Array, force: Array, axis: tuple[float, float, float]) -> float:
    """Of a force at a landmark, about an axis through a joint."""
    p, q, r = points[mark, 0] - joint[0], points[mark, 1] - joint[1], points[mark, 2] - joint[2]
    a, b, c = force[0], force[1], force[2]
    return (q * c - r * b) * axis[0] + (r * a - p * c) * axis[1] + (p * b - q * a) * axis[2]


@inner_kernel
def leaning_force(
    tree: Tree, limbs: Limbs, contacts: ContactTable, loads: LoadTable, b: int, k: int, origin: Array, points: Array, pull: Array
) -> float:
    """What each leaning contact presses, so that together they hold all above L4/5 and the back holds nothing.

    `pull` (3) is room for the pull of a load.
    """
    joint, normal = origin[limbs.trunk], contacts.normal[k]
    u, v, w, sharing = 0.0, 0.0, 0.0, 0
    for c in range(contacts.first[b], contacts.first[b + 1]):
        if contacts.strategy[c] == LEANS:
            at = points[contacts.point[c]]
            u, v, w = u + (at[0] - joint[0]), v + (at[1] - joint[1]), w + (at[2] - joint[2])
            sharing += 1
    u, v, w = u / sharing, v / sharing, w / sharing
    x, y, z = normal[1] * w - normal[2] * v, normal[2] * u - normal[0] * w, normal[0] * v - normal[1] * u
    size = np.sqrt(x * x + y * y + z * z)
    if size < _REST_LEVER_M:
        return 0.0
    moment = 0.0
    for s in range(len(limbs.upper)):
        if limbs.upper[s]:
            com = points[tree.com[s]]
            moment -= tree.mass_kg[s] * GRAVITY_M_S2 * ((com[1] - joint[1]) * x - (com[0] - joint[0]) * y) / size
    for i in range(loads.first[b], loads.first[b + 1]):
        if limbs.upper[tree.segment[loads.point[i]]]:
            load_force(loads, i, points, pull)
            moment += _moment_about(points, loads.point[i], joint, pull, (x, y, z)) / size
    for c in range(contacts.first[b], contacts.first[b + 1]):
        if contacts.strategy[c] == RESTS and limbs.upper[tree.segment[contacts.point[c]]]:
            rest = resting_force(tree, limbs, contacts, b, c, origin, points)
            if rest == rest:
                moment += rest * _moment_about(points, contacts.point[c], joint, contacts.normal[c], (x, y, z)) / size
    # The unit push has the moment arm × normal, which is −size about the axis normal × arm.
    return max(0.0, moment / size) / sharing


__all__ = ["Limbs", "leaning_force", "limbs_of", "resting_force"]
