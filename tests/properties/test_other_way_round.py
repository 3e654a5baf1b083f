"""The right version of a step is the left one turned round: what is taken over is what solving it would have given.

A body that is alike on both sides has no other answer, which is geometry and needs no source; where the sides differ, only
poses that reach none of the stops in which they do are turned round.
"""

from functools import lru_cache

import numpy as np
import pytest

from amvel.body import Capacities, cautious, healthy
from amvel.movements import Profiler, Request, all_steps
from amvel.movements.look import Look
from amvel.movements.profiler import Asked, solved_directly
from tests.alike import unlike_columns
from tests.bodies import body

PEOPLE = {
    "healthy": healthy(),
    "nobody has measured": cautious({}),
    "a stiff left hip": cautious({"left.hip_flexion": 84.0, "right.hip_flexion": 118.0, "left.hip_abduction": 12.0}),
    "a stiff right shoulder and a short left hamstring": cautious({"right.shoulder_elevation": 80.0, "left.straight_leg_raise": 45.0}),
    "only one knee was measured": cautious({"right.knee_flexion": 95.0}),
    "fused low back that bends less to the left": cautious(
        {"left.trunk_side_bend": 10.0, "right.trunk_side_bend": 30.0}, mobile={"lumbar": 0.4}
    ),
    "a long fusion that turns less to the right": cautious(
        {"left.trunk_rotation": 18.0, "right.trunk_rotation": 16.0}, mobile={"lumbar": 0.8, "lower_thoracic": 0.0, "upper_thoracic": 0.4}
    ),
    "a long fusion, alike on both sides": cautious({}, mobile={"lumbar": 0.8, "lower_thoracic": 0.0, "upper_thoracic": 0.4}),
}


@lru_cache(maxsize=1)
def right_ones() -> tuple[Request, ...]:
    own = body()
    return tuple(Request(f, s, "right", s.defaults(own)) for f, s in all_steps() if s.sides)


@pytest.mark.parametrize("who", PEOPLE)
def test_a_right_version_is_what_solving_it_gives(who: str) -> None:
    profiler = Profiler(body(), PEOPLE[who])
    lefts = [Request(r.family, r.step, "left", r.values) for r in right_ones()]
    asked = profiler.profiles([*lefts, *right_ones()])[len(lefts) :]
    direct = solved_directly([Asked(profiler, r, Look.WHOLE) for r in right_ones()])
    turned = sum(a.left_twin is not None for a in asked)
    assert turned > len(lefts) / 4, "this looked at nothing"
    for got, want in zip(asked, direct, strict=True):
        assert (got.fault is None) == (want.fault is None), want.request.label
        if want.fault is None:
            assert not unlike_columns(got, want), want.request.label


def test_a_stop_on_one_side_is_met_by_that_side() -> None:
    """A left hip that ends early closes nothing of the right leg's own lift, and the other way round."""
    stiff = Profiler(body(), cautious({"left.hip_flexion": 60.0, "right.hip_flexion": 120.0}))
    fold = next((f, s) for f, s in all_steps() if f.ref(s) == "knee_fold/single_fold")
    left, right = (stiff.profile(Request(*fold, side, fold[1].defaults(body()))) for side in ("left", "right"))
    assert left.peak("left.hip_flexion_deg") <= 61.0
    assert right.peak("right.hip_flexion_deg") > 80.0


def test_whoever_asks_for_the_right_alone_gets_the_same() -> None:
    alone, both = Profiler(body(), healthy()), Profiler(body(), healthy())
    [wanted] = [r for r in right_ones() if r.label == "bent_knee_fall_out/one_knee"][:1] or [right_ones()[0]]
    left = Request(wanted.family, wanted.step, "left", wanted.values)
    first = both.profiles([left, wanted])[1]
    assert np.array_equal(alone.profile(wanted).columns.table, first.columns.table, equal_nan=True)


def test_the_poses_of_a_turned_version_are_found_where_somebody_looks() -> None:
    profiler = Profiler(body(), healthy())
    wanted = right_ones()[0]
    turned = profiler.posed(profiler.profile(wanted))
    left = profiler.profile(Request(wanted.family, wanted.step, "left", wanted.values))
    assert turned.posed is not None and left.posed is not None
    index = profiler.skeleton.landmarks.index
    knee = turned.posed.points[:, index["right.knee"]] * np.array([1.0, -1.0, 1.0])
    assert knee == pytest.approx(left.posed.points[:, index["left.knee"]], abs=1e-6)


def test_exchanging_sides_twice_changes_nothing() -> None:
    own: Capacities = PEOPLE["a stiff left hip"]
    assert own.swapped().swapped() == own
    assert own.swapped() != own and not own.alike_on_both_sides
    assert healthy().alike_on_both_sides and not PEOPLE["only one knee was measured"].alike_on_both_sides
