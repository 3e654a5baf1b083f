"""The pose solver: places many bodies at once so that every contact meets its surface.

Declared angles hold exactly; only joints named free, and the placement of the pelvis, adjust.
A free joint stops at the end of the client's range (see `descent`).
"""

from dataclasses import dataclass

import numpy as np

from amvel.body.descent import Descent, Stops
from amvel.body.pose import PoseSpec
from amvel.body.skeleton import JOINT_INDEX, Array, Placement, Skeleton

CONTACT_TOLERANCE_M = 0.005
_CHUNK = 400
_ROWS_TOGETHER = 3


@dataclass
class Posed:
    """B placed bodies."""

    angles: Array
    root_position: Array
    root_rotation: Array
    placement: Placement
    points: Array
    worst_gap_m: Array
    faults: list[str]


def solve(skeleton: Skeleton, specs: list[PoseSpec], stops_rad: Stops | list[Stops]) -> Posed:
    """Place every spec.  `stops_rad` bounds free joints by name, for all specs or for each.

    `faults` of the answer names, per pose, the contact that stays open by more than 5 mm ('' when none):
    such a pose cannot be taken by this body, and nothing may be judged from it.
    """
    stops = stops_rad if isinstance(stops_rad, list) else [stops_rad] * len(specs)
    if not specs:
        return _solve_chunk(skeleton, specs, stops)
    order = sorted(range(len(specs)), key=lambda i: _alike(specs[i]))
    chunks = [order[i : i + _CHUNK] for i in range(0, len(order), _CHUNK)]
    solved = [_solve_chunk(skeleton, [specs[i] for i in c], [stops[i] for i in c]) for c in chunks]
    return put_together(solved, order)


def put_back(posed: Posed, rows: list[int], found: Posed) -> None:
    """Take poses found anew into their places."""

    def put(into: Array, values: Array) -> None:
        into[rows] = values

    for name in ("angles", "root_position", "root_rotation", "points", "worst_gap_m"):
        put(getattr(posed, name), getattr(found, name))
    for name in ("origin", "rotation", "axis", "centre"):
        put(getattr(posed.placement, name), getattr(found.placement, name))
    for row, fault in zip(rows, found.faults, strict=True):
        posed.faults[row] = fault


def part_of(posed: Posed, rows: list[int]) -> Posed:
    """Some of the placed bodies, in the order of `rows`."""
    placement = Placement(
        *(getattr(posed.placement, n)[rows] for n in ("origin", "rotation", "axis", "centre"))
    )
    return Posed(
        posed.angles[rows],
        posed.root_position[rows],
        posed.root_rotation[rows],
        placement,
        posed.points[rows],
        posed.worst_gap_m[rows],
        [posed.faults[i] for i in rows],
    )


def put_together(solved: list[Posed], order: list[int]) -> Posed:
    """Parts put together; `order` says, one after the other, at which place each of their poses belongs."""
    back = np.argsort(np.array(order))

    def joined(parts: list[Array]) -> Array:
        whole: Array = np.concatenate(parts)[back]
        return whole

    placement = Placement(
        *(joined([getattr(p.placement, n) for p in solved]) for n in ("origin", "rotation", "axis", "centre"))
    )
    faults = [f for p in solved for f in p.faults]
    return Posed(
        joined([p.angles for p in solved]),
        joined([p.root_position for p in solved]),
        joined([p.root_rotation for p in solved]),
        placement,
        joined([p.points for p in solved]),
        joined([p.worst_gap_m for p in solved]),
        [faults[i] for i in back],
    )


def _alike(spec: PoseSpec) -> tuple[int, list[int]]:
    """Poses with about as many rows and with the same free joints go together: little is padded, little is in vain."""
    return len(spec.rows) // _ROWS_TOGETHER, sorted(JOINT_INDEX[name] for name in spec.free)


def _solve_chunk(skeleton: Skeleton, specs: list[PoseSpec], stops: list[Stops]) -> Posed:
    descent = Descent(skeleton, specs, stops)
    descent.run()
    angles = descent.all_angles()
    placement = skeleton.place(descent.position, descent.rotation, angles)
    gaps = descent.gaps_m()
    faults = [_fault(spec, gap) for spec, gap in zip(specs, gaps, strict=True)]
    return Posed(
        angles,
        descent.position,
        descent.rotation,
        placement,
        skeleton.points(placement),
        gaps.max(1, initial=0.0),
        faults,
    )


def _fault(spec: PoseSpec, gaps: Array) -> str:
    if not gaps.size:
        return ""
    r = int(gaps.argmax())
    if gaps[r] <= CONTACT_TOLERANCE_M:
        return ""
    return f"{spec.name}: '{spec.rows[r].name}' stays {gaps[r] * 1000:.0f} mm from where it must be"


__all__ = ["CONTACT_TOLERANCE_M", "Posed", "Stops", "part_of", "put_back", "put_together", "solve"]
