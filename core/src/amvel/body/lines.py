"""Angles and distances between the lines of placed bodies: what no joint shows by itself."""

from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body.compiled import kernel
from amvel.body.posing import Posed
from amvel.body.skeleton import Skeleton
from amvel.body.tree import Array, Rows

_SIDES = ("left", "right")


class Lines(NamedTuple):
    """Of B poses; what both sides have is 2×B.

    `thigh_trunk_deg` is the bend between thigh and the line from hip to shoulder, seen along the axis through both hips
    (straight is 0); `arm_raised_deg` the angle of the upper arm from hanging along the trunk; `knee_past_cm` and
    `ankle_past_cm` how far they are on the other side of the plane midway between the hips (negative on their own).
    """

    thigh_trunk_deg: Array
    arm_raised_deg: Array
    knee_past_cm: Array
    ankle_past_cm: Array
    trunk_inclination_deg: Array
    head_above_heart_cm: Array

    @property
    def table(self) -> Array:
        """All of it with one row for each pose."""
        return np.vstack(self).T

    @classmethod
    def of_table(cls, table: Array) -> "Lines":
        """The inverse."""
        return cls(*table.T[:8].reshape(4, 2, len(table)), *table.T[8:])


class _Marks(NamedTuple):
    """Rows of segments and landmarks; those of both sides are two each."""

    pelvis: int
    thorax: int
    arm: Rows
    hip: Rows
    knee: Rows
    ankle: Rows
    shoulder: Rows
    head: int
    heart: int


@lru_cache(maxsize=64)
def _marks_of(skeleton: Skeleton) -> _Marks:
    segment, mark = skeleton.segment_index, skeleton.landmarks.index
    both = {name: np.array([mark[f"{s}.{name}"] for s in _SIDES]) for name in ("hip", "knee", "ankle", "shoulder")}
    arm = np.array([segment[f"{s}.upper_arm"] for s in _SIDES])
    return _Marks(segment["pelvis"], segment["upper_thorax"], arm, **both, head=mark["com.head"], heart=mark["heart"])


def lines_of(skeleton: Skeleton, posed: Posed) -> Lines:
    """The lines of every placed body."""
    count = len(posed.points)
    found = Lines(*np.zeros((4, 2, count)), *np.zeros((2, count)))
    _measure_all(_marks_of(skeleton), posed.placement.rotation, posed.points, found)
    return found


@kernel
def _measure_all(marks: _Marks, turned: Array, points: Array, out: Lines) -> None:
    for b in range(len(points)):
        out.trunk_inclination_deg[b] = _turn_deg(turned[b, marks.thorax, 2, 2])
        out.head_above_heart_cm[b] = 100 * (points[b, marks.head, 2] - points[b, marks.heart, 2])
        for s in range(2):
            out.thigh_trunk_deg[s, b] = _bend_deg(marks, s, turned[b], points[b])
            cosine = 0.0
            for i in range(3):
                cosine += turned[b, marks.arm[s], i, 2] * turned[b, marks.thorax, i, 2]
            out.arm_raised_deg[s, b] = _turn_deg(cosine)
            out.knee_past_cm[s, b] = _past_cm(marks, s, marks.knee[s], points[b])
            out.ankle_past_cm[s, b] = _past_cm(marks, s, marks.ankle[s], points[b])


@kernel
def _turn_deg(cosine: float) -> float:
    return np.degrees(np.arccos(min(1.0, max(-1.0, cosine))))


@kernel
def _bend_deg(marks: _Marks, s: int, turned: Array, points: Array) -> float:
    """Of both lines what is along the hip axis is left out; from trunk to thigh about that axis."""
    x, y, z = turned[marks.pelvis, 0, 1], turned[marks.pelvis, 1, 1], turned[marks.pelvis, 2, 1]
    a, b, c = _flat(points, marks.knee[s], marks.hip[s], x, y, z)
    u, v, w = _flat(points, marks.hip[s], marks.shoulder[s], x, y, z)
    across = (b * w - c * v) * x + (c * u - a * w) * y + (a * v - b * u) * z
    return np.degrees(np.arctan2(across, a * u + b * v + c * w))


@kernel
def _flat(points: Array, end: int, start: int, x: float, y: float, z: float) -> tuple[float, float, float]:
    """From one mark to another, without what is along this direction."""
    a, b, c = points[end, 0] - points[start, 0], points[end, 1] - points[start, 1], points[end, 2] - points[start, 2]
    along = a * x + b * y + c * z
    return a - along * x, b - along * y, c - along * z


@kernel
def _past_cm(marks: _Marks, s: int, mark: int, points: Array) -> float:
    """Seen along the line from the hip of the other side to that of this one, from midway between them."""
    own, other = marks.hip[s], marks.hip[1 - s]
    past, size = 0.0, 0.0
    for i in range(3):
        across = points[own, i] - points[other, i]
        past -= (points[mark, i] - 0.5 * (points[own, i] + points[other, i])) * across
        size += across * across
    return 100 * past / np.sqrt(size)


__all__ = ["Lines", "lines_of"]
