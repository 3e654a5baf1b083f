"""From a measured hold to suggested holds of other steps: the posed demand, the estimated capacity, and its spread.

A hold at a known moment gives the largest moment by the curve of Frey Law & Avin 2010; another step's moment, on the
same body and from the same muscles, gives its time.  The spread between people is wide and shown.
"""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from amvel.body import JOINTS
from amvel.body.endurance import Estimate, estimated_capacity, estimated_hold
from amvel.body.pushes import GRAVITY_M_S2
from amvel.case.results.endurance import BackExtensorHold, PlankHold, SideBridgeHold
from amvel.engine import Engine
from amvel.movements import Request, find
from amvel.safety import sides_of

Measured = SideBridgeHold | PlankHold | BackExtensorHold
CLEAN_SHARE = 0.5  # of the estimated time: a clean repetition ends well before failure (our choice)
SHORTEST_S = 3.0
_BELOW = ("pelvis", "thigh", "shank", "foot", "toes")
_MOMENT = "moment_l4_l5_nm"
# Steps that the same muscles hold, by the wall of the trunk that a test asks.
_HELD_BY = {
    "side": ("side_bridge/knees_bent", "side_bridge/full_length", "one_side_carry/stand_tall"),
    "front": (
        "wall_plank/forearms",
        "counter_plank/short",
        "counter_plank/lower",
        "floor_plank/on_knees",
        "floor_plank/full_length",
        "hover/for_time",
    ),
    "back": ("tall_hinge/hands_on_thighs", "tall_hinge/arms_raised", "one_leg_hinge/both_legs"),
}


@dataclass(frozen=True)
class Hold:
    """One step's estimated time to failure and the clean hold suggested from it."""

    ref: str
    side: str
    demand_nm: float
    estimate: Estimate
    suggested_s: float


@dataclass(frozen=True)
class Capacity:
    """What one measured hold says: the largest moment of that wall of the trunk, and holds of other steps."""

    test: str
    side: str
    measured_s: float
    demand_nm: float
    capacity_nm: float
    holds: tuple[Hold, ...]


def estimated_holds(engine: Engine, ref: str = "") -> list[Capacity]:
    """Every measured hold of the case, the newest of each kind and side, with the holds that follow from it.

    `ref` asks about one step alone: then nothing is solved for the others.
    """
    found = []
    for kind, wall, demand_of in _TESTED:
        refs = [r for r in _HELD_BY[wall] if ref in ("", r)]
        measured = {side: r for side, r in _newest(engine, kind).items() if r.seconds > 0}
        demand = demand_of(engine) if refs and measured else 0.0
        if demand > 0:
            found += [_capacity(engine, r.test, side, r.seconds, demand, refs) for side, r in measured.items()]
    return found


def _newest(engine: Engine, kind: type[Measured]) -> dict[str, Measured]:
    mine = sorted((r for r in engine.case.tests if isinstance(r, kind)), key=lambda r: r.on)
    return {str(getattr(r, "side", "both")): r for r in mine}


def _capacity(engine: Engine, test: str, side: str, seconds: float, demand: float, refs: list[str]) -> Capacity:
    capacity = estimated_capacity(demand, seconds)
    holds = []
    for ref in refs:
        nm = _of_step(engine, ref)
        estimate = estimated_hold(capacity, nm)
        clean = 0.0 if estimate.seconds < SHORTEST_S else max(SHORTEST_S, round(CLEAN_SHARE * estimate.low_s))
        holds.append(Hold(ref, _working_side(ref, side), nm, estimate, clean))
    return Capacity(test, side, seconds, demand, capacity, tuple(holds))


def _working_side(ref: str, tested: str) -> str:
    return tested if find(ref)[1].sides else "both"


def _of_step(engine: Engine, ref: str) -> float:
    """The moment at L4/5 of the pose that is held, the last one declared; 0 when this body cannot take it."""
    family, step = find(ref)
    profile = engine.profiler.profile(Request(family, step, sides_of(step)[0], engine.values(family, step)))
    return 0.0 if profile.fault else float(profile.columns[_MOMENT][profile.rows[-1]])


def _trunk_level_nm(engine: Engine) -> float:
    """The test's own pose: trunk, head and arms level and unsupported, the hips carried; moment about L4/5."""
    skeleton = engine.profiler.skeleton
    level = _heights(engine)
    pivot = level["lumbar"]
    return sum(
        mass * GRAVITY_M_S2 * max(0.0, level[name] - pivot)
        for name, mass in zip(skeleton.names, skeleton.mass_kg, strict=True)
        if not any(part in name for part in _BELOW)
    )


def _heights(engine: Engine) -> dict[str, float]:
    """Heights of the segments' centres in standing, in metres: their distances along a straight trunk."""
    skeleton = engine.profiler.skeleton
    zero = np.zeros((1, 3))
    placed = skeleton.place(zero, np.eye(3)[None], np.zeros((1, len(JOINTS))))
    points = skeleton.points(placed)[0]
    heights = {n: float(points[r, 2]) for n, r in zip(skeleton.names, skeleton.com_rows, strict=True)}
    lumbar = skeleton.segment_index["lumbar"]
    heights["lumbar"] = float(placed.origin[0, lumbar, 2])
    arms = {n for n in heights if any(p in n for p in ("upper_arm", "forearm", "hand"))}
    chest = heights["upper_thorax"]
    return {n: chest if n in arms else h for n, h in heights.items()}  # arms crossed on the chest


_TESTED: tuple[tuple[type[Measured], str, Callable[[Engine], float]], ...] = (
    (SideBridgeHold, "side", lambda engine: _of_step(engine, "side_bridge/full_length")),
    (PlankHold, "front", lambda engine: _of_step(engine, "floor_plank/full_length")),
    (BackExtensorHold, "back", _trunk_level_nm),
)
