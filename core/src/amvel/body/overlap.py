"""Which limbs of a placed body would pass through its trunk or through each other.

Flesh gives and hands may rest on the belly, so only the middle lines of limbs are held against a core: the trunk's
inner part, and the inner part of the other limb.  The shares of stature are our estimate from the body's own outline.
"""

from dataclasses import dataclass

import numpy as np

from amvel.body.skeleton import Array, Skeleton

TRUNK_CORE = 0.046  # of stature: three quarters of the half depth of the trunk
LEG_CORE = 0.026  # two legs whose middle lines come nearer than this lie in each other
ARM_CORE = 0.016
_POINTLIKE = np.finfo(float).tiny
_SPINE = ("pelvis", "lumbar", "lower_thorax", "upper_thorax")
_LIMBS = {
    "forearm": ("elbow", "wrist"),
    "hand": ("wrist", "fingertips"),
    "shank": ("knee", "ankle"),
    "foot": ("ankle", "ball"),
}


@dataclass(frozen=True)
class Overlap:
    """Two parts in each other: the row of the pose, their names, and how far their middle lines are apart (m)."""

    row: int
    part: str
    into: str
    apart_m: float


def overlaps(skeleton: Skeleton, points: Array) -> list[Overlap]:
    """Every overlap in B placed bodies: landmarks B×N×3 in metres."""
    index, h = skeleton.landmarks.index, skeleton.body.stature_m
    lines = {
        f"{side}.{part}": (points[:, index[f"{side}.{a}"]], points[:, index[f"{side}.{b}"]])
        for side in ("left", "right")
        for part, (a, b) in _LIMBS.items()
    }
    centres = [points[:, index[f"com.{name}"]] for name in _SPINE]
    found: list[Overlap] = []
    for part, (a, b) in lines.items():
        gaps = np.min([segments_apart(a, b, c, d) for c, d in zip(centres, centres[1:], strict=False)], axis=0)
        found += _closer(gaps, TRUNK_CORE * h, part, "trunk")
    for part in _LIMBS:
        core = LEG_CORE if part in ("shank", "foot") else ARM_CORE
        for other in _LIMBS:
            if (other in ("shank", "foot")) == (part in ("shank", "foot")) and part != "hand" != other:
                gaps = segments_apart(*lines[f"left.{part}"], *lines[f"right.{other}"])
                found += _closer(gaps, core * h, f"left.{part}", f"right.{other}")
    return found


def _closer(gaps: Array, core_m: float, part: str, into: str) -> list[Overlap]:
    return [Overlap(int(i), part, into, float(gaps[i])) for i in np.flatnonzero(gaps < core_m)]


def segments_apart(a: Array, b: Array, c: Array, d: Array) -> Array:
    """Smallest distance between segments a–b and c–d, each B×3, in the unit of the points."""
    u, v, w = b - a, d - c, a - c
    uu, uv, vv = ((x * y).sum(-1) for x, y in ((u, u), (u, v), (v, v)))
    uw, vw = (u * w).sum(-1), (v * w).sum(-1)
    det = uu * vv - uv * uv
    crossing = det > 1e-12 * uu * vv  # of the segments' own lengths, so that short ones are measured as well as long ones
    s = np.where(crossing, np.clip((uv * vw - vv * uw) / np.where(crossing, det, 1.0), 0, 1), 0.0)
    t = np.clip((uv * s + vw) / np.maximum(vv, _POINTLIKE), 0, 1)
    s = np.clip((uv * t - uw) / np.maximum(uu, _POINTLIKE), 0, 1)
    gap: Array = np.linalg.norm(w + s[:, None] * u - t[:, None] * v, axis=-1)
    return gap


__all__ = ["ARM_CORE", "LEG_CORE", "TRUNK_CORE", "Overlap", "overlaps", "segments_apart"]
