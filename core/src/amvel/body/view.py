"""From where a body is looked at: a picture plane without perspective, so that lengths across it can be measured."""

import math
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from amvel.body.skeleton import Array


@dataclass(frozen=True)
class View:
    """A picture plane: which world directions run right and up in it, and which comes towards the viewer."""

    right: tuple[float, float, float]
    up: tuple[float, float, float]
    toward: tuple[float, float, float]

    def flat(self, point: Array) -> tuple[float, float]:
        """A point (m) in the plane (cm)."""
        return (100 * float(np.dot(point, self.right)), 100 * float(np.dot(point, self.up)))

    def flat_all(self, points: Array) -> Array:
        """Points (N×3, m) in the plane (N×2, cm)."""
        found: Array = points @ self._plane_cm
        return found

    @cached_property
    def _plane_cm(self) -> Array:
        """Right and up as columns (3×2), for lengths in cm of places in m."""
        return 100 * np.array([self.right, self.up]).T

    def depth(self, point: Array) -> float:
        """How near the viewer, in m from where the world begins."""
        return float(np.dot(point, self.toward))


def camera(azimuth_deg: float, elevation_deg: float) -> View:
    """A viewer who stands at this angle round somebody that faces forward (0° in front, 90° at the left) and looks down on them."""
    az, el = math.radians(azimuth_deg), math.radians(elevation_deg)
    ca, sa, ce, se = math.cos(az), math.sin(az), math.cos(el), math.sin(el)
    return View((-sa, ca, 0.0), (-se * ca, -se * sa, ce), (ce * ca, ce * sa, se))


FROM_RIGHT, FROM_LEFT, FROM_FRONT = camera(-90, 0), camera(90, 0), camera(0, 0)
FROM_ABOVE = View((1, 0, 0), (0, 1, 0), (0, 0, 1))

__all__ = ["FROM_ABOVE", "FROM_FRONT", "FROM_LEFT", "FROM_RIGHT", "View", "camera"]
