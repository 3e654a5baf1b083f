"""Demand profiles, steadiness and holds as plain data."""

from typing_extensions import TypedDict

from amvel.body import plain_fault
from amvel.body.endurance import FREY_LAW_AVIN
from amvel.body.steadiness import steadiness
from amvel.engine import Engine
from amvel.movements import Profile, Profiler, find
from amvel.movements.levels import Way
from amvel.planning.holds import Capacity, Held, estimated_holds
from amvel.screening import test_library


class ProfileData(TypedDict):
    """Per frame and peaks, by the names of the quantities."""

    family: str
    step: str
    side: str
    values: dict[str, float | str]
    fault: str
    frames: list[str]
    quantities: dict[str, list[float]]
    peaks: dict[str, float]


class SteadyData(TypedDict):
    """How large a push a declared frame takes, and which friction it needs."""

    frame: str
    push_n: float
    push_from: str
    friction_needed: float


class HoldData(TypedDict):
    """How long one step can be held by what was measured."""

    ref: str
    side: str
    demand_nm: float
    seconds: float
    low_s: float
    high_s: float
    suggested_s: float


class CapacityData(TypedDict):
    """What showed how long a wall of the trunk holds, and what follows from it."""

    way: Way
    side: str
    test: str
    step: str
    on: str
    measured_s: float
    logged: int
    demand_nm: float
    capacity_nm: float
    source: str
    holds: list[HoldData]


class SuggestedHoldData(TypedDict):
    """The hold of one step from a measured one."""

    suggested_s: float
    low_s: float
    high_s: float
    shown_by: str
    on: str
    measured_s: float
    source: str


def peak_data(profile: Profile) -> dict[str, float]:
    """The largest value of every quantity over all frames."""
    return {k: round(float(v.max()), 3) for k, v in profile.columns.items()}


def profile_data(profile: Profile) -> ProfileData:
    """Per frame and peaks, by the names of the quantities."""
    rounded = {k: [round(float(x), 3) for x in v] for k, v in profile.columns.items()}
    return {
        "family": profile.request.family.id,
        "step": profile.request.step.id,
        "side": profile.request.side,
        "values": profile.request.values,
        "fault": plain_fault(profile.fault),
        "frames": list(profile.frame_names),
        "quantities": rounded,
        "peaks": peak_data(profile),
    }


def steady_data(profiler: Profiler, profile: Profile) -> list[SteadyData]:
    """Largest push at the chest and friction needed, for each declared frame; empty when the pose cannot be taken."""
    profile = profiler.posed(profile)
    if profile.fault or profile.posed is None:
        return []
    out: list[SteadyData] = []
    for row in profile.rows:
        found = steadiness(profiler.skeleton, profile.specs[row], profile.posed.points[row])
        out.append(
            {
                "frame": profile.frame_names[row],
                "push_n": round(found.push_n, 1),
                "push_from": found.push_from,
                "friction_needed": round(found.friction_needed, 3),
            }
        )
    return out


def capacity_data(c: Capacity) -> CapacityData:
    """A wall of the trunk and what follows for the steps that it holds."""
    by = c.shown_by
    return {
        "way": by.way,
        "side": by.side,
        "test": by.test,
        "step": by.step,
        "on": by.on.isoformat(),
        "measured_s": by.seconds,
        "logged": c.logged,
        "demand_nm": round(by.demand_nm, 1),
        "capacity_nm": round(c.capacity_nm, 1),
        "source": str(FREY_LAW_AVIN),
        "holds": [
            {
                "ref": h.ref,
                "side": h.side,
                "demand_nm": round(h.demand_nm, 1),
                "seconds": round(h.estimate.seconds, 1),
                "low_s": round(h.estimate.low_s, 1),
                "high_s": round(h.estimate.high_s, 1),
                "suggested_s": h.suggested_s,
            }
            for h in c.holds
        ],
    }


def shown_by_title(held: Held) -> str:
    """The test or the step in which it was seen."""
    return test_library()[held.test].title if held.test else find(held.step)[1].title


def hold_data(engine: Engine, ref: str, side: str) -> SuggestedHoldData | None:
    """The suggested hold of one step from a measured one, the weakest where several speak; None when none does."""
    found = [(h, c) for c in estimated_holds(engine, ref) for h in c.holds if h.side in (side, "both")]
    if not found:
        return None
    h, c = min(found, key=lambda pair: pair[0].estimate.seconds)
    return {
        "suggested_s": h.suggested_s,
        "low_s": round(h.estimate.low_s, 1),
        "high_s": round(h.estimate.high_s, 1),
        "shown_by": shown_by_title(c.shown_by),
        "on": c.shown_by.on.isoformat(),
        "measured_s": c.shown_by.seconds,
        "source": str(FREY_LAW_AVIN),
    }
