"""What a frame means, before the body is placed: angles, what touches what, and which joints may give.

Everything here is in SI units and radians; families declare in degrees and centimetres through
`amvel.movements.frames`.
"""

from dataclasses import dataclass, field, replace
from typing import Any, Literal

import numpy as np
from numpy.typing import NDArray

Vector = tuple[float, float, float]
COM = "centre_of_mass"
GROUND = "ground"


class PoseError(ValueError):
    """This pose cannot be placed or cannot stand; the message names the step, the frame and the contact."""


@dataclass(frozen=True)
class Row:
    """One linear demand on the placed body: normal · (point − origin) = offset_m."""

    name: str
    point: str
    normal: Vector
    offset_m: float
    origin: str | None = None
    weight: float = 1.0
    must_hold: bool = True


Strategy = Literal["bears", "rests", "pushes"]


@dataclass(frozen=True)
class Contact:
    """An area of the body that presses on a surface.

    `normal` points out of the surface. `half_size_m` are the half lengths of the patch along the two
    directions in the surface. `strategy` 'rests' means: carries its own limb and does not press;
    'pushes': the arm pushes along itself, from hand to shoulder, as far as the friction allows.
    """

    point: str
    surface: str
    normal: Vector = (0.0, 0.0, 1.0)
    half_size_m: tuple[float, float] = (0.03, 0.03)
    stiffness_n_per_m: float = 2.0e4
    friction: float = 0.5
    strategy: Strategy = "bears"
    part: str = ""


@dataclass(frozen=True)
class ExternalLoad:
    """A force on the body from outside (a bag, a band): newtons in the world frame at a landmark."""

    point: str
    force_n: Vector


@dataclass(frozen=True)
class PoseSpec:
    """One frame to be solved."""

    name: str
    root_rotation: NDArray[np.float64] = field(hash=False, compare=False)
    root_position_m: Vector = (0.0, 0.0, 0.9)
    angles_rad: dict[str, float] = field(default_factory=dict, hash=False)
    free: dict[str, float] = field(default_factory=dict, hash=False)
    rows: tuple[Row, ...] = ()
    contacts: tuple[Contact, ...] = ()
    loads: tuple[ExternalLoad, ...] = ()
    neutral_rad: dict[str, float] = field(default_factory=dict, hash=False)

    def changed(self, **changes: Any) -> "PoseSpec":
        """A copy with some fields replaced."""
        return replace(self, **changes)
