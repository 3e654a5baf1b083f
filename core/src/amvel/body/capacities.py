"""What this person's joints can do: the stops of the body model, and the ranges that limits are shares of.

Healthy ranges: AAOS 1965; Norkin & White.  Untested trunk and neck ranges count as half of the healthy
value; untested limbs as what daily function shows (`safety.md`, our reading of "cautious").
"""

import hashlib
import json
import math
from dataclasses import dataclass, field
from functools import cached_property

from amvel.body.sides import other_side, side_of
from amvel.literature import AAOS

RANGES = AAOS

HEALTHY_DEG = {
    "trunk_flexion": 80.0,
    "trunk_extension": 25.0,
    "trunk_side_bend": 35.0,
    "trunk_rotation": 45.0,
    "neck_flexion": 45.0,
    "neck_extension": 45.0,
    "hip_flexion": 120.0,
    "hip_extension": 20.0,
    "hip_abduction": 45.0,
    "hip_adduction": 30.0,
    "hip_internal_rotation": 45.0,
    "hip_external_rotation": 45.0,
    "straight_leg_raise": 75.0,
    "knee_flexion": 135.0,
    "ankle_dorsiflexion": 20.0,
    "ankle_plantarflexion": 50.0,
    "shoulder_elevation": 180.0,
    "wrist_extension": 70.0,
}
SIDED = (
    "trunk_side_bend",
    "trunk_rotation",
    "hip_flexion",
    "hip_extension",
    "hip_abduction",
    "hip_adduction",
    "hip_internal_rotation",
    "hip_external_rotation",
    "straight_leg_raise",
    "knee_flexion",
    "ankle_dorsiflexion",
    "ankle_plantarflexion",
    "shoulder_elevation",
    "wrist_extension",
)
# What daily function shows of limbs nobody has measured: sitting on a chair, reaching a shelf, walking.
DAILY_DEG = {
    "hip_flexion": 90.0,
    "hip_extension": 10.0,
    "hip_abduction": 25.0,
    "hip_adduction": 10.0,
    "hip_internal_rotation": 15.0,
    "hip_external_rotation": 25.0,
    "straight_leg_raise": 60.0,
    "knee_flexion": 110.0,
    "ankle_dorsiflexion": 10.0,
    "ankle_plantarflexion": 40.0,
    "shoulder_elevation": 120.0,
    "wrist_extension": 60.0,
}
_ANKLE = ("ankle_dorsiflexion", "ankle_plantarflexion")
# Weight-bearing hands press the wrist further back than it goes freely (common practice).
PASSIVE_WRIST_EXTRA_DEG = 20.0
TRUNK_SHARE = {
    "flexion": {"lumbar": 0.60, "lower_thoracic": 0.25, "upper_thoracic": 0.15},
    "rotation": {"lumbar": 0.15, "lower_thoracic": 0.50, "upper_thoracic": 0.35},
    "side_bend": {"lumbar": 0.50, "lower_thoracic": 0.30, "upper_thoracic": 0.20},
}


@dataclass(frozen=True)
class Capacities:
    """Ranges in degrees: midline by name, limbs by 'left.'/'right.' name; `assumed` lists those nobody measured.

    `mobile` is the share of its motion that a part of the spine keeps where levels of it are fused.
    """

    range_deg: dict[str, float] = field(hash=False)
    assumed: frozenset[str] = frozenset()
    mobile: dict[str, float] = field(default_factory=dict, hash=False)

    def __hash__(self) -> int:
        return hash(self._digest)

    def digest(self) -> str:
        """A short fingerprint of the ranges that shape poses: the same ones give the same profiles."""
        return self._digest

    @cached_property
    def _digest(self) -> str:
        limbs = {k: [v, k in self.assumed] for k, v in self.range_deg.items() if _of_a_limb(k)}
        spine = {region: self.region_deg(region) for region, share in self.mobile.items() if share < 1.0}
        text = json.dumps([limbs, spine], sort_keys=True)
        return hashlib.sha256(text.encode()).hexdigest()[:16]

    def loosened(self) -> "Capacities":
        """Limbs that nobody has measured, as far as healthy ones go: an assumed stop is no promise that they end there.

        Ankles keep theirs: no limit speaks of them, and what they give in a stance decides no other joint's limit.
        """
        return self._loosened

    @cached_property
    def _loosened(self) -> "Capacities":
        loose = {k for k in self.assumed if _of_a_limb(k) and _base(k) not in _ANKLE}
        healthy_deg = {k: max(v, HEALTHY_DEG[_base(k)]) for k, v in self.range_deg.items() if k in loose}
        return Capacities({**self.range_deg, **healthy_deg}, self.assumed - loose, self.mobile)

    def swapped(self) -> "Capacities":
        """The same with left and right exchanged."""
        return self._swapped

    @cached_property
    def _swapped(self) -> "Capacities":
        ranges = {other_side(k): v for k, v in self.range_deg.items()}
        return Capacities(ranges, frozenset(map(other_side, self.assumed)), self.mobile)

    @cached_property
    def alike_on_both_sides(self) -> bool:
        """Whether exchanging left and right would shape no pose otherwise."""
        return self._swapped.digest() == self.digest()

    def of(self, name: str) -> float:
        return self.range_deg[name]

    def region_deg(self, region: str) -> dict[str, tuple[float, float]]:
        """How far a part of the spine with fused levels goes from its neutral, by joint (least and most, deg)."""
        if region not in self._regions_deg:
            self._regions_deg[region] = self._region_deg(region)
        return self._regions_deg[region]

    def region_rad(self, region: str) -> dict[str, tuple[float, float]]:
        """The same in radians."""
        if region not in self._regions_rad:
            self._regions_rad[region] = {k: (math.radians(a), math.radians(b)) for k, (a, b) in self.region_deg(region).items()}
        return self._regions_rad[region]

    @cached_property
    def _regions_rad(self) -> dict[str, dict[str, tuple[float, float]]]:
        return {}

    @cached_property
    def _regions_deg(self) -> dict[str, dict[str, tuple[float, float]]]:
        return {}

    def _region_deg(self, region: str) -> dict[str, tuple[float, float]]:
        share = self.mobile.get(region, 1.0)

        def part(kind: str, name: str) -> float:
            return share * TRUNK_SHARE[kind][region] * self.range_deg[name]

        return {
            f"{region}.flexion": (-part("flexion", "trunk_extension"), part("flexion", "trunk_flexion")),
            f"{region}.side_bend": (-part("side_bend", "right.trunk_side_bend"), part("side_bend", "left.trunk_side_bend")),
            f"{region}.rotation": (-part("rotation", "right.trunk_rotation"), part("rotation", "left.trunk_rotation")),
        }

    def stops_rad(self) -> dict[str, tuple[float, float]]:
        """Bounds of the joints that a pose may adjust or declare."""
        return self._stops_rad

    def hamstring_rad(self) -> tuple[float, float]:
        """Left and right: how far the hip bends with a straight knee; it lets go degree for degree as the knee bends."""
        return self._hamstring_rad

    @cached_property
    def _hamstring_rad(self) -> tuple[float, float]:
        left, right = (math.radians(self.range_deg[f"{s}.straight_leg_raise"]) for s in ("left", "right"))
        return left, right

    @cached_property
    def _stops_rad(self) -> dict[str, tuple[float, float]]:
        stops: dict[str, tuple[float, float]] = {}
        for side in ("left", "right"):

            def at(name: str, side: str = side) -> float:
                return math.radians(self.range_deg[f"{side}.{name}"])

            stops[f"{side}.hip.flexion"] = (-at("hip_extension"), at("hip_flexion"))
            stops[f"{side}.hip.abduction"] = (-at("hip_adduction"), at("hip_abduction"))
            stops[f"{side}.hip.rotation"] = (-at("hip_external_rotation"), at("hip_internal_rotation"))
            stops[f"{side}.knee.flexion"] = (0.0, at("knee_flexion"))
            stops[f"{side}.ankle.dorsiflexion"] = (
                -at("ankle_plantarflexion"),
                at("ankle_dorsiflexion") + math.radians(10),
            )
            # Inversion 35, eversion 15 to 20 (AAOS 1965, from memory); nobody tests them here.
            stops[f"{side}.ankle.inversion"] = (-math.radians(20), math.radians(35))
            stops[f"{side}.shoulder.flexion"] = (-math.radians(45), at("shoulder_elevation"))
            stops[f"{side}.wrist.extension"] = (
                -math.radians(70),
                at("wrist_extension") + math.radians(PASSIVE_WRIST_EXTRA_DEG),
            )
            stops[f"{side}.elbow.flexion"] = (0.0, math.radians(145))
            stops[f"{side}.toes.extension"] = (-math.radians(20), math.radians(80))
            stops[f"{side}.scapula.elevation"] = (-math.radians(10), math.radians(25))
            stops[f"{side}.scapula.protraction"] = (-math.radians(20), math.radians(20))
        for region, share in TRUNK_SHARE["flexion"].items():
            stops[f"{region}.flexion"] = (
                -math.radians(HEALTHY_DEG["trunk_extension"] * share),
                math.radians(HEALTHY_DEG["trunk_flexion"] * share),
            )
        stops["neck.flexion"] = (-math.radians(30), math.radians(40))
        stops["head.nod"] = (-math.radians(15), math.radians(15))
        return stops

    def hip_stop_rad(self, side: str, knee_flexion_rad: float) -> float:
        """Where this hip stops: its own range, or the hamstring, which lets go degree for degree as the knee bends."""
        straight = math.radians(self.range_deg[f"{side}.straight_leg_raise"])
        return min(math.radians(self.range_deg[f"{side}.hip_flexion"]), straight + knee_flexion_rad)


def _of_a_limb(name: str) -> bool:
    return _base(name) in DAILY_DEG


def _base(name: str) -> str:
    return name.partition(".")[2] if side_of(name) else name


def healthy() -> Capacities:
    """Every range at the healthy adult value; for the fixed reference body and outside checks."""
    ranges = {k: v for k, v in HEALTHY_DEG.items() if k not in SIDED}
    for name in SIDED:
        ranges |= {f"left.{name}": HEALTHY_DEG[name], f"right.{name}": HEALTHY_DEG[name]}
    return Capacities(ranges)


def cautious(
    measured: dict[str, float], shown: dict[str, float] | None = None, mobile: dict[str, float] | None = None
) -> Capacities:
    """Measured ranges where there are any; otherwise the cautious assumption, floored by what was seen (`shown`).

    A measured value never assumes more than was measured; unknown names raise KeyError.
    """
    shown = shown or {}
    unknown = (set(measured) | set(shown)) - set(healthy().range_deg)
    if unknown:
        raise KeyError(f"capacities: no such range: {', '.join(sorted(unknown))}")
    ranges: dict[str, float] = {}
    for name in healthy().range_deg:
        base = name.split(".")[-1]
        assumed = DAILY_DEG[base] if base in DAILY_DEG else HEALTHY_DEG[base] / 2
        ranges[name] = measured.get(name, max(assumed, shown.get(name, 0.0)))
    return Capacities(ranges, frozenset(set(ranges) - set(measured)), mobile or {})
