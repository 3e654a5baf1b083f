"""The pose solver: places bodies so that every contact meets its surface, one pose at a time.

Declared angles hold exactly; only joints named free, and the placement of the pelvis, adjust.
A free joint stops at the end of the client's range (see `descent`).
"""

from dataclasses import dataclass

import numpy as np

from amvel.body.clearance import EXTRA_ROWS, Ends, clear, ends_of
from amvel.body.compiled import kernel
from amvel.body.descent import Body, descend, gaps, refresh, stays
from amvel.body.flat import CENTRE, Flat, Stops, flatten, row_name
from amvel.body.pose import PoseSpec
from amvel.body.pose_fault import OutOfReach, PoseFault, WeightNotOverFeet
from amvel.body.skeleton import JOINTS, Placement, Skeleton
from amvel.body.tree import Array, Flags, Rows, Tree, point_at
from amvel.body.wish import Room, room_for, wish_of

CONTACT_TOLERANCE_M = 0.005
_AT_STOP_RAD = 1e-3
_NAMED = 3


@dataclass
class Posed:
    """B placed bodies; `give` (B×J) is what gave in the end, 0 for joints that were held.

    `faults` holds, per pose, why this body cannot take it (None when it can), such as a contact that stays open by more
    than 5 mm: nothing may be judged from such a pose.  `least` and `most` (B×(J+2)) are how far the solver sent each joint
    on the way to the pose, and the hips against their knees (see `descent.Body`).
    """

    angles: Array
    root_position: Array
    root_rotation: Array
    placement: Placement
    points: Array
    worst_gap_m: Array
    give: Array
    faults: list[PoseFault | None]
    least: Array
    most: Array

    @classmethod
    def of_nothing(cls, skeleton: Skeleton) -> "Posed":
        """No body at all, of this shape."""
        segments, joints, marks = len(skeleton.names), len(JOINTS), len(skeleton.landmarks.index)
        at = Placement(*(np.zeros((0, n, *m)) for n, m in ((segments, (3,)), (segments, (3, 3)), (joints, (3,)), (joints, (3,)))))
        joint = np.zeros((0, joints))
        return cls(joint, np.zeros((0, 3)), np.zeros((0, 3, 3)), at, np.zeros((0, marks, 3)), np.zeros(0), joint, [], joint, joint)

    def part(self, rows: slice | list[int]) -> "Posed":
        """Some of the placed bodies, in the order of `rows`."""
        at = self.placement
        faults = self.faults[rows] if isinstance(rows, slice) else [self.faults[i] for i in rows]
        return Posed(
            self.angles[rows],
            self.root_position[rows],
            self.root_rotation[rows],
            Placement(at.origin[rows], at.rotation[rows], at.axis[rows], at.centre[rows]),
            self.points[rows],
            self.worst_gap_m[rows],
            self.give[rows],
            faults,
            self.least[rows],
            self.most[rows],
        )


def solve(skeleton: Skeleton, specs: list[PoseSpec], stops_rad: Stops | list[Stops]) -> Posed:
    """Place every spec.  `stops_rad` bounds free joints by name, for all specs or for each."""
    stops = stops_rad if isinstance(stops_rad, list) else [stops_rad] * len(specs)
    return solve_flat(skeleton, flatten(skeleton, specs, stops), [s.name for s in specs])


def solve_flat(
    skeleton: Skeleton, flat: Flat, names: list[str], floor_m: Array | None = None, settled: Flags | None = None
) -> Posed:
    """The same for flat poses.  Above a floor (m, per pose) hands and feet are raised where they would be under it.

    Poses that are `settled` already stay as they are, unless something has to be raised.
    """
    count, segments, marks = flat.poses, len(skeleton.names), len(skeleton.landmarks.index)
    posed = Posed(
        flat.angles.copy(),
        flat.position.copy(),
        flat.rotation.copy(),
        Placement(
            np.zeros((count, segments, 3)),
            np.zeros((count, segments, 3, 3)),
            np.zeros((count, len(JOINTS), 3)),
            np.zeros((count, len(JOINTS), 3)),
        ),
        np.empty((count, marks, 3)),
        np.zeros(count),
        flat.give.copy(),
        [None] * count,
        np.full((count, len(JOINTS) + 2), np.inf),
        np.full((count, len(JOINTS) + 2), -np.inf),
    )
    worst = np.full(count, -1)
    extra = 0 if floor_m is None else EXTRA_ROWS
    _solve_all(
        skeleton.tree,
        ends_of(skeleton),
        flat,
        np.full(count, np.nan) if floor_m is None else floor_m,
        np.zeros(count, dtype=bool) if settled is None else settled,
        posed.angles,
        posed.root_position,
        posed.root_rotation,
        posed.placement.origin,
        posed.placement.rotation,
        posed.placement.axis,
        posed.placement.centre,
        posed.points,
        posed.worst_gap_m,
        posed.give,
        worst,
        posed.least,
        posed.most,
        room_for(skeleton.tree, flat, extra),
    )
    for b in np.flatnonzero(posed.worst_gap_m > CONTACT_TOLERANCE_M):
        row = flat.rows.first[b] + worst[b]
        kind = WeightNotOverFeet if CENTRE in (flat.rows.a[row], flat.rows.b[row]) else OutOfReach
        aim, gap_m = row_name(int(flat.rows.id[row])), float(posed.worst_gap_m[b])
        posed.faults[b] = kind(names[b], aim, gap_m, _ended(flat, posed, int(b)))
    return posed


def _ended(flat: Flat, posed: Posed, b: int) -> tuple[str, ...]:
    """Which joints that gave have reached their stop, for whoever wonders why a contact is not met."""
    at, free = posed.angles[b], posed.give[b] > 0
    ended = free & ((at <= flat.low[b] + _AT_STOP_RAD) | (at >= flat.high[b] - _AT_STOP_RAD))
    return tuple(JOINTS[j][0] for j in np.flatnonzero(ended)[:_NAMED])


@kernel
def _solve_all(
    tree: Tree,
    ends: Ends,
    flat: Flat,
    floor_m: Array,
    settled: Flags,
    angles: Array,
    position: Array,
    rotation: Array,
    origin: Array,
    turned: Array,
    axis: Array,
    centre: Array,
    points: Array,
    gap_m: Array,
    give: Array,
    worst: Rows,
    least: Array,
    most: Array,
    room: Room,
) -> None:
    for b in range(len(angles)):
        clearing = floor_m[b] == floor_m[b]
        extra = EXTRA_ROWS if clearing else 0
        wish = wish_of(flat, b, extra, room)
        rows = len(wish.a) - extra
        body = Body(
            position[b],
            rotation[b],
            angles[b],
            origin[b],
            turned[b],
            axis[b],
            centre[b],
            room.at_a[: len(wish.a)],
            room.at_b[: len(wish.a)],
            room.weight_at,
            room.com_at,
            room.com_arm,
            least[b],
            most[b],
        )
        if settled[b]:
            refresh(tree, wish, body)
            stays(body)
        else:
            descend(tree, wish, body, flat.position[b], flat.rotation[b], room)
        first, last = flat.rows.first[b], flat.rows.first[b + 1]
        must = flat.rows.must[first:last]
        gap, which = gaps(wish, body, rows, must)
        if clearing:
            contacts = flat.contacts.point[flat.contacts.first[b] : flat.contacts.first[b + 1]]
            gap, which = clear(
                tree,
                ends,
                wish,
                body,
                rows,
                must,
                contacts,
                floor_m[b],
                give[b],
                flat.floor[b],
                flat.low[b],
                flat.high[b],
                gap,
                which,
                room,
            )
        gap_m[b], worst[b] = gap, which
        for n in range(len(tree.segment)):
            point_at(tree, origin[b], turned[b], n, points[b, n])


__all__ = ["CONTACT_TOLERANCE_M", "Posed", "Stops", "solve", "solve_flat"]
