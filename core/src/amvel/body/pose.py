"""What a frame means, before the body is placed: angles, what touches what, and which joints may give.

Everything here is in SI units and radians; families declare in degrees and centimetres through
`amvel.movements.frames`.
"""

import math
from dataclasses import dataclass, field, replace
from typing import Any, Literal, NamedTuple

import numpy as np
from numpy.typing import NDArray

Vector = tuple[float, float, float]
COM = "centre_of_mass"
GROUND = "ground"


class PoseError(ValueError):
    """This pose cannot be placed or cannot stand; the message names the step, the frame and the contact."""


class Row(NamedTuple):
    """One linear demand on the placed body: normal · (point − origin) = offset_m."""

    name: str
    point: str
    normal: Vector
    offset_m: float
    origin: str | None = None
    weight: float = 1.0
    must_hold: bool = True


SHEAR_TO_NORMAL = 0.5  # stiffness along a surface against into it: our estimate for skin, cloth and mat
Strategy = Literal["bears", "rests", "pushes", "leans"]


class Contact(NamedTuple):
    """An area of the body that presses on a surface.

    `normal` points out of the surface. `half_size_m` are the half lengths of the patch along the two
    directions in the surface. `strategy` 'rests' means: carries its own limb and does not press;
    'leans': carries the trunk that leans on it, so that the back holds nothing (where that balances); 'pushes': the arm pushes along itself,
    from hand to shoulder, as far as the friction allows. `plane_m` is given for
    a part that nothing places: it carries only where it comes near that surface (normal · point − plane_m is its height).
    `on` is given for what rests on another part of the body: what it presses there, that part has to carry.
    """

    point: str
    surface: str
    normal: Vector = (0.0, 0.0, 1.0)
    half_size_m: tuple[float, float] = (0.03, 0.03)
    stiffness_n_per_m: float = 2.0e4
    friction: float = 0.5
    strategy: Strategy = "bears"
    part: str = ""
    plane_m: float | None = None
    on: str | None = None
    shear: float = SHEAR_TO_NORMAL


@dataclass(frozen=True)
class ExternalLoad:
    """A force on the body from outside (a bag, a band): newtons in the world frame at a landmark."""

    point: str
    force_n: Vector

    def force_at(self, points: NDArray[np.float64], index: dict[str, int]) -> NDArray[np.float64]:
        """Newtons in the world frame, wherever the body is."""
        return np.array(self.force_n)


SLACK_SHARE = 2 / 3  # a band pulls from about two thirds of the length at which it is set up: our estimate


@dataclass(frozen=True)
class BandPull:
    """A stretch band on a landmark: to an anchor in the world, or to another landmark.

    It pulls with `pull_n` at the length it has at the start of the movement, `start_m`, in proportion to the stretch
    beyond slack; shorter than slack it does not pull.
    """

    point: str
    pull_n: float
    anchor_m: Vector | None = None
    to: str | None = None
    start_m: float | None = None

    def length_m(self, points: NDArray[np.float64], index: dict[str, int]) -> float:
        """From its point to its other end, for placed landmarks (N×3, m)."""
        return float(np.linalg.norm(self._way(points, index)))

    def force_at(self, points: NDArray[np.float64], index: dict[str, int]) -> NDArray[np.float64]:
        """Newtons in the world frame for placed landmarks; raises PoseError before its start length is known."""
        if self.start_m is None:
            raise PoseError(f"band at {self.point}: its length at the start is not known")
        way = self._way(points, index)
        length, slack = float(np.linalg.norm(way)), SLACK_SHARE * self.start_m
        if length <= slack:
            return np.zeros(3)
        pull: NDArray[np.float64] = self.pull_n * (length - slack) / (self.start_m - slack) * way / length
        return pull

    def _way(self, points: NDArray[np.float64], index: dict[str, int]) -> NDArray[np.float64]:
        end = points[index[self.to]] if self.to is not None else np.array(self.anchor_m)
        way: NDArray[np.float64] = end - points[index[self.point]]
        return way


NO_HAMSTRING = (math.pi, math.pi)


@dataclass(frozen=True)
class PoseSpec:
    """One frame to be solved.

    Joints in `floor_rad` give only upwards from there, those in `ceiling_rad` only downwards: a pose that would need more
    cannot be taken.  `hamstring_rad` (left, right) is how far a hip bends with a straight knee.
    """

    name: str
    root_rotation: NDArray[np.float64] = field(hash=False, compare=False)
    root_position_m: Vector = (0.0, 0.0, 0.9)
    angles_rad: dict[str, float] = field(default_factory=dict, hash=False)
    free: dict[str, float] = field(default_factory=dict, hash=False)
    rows: tuple[Row, ...] = ()
    contacts: tuple[Contact, ...] = ()
    loads: "tuple[ExternalLoad | BandPull, ...]" = ()
    neutral_rad: dict[str, float] = field(default_factory=dict, hash=False)
    floor_rad: dict[str, float] = field(default_factory=dict, hash=False)
    ceiling_rad: dict[str, float] = field(default_factory=dict, hash=False)
    hamstring_rad: tuple[float, float] = NO_HAMSTRING

    def changed(self, **changes: Any) -> "PoseSpec":
        """A copy with some fields replaced."""
        return replace(self, **changes)
