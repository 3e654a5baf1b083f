"""Bounds that are compared all at once break where a plain reading of every frame says so."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.body.bounds import EVERYWHERE, Bounds, broken, found_at

VALUES = st.one_of(st.floats(-50.0, 50.0), st.sampled_from([np.nan, np.inf, -np.inf]))
PLACES = st.sampled_from([0.0, 1.0, np.nan])
ONE = st.tuples(st.integers(0, 1), st.sampled_from([EVERYWHERE, 2, 3]), st.sampled_from([1.0, -1.0]), st.floats(-40.0, 40.0))


def compared(table: np.ndarray, bounds: list[tuple[int, int, float, float]]) -> list[tuple[int, float]]:
    row, place, sign, bound = zip(*bounds, strict=True)
    signs = np.array(sign)
    return broken(table, Bounds(np.array(row), np.array(place), signs, signs * np.array(bound)))


@given(st.lists(st.tuples(VALUES, VALUES, PLACES, PLACES), max_size=5), st.lists(ONE, min_size=1, max_size=6))
def test_every_bound_looks_at_the_frames_of_its_place(frames: list[tuple[float, ...]], bounds: list[tuple[int, int, float, float]]) -> None:
    table = np.array(frames, dtype=float).reshape(-1, 4).T
    expected = []
    for number, (row, place, sign, bound) in enumerate(bounds):
        seen = [f[row] for f in frames if place == EVERYWHERE or f[place] > 0]
        worst = sign * np.inf if not np.isfinite(seen).all() else max(seen, key=lambda x: sign * x, default=-sign * np.inf)
        if seen and (worst > bound if sign > 0 else worst < bound):
            expected.append((number, worst))
    assert compared(table, bounds) == expected


def test_what_is_just_at_its_bound_holds() -> None:
    table = np.array([[3.0, 5.0]])
    assert compared(table, [(0, EVERYWHERE, 1.0, 5.0), (0, EVERYWHERE, -1.0, 3.0)]) == []
    assert compared(table, [(0, EVERYWHERE, 1.0, 4.9), (0, EVERYWHERE, -1.0, 3.1)]) == [(0, 5.0), (1, 3.0)]


@pytest.mark.parametrize(("frames", "there"), [(0, [False, False]), (2, [True, True])])
def test_a_place_is_where_some_frame_is(frames: int, there: list[bool]) -> None:
    table = np.array([[0.0, 1.0]])[:, :frames]
    assert found_at(table, np.array([EVERYWHERE, 0])) == there
