"""Angles in which a parameter can be read off a placed movement: how each is read, how far it goes, what it is on the other side.

They are those of the left version of a step, in degrees from neutral.
"""

from abc import ABC, abstractmethod
from dataclasses import dataclass, replace
from typing import Literal, Self

import numpy as np

from amvel.body import JOINT_INDEX, MIRROR_SIGN, Anthropometry, Capacities, Posed, Skeleton, other_side
from amvel.body.tree import Array
from amvel.movements.back_shape import back_lies_raised_deg

_REGIONS = ("lumbar", "lower_thoracic", "upper_thoracic")
_SPINE = ("lumbar", "lower_thorax", "upper_thorax")


class Reading:
    """The placed frames of a batch, whose joints are `deg` from neutral (B×J): each angle is read off all of them at once."""

    def __init__(self, skeleton: Skeleton, posed: Posed, deg: Array) -> None:
        self.skeleton, self._posed, self._deg = skeleton, posed, deg
        self._read: dict[int, tuple[Angle, list[float]]] = {}  # by number of the angle, which is kept, so that it stays its own

    def joint_deg(self, name: str) -> Array:
        """A joint from neutral, in every frame."""
        found: Array = self._deg[:, JOINT_INDEX[name]]
        return found

    def at(self, landmark: str) -> Array:
        """Where a landmark lies in every frame, in metres."""
        found: Array = self._posed.points[:, self.skeleton.landmarks.index[landmark]]
        return found

    def of(self, angle: "Angle") -> list[float]:
        """An angle in every frame, in degrees."""
        found = self._read.get(id(angle))
        if found is None:
            found = self._read[id(angle)] = angle, angle.value_deg(self).tolist()
        return found[1]


@dataclass(frozen=True, kw_only=True)
class Angle(ABC):
    """One angle; `sign` is −1 where the parameter is the other way round."""

    sign: float = 1.0

    def turned(self) -> Self:
        """The same the other way round."""
        return replace(self, sign=-self.sign)

    def value_deg(self, reading: Reading) -> Array:
        """In every frame."""
        return self.sign * self._read_deg(reading)

    def on_the_right(self) -> Self:
        """What it is in the right version of the step; an angle of the middle that no mirror turns stays."""
        return self

    def reach_deg(self, capacities: Capacities) -> float:
        """How far the joints of this person let it go, on both sides; infinite where something else takes over."""
        return np.inf

    @abstractmethod
    def _read_deg(self, reading: Reading) -> Array: ...


@dataclass(frozen=True)
class JointAngle(Angle):
    """One joint, as `left.hip.flexion`."""

    name: str

    def __post_init__(self) -> None:
        if self.name not in JOINT_INDEX:
            raise ValueError(f"JointAngle: there is no joint '{self.name}'")

    def _read_deg(self, reading: Reading) -> Array:
        return reading.joint_deg(self.name)

    def on_the_right(self) -> Self:
        return replace(self, name=other_side(self.name), sign=self.sign * MIRROR_SIGN[self.name])

    def reach_deg(self, capacities: Capacities) -> float:
        stops = capacities.stops_rad()
        both = [s for s in (self.name, other_side(self.name)) if s in stops]
        return min((float(np.degrees(max(self.sign * x for x in stops[s]))) for s in both), default=np.inf)


@dataclass(frozen=True)
class TrunkAngle(Angle):
    """The whole trunk: its regions together."""

    kind: Literal["flexion", "side_bend", "rotation"]

    def _joints(self) -> list[str]:
        return [f"{region}.{self.kind}" for region in _REGIONS]

    def _read_deg(self, reading: Reading) -> Array:
        total: Array = np.sum([reading.joint_deg(j) for j in self._joints()], axis=0)
        return total

    def on_the_right(self) -> Self:
        return replace(self, sign=self.sign * MIRROR_SIGN[self._joints()[0]])

    def reach_deg(self, capacities: Capacities) -> float:
        """Only fused levels stop a trunk; what the others may do is for limits to say."""
        if all(share >= 1.0 for share in capacities.mobile.values()):
            return np.inf
        ends = [capacities.region_deg(region)[f"{region}.{self.kind}"] for region in _REGIONS]
        return sum(max(self.sign * least, self.sign * most) for least, most in ends)


@dataclass(frozen=True)
class Lean(Angle):
    """The lean of the line from hip to upper thorax, against the same in relaxed standing."""

    def _read_deg(self, reading: Reading) -> Array:
        way = reading.at("com.upper_thorax") - reading.at("hip_axis")
        return _degrees(way[:, 0], way[:, 2]) - _standing_lean_deg(reading.skeleton.body)


@dataclass(frozen=True)
class HeadEnd(Angle):
    """How far the back of somebody lying on it has come up, against how it lies flat."""

    def _read_deg(self, reading: Reading) -> Array:
        back = reading.at("upper_back") - reading.at("sacrum")
        return _degrees(back[:, 2], -back[:, 0]) - back_lies_raised_deg(reading.skeleton.body)


@dataclass(frozen=True)
class ThighRoll(Angle):
    """The turn of a thigh about the long axis of a lying body."""

    side: Literal["left", "right"]

    def _read_deg(self, reading: Reading) -> Array:
        way = reading.at(f"{self.side}.knee") - reading.at(f"{self.side}.hip")
        return _degrees(way[:, 1], way[:, 2])

    def on_the_right(self) -> Self:
        """The other thigh, rolling the other way: the room has one left for both."""
        return replace(self, side="right" if self.side == "left" else "left", sign=-self.sign)


def _degrees(opposite: Array, along: Array) -> Array:
    angle: Array = np.degrees(np.arctan2(opposite, along))
    return angle


def _standing_lean_deg(body: Anthropometry) -> float:
    """The lean of that line in relaxed standing."""
    segments = {s.name: s for s in body.segments}
    x = sum(segments[n].joint[0] for n in _SPINE) + segments["upper_thorax"].com[0]
    z = sum(segments[n].joint[2] for n in _SPINE) + segments["upper_thorax"].com[2]
    return float(np.degrees(np.arctan2(x, z)))


__all__ = ["Angle", "HeadEnd", "JointAngle", "Lean", "Reading", "ThighRoll", "TrunkAngle"]
