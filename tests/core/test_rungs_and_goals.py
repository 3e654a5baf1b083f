"""What each test shows of a ladder, what each goal asks, what each school leaves out: tables, row by row."""

import pytest

from amvel.case import CONDITIONS, RESULTS, read_case
from amvel.movements import PURPOSES, find, library
from amvel.planning.needs import _TESTS, needs
from amvel.planning.purposes import GENERAL, words
from amvel.safety import Envelope
from amvel.safety.rungs import _SHOWN, ENTRY_EFFORT, readiness
from amvel.screening import find_out
from amvel.screening import test_library as known_tests
from tests.generated import TODAY, base
from tests.visits import done, visit


@pytest.mark.parametrize("kind", sorted(k for k, c in CONDITIONS.items() if c.ASKS.purposes))
def test_what_a_condition_weakens_is_trained_more(kind: str) -> None:
    """Beside its obligations, and said so (common practice, no source)."""
    condition = {"kind": kind, "noted_on": TODAY, **CONDITIONS[kind].EXAMPLES[0]}
    case = read_case(base("1960-01-01", "female", [condition], []))
    found = needs(case, find_out(case), Envelope((), (), ()))
    purposes, why = CONDITIONS[kind].ASKS.purposes, CONDITIONS[kind].ASKS.why
    assert set(purposes) <= set(PURPOSES)
    for purpose in purposes:
        assert found[purpose].weight > GENERAL[purpose]
        assert why in found[purpose].because


def test_every_test_speaks_of_known_purposes() -> None:
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


def test_without_any_result_only_first_rungs_are_ready_and_none_is_skipped() -> None:
    for ref, found in ready_with().items():
        family, step = find(ref)
        assert found.ready == (family.steps[0] is step and not step.after), ref


def test_above_rungs_that_limits_close_a_light_one_may_be_entered_and_a_heavy_one_not() -> None:
    case = read_case(base("1960-01-01", "female", [], []))
    closed = frozenset(("toe_float/finger_high", "bridge/small_lift", "bridge/three_quarters", "bridge/with_cushion"))
    found = readiness(case, find_out(case), closed)
    assert found["toe_float/half_as_high"].ready and not found["toe_float/paper_thin"].ready
    assert find("bridge/march")[1].effort > ENTRY_EFFORT and not found["bridge/march"].ready


def test_two_clean_sessions_in_a_row_open_the_next_rung_and_one_does_not() -> None:
    """job.md § 7: a step up after two sessions in a row (common practice, no source)."""

    def logged(*clean: bool) -> dict:
        visits = [visit(14 - i, done("clam/small_opening", left=8 if c else 5)) for i, c in enumerate(clean)]
        case = read_case(base("1960-01-01", "female", [], [], visits=visits))
        return readiness(case, find_out(case))

    assert logged(True, True)["clam/larger_opening"].ready
    assert logged(False, True, True)["clam/larger_opening"].ready
    assert not logged(True)["clam/larger_opening"].ready
    assert not logged(True, False)["clam/larger_opening"].ready


def test_what_goes_before_is_not_waited_for_where_limits_close_it() -> None:
    case = read_case(base("1960-01-01", "female", [], []))
    assert not readiness(case, find_out(case))["counter_plank/short"].ready
    assert readiness(case, find_out(case), frozenset(("wall_plank/forearms",)))["counter_plank/short"].ready


def test_a_rise_of_every_day_is_entered_where_the_easier_ones_are_closed() -> None:
    """Who cannot push with both hands rises with one: judged by how it is done, whatever it costs."""
    case = read_case(base("1960-01-01", "female", [], []))
    closed = frozenset(("sit_to_stand/with_hands", "sit_to_stand/leg_ahead"))
    assert readiness(case, find_out(case), closed)["sit_to_stand/one_hand"].ready
    assert not readiness(case, find_out(case), closed)["sit_to_stand/two_legs"].ready


def test_a_leg_reach_comes_after_the_deep_set_and_the_fold() -> None:
    """job.md § 3: the deep set before anything that loads it (common practice, no source)."""
    before = ("deep_abdominal_set/draw_on_breath_out", "knee_fold/single_fold")
    assert not ready_with(previous=before[:1])["leg_reach/long_and_back"].ready
    assert ready_with(previous=before)["leg_reach/long_and_back"].ready


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
