"""The part of a skeleton that moves while a batch of poses is solved.

Joints that no pose of the batch leaves free are not differentiated, and straight ones are skipped; of the landmarks
only those that the batch asks about are placed.  The answers are those of `Skeleton.place`, for these joints and points.
"""

import numpy as np
from numpy.typing import NDArray

from amvel.body.skeleton import Array, Skeleton

Rows = NDArray[np.int64]
_Step = tuple[
    int, int, Array, list[tuple[int, tuple[int, float]]]
]  # as in Skeleton.plan, an axis as (which, ±1)


def cross(a: Array, b: Array) -> Array:
    """Cross products along the last axis; `numpy.cross` spends most of its time on shapes."""
    out = np.empty(np.broadcast_shapes(a.shape, b.shape))
    x, y, z = (a[..., k] for k in range(3))
    u, v, w = (b[..., k] for k in range(3))
    out[..., 0], out[..., 1], out[..., 2] = y * w - z * v, z * u - x * w, x * v - y * u
    return out


class MovingPart:
    """`joints` are rows of JOINTS that move (K of them), `landmarks` rows of the landmarks that are asked about (N).

    Every joint turns about an axis of the segment before it, so that a turn mixes two columns of that segment's
    orientation.  Orientations are kept as columns by components by poses, 3×3×B: long, contiguous rows.
    """

    def __init__(self, skeleton: Skeleton, joints: Rows, landmarks: Rows, angles: Array) -> None:
        self.joints = joints
        self.local_m = skeleton.landmarks.local_m[landmarks]
        self.segment = skeleton.landmarks.segment[landmarks]
        self._order = _with_ancestors(skeleton, set(self.segment.tolist()))
        self._column = {int(j): k for k, j in enumerate(joints)}
        turned = {
            j for _, _, _, axes in self._order for j, _ in axes if j not in self._column and angles[:, j].any()
        }
        self._still = {j: (np.cos(angles[:, j]), np.sin(angles[:, j])) for j in turned}
        self._marks = [np.flatnonzero(self.segment == segment) for segment, _, _, _ in self._order]

    def subset(self, rows: Rows) -> "MovingPart":
        """The same for some of the poses."""
        part: MovingPart = object.__new__(MovingPart)
        part.__dict__ |= self.__dict__
        part._still = {j: (c[rows], s[rows]) for j, (c, s) in self._still.items()}
        return part

    def place(self, position: Array, rotation: Array, angles: Array) -> tuple[Array, Array, Array]:
        """Points B×N×3 (m), and the axes and centres B×K×3 of the moving joints; `angles` is B×K (rad)."""
        count, size = angles.shape
        cos, sin = np.cos(angles.T), np.sin(angles.T)
        axis, centre = np.zeros((size, 3, count)), np.zeros((size, 3, count))
        points = np.empty((len(self.segment), 3, count))
        placed = {0: (position.T, np.ascontiguousarray(rotation.transpose(2, 1, 0)))}
        for (segment, parent, offset, axes), marks in zip(self._order, self._marks, strict=True):
            if parent >= 0:
                before, turned = placed[parent]
                at = before + _along(offset, turned)
                for j, (about, sign) in axes:
                    k = self._column.get(j)
                    if k is not None:
                        axis[k], centre[k] = sign * turned[about], at
                        turned = _turned(turned, about, cos[k], sign * sin[k])
                    elif j in self._still:
                        c, s = self._still[j]
                        turned = _turned(turned, about, c, sign * s)
                placed[segment] = (at, turned)
            at, turned = placed[segment]
            if len(marks):
                points[marks] = (self.local_m[marks] @ turned.reshape(3, -1)).reshape(len(marks), 3, -1) + at
        return _poses_first(points), _poses_first(axis), _poses_first(centre)


def _poses_first(rows: Array) -> Array:
    """N×3×B as B×N×3."""
    return np.ascontiguousarray(rows.transpose(2, 0, 1))


def _along(offset: Array, turned: Array) -> Array:
    """A vector given in a segment, in the world: 3×B."""
    out: Array = (offset @ turned.reshape(3, -1)).reshape(3, -1)
    return out


def _turned(columns: Array, about: int, cos: Array, sin: Array) -> Array:
    """The orientation turned about one of its own axes."""
    one, other = columns[(about + 1) % 3], columns[(about + 2) % 3]
    out = np.empty_like(columns)
    out[about] = columns[about]
    out[(about + 1) % 3] = one * cos + other * sin
    out[(about + 2) % 3] = other * cos - one * sin
    return out


def _with_ancestors(skeleton: Skeleton, wanted: set[int]) -> list[_Step]:
    """The plan of the wanted segments and of all between them and the pelvis, from the pelvis outwards."""
    parent = {segment: before for segment, before, _, _ in skeleton.plan}
    needed: set[int] = {0}
    for segment in wanted:
        while segment >= 0 and segment not in needed:
            needed.add(segment)
            segment = parent[segment]
    return [
        (segment, before, offset, [(j, _axis(vector)) for j, vector in axes])
        for segment, before, offset, axes in skeleton.plan
        if segment in needed
    ]


def _axis(vector: Array) -> tuple[int, float]:
    """Which axis it is, and which way; every joint turns about one of them."""
    about = int(np.abs(vector).argmax())
    return about, float(vector[about])


__all__ = ["MovingPart", "cross"]
