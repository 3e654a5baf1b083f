"""A viewer without perspective: directions at right angles, lengths across the picture true, nearer is nearer."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.body.view import FROM_ABOVE, FROM_FRONT, FROM_LEFT, FROM_RIGHT, View, camera

ANGLES = st.tuples(st.floats(-180, 180), st.floats(-80, 80))
POINT = st.tuples(*(st.floats(-2, 2) for _ in range(3))).map(np.array)


@given(at=ANGLES)
def test_right_up_and_toward_are_a_right_handed_frame(at: tuple[float, float]) -> None:
    view = camera(*at)
    axes = np.array([view.right, view.up, view.toward])
    assert np.allclose(axes @ axes.T, np.eye(3), atol=1e-9)
    assert np.linalg.det(axes) == pytest.approx(1.0)


@given(at=ANGLES, one=POINT, other=POINT)
def test_what_lies_across_keeps_its_length_and_nothing_gets_longer(at: tuple[float, float], one: np.ndarray, other: np.ndarray) -> None:
    view = camera(*at)
    drawn = float(np.hypot(*np.subtract(view.flat(one), view.flat(other))))
    way = one - other
    assert drawn <= 100 * float(np.linalg.norm(way)) + 1e-6
    across = way - (way @ np.array(view.toward)) * np.array(view.toward)
    assert drawn == pytest.approx(100 * float(np.linalg.norm(across)), abs=1e-6)


@pytest.mark.parametrize(
    ("view", "right", "toward"),
    [
        (FROM_FRONT, (0, 1, 0), (1, 0, 0)),  # who faces us has the left hand at our right
        (FROM_LEFT, (-1, 0, 0), (0, 1, 0)),
        (FROM_RIGHT, (1, 0, 0), (0, -1, 0)),
        (FROM_ABOVE, (1, 0, 0), (0, 0, 1)),
    ],
)
def test_the_square_views_look_where_their_names_say(view: View, right: tuple, toward: tuple) -> None:
    assert np.allclose(view.right, right, atol=1e-9)
    assert np.allclose(view.toward, toward, atol=1e-9)


def test_a_raised_viewer_sees_the_floor_and_one_at_its_height_does_not() -> None:
    floor = np.array([0.0, 0.0, 1.0])
    assert floor @ np.array(camera(60, 15).toward) > 0.2
    assert abs(floor @ np.array(camera(60, 0).toward)) < 1e-9


def test_many_points_are_placed_as_each_alone() -> None:
    view = camera(37, 21)
    points = np.array([[0.1, 0.2, 0.3], [1.0, -2.0, 0.5]])
    assert np.allclose(view.flat_all(points), [view.flat(p) for p in points])
