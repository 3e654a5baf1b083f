"""What a quantity is, and the registry of all of them."""

from dataclasses import dataclass
from typing import overload

import numpy as np
from numpy.typing import NDArray

from amvel.languages import said


@dataclass(frozen=True)
class Quantity:
    """One thing that can be computed of a pose.

    `decimals` are those that are shown, rounded to the adverse side.  `limb_angle` says that
    it is an angle of a limb: where nobody has tested that limb, it counts as far as a healthy one would go.
    """

    id: str
    title: str
    unit: str
    sentence: str
    sided: bool = False
    decimals: int = 1
    limb_angle: bool = False

    def __post_init__(self) -> None:
        for name in ("title", "unit", "sentence"):
            object.__setattr__(self, name, said(getattr(self, name)))

    @property
    def hangs_on(self) -> tuple[str, ...]:
        """The ranges of the hip that shape it: where the hip ends, the back rounds."""
        return _HIP_BENDS if self.id in _BENDS_WITH_THE_HIP else ()

    @property
    def resolution(self) -> float:
        """What the model can tell apart, in the quantity's unit; 0 for counts, flags and times, which are exact."""
        return _RESOLUTION.get(self.unit, 0.0)

    @overload
    def breaks(self, value: float, bound: float, at_least: bool = False) -> bool: ...

    @overload
    def breaks(self, value: NDArray[np.float64], bound: float, at_least: bool = False) -> NDArray[np.bool_]: ...

    def breaks(
        self, value: float | NDArray[np.float64], bound: float, at_least: bool = False
    ) -> bool | NDArray[np.bool_]:
        """Whether values lie beyond a bound by what the model can tell: half of the resolution is the bound itself."""
        beyond = self.breaks_beyond(bound, at_least)
        return value < beyond if at_least else value > beyond

    def breaks_beyond(self, bound: float, at_least: bool = False) -> float:
        """The value beyond which a bound is broken."""
        within = max(_EXACT, 0.5 * self.resolution)
        return bound - within if at_least else bound + within


# The unit of what is counted in levels 1 to 6: on a screen it is said in words, never as a number.
LEVEL = "level"
# Angles and loads as our reading of what the pose solver and the reactions repeat; lengths as closely as contacts hold.
_RESOLUTION = {"deg": 0.5, "% of body weight": 1.0, "cm": 0.5, LEVEL: 0.1, "× quiet standing": 0.02}
_EXACT = 1e-6
_HIP_BENDS = ("hip_flexion", "straight_leg_raise")
_BENDS_WITH_THE_HIP = frozenset(
    (
        "trunk_flexion_deg",
        "lumbar_flexion_deg",
        "loaded_trunk_flexion_deg",
        "unloaded_trunk_flexion_deg",
        "held_trunk_flexion_deg",
        "flexion_with_rotation_deg",
        "seated_rounding_deg",
        "hip_flexion_deg",
        "hip_bend_deg",
        "thigh_trunk_deg",
    )
)
REGISTRY: dict[str, Quantity] = {}


def add(
    id: str,
    title: str,
    unit: str,
    sentence: str,
    sided: bool = False,
    decimals: int = 1,
    limb_angle: bool = False,
) -> None:
    """Register one; ValueError for an id that is taken or not in snake_case."""
    if not id.replace("_", "").isalnum() or id in REGISTRY:
        raise ValueError(f"quantities.{id}: the id must be new and in snake_case")
    REGISTRY[id] = Quantity(id, title, unit, sentence, sided, decimals, limb_angle)


def base_id(name: str) -> str:
    """The registry id of a profile column ('left.hip_flexion_deg' → 'hip_flexion_deg')."""
    return name.split(".", 1)[1] if name.startswith(("left.", "right.")) else name


def quantity(name: str) -> Quantity:
    """The quantity behind a profile column; KeyError names an unknown one."""
    return REGISTRY[base_id(name)]
