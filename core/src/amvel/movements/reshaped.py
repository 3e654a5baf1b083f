"""Whether other ranges of the joints would place a pose otherwise."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from amvel.body import JOINT_INDEX, JOINTS, TRUNK_SHARE, Capacities
from amvel.body.tree import Array

_AT_STOP_RAD = np.radians(0.1)
_STILL_RAD = 1e-9  # what is not declared and not free stays where it is
_SIDES = ("left", "right")


@dataclass(frozen=True)
class Sent:
    """How far the joints of one movement were sent on the way to its poses: `least` and `most` (J+2, rad, see `Posed`), and
    how high the left and the right arm are: forward, out to the side or between the two."""

    least: Sequence[float]
    most: Sequence[float]
    arms_rad: Sequence[float]

    @classmethod
    def of_each(cls, angles: Array, least: Array, most: Array, starts: Sequence[int]) -> "list[Sent]":
        """Those of the movements that begin at these rows."""
        least, most = np.minimum.reduceat(least, starts, axis=0), np.maximum.reduceat(most, starts, axis=0)
        arms = np.maximum.reduceat(_arms_rad(angles), starts, axis=0)
        return [cls(*each) for each in zip(least.tolist(), most.tolist(), arms.tolist(), strict=True)]

    def otherwise(self, old: Capacities, new: Capacities) -> bool:
        """Whether other ranges would have sent them elsewhere: one came to a stop that moves, or beyond where it moves to."""
        moves = moves_between(old, new)
        return (
            moves.rounding_of_fused_parts
            or any(self.least[j] < -_STILL_RAD or self.most[j] > _STILL_RAD for j in moves.of_fused_parts)
            or any(self.least[j] < rad for j, rad in moves.low)
            or any(self.most[j] > rad for j, rad in moves.high)
            or any(self.arms_rad[k] > rad for k, rad in moves.arms)
        )


class Moves(NamedTuple):
    """Which stops two sets of ranges do not share: of each its place among the joints (J, then both hamstrings; arms: 0 left,
    1 right), and from where on (rad) somebody who was sent there would notice.

    Where parts of a spine with fused levels end elsewhere, what they do not give is shared out anew: `of_fused_parts` are the joints
    of which somebody notices who was sent off the middle at all.  Rounding has no such middle, since a back's own shape counts in.
    """

    low: tuple[tuple[int, float], ...]
    high: tuple[tuple[int, float], ...]
    arms: tuple[tuple[int, float], ...]
    of_fused_parts: tuple[int, ...]
    rounding_of_fused_parts: bool


@lru_cache(maxsize=1024)
def moves_between(old: Capacities, new: Capacities) -> Moves:
    before, after = old.stops_rad(), new.stops_rad()
    hamstrings = enumerate(zip(old.hamstring_rad(), new.hamstring_rad(), strict=True), len(JOINTS))
    arms = enumerate((before[n][1], after[n][1]) for n in (f"{s}.shoulder.flexion" for s in _SIDES))
    return Moves(
        tuple((JOINT_INDEX[n], max(before[n][0], after[n][0]) + _AT_STOP_RAD) for n in after if after[n][0] != before[n][0]),
        (
            *((JOINT_INDEX[n], min(before[n][1], after[n][1]) - _AT_STOP_RAD) for n in after if after[n][1] != before[n][1]),
            *((j, min(a, b) - _AT_STOP_RAD) for j, (a, b) in hamstrings if a != b),
        ),
        tuple((k, min(a, b) - _AT_STOP_RAD) for k, (a, b) in arms if a != b),
        *_of_fused_parts(old, new),
    )


def _of_fused_parts(old: Capacities, new: Capacities) -> tuple[tuple[int, ...], bool]:
    """The joints of the spine whose parts end elsewhere, and whether anybody notices, wherever the spine was sent: of rounding, and
    of what did not go that way at all, since nobody can tell what was asked of it."""
    if not (old.mobile or new.mobile):
        return (), False
    parts = TRUNK_SHARE["flexion"]
    before, after = ({kind: [c.region_deg(r)[f"{r}.{kind}"] for r in parts] for kind in TRUNK_SHARE} for c in (old, new))
    moved = [kind for kind in TRUNK_SHARE if before[kind] != after[kind]]
    stood = [kind for kind in moved if kind == "flexion" or not all(any(end) for end in zip(*before[kind], strict=True))]
    return tuple(JOINT_INDEX[f"{r}.{kind}"] for kind in moved for r in parts), bool(stood)


def any_stop_moves(old: Capacities, new: Capacities) -> bool:
    """Whether these ranges differ in anything that places a pose."""
    return any(moves_between(old, new))


_FORWARD, _OUT = ([JOINT_INDEX[f"{side}.shoulder.{way}"] for side in _SIDES] for way in ("flexion", "abduction"))


def _arms_rad(angles: Array) -> Array:
    """How high both arms are in every frame, B×2."""
    along = np.cos(angles[:, _FORWARD]) * np.cos(angles[:, _OUT])
    found: Array = np.arccos(np.clip(along, -1.0, 1.0))
    return found


__all__ = ["Sent", "any_stop_moves"]
