"""The pose solver: its short cuts give what the whole skeleton gives, and an answer does not depend on its neighbours."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from amvel.body.moving_part import MovingPart, cross
from amvel.body.posing import part_of, put_together, solve
from amvel.body.skeleton import JOINTS, rotation_from_vector
from amvel.movements import Request, find
from tests.bodies import profiler

SKELETON = profiler("middle").skeleton
angle = st.floats(-1.5, 1.5)
vector = st.tuples(*[st.floats(-2.0, 2.0)] * 3)


@settings(max_examples=40, deadline=None)
@given(
    st.lists(angle, min_size=2 * len(JOINTS), max_size=2 * len(JOINTS)),
    st.sets(st.integers(0, len(JOINTS) - 1), min_size=1),
    st.sets(st.integers(0, len(SKELETON.landmarks.index) - 1), min_size=1),
    vector,
    vector,
)
def test_the_moving_part_lies_where_the_skeleton_lies(values, joints, marks, position, turn) -> None:
    """Two poses whose other joints are alike or not: points, axes and centres are those of the whole body."""
    angles = np.array(values).reshape(2, -1)
    moving, asked = np.array(sorted(joints)), np.array(sorted(marks))
    where = np.array([position, position])
    facing = rotation_from_vector(np.array([turn, turn]))
    whole = SKELETON.place(where, facing, angles)
    points, axis, centre = MovingPart(SKELETON, moving, asked, angles).place(where, facing, angles[:, moving])
    assert points == pytest.approx(SKELETON.points(whole)[:, asked], abs=1e-12)
    carried = [k for k, j in enumerate(moving) if SKELETON.moves[SKELETON.landmarks.segment[asked], j].any()]
    assert axis[:, carried] == pytest.approx(whole.axis[:, moving[carried]], abs=1e-12)
    assert centre[:, carried] == pytest.approx(whole.centre[:, moving[carried]], abs=1e-12)


@given(vector, vector)
def test_cross_products_are_those_of_numpy(a, b) -> None:
    assert cross(np.array(a), np.array(b)) == pytest.approx(np.cross(a, b), abs=1e-12)


def _specs(*refs: str) -> list:
    p, out = profiler("middle"), []
    for ref in refs:
        family, step = find(ref)
        side = "left" if step.sides else "both"
        out += p.profile(Request(family, step, side, step.defaults(p.body))).specs
    return out


REFS = ("knee_fold/single_fold", "sit_to_stand/two_legs", "clam/small_opening", "wall_plank/forearms")


def test_a_pose_is_solved_alike_alone_and_among_others() -> None:
    """Other lengths, other free joints beside it: the same angles to a thousandth of a degree."""
    p = profiler("middle")
    specs, stops = _specs(*REFS), p.capacities.stops_rad()
    together = solve(p.skeleton, specs, stops)
    for i in range(0, len(specs), 7):
        alone = solve(p.skeleton, [specs[i]], stops)
        assert np.degrees(alone.angles[0]) == pytest.approx(np.degrees(together.angles[i]), abs=1e-3)
        assert alone.root_position[0] == pytest.approx(together.root_position[i], abs=1e-5)


def test_parts_come_back_to_their_places() -> None:
    p = profiler("middle")
    specs = _specs("knee_fold/single_fold")
    whole = solve(p.skeleton, specs, p.capacities.stops_rad())
    even, odd = list(range(0, len(specs), 2)), list(range(1, len(specs), 2))
    again = put_together([part_of(whole, odd), part_of(whole, even)], odd + even)
    assert (again.angles == whole.angles).all()
    assert (again.points == whole.points).all()
    assert (again.placement.axis == whole.placement.axis).all()
    assert again.faults == whole.faults


def test_free_joints_stop_at_the_end_of_the_range_and_others_never_move() -> None:
    p = profiler("middle")
    stops = p.capacities.stops_rad()
    specs = _specs(*REFS)
    solved = solve(p.skeleton, specs, stops)
    for i, spec in enumerate(specs):
        for j, (name, _, _) in enumerate(JOINTS):
            if name in spec.free:
                low, high = stops.get(name, (-np.inf, np.inf))
                assert low - 1e-9 <= solved.angles[i, j] <= high + 1e-9, (spec.name, name)
            else:
                assert solved.angles[i, j] == spec.angles_rad.get(name, 0.0), (spec.name, name)
