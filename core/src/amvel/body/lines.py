"""Angles and distances between the lines of placed bodies: what no joint shows by itself."""

from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body.compiled import inner_kernel, kernel
from amvel.body.posing import Posed
from amvel.body.skeleton import JOINTS, Skeleton
from amvel.body.tree import Array, Rows

_SIDES = ("left", "right")


# What a row of lines holds; of what both sides have the left one, beside which the right one stands.
# The bend between thigh and the line from hip to shoulder, seen along the axis through both hips (straight is 0, deg), and the
# angle of the upper arm from hanging along the trunk (deg).
THIGH_TRUNK, ARM_RAISED = 0, 2
# How far knee and ankle are on the other side of the plane midway between the hips (negative on their own, cm).
KNEE_PAST, ANKLE_PAST = 4, 6
TRUNK_INCLINATION, HEAD_ABOVE_HEART = 8, 9  # deg, cm
HEELS_ACROSS, HEELS_ALONG = 10, 11  # how far apart the heels are across the pelvis and along it, seen from above (cm)
LINES = 12


class _Marks(NamedTuple):
    """Rows of segments and landmarks; those of both sides are two each."""

    pelvis: int
    thorax: int
    arm: Rows
    hip: Rows
    knee: Rows
    ankle: Rows
    shoulder: Rows
    heel: Rows
    head: int
    heart: int


@lru_cache(maxsize=64)
def _marks_of(skeleton: Skeleton) -> _Marks:
    segment, mark = skeleton.segment_index, skeleton.landmarks.index
    both = {name: np.array([mark[f"{s}.{name}"] for s in _SIDES]) for name in ("hip", "knee", "ankle", "shoulder", "heel")}
    arm = np.array([segment[f"{s}.upper_arm"] for s in _SIDES])
    return _Marks(segment["pelvis"], segment["upper_thorax"], arm, **both, head=mark["com.head"], heart=mark["heart"])


def lines_of(skeleton: Skeleton, posed: Posed) -> Array:
    """The lines of every placed body, B×LINES."""
    found = np.zeros((len(posed.points), LINES))
    _measure_all(_marks_of(skeleton), posed.placement.rotation, posed.points, found)
    return found


@lru_cache(maxsize=64)
def foot_cm(skeleton: Skeleton) -> float:
    """How long a foot is whose toes are straight."""
    straight = skeleton.place_with_points(np.zeros((1, 3)), np.eye(3)[None], np.zeros((1, len(JOINTS))))[1][0]
    index = skeleton.landmarks.index
    return float(100 * np.linalg.norm(straight[index["left.heel"]] - straight[index["left.toe_tip"]]))


@kernel
def _measure_all(marks: _Marks, turned: Array, points: Array, out: Array) -> None:
    for b in range(len(points)):
        out[b, TRUNK_INCLINATION] = _turn_deg(turned[b, marks.thorax, 2, 2])
        out[b, HEAD_ABOVE_HEART] = 100 * (points[b, marks.head, 2] - points[b, marks.heart, 2])
        _heels_apart(marks, turned[b], points[b], out[b])
        for s in range(2):
            out[b, THIGH_TRUNK + s] = _bend_deg(marks, s, turned[b], points[b])
            cosine = 0.0
            for i in range(3):
                cosine += turned[b, marks.arm[s], i, 2] * turned[b, marks.thorax, i, 2]
            out[b, ARM_RAISED + s] = _turn_deg(cosine)
            out[b, KNEE_PAST + s] = _past_cm(marks, s, marks.knee[s], points[b])
            out[b, ANKLE_PAST + s] = _past_cm(marks, s, marks.ankle[s], points[b])


@inner_kernel
def _heels_apart(marks: _Marks, turned: Array, points: Array, out: Array) -> None:
    x = points[marks.heel[0], 0] - points[marks.heel[1], 0]
    y = points[marks.heel[0], 1] - points[marks.heel[1], 1]
    u, v = turned[marks.pelvis, 0, 1], turned[marks.pelvis, 1, 1]
    size = max(np.sqrt(u * u + v * v), 1e-9)
    u, v = u / size, v / size
    out[HEELS_ACROSS] = 100 * abs(x * u + y * v)
    out[HEELS_ALONG] = 100 * abs(x * -v + y * u)


@inner_kernel
def _turn_deg(cosine: float) -> float:
    return np.degrees(np.arccos(min(1.0, max(-1.0, cosine))))


@inner_kernel
def _bend_deg(marks: _Marks, s: int, turned: Array, points: Array) -> float:
    """Of both lines what is along the hip axis is left out; from trunk to thigh about that axis."""
    x, y, z = turned[marks.pelvis, 0, 1], turned[marks.pelvis, 1, 1], turned[marks.pelvis, 2, 1]
    a, b, c = _flat(points, marks.knee[s], marks.hip[s], x, y, z)
    u, v, w = _flat(points, marks.hip[s], marks.shoulder[s], x, y, z)
    across = (b * w - c * v) * x + (c * u - a * w) * y + (a * v - b * u) * z
    return np.degrees(np.arctan2(across, a * u + b * v + c * w))


@inner_kernel
def _flat(points: Array, end: int, start: int, x: float, y: float, z: float) -> tuple[float, float, float]:
    """From one mark to another, without what is along this direction."""
    a, b, c = points[end, 0] - points[start, 0], points[end, 1] - points[start, 1], points[end, 2] - points[start, 2]
    along = a * x + b * y + c * z
    return a - along * x, b - along * y, c - along * z


@inner_kernel
def _past_cm(marks: _Marks, s: int, mark: int, points: Array) -> float:
    """Seen along the line from the hip of the other side to that of this one, from midway between them."""
    own, other = marks.hip[s], marks.hip[1 - s]
    past, size = 0.0, 0.0
    for i in range(3):
        across = points[own, i] - points[other, i]
        past -= (points[mark, i] - 0.5 * (points[own, i] + points[other, i])) * across
        size += across * across
    return 100 * past / np.sqrt(size)


__all__ = ["LINES", "foot_cm", "lines_of"]
