"""What a parameter promises, and whether a placed movement keeps it.

A number that somebody sets must be what the pose has: within a degree in one of its declared frames, or the pose is a
fault.  Heights, distances and gaps are contacts and are held by the pose solver; angles are held here.
"""

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from amvel.body import JOINT_INDEX, Anthropometry, Capacities, Posed, ShortOfAsked, Skeleton, other_side
from amvel.body.tree import Array

TOLERANCE_DEG = 1.0
_REGIONS = ("lumbar", "lower_thoracic", "upper_thoracic")
_MIDLINE_FLIPS = ("side_bend", "rotation", "roll")


@dataclass(frozen=True)
class Shown:
    """Where a parameter can be read off: `sums` are alternatives, each a sum of angles in degrees from neutral.

    An angle is a joint ('left.hip.flexion'), the whole trunk ('trunk.flexion', 'trunk.rotation', …), the lean of the line from
    hip to upper thorax ('lean'), how far the back of somebody lying on it has come up ('head_end'), the turn of a thigh about the long axis of a lying body ('left.thigh.roll'); '-' before it turns it round.  They are those of the left version of the step.
    """

    sums: tuple[tuple[str, ...], ...]

    def __post_init__(self) -> None:
        for name in (n.removeprefix("-") for one in self.sums for n in one):
            known = name in JOINT_INDEX or name in ("lean", "head_end") or name.endswith(".thigh.roll")
            if not known and name not in [f"trunk.{k}" for k in ("flexion", "side_bend", "rotation")]:
                raise ValueError(f"Shown: there is no angle '{name}'")


def joint(*names: str) -> Shown:
    """Any one of these angles shows the parameter."""
    return Shown(tuple((n,) for n in names))


def hip_bend(side: str = "left") -> Shown:
    """The bend of a hip; where the hip ends, the low back takes the rest, and shows it."""
    hip = f"{side}.hip.flexion"
    return Shown(((hip,), (hip, "trunk.flexion")))




TRUNK_BEND, TRUNK_TURN, TRUNK_SIDE = joint("trunk.flexion"), joint("trunk.rotation", "-trunk.rotation"), joint("trunk.side_bend")
LEAN, LEAN_BACK, HEAD_END = joint("lean"), joint("-lean"), joint("head_end")


def reach_deg(shown: Shown, capacities: Capacities) -> float:
    """How far the joints of this person let the parameter go, on both sides (deg); infinite where something else takes over."""
    return max((_sum_reach_deg(one, capacities) for one in shown.sums), default=np.inf)


def _sum_reach_deg(names: tuple[str, ...], capacities: Capacities) -> float:
    return sum(_angle_reach_deg(n, capacities) for n in names)


def _angle_reach_deg(name: str, capacities: Capacities) -> float:
    sign, name = (-1.0, name[1:]) if name.startswith("-") else (1.0, name)
    if name.startswith("trunk."):
        return _trunk_reach_deg(name.partition(".")[2], sign, capacities)
    stops = capacities.stops_rad()
    both = [s for s in (name, other_side(name)) if s in stops]
    return min((float(np.degrees(max(sign * x for x in stops[s]))) for s in both), default=np.inf)


def _trunk_reach_deg(kind: str, sign: float, capacities: Capacities) -> float:
    """Only fused levels stop a trunk; what the others may do is for limits to say."""
    if all(share >= 1.0 for share in capacities.mobile.values()):
        return np.inf
    total = 0.0
    for region in _REGIONS:
        least, most = capacities.region_deg(region)[f"{region}.{kind}"]
        total += max(sign * least, sign * most)
    return total


def kept(shown: Shown, value_deg: float, side: str, read: "Reading") -> float:
    """How far the movement is from showing the value, in degrees, in the declared frame that shows it best."""
    least = np.inf
    for one in shown.sums:
        total = np.sum([_signed(read, n, side) for n in one], axis=0)
        least = min(least, float(np.abs(total - value_deg).min()))
    return least


def _signed(read: "Reading", name: str, side: str) -> Array:
    sign = -1.0 if name.startswith("-") else 1.0
    name = name.removeprefix("-")
    if side == "right":
        midline = not name.startswith(("left.", "right."))
        flips = name.endswith(_MIDLINE_FLIPS) and (midline or name.endswith("roll"))
        sign, name = (-sign if flips else sign), other_side(name)
    return sign * read.of(name)


class Reading:
    """Angles of some frames of one movement, the declared ones."""

    def __init__(self, skeleton: Skeleton, posed: Posed, neutral: Array, rows: list[int]) -> None:
        self.skeleton, self.rows = skeleton, rows
        self.points = posed.points[rows]
        self.deg = np.degrees(posed.angles[rows] - neutral[rows])

    def of(self, name: str) -> Array:
        if name in JOINT_INDEX:
            return self.deg[:, JOINT_INDEX[name]]
        if name.startswith("trunk."):
            kind = name.partition(".")[2]
            total: Array = np.sum([self.deg[:, JOINT_INDEX[f"{r}.{kind}"]] for r in _REGIONS], axis=0)
            return total
        if name == "lean":
            way = self._at("com.upper_thorax") - self._at("hip_axis")
            return _degrees(way[:, 0], way[:, 2]) - _standing_lean_deg(self.skeleton.body)
        if name == "head_end":
            back = self._at("upper_back") - self._at("sacrum")
            return _degrees(back[:, 2], -back[:, 0])
        side = name.partition(".")[0]
        way = self._at(f"{side}.knee") - self._at(f"{side}.hip")
        return _degrees(way[:, 1], way[:, 2])

    def _at(self, landmark: str) -> Array:
        found: Array = self.points[:, self.skeleton.landmarks.index[landmark]]
        return found


def _degrees(opposite: Array, along: Array) -> Array:
    angle: Array = np.degrees(np.arctan2(opposite, along))
    return angle


def _standing_lean_deg(body: Anthropometry) -> float:
    """The lean of that line in relaxed standing."""
    segments = {s.name: s for s in body.segments}
    x = sum(segments[n].joint[0] for n in _SPINE) + segments["upper_thorax"].com[0]
    z = sum(segments[n].joint[2] for n in _SPINE) + segments["upper_thorax"].com[2]
    return float(np.degrees(np.arctan2(x, z)))


_SPINE = ("lumbar", "lower_thorax", "upper_thorax")


def broken(step_shows: Mapping[str, tuple[str, Shown]], values: Mapping[str, float | str], side: str, read: Reading, pose: str) -> ShortOfAsked | None:
    """The fault of the first parameter whose promise is not kept by `pose`; None when all are.  `step_shows` gives the title
    of each parameter that shows, and where."""
    for name, (title, shown) in step_shows.items():
        off = kept(shown, float(values[name]), side, read)
        if off > TOLERANCE_DEG:
            return ShortOfAsked(pose, title, float(values[name]), off)
    return None


__all__ = ["HEAD_END", "LEAN", "LEAN_BACK", "TRUNK_BEND", "TRUNK_SIDE", "TRUNK_TURN", "Reading", "Shown", "broken", "hip_bend", "joint", "kept", "reach_deg"]
