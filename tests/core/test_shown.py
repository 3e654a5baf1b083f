"""Closed until shown: where everybody begins, what a test, a rise or a clean log opens, and what only waits for a test."""

from datetime import timedelta

import pytest

from amvel import screening
from amvel.case import read_case
from amvel.movements.levels import Way
from amvel.safety import envelope, shown_levels
from amvel.safety.limits import Origin
from amvel.screening import find_out
from tests.engines import engine_of
from tests.generated import TODAY, base
from tests.visits import once, visit

BOTH = ("left", "right")


def limits(*tests: dict, birth: str = "1986-05-01", conditions: tuple[dict, ...] = (), **more):
    dated = [{"on": TODAY.isoformat(), **t} for t in tests]
    data = base(birth, "female", [{"noted_on": TODAY.isoformat(), **c} for c in conditions], dated, **more)
    return envelope(find_out(read_case(data))).by_id


def level(way: Way, *tests: dict, **more) -> float:
    """What is open at home; 7 where nothing binds any more."""
    limit = limits(*tests, **more).get(f"trunk_work.{way.value}_home")
    return limit.bound if limit else 7


def sides(test: str, **result) -> tuple[dict, ...]:
    return tuple({"test": test, "side": s, **result} for s in BOTH)


NARROW = ({"kind": "stenosis"},)


def test_somebody_healthy_begins_at_three_and_with_someone_near_at_four() -> None:
    found = limits()
    assert found["trunk_work.arching_home"].bound == 3
    assert found["trunk_work.arching"].bound == 4


@pytest.mark.parametrize(("birth", "bound"), [("1961-11-25", 3), ("1961-11-24", 2), ("1940-01-01", 2)])
def test_from_65_on_one_begins_a_level_lower(birth: str, bound: int) -> None:
    """The day before the birthday and the day itself."""
    assert level(Way.TURNING, birth=birth) == bound


def test_the_first_six_weeks_after_a_birth_are_acute_and_the_day_after_they_are_not() -> None:
    def begins(days: int) -> float:
        on = (TODAY - timedelta(days=days)).isoformat()
        return level(Way.BENDING, conditions=({"kind": "after_birth", "on": on, "by": "vaginal"},))

    assert begins(41) == 1
    assert begins(42) == 2


def test_pain_at_rest_is_acute() -> None:
    pain = {"kind": "extension_pain", "since": "2026-10-01"}
    assert level(Way.SIDE, conditions=(pain,)) == 2
    assert level(Way.SIDE, conditions=({**pain, "at_rest": True},)) == 1


def test_weak_bone_begins_a_level_lower_a_healed_wrist_does_not_by_itself() -> None:
    assert level(Way.BENDING, {"test": "bone_density", "site": "total_hip", "t_score": -1.2}, birth="1970-05-01") == 2
    wrist = {"kind": "fracture", "site": "wrist", "on": "2015-05-01", "from_standing_height_or_less": False}
    assert level(Way.BENDING, conditions=(wrist,)) == 3


@pytest.mark.parametrize(
    ("tests", "ways", "shown"),
    [
        ((*sides("toe_float_clean", cm=2.5), *sides("fall_out_clean", deg=25)), (Way.ARCHING, Way.BENDING, Way.SIDE, Way.TURNING), 2),
        (sides("leg_reach_clean", hip_deg=40), (Way.ARCHING, Way.SIDE, Way.TURNING), 3),
        (sides("active_leg_raise", score=0), (Way.ARCHING, Way.SIDE, Way.TURNING), 3),
        (sides("limb_lift_clean", repetitions=5), (Way.BENDING, Way.TURNING, Way.SIDE), 3),
        (({"test": "chair_stand_30s", "count": 1},), (Way.BENDING,), 3),
        (
            (*sides("wall_plank_drop", drop_cm=0), {"test": "breath_directions", "reaches": ["front"], "changed_by_leg": "none"}),
            (Way.ARCHING, Way.SIDE, Way.TURNING),
            4,
        ),
        (({"test": "back_extensor_hold", "seconds": 10},), (Way.BENDING,), 4),
        (({"test": "plank_hold", "seconds": 20},), (Way.ARCHING, Way.SIDE, Way.TURNING), 5),
        (sides("side_bridge_hold", seconds=20), (Way.SIDE, Way.TURNING), 5),
        (({"test": "back_extensor_hold", "seconds": 20},), (Way.BENDING,), 5),
    ],
)
def test_a_result_shows_its_level_only_in_the_ways_that_it_works(tests, ways, shown) -> None:
    """After a birth of three weeks, where nothing but tests opens anything."""
    birth = ({"kind": "after_birth", "on": "2026-11-03", "by": "vaginal"},)
    for way in (Way.ARCHING, Way.BENDING, Way.SIDE, Way.TURNING):
        assert level(way, *tests, conditions=birth) == (shown if way in ways else 1), way
    assert level(Way.PRESS, *tests, conditions=birth) == shown


@pytest.mark.parametrize(
    "tests",
    [
        (sides("leg_reach_clean", hip_deg=40)[0],),
        sides("leg_reach_clean", hip_deg=40, gives="pelvis"),
        sides("leg_reach_clean", hip_deg=46),
        sides("limb_lift_clean", repetitions=4),
        ({"test": "chair_stand_30s", "count": 6, "arms_used": True},),
        sides("wall_plank_drop", drop_cm=0),
        ({"test": "plank_hold", "seconds": 19.9},),
        (*sides("active_leg_raise", score=1),),
    ],
)
def test_one_side_something_that_gives_or_just_too_little_shows_nothing(tests) -> None:
    for way in (Way.ARCHING, Way.BENDING, Way.SIDE, Way.TURNING):
        assert level(way, *tests, conditions=NARROW) == 2


def test_long_balanced_holds_without_a_condition_open_everything() -> None:
    holds = (
        {"test": "plank_hold", "seconds": 60, "down": "feet"},
        {"test": "back_extensor_hold", "seconds": 100},
        *sides("side_bridge_hold", seconds=60, down="feet"),
    )
    assert level(Way.ARCHING, *holds) == 6 and "trunk_work.arching" not in limits(*holds)
    assert level(Way.ARCHING, *holds, conditions=NARROW) == 5
    uneven = (*holds[:2], {"test": "side_bridge_hold", "side": "left", "seconds": 60, "down": "feet"}, {"test": "side_bridge_hold", "side": "right", "seconds": 56, "down": "feet"})
    assert level(Way.ARCHING, *uneven) == 5
    knees = ({**holds[0], "down": "knees"}, *holds[1:])
    assert level(Way.ARCHING, *knees) == 5


def test_two_clean_sessions_in_a_row_count_like_the_test_one_does_not() -> None:
    def done(*clean: bool, ago: int = 0) -> list[dict]:
        return [visit(ago + len(clean) - i, once("knee_fold/both_held", 8 if c else 5), by="specialist") for i, c in enumerate(clean)]

    assert level(Way.ARCHING, conditions=NARROW, visits=done(True, True)) == 3
    assert level(Way.ARCHING, conditions=NARROW, visits=done(True)) == 2
    assert level(Way.ARCHING, conditions=NARROW, visits=done(True, True, False)) == 2
    assert level(Way.ARCHING, conditions=NARROW, visits=done(False, True, True)) == 3
    assert level(Way.BENDING, conditions=NARROW, visits=done(True, True)) == 2
    assert level(Way.ARCHING, conditions=NARROW, visits=done(True, True, ago=200)) == 2
    told = [{**v, "by": "client"} for v in done(True, True)]
    assert level(Way.ARCHING, conditions=NARROW, visits=told) == 2, "what nobody saw shows nothing"


def test_what_only_waits_says_which_test_would_open_it() -> None:
    found = limits()
    for x in found.values():
        if x.origin is Origin.NOT_SHOWN and x.quantity.endswith("_level"):
            assert x.opened_by, x.id
            assert set(x.opened_by) <= set(screening.test_library())
    assert "has not been shown" in found["trunk_work.arching_home"].reason


def test_the_tests_that_are_named_open_the_next_level() -> None:
    for way in (Way.ARCHING, Way.BENDING, Way.SIDE, Way.TURNING):
        for at in range(1, 6):
            named = shown_levels.tests_beyond(way, at)
            nearest = min(s.level for s in shown_levels.SHOWS if s.level > at and way in s.ways)
            assert set(named) == {t for s in shown_levels.SHOWS if s.level == nearest and way in s.ways for t in s.tests}
    assert shown_levels.tests_beyond(Way.ARCHING, 6) == ()


def test_a_test_that_is_named_can_be_done_where_it_is_needed() -> None:
    """In the visit one level more is open, so that the pose of the test that shows it is open too: healthy, step by step."""
    e = engine_of(base("1986-05-01", "female", [], []))
    for ref in screening.test_library()["wall_plank_drop"].poses:
        assert any(v.allowed for v in e.judge(*ref.split("/"), contexts=("visit",))), ref


# Sitting, rising, standing, floor.


def test_fall_signs_lower_the_stance_in_the_visit_too() -> None:
    def stance(*tests: dict) -> tuple[float, float]:
        found = limits(*tests, birth="1950-01-01")
        return found["standing.home"].bound, found["standing.visit"].bound if "standing.visit" in found else 3

    good = (
        {"test": "timed_up_and_go", "seconds": 8},
        {"test": "chair_stand_30s", "count": 15},
        {"test": "four_stage_balance", "side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 10},
    )
    assert stance(*good) == (2, 3)
    slow = {"test": "timed_up_and_go", "seconds": 15}
    weak = {"test": "chair_stand_30s", "count": 4}
    assert stance(slow, weak, good[2]) == (1, 2)
    walk = {"test": "gait_4m", "seconds": 8}
    short = {"test": "one_leg_stance", "side": "left", "seconds": 2}
    assert stance(slow, weak, good[2], walk) == (0, 1)
    assert stance(slow, weak, good[2], walk, short) == (-1, 0)


def test_more_fall_signs_ask_for_a_firmer_hand_in_the_visit() -> None:
    def hand(*tests: dict) -> float:
        return limits(*tests, birth="1975-01-01")["falls_and_balance.hand_in_visit"].bound

    slow = {"test": "timed_up_and_go", "seconds": 15}
    more = (
        {"test": "gait_4m", "seconds": 8},
        {"test": "five_stands", "seconds": 20},
        {"test": "one_leg_stance", "side": "left", "seconds": 2},
        {"test": "four_stage_balance", "side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 3},
    )
    assert hand(slow) == 1
    assert hand(slow, more[0]) == 1
    assert hand(slow, *more[:2]) == 2
    assert hand(slow, *more) == 3


def test_with_two_fall_signs_one_leg_is_open_at_home_with_a_firm_hand() -> None:
    tests = [
        {"test": "timed_up_and_go", "seconds": 15, "on": TODAY.isoformat()},
        {"test": "four_stage_balance", "side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 5, "on": TODAY.isoformat()},
        {"test": "chair_stand_30s", "count": 15, "on": TODAY.isoformat()},
    ]
    e = engine_of(base("1952-01-01", "female", [], tests))
    assert len(e.findings.fall_signs) == 2
    home = {v.step: v for v in e.judge("standing_leg_to_the_side", contexts=("home",)) if v.side == "left"}
    assert home["firm_hand"].allowed
    assert not home["fingertips"].allowed


def test_arms_used_in_the_chair_stand_are_said_as_such() -> None:
    data = base("1950-01-01", "female", [], [{"test": "chair_stand_30s", "count": 4, "arms_used": True, "on": TODAY.isoformat()}])
    signs = [text for text, _ in find_out(read_case(data)).fall_signs]
    assert any("4 with the arms" in s for s in signs)


def test_a_young_person_with_a_curve_rises_without_hands_one_whose_legs_are_weak_does_not() -> None:
    curve = {"kind": "scoliosis", "convexity": "right", "region": "thoracic", "cobb_deg": 20}
    assert limits(birth="2010-01-01", conditions=(curve,))["rising.home"].bound == 3
    assert limits(conditions=({"kind": "multiple_sclerosis"},))["rising.home"].bound == 1
    seen = {"test": "observed_function", "rises": "one_hand"}
    assert limits(seen, conditions=({"kind": "multiple_sclerosis"},))["rising.home"].bound == 2


def test_after_an_operation_not_knowing_the_floor_is_no() -> None:
    hip = {"kind": "hip_replacement", "side": "left", "approach": "anterior", "on": "2024-01-01"}
    assert limits(conditions=(hip,))["floor.untested"].opened_by == ("floor_rise",)
    assert "floor.untested" not in limits({"test": "floor_rise", "result": "alone"}, conditions=(hip,))
    assert "floor.untested" not in limits(conditions=(hip,), tolerates={"floor": "yes"})
