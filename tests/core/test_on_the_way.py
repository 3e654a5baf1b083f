"""What goes on from one declared pose to the next, against going through the items one by one."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.body.between import _going_on, _next_alike
from amvel.body.flat import NOWHERE

POSES = st.lists(st.lists(st.integers(0, 5), max_size=6), min_size=1, max_size=6)


def flat(poses: list[list[int]]) -> tuple[np.ndarray, np.ndarray]:
    names = np.array([n for pose in poses for n in pose], dtype=np.int64)
    return names, np.cumsum([0, *map(len, poses)])


def one_by_one(poses: list[list[int]], key: list[int], on_the_way: list[bool]) -> list[list[tuple[int, int]]]:
    """Of each pose the items that go on and what each is blended with; of two of one name at the other end the last counts."""
    first = flat(poses)[1]
    out = []
    for k, moving in zip(key, on_the_way, strict=True):
        own = [(first[k] + i, n) for i, n in enumerate(poses[k])]
        there = {n: first[k + 1] + i for i, n in enumerate(poses[k + 1])} if moving else {}
        out.append([(i, there[n]) for i, n in own if n in there] if moving else [(i, NOWHERE) for i, _ in own])
    return out


@given(POSES, st.data())
def test_items_go_on_where_both_ends_have_them(poses: list[list[int]], data: st.DataObject) -> None:
    key = data.draw(st.lists(st.integers(0, len(poses) - 1), min_size=1, max_size=8))
    on_the_way = [k + 1 < len(poses) and data.draw(st.booleans()) for k in key]
    names, first = flat(poses)
    kept = _going_on(first, _next_alike(names, first), np.array(key), np.array(on_the_way))
    found = [list(zip(kept.own[a:b].tolist(), kept.other[a:b].tolist(), strict=True)) for a, b in zip(kept.first, kept.first[1:], strict=False)]
    assert found == one_by_one(poses, key, on_the_way)


@pytest.mark.parametrize(("names", "first"), [([], [0]), ([], [0, 0, 0]), ([3], [0, 0, 1])])
def test_poses_of_nothing_have_no_next(names: list[int], first: list[int]) -> None:
    assert _next_alike(np.array(names, dtype=np.int64), np.array(first)).tolist() == [NOWHERE] * len(names)
