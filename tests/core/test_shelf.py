"""What one process has solved, another takes over: the same answers, nothing solved again, and only for this very body."""

import numpy as np
import pytest

from amvel.body import healthy
from amvel.case import read_case
from amvel.engine import body_of
from amvel.movements import Profiler, Request, all_steps
from amvel.movements.animation import animation
from amvel.movements.columns import Columns
from amvel.movements.declaration import Setting
from amvel.movements.figure import figure
from amvel.movements.look import Look
from amvel.movements.shelf import ShelfError, Shelved, packed, unpacked
from amvel.safety import sides_of
from tests.conftest import demo

CASE = read_case(demo("painful-wrist"))


def profiler() -> Profiler:
    return Profiler(body_of(CASE), healthy())


def requests(own: Profiler) -> list[Request]:
    chosen = [(f, s) for f, s in all_steps() if f.id in ("knee_fold", "sit_to_stand", "tall_turn")]
    return [Request(f, s, side, s.defaults(own.body)) for f, s in chosen for side in sides_of(s)]


@pytest.fixture(scope="module")
def first() -> Profiler:
    own = profiler()
    own.profiles(requests(own))
    own.sketches(requests(own)[:3])
    return own


@pytest.fixture
def second(first: Profiler) -> Profiler:
    own = profiler()
    own.take_over(first.pack())
    return own


def test_another_process_solves_nothing_again_and_says_the_same(first: Profiler, second: Profiler) -> None:
    for a, b in zip(first.profiles(requests(first)), second.profiles(requests(second)), strict=True):
        assert a == b and a.frame_names == b.frame_names and a.rows == b.rows
        assert set(a.columns) == set(b.columns)
        for name in a.columns:
            np.testing.assert_array_equal(a.columns[name], b.columns[name], err_msg=f"{a.request.label} {name}")
    assert second.solved == 0


def test_a_sketch_stays_a_sketch(first: Profiler, second: Profiler) -> None:
    """What rules out with a few frames must not become what allows, nor the other way round."""
    asked = requests(first)[:3]
    for requested, a, b in zip(asked, first.sketches(asked), second.sketches(requests(second)[:3]), strict=True):
        assert b.frame_names == a.frame_names
        assert len(a.frame_names) == len(requested.step.frames(Setting(first.body, first.capacities, requested.values)))
    assert second.solved == 0
    second.sketches(requests(second)[3:5])
    assert second.solved == 2


def test_its_poses_are_found_anew_where_somebody_looks(first: Profiler, second: Profiler) -> None:
    request = requests(first)[0]
    a, b = first.profile(request), second.profile(request)
    assert b.posed is None
    assert figure(second, b) == figure(first, a)
    assert animation(second, b) == animation(first, a)


def test_looking_at_a_movement_changes_nothing_that_a_verdict_is_made_of(second: Profiler) -> None:
    """Also of a held pose, whose one frame is both the sketch and the whole."""
    family, step = next((f, s) for f, s in all_steps() if len(s.frames(Setting(second.body, second.capacities, s.defaults(second.body)))) == 1)
    first = profiler()
    request = Request(family, step, sides_of(step)[0], step.defaults(first.body))
    whole = first.profile(request)
    other = profiler()
    other.take_over(first.pack())
    seen = other.posed(other.profile(request))
    assert seen.posed is not None and whole.posed is not None
    np.testing.assert_array_equal(seen.posed.points, whole.posed.points)
    for name in whole.columns:
        np.testing.assert_array_equal(seen.columns[name], whole.columns[name], err_msg=name)


def test_what_is_taken_over_is_passed_on(second: Profiler) -> None:
    third = profiler()
    third.take_over(second.pack())
    third.profiles(requests(third))
    assert third.solved == 0


def test_what_has_no_pose_is_not_kept() -> None:
    own = profiler()
    family, step = next((f, s) for f, s in all_steps() if f.id == "sit_back_rest")
    broken = Request(family, step, "both", {**step.defaults(own.body), "back_cm": 400.0})
    assert own.profile(broken).fault
    assert unpacked(own.pack()) == {look: {} for look in Look}


def test_nothing_is_packed_as_nothing() -> None:
    assert packed({}) == b""
    assert unpacked(b"") == {look: {} for look in Look}


@pytest.mark.parametrize("data", [b"x", b"PK\x03\x04 no archive", packed({Look.WHOLE: {"k": Shelved(("a",), (0,), Columns({"q": 0}, np.zeros((1, 1))))}})[:-30]])
def test_anything_else_is_refused(data: bytes) -> None:
    with pytest.raises(ShelfError):
        unpacked(data)
    with pytest.raises(ShelfError):
        profiler().take_over(data)
