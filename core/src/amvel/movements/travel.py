"""What the movements of one batch do from each declared frame to the next, as numbers of all of them at once.

A movement has few frames: asked one by one, numpy would spend its time on being asked.
"""

from collections.abc import Sequence
from functools import cached_property

import numpy as np

from amvel.body import JOINTS, Posed, Skeleton
from amvel.body.tree import Array

_SIDES = ("left", "right")
PARTS = {"arm": ("scapula", "shoulder", "elbow", "forearm", "wrist"), "leg": ("hip", "knee", "ankle", "toes")}
_LARGE = {"arm": ("shoulder", "elbow"), "leg": ("hip", "knee")}
Traveller = tuple[str, str]


def _joints(side: str, parts: Sequence[str]) -> list[int]:
    names = [name.rpartition(".")[0] for name, _, _ in JOINTS]
    return [i for i, name in enumerate(names) if name in [f"{side}.{part}" for part in parts]]


# The joints of what travels: a limb by its two large joints, a leg with its foot, and toes.
LIMB_JOINTS: dict[Traveller, list[int]] = {(limb, side): _joints(side, parts) for limb, parts in _LARGE.items() for side in _SIDES}
_TRAVELLERS: dict[Traveller, list[int]] = {
    **LIMB_JOINTS,
    **{("leg and foot", side): _joints(side, PARTS["leg"]) for side in _SIDES},
    **{("toes", side): _joints(side, ("toes",)) for side in _SIDES},
}
_WIDEST = max(map(len, _TRAVELLERS.values()))
_JOINTS_OF = np.array([[*own, *[own[0]] * (_WIDEST - len(own))] for own in _TRAVELLERS.values()])  # a joint named twice changes nothing
_NUMBER = {traveller: k for k, traveller in enumerate(_TRAVELLERS)}
_TRUNK = ("lumbar", "lower_thoracic", "upper_thoracic")
_TRUNK_AXES = sorted({name.partition(".")[2] for name, _, _ in JOINTS if name.partition(".")[0] in _TRUNK})
# Joints by axes: what the parts of the trunk give together about each.
_TRUNK_BY_AXIS = np.array([[float(name in [f"{part}.{axis}" for part in _TRUNK]) for axis in _TRUNK_AXES] for name, _, _ in JOINTS])
_FOOT_LINES = (("heel", "ball"), ("foot_outer", "foot_inner"))
_LINE_FROM, _LINE_TO = (tuple(f"{side}.{line[end]}" for side in _SIDES for line in _FOOT_LINES) for end in (0, 1))
_ARM_AND_HIP = tuple(f"{side}.{mark}" for side in _SIDES for mark in ("shoulder", "elbow", "hip"))
_HANGS_WITHIN_DEG = 30.0  # an upper arm nearer to the plumb line hangs by itself (our reading)
_UP_CM = 3.0  # lying, an elbow this far above the shoulder is held there (our reading)
_UPRIGHT = 0.5  # the trunk's share along the vertical from which somebody sits or stands


class Travel:
    """B posed frames of S movements (`spans`, one after the other), and P ways: from row `pairs[k][0]` to row `pairs[k][1]`."""

    def __init__(self, skeleton: Skeleton, posed: Posed, spans: Sequence[range], pairs: Sequence[tuple[int, int]]) -> None:
        self.skeleton, self.posed, self.pairs = skeleton, posed, pairs
        self._spans = np.array([s.start for s in spans], dtype=np.int64)
        both = np.array(pairs, dtype=np.int64).reshape(-1, 2)
        self._start, self._end = both[:, 0], both[:, 1]

    def over(self, values: Array) -> tuple[Array, Array]:
        """The least and the most of every movement (S×N) of values by frame (B×N)."""
        return np.minimum.reduceat(values, self._spans, axis=0), np.maximum.reduceat(values, self._spans, axis=0)

    @cached_property
    def whole_rad(self) -> Array:
        """How far each joint goes in each movement, S×J."""
        least, most = self.over(self.posed.angles)
        return most - least

    @cached_property
    def trunk_rad(self) -> list[float]:
        """How far the trunk goes in each movement about the axis about which it goes furthest."""
        least, most = self.over(self.posed.angles @ _TRUNK_BY_AXIS)
        found: list[float] = (most - least).max(axis=1).tolist()
        return found

    @cached_property
    def _furthest_rad(self) -> list[list[float]]:
        """Of each way, for each traveller its joint that goes furthest."""
        if not len(self._start):
            return []
        # Of a pair of rows numpy takes those from the first up to before the second: that one is added.
        angles, rows, last = self.posed.angles, np.stack([self._start, self._end], axis=1).ravel(), self.posed.angles[self._end]
        most = np.maximum(np.maximum.reduceat(angles, rows, axis=0)[::2], last)
        least = np.minimum(np.minimum.reduceat(angles, rows, axis=0)[::2], last)
        found: list[list[float]] = (most - least)[:, _JOINTS_OF].max(axis=2).tolist()
        return found

    def furthest_rad(self, k: int, traveller: Traveller) -> float:
        return self._furthest_rad[k][_NUMBER[traveller]]

    @cached_property
    def went_m(self) -> Array:
        """Where each landmark is after a way from where it was before it, P×N×3."""
        found: Array = self.posed.points[self._end] - self.posed.points[self._start]
        return found

    @cached_property
    def went_m2(self) -> Array:
        """How far that is, squared (P×N, m²)."""
        found: Array = np.einsum("pni,pni->pn", self.went_m, self.went_m)
        return found

    @cached_property
    def turned_rad(self) -> list[float]:
        """How far the pelvis turns on each way: the trace of the turn is the sum of the products of both attitudes' entries."""
        trace = (self.posed.root_rotation[self._start] * self.posed.root_rotation[self._end]).sum(axis=(1, 2))
        found: list[float] = np.arccos(np.clip((trace - 1.0) / 2.0, -1.0, 1.0)).tolist()
        return found

    @cached_property
    def sole_rolled_rad(self) -> list[list[float]]:
        """How far each sole turns or tips on the ground on each way, left and right; a shank that leans over a foot that lies
        flat rolls nothing."""
        begin, end = self.skeleton.rows(_LINE_FROM), self.skeleton.rows(_LINE_TO)
        lines = self.posed.points[:, end] - self.posed.points[:, begin]  # B×lines of both feet×3
        before, after = lines[self._start], lines[self._end]
        along = (before * after).sum(axis=-1) / np.sqrt((before * before).sum(axis=-1) * (after * after).sum(axis=-1))
        worst = np.minimum(along[:, 0::2], along[:, 1::2])
        found: list[list[float]] = np.arccos(np.clip(worst, -1.0, 1.0)).tolist()
        return found

    @cached_property
    def arm_is_up(self) -> list[list[bool]]:
        """Of each frame whether the left and the right upper arm neither hangs nor, lying, is as low as the shoulder."""
        at = self.posed.points[:, self.skeleton.rows(_ARM_AND_HIP)].reshape(-1, 2, 3, 3)
        upper, trunk = at[:, :, 1] - at[:, :, 0], at[:, :, 0] - at[:, :, 2]
        long, tall = np.sqrt((upper * upper).sum(axis=-1)), np.sqrt((trunk * trunk).sum(axis=-1))
        hangs = -upper[..., 2] >= np.cos(np.radians(_HANGS_WITHIN_DEG)) * long
        found: list[list[bool]] = np.where(trunk[..., 2] < _UPRIGHT * tall, upper[..., 2] > _UP_CM / 100, ~hangs).tolist()
        return found


__all__ = ["LIMB_JOINTS", "PARTS", "Travel", "Traveller"]
