"""Pacing follows the breath line, in the words of the school."""

import pytest

from amvel.movements import all_steps, find
from amvel.movements.pacing import IN, ON, OUT, beats, clauses, phases


def step(ref: str):
    return find(ref)[1]


def test_the_way_there_and_back_have_the_breath_that_the_step_says() -> None:
    parts = phases(step("clam/small_opening"), "out_on_effort")
    assert (parts["there"], parts["back"]) == ((OUT,), (IN,))


def test_rising_breathes_in_to_lean_and_out_to_rise() -> None:
    parts = phases(step("sit_to_stand/two_legs"), "out_on_effort")
    assert parts["there"] == (IN, OUT)


def test_the_continuous_school_breathes_out_both_ways() -> None:
    parts = phases(step("bridge/small_lift"), "continuous")
    assert parts["there"] == parts["end"] == parts["back"] == (OUT,)
    assert parts["start"] == (IN,)


def test_in_on_the_lift_exchanges_the_two() -> None:
    usual, other = (phases(step("bridge/small_lift"), o) for o in ("out_on_effort", "in_on_the_lift"))
    assert usual["there"] == (OUT,)
    assert other["there"] == (IN,)


def test_a_custom_breath_stays_whatever_the_school() -> None:
    custom = step("side_leg_raise/both_legs_long")
    assert custom.breath_custom
    assert phases(custom, "continuous") == phases(custom, "out_on_effort")


def test_words_inside_a_clause_are_no_breath() -> None:
    assert [b for b, _ in clauses("out as the knee leans out, in to wait, out to return")] == [OUT, IN, OUT]
    assert [b for b, _ in clauses("out to slide in, in and out to settle, out to slide away")] == [
        OUT,
        IN,
        OUT,
        OUT,
    ]
    assert [b for b, _ in clauses("breathe on; out to lift")] == [ON, OUT]


@pytest.mark.parametrize("option", ["out_on_effort", "in_on_the_lift", "continuous"])
def test_one_repetition_of_every_step_lasts_as_long_as_its_dose_says(option: str) -> None:
    for family, one in all_steps():
        found = beats(one, 8, option)
        assert sum(b.seconds for b in found) == pytest.approx(one.dose.seconds), family.ref(one)
        assert {b.frame for b in found} == set(range(8))
        assert {b.breath for b in found} <= {IN, OUT, ON}


def test_the_breath_out_lasts_longer_than_the_breath_in() -> None:
    found = beats(step("clam/small_opening"), 7, "out_on_effort")
    assert sum(b.seconds for b in found if b.breath == OUT) > sum(b.seconds for b in found if b.breath == IN)


def test_a_held_pose_breathes_in_place() -> None:
    assert [b.breath for b in beats(step("wall_plank/forearms"), 1, "out_on_effort")] == [IN, OUT]
