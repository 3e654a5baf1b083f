"""What each test shows of a ladder, what each goal asks, what each school leaves out: tables, row by row."""

import pytest

from amvel.case import CONDITIONS, RESULTS, Case, read_case
from amvel.movements import PURPOSES, find, library
from amvel.planning.needs import _CONDITIONS, _GOALS, _TASKS, _TESTS, _goal, needs, tasks
from amvel.planning.purposes import GENERAL, words
from amvel.safety import Envelope
from amvel.safety.rungs import _SHOWN, ENTRY_EFFORT, ENTRY_RUNGS, readiness
from amvel.screening import find_out
from amvel.screening import test_library as known_tests
from tests.generated import TODAY, base

GOALS = [
    ("lift my granddaughter", {"hip_bend", "leg_loading"}),
    ("carry my cello up the stairs", {"side_bend", "balance"}),
    ("walk to the market without holding on", {"balance", "leg_loading"}),
    ("dance at my sister’s wedding", {"balance", "turning"}),
    ("turn over in bed without help", {"position_change"}),
    ("tie my own shoes", {"foot", "hip_bend"}),
    ("hang out the washing", {"upper_back"}),
    ("sit through a meeting", {"upper_back", "hip_bend"}),
    ("kneel in the allotment again", {"position_change", "leg_loading"}),
    ("get out of the boat", {"sit_to_stand"}),
    ("sing in the choir again", {"breath"}),
    ("stand at the bus stop", {"balance"}),
]


def with_goals(*goals: str) -> Case:
    case = read_case(base("1960-01-01", "female", [], []))
    return case.model_copy(update={"wishes": case.wishes.model_copy(update={"goals": goals})})


@pytest.mark.parametrize(("goal", "asks"), GOALS)
def test_a_goal_in_plain_words_asks_for_what_it_needs(goal: str, asks: set[str]) -> None:
    assert asks <= set(_goal(goal)), goal


@pytest.mark.parametrize("goal", ["", "be happy", "sleep better"])
def test_a_goal_that_says_nothing_of_the_body_adds_nothing(goal: str) -> None:
    assert _goal(goal) == {}
    assert tasks(with_goals(goal)) == ()


@pytest.mark.parametrize(
    ("goal", "family"),
    [
        ("lift my granddaughter", "bag_from_the_floor"),
        ("turn over in bed without help", "roll_to_the_side"),
        ("get out of the boat", "sit_to_stand"),
        ("kneel in the allotment again", "floor_by_a_chair"),
        ("hang out the washing", "reach_to_a_shelf"),
        ("carry my cello up the stairs", "one_side_carry"),
    ],
)
def test_a_goal_names_the_movement_that_is_its_own_task(goal: str, family: str) -> None:
    """Every ladder ends outside the exercise (common practice, no source)."""
    (task,) = tasks(with_goals(goal))
    assert family in task
    assert task <= set(library())


def test_turning_over_in_bed_is_no_turn_on_the_feet() -> None:
    assert "balance" not in _goal("turn over in bed")
    assert "balance" in _goal("turn and look behind me")


def test_the_goal_itself_weighs_more_than_what_leads_there() -> None:
    asked = _goal("lift my granddaughter")
    assert asked["hip_bend"] > asked["leg_loading"] > 0


def test_two_goals_of_one_kind_ask_for_one_task() -> None:
    assert len(tasks(with_goals("lift the baby", "lift my bag"))) == 1
    assert len(tasks(with_goals("lift the baby", "turn over in bed"))) == 2


@pytest.mark.parametrize("kind", sorted(_CONDITIONS))
def test_what_a_condition_weakens_is_trained_more(kind: str) -> None:
    """Beside its obligations, and said so (common practice, no source)."""
    condition = {"kind": kind, "noted_on": TODAY, **CONDITIONS[kind].EXAMPLES[0]}
    case = read_case(base("1960-01-01", "female", [condition], []))
    found = needs(case, find_out(case), Envelope((), (), ()))
    purposes, why = _CONDITIONS[kind]
    assert set(purposes) <= set(PURPOSES)
    for purpose in purposes:
        assert found[purpose].weight > GENERAL[purpose]
        assert why in found[purpose].because


def test_every_goal_and_every_test_speaks_of_known_purposes() -> None:
    for _, families in _TASKS:
        assert set(families) <= set(library())
    for _, purposes, says in _GOALS:
        assert set(purposes) <= set(PURPOSES)
        assert says
    for test, purposes in _TESTS.items():
        assert test in known_tests()
        assert set(purposes) <= set(PURPOSES)
    assert set(GENERAL) <= set(PURPOSES)
    assert all(words(p) for p in PURPOSES)


@pytest.mark.parametrize("shown", _SHOWN, ids=lambda s: f"{s.test}-{s.family}-{s.step}")
def test_what_a_result_shows_is_a_rung_of_the_library(shown) -> None:
    assert shown.test in RESULTS
    family = library()[shown.family]
    assert shown.step in family.index
    assert shown.says


def ready_with(*tests: dict, previous: tuple[str, ...] = ()) -> dict:
    case = read_case(
        base(
            "1960-01-01",
            "female",
            [],
            [{"on": TODAY.isoformat(), **t} for t in tests],
            previous_steps=list(previous),
        )
    )
    return readiness(case, find_out(case))


BOUNDS = [
    ("chair_stand_30s", [{"count": 4}], [{"count": 5}], "sit_to_stand/two_legs"),
    ("chair_stand_30s", [{"count": 13}], [{"count": 14}], "sit_to_stand/staggered"),
    ("plank_hold", [{"seconds": 9.9}], [{"seconds": 10}], "wall_plank/one_foot_light"),
    ("plank_hold", [{"seconds": 44.9}], [{"seconds": 45}], "floor_plank/full_length"),
    (
        "side_bridge_hold",
        [{"side": "left", "seconds": 20}, {"side": "right", "seconds": 19.9}],
        [{"side": "left", "seconds": 20}, {"side": "right", "seconds": 20}],
        "side_bridge/knees_bent",
    ),
    (
        "one_leg_stance",
        [{"side": "left", "seconds": 9.9}, {"side": "right", "seconds": 30}],
        [{"side": "left", "seconds": 10}, {"side": "right", "seconds": 30}],
        "standing_leg_to_the_side/fingertips",
    ),
    ("four_stage_balance", [{"side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 9.9}],
     [{"side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 10}], "heel_raise/fingertips"),
    ("toe_float_clean", [{"side": "left", "cm": 0.6}], [{"side": "left", "cm": 0.5}], "toe_float/paper_thin"),
]  # fmt: skip


@pytest.mark.parametrize(("test", "short", "enough", "ref"), BOUNDS)
def test_just_short_of_a_bound_a_rung_waits_and_at_it_it_is_ready(
    test: str, short: list[dict], enough: list[dict], ref: str
) -> None:
    assert not ready_with(*({"test": test, **r} for r in short))[ref].ready
    found = ready_with(*({"test": test, **r} for r in enough))[ref]
    assert found.ready
    assert found.why


def test_arms_in_the_stand_test_show_no_rung() -> None:
    assert not ready_with({"test": "chair_stand_30s", "count": 20, "arms_used": True})[
        "sit_to_stand/two_legs"
    ].ready


def test_without_any_result_only_light_first_rungs_are_ready() -> None:
    for ref, found in ready_with().items():
        family, step = find(ref)
        if found.ready:
            at = family.steps.index(step)
            assert at == 0 or (step.effort <= ENTRY_EFFORT and at < ENTRY_RUNGS), ref


def test_what_was_done_stays_ready_and_opens_the_next_rung_only() -> None:
    found = ready_with(previous=("clam/pulses",))
    assert found["clam/pulses"].why == "done in the last programme"
    assert found["clam/band_above_knees"].ready
    found = ready_with(previous=("side_leg_raise/lower_knee_bent",))
    assert found["side_leg_raise/both_legs_long"].ready
    assert not found["side_leg_raise/with_cushion"].ready


def test_a_rung_that_waits_names_the_one_before_it() -> None:
    why = ready_with()["bridge/march"].why
    assert why.startswith("first: ")
    assert find("bridge/with_cushion")[1].title in why


def test_needs_without_obligations_goals_or_results_are_the_general_ones() -> None:
    case = read_case(base("1960-01-01", "female", [], []))
    found = needs(case, find_out(case), Envelope((), (), ()))
    assert {p: n.weight for p, n in found.items()} == GENERAL
    assert all(n.because == () for n in found.values())
