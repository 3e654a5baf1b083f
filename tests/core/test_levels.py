"""Levels of trunk work: what each asks of this body, in which direction, and how ladders stand in them."""

import numpy as np
import pytest

from amvel.body import Measures, healthy, measure
from amvel.body.grading import Graded, graded
from amvel.movements import Profiler, Request, find, library
from amvel.movements.levels import HIGHEST, REFERENCES, SAYS, Ceilings, Way, named_levels
from amvel.movements.profiler import ceilings_of

SMALL, MIDDLE, TALL = (
    Measures(1.50, 48.0, "female"),
    Measures(1.68, 66.0, "female"),
    Measures(1.92, 98.0, "male"),
)


def profile(ref: str, measures: Measures = MIDDLE, **values: float | str):
    body = measure(measures)
    family, step = find(ref)
    side = "left" if step.sides else "both"
    return Profiler(body, healthy()).profile(Request(family, step, side, {**step.defaults(body), **values}))


def level(ref: str, way: Way, measures: Measures = MIDDLE, **values: float | str) -> float:
    return profile(ref, measures, **values).peak(way.quantity)


def level_of(values: list[float], most: list[float]) -> np.ndarray:
    """Of one quantity in some frames."""
    one = Graded(np.array([0]), np.array([most]), np.array([0]), np.array([True]), np.array([np.nan]))
    return graded(np.array([values]), one, 1)[0][0]


def test_a_value_counts_by_the_ceilings_that_it_lies_between() -> None:
    found = level_of([0.0, 5.0, 10.0, 15.0, 20.0, 30.0, 60.0, 90.0], [10.0, 20.0, 20.0, 40.0, 50.0, 60.0])
    assert found == pytest.approx([0.0, 0.5, 1.0, 1.5, 2.0, 3.5, 6.0, 6.5])


def test_what_no_level_asks_for_is_above_all_that_ask_nothing() -> None:
    nothing, something = level_of([0.0, 1.0], [0.0, 0.0, 8.0, 8.0, 8.0, 8.0])
    assert nothing == 0 and 2 < something <= 3


def test_of_what_tells_of_one_kind_of_work_the_hardest_counts_and_a_hold_only_by_what_is_held() -> None:
    """Two quantities of one kind, of which the second is not held, and one that is told against quiet standing, by hand."""
    most = np.tile([1.0, 2.0, 3.0, 4.0, 5.0, 10.0], (3, 1))
    three = Graded(np.arange(3), most, np.array([0, 0, 1]), np.array([True, False, False]), np.array([np.nan, np.nan, 4.0]))
    level, share, standing = graded(np.array([[2.0, 5.0], [3.0, 1.0], [8.0, 0.0]]), three, 2)
    assert level.tolist() == [[3.0, 5.0], [5.6, 0.0]] and share.tolist() == [[0.2, 0.5], [0.0, 0.0]] and standing.tolist() == [2.0, 0.0]


def test_what_is_missing_is_missing_in_its_level_and_who_cannot_stand_has_every_press_beyond_bounds() -> None:
    assert np.isnan(level_of([np.nan], [1.0, 2.0, 3.0, 4.0, 5.0, 6.0])[0])
    most = dict.fromkeys(ceilings_of(MIDDLE).most, np.arange(1.0, 7.0))
    own = profile("bridge/small_lift").columns
    assert Ceilings(most, {}).columns(own)["press_against_standing"].max() == np.inf


@pytest.mark.parametrize("measures", [SMALL, MIDDLE, TALL])
def test_ceilings_rise_from_level_to_level(measures: Measures) -> None:
    for name, most in ceilings_of(measures).most.items():
        assert (np.diff(most) >= 0).all(), name
        assert most[-1] > 0, name


@pytest.mark.parametrize("measures", [SMALL, MIDDLE, TALL])
def test_a_reference_pose_is_of_its_level_on_every_body(measures: Measures) -> None:
    for reference in REFERENCES:
        p = profile(reference.ref, measures)
        assert not p.fault, (reference.ref, p.fault)
        for way in Way:
            named = named_levels()[reference.ref].get(way, 0)
            assert p.peak(way.quantity) <= max(reference.level, named) + 0.05, (reference.ref, way)
            if way in reference.of:
                assert p.peak(way.quantity) >= reference.level, (reference.ref, way)


def test_the_same_pose_is_of_the_same_level_on_a_small_and_a_tall_body() -> None:
    """A level is a demand on this body, so that size cancels out, within half a level."""
    for ref in ("knee_fold/single_fold", "leg_reach/long_and_back", "tall_hinge/hands_on_thighs", "side_leg_raise/both_legs_long"):
        for way in (Way.ARCHING, Way.BENDING, Way.SIDE, Way.TURNING):
            found = [level(ref, way, m) for m in (SMALL, MIDDLE, TALL)]
            assert max(found) - min(found) < 0.5, (ref, way, found)


def test_a_rounded_back_makes_no_level_easier() -> None:
    """The reference body stands upright: what somebody's own posture adds is on top."""
    round_back = Measures(1.60, 55.0, "female", None, None, np.radians(25.0))
    upright = ceilings_of(Measures(1.60, 55.0, "female")).most
    for name, most in ceilings_of(round_back).most.items():
        assert most == pytest.approx(upright[name]), name


def test_longer_levers_are_of_higher_levels() -> None:
    """A straight leg is harder than a bent one, two than one (common practice, no source)."""
    assert level("knee_fold/single_fold", Way.ARCHING) < level("knee_fold/both_held", Way.ARCHING)
    assert level("leg_reach/lower", Way.ARCHING) < level("double_leg_raise/lower_both", Way.ARCHING)
    assert level("leg_reach/long_and_back", Way.ARCHING, leg_hip_deg=30) > level("leg_reach/long_and_back", Way.ARCHING, leg_hip_deg=60)


def test_directions_are_counted_apart() -> None:
    assert level("floor_plank/full_length", Way.ARCHING) >= 6 and level("floor_plank/full_length", Way.BENDING) < 1
    assert level("bridge/small_lift", Way.BENDING) >= 2.9 and level("bridge/small_lift", Way.ARCHING) < 1
    assert level("side_bridge/full_length", Way.SIDE) >= 6 > 2 > level("side_bridge/full_length", Way.ARCHING)


def test_both_legs_in_the_air_are_level_three_however_short_the_lever() -> None:
    for ref in ("small_leg_circles/knees_bent", "band_leg_press/press", "opposite_arm_and_leg_supine/arms_only"):
        assert level(ref, Way.ARCHING) >= 3, ref


def test_rolling_and_rising_are_no_exercises() -> None:
    for ref in ("sit_to_stand/two_legs", "roll_to_the_side/to_the_side", "side_to_sitting/all_the_way", "floor_by_a_chair/all_the_way_up"):
        assert profile(ref).peak("exercise") == 0, ref
    assert profile("knee_fold/single_fold").lowest("exercise") == 1


@pytest.mark.parametrize("family", [f for f in library().values() if not f.asked_for and not f.daily_task], ids=lambda f: f.id)
def test_levels_rise_along_a_ladder(family) -> None:
    """The highest level of a rung is not a whole level below that of the rung before it."""
    before = 0.0
    for step in family.steps:
        ref = family.ref(step)
        p = profile(ref)
        highest = max(p.peak(w.quantity) for w in Way)
        assert highest >= before - 1.0, (ref, highest, before)
        before = highest


def test_every_level_has_words() -> None:
    assert set(SAYS) == set(range(HIGHEST + 1))
    assert len(set(SAYS.values())) == HIGHEST + 1


def test_less_than_a_millionth_is_nothing_where_the_lowest_ceiling_is_nothing_itself() -> None:
    """A moment of 1e-9 N·m is rounding: against a ceiling of 1e-10 it would be a level of its own."""
    found = level_of([0.0, 1e-9, 1e-7, 0.5], [1e-10, 5.0, 10.0, 20.0, 30.0, 60.0])
    assert found[:3].tolist() == [0.0, 0.0, 0.0] and found[3] > 1
