"""The skeleton as flat arrays, and the kernel that places it.

Every joint turns about one axis of the segment before it, so that a turn mixes two columns of that segment's
orientation.
"""

from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from amvel.body.compiled import inner_kernel, kernel

Array = NDArray[np.float64]
Rows = NDArray[np.int64]
Flags = NDArray[np.bool_]


def most_of(first: Rows) -> int:
    """The largest number of items of one pose, where those of pose b are `first[b]` to `first[b + 1]`; 0 without any."""
    return int((first[1:] - first[:-1]).max(initial=0))


class Tree(NamedTuple):
    """One body: S segments, J joints, N landmarks.

    `parent` and `offset_m` (S, S×3) of each segment; its joints are `joint[first[s]:first[s + 1]]`, in order. `about` and
    `sign` (J) say about which axis a joint turns and which way. Landmarks: `segment` (N) and `local_m` (N×3). `com` (S)
    are the landmarks of the centres of mass, `moves` (S×J) says which joint moves which segment.
    """

    parent: Rows
    offset_m: Array
    first: Rows
    joint: Rows
    about: Rows
    sign: Array
    segment: Rows
    local_m: Array
    mass_kg: Array
    com: Rows
    moves: Flags


@kernel
def place(
    tree: Tree,
    position: Array,
    rotation: Array,
    angles: Array,
    origin: Array,
    turned: Array,
    axis: Array,
    centre: Array,
) -> None:
    """Place one pose: fills origins S×3, orientations S×3×3, joint axes and centres J×3 (m, rad)."""
    for s in range(tree.parent.shape[0]):
        p = tree.parent[s]
        if p < 0:
            for i in range(3):
                origin[s, i] = position[i]
                for k in range(3):
                    turned[s, i, k] = rotation[i, k]
            continue
        for i in range(3):
            at = origin[p, i]
            for k in range(3):
                at += turned[p, i, k] * tree.offset_m[s, k]
                turned[s, i, k] = turned[p, i, k]
            origin[s, i] = at
        for n in range(tree.first[s], tree.first[s + 1]):
            j = tree.joint[n]
            about, sign = tree.about[j], tree.sign[j]
            one, other = (about + 1) % 3, (about + 2) % 3
            for i in range(3):
                axis[j, i] = sign * turned[s, i, about]
                centre[j, i] = origin[s, i]
            if angles[j] == 0.0:  # most joints of most poses: nothing turns
                continue
            c, d = np.cos(angles[j]), sign * np.sin(angles[j])
            for i in range(3):
                u, v = turned[s, i, one], turned[s, i, other]
                turned[s, i, one] = u * c + v * d
                turned[s, i, other] = v * c - u * d


@inner_kernel
def point_at(tree: Tree, origin: Array, turned: Array, landmark: int, out: Array) -> None:
    """Where a landmark is in a placed body (m)."""
    s = tree.segment[landmark]
    for i in range(3):
        at = origin[s, i]
        for k in range(3):
            at += turned[s, i, k] * tree.local_m[landmark, k]
        out[i] = at


@kernel
def place_all(
    tree: Tree,
    position: Array,
    rotation: Array,
    angles: Array,
    origin: Array,
    turned: Array,
    axis: Array,
    centre: Array,
    points: Array,
) -> None:
    """Place B poses and all their landmarks (B×N×3)."""
    for b in range(angles.shape[0]):
        place(tree, position[b], rotation[b], angles[b], origin[b], turned[b], axis[b], centre[b])
        for n in range(tree.segment.shape[0]):
            point_at(tree, origin[b], turned[b], n, points[b, n])


@kernel
def turn_of(vector: Array, out: Array) -> None:
    """The rotation matrix of a rotation vector (rad)."""
    angle = np.sqrt(vector[0] ** 2 + vector[1] ** 2 + vector[2] ** 2)
    size = angle if angle > 1e-12 else 1.0
    x, y, z = vector[0] / size, vector[1] / size, vector[2] / size
    s, c = np.sin(angle), 1.0 - np.cos(angle)
    out[0, 0], out[0, 1], out[0, 2] = 1 - c * (y * y + z * z), -s * z + c * x * y, s * y + c * x * z
    out[1, 0], out[1, 1], out[1, 2] = s * z + c * x * y, 1 - c * (x * x + z * z), -s * x + c * y * z
    out[2, 0], out[2, 1], out[2, 2] = -s * y + c * x * z, s * x + c * y * z, 1 - c * (x * x + y * y)


__all__ = ["Array", "Flags", "Rows", "Tree", "most_of", "place", "place_all", "point_at", "turn_of"]
