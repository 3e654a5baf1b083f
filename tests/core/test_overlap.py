"""What counts as one limb in another."""

import numpy as np
import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st

from amvel.body import Skeleton
from amvel.body.overlap import overlaps, segments_apart
from tests.bodies import body

numbers = st.floats(-2, 2, allow_nan=False)
point = st.tuples(numbers, numbers, numbers)


def apart(*points: tuple[float, float, float]) -> float:
    return float(segments_apart(*(np.array([p], dtype=float) for p in points))[0])


def test_crossing_lines_are_as_far_apart_as_their_heights() -> None:
    assert apart((-1, 0, 0), (1, 0, 0), (0, -1, 0.3), (0, 1, 0.3)) == pytest.approx(0.3)


def test_lines_that_end_before_they_cross_are_measured_from_their_ends() -> None:
    assert apart((0, 0, 0), (1, 0, 0), (2, -1, 0), (2, 1, 0)) == pytest.approx(1.0)


def test_parallel_and_pointlike_lines_have_a_distance() -> None:
    assert apart((0, 0, 0), (1, 0, 0), (0, 0.5, 0), (1, 0.5, 0)) == pytest.approx(0.5)
    assert apart((0, 0, 0), (0, 0, 0), (3, 4, 0), (3, 4, 0)) == pytest.approx(5.0)


@settings(deadline=None)
@given(point, point, point, point)
@example((0.0, 0.0, 1.2e-7), (0.0, 0.0, 0.0), (0.0, 0.0, 0.0), (0.0, 0.0, 0.0))
def test_no_pair_of_points_on_the_lines_is_nearer(a, b, c, d) -> None:
    found = apart(a, b, c, d)
    t = np.linspace(0, 1, 21)[:, None]
    p, q = (np.array(x) + t * (np.array(y) - np.array(x)) for x, y in ((a, b), (c, d)))
    nearest = np.linalg.norm(p[:, None] - q[None], axis=-1).min()
    assert found <= nearest + 1e-9
    assert (
        found >= nearest - 0.2 * (np.linalg.norm(np.subtract(b, a)) + np.linalg.norm(np.subtract(d, c))) - 1e-9
    )


def standing(**angles: float) -> list:
    skeleton = Skeleton(body())
    from amvel.body.skeleton import JOINT_INDEX, JOINTS

    row = np.zeros((1, len(JOINTS)))
    for name, deg in angles.items():
        row[0, JOINT_INDEX[name.replace("__", ".")]] = np.radians(deg)
    placed = skeleton.place(np.array([[0, 0, 0.9]]), np.eye(3)[None], row)
    return overlaps(skeleton, skeleton.points(placed))


def test_somebody_who_stands_has_nothing_in_anything() -> None:
    assert standing() == []


def test_a_forearm_bent_into_the_belly_is_found() -> None:
    found = standing(left__elbow__flexion=90, left__shoulder__rotation=90, left__shoulder__abduction=-8)
    assert ("left.forearm", "trunk") in {(o.part, o.into) for o in found}


def test_a_leg_swung_into_the_other_is_found() -> None:
    found = standing(left__hip__abduction=-14)
    assert {(o.part, o.into) for o in found} & {("left.shank", "right.shank"), ("left.foot", "right.foot")}
