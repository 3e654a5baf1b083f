"""Pacing follows the breath line, in the words of the school."""

import pytest

from amvel.movements import all_steps, find
from amvel.movements.pacing import IN, ON, OUT, beats, phases


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


def test_each_part_of_a_repetition_has_its_own_air() -> None:
    parts = phases(step("bent_knee_fall_out/small"), "out_on_effort")
    assert (parts["there"], parts["end"], parts["back"]) == ((OUT,), (IN,), (OUT,))
    parts = phases(step("supported_heel_slide/on_a_box"), "out_on_effort")
    assert (parts["there"], parts["end"], parts["back"]) == ((OUT,), (IN, OUT), (OUT,))
    parts = phases(step("side_bridge/knees_bent"), "out_on_effort")
    assert (parts["there"], parts["end"]) == ((OUT,), (ON,))


def test_a_toe_tap_reaches_on_the_breath_in_whatever_the_school() -> None:
    """job.md § 4: toe taps in the natural-curve school: in = reach, out = return (common practice, no source)."""
    tap = step("knee_fold/alternate_toe_tap")
    for option in ("out_on_effort", "in_on_the_lift", "continuous"):
        assert (phases(tap, option)["there"], phases(tap, option)["back"]) == ((IN,), (OUT,))


def test_leaning_a_knee_out_is_a_way_there_and_not_half_of_one() -> None:
    parts = phases(step("knee_tip/one_side"), "out_on_effort")
    assert (parts["there"], parts["back"]) == ((OUT,), (IN,))


def test_getting_ready_comes_before_the_way_there_and_the_air_turns_by_itself() -> None:
    parts = phases(step("roll_to_the_side/to_the_side"), "out_on_effort")
    assert (parts["start"], parts["there"], parts["back"]) == ((IN,), (OUT,), (IN,))


def test_a_breath_says_what_it_does_and_turned_twice_is_itself() -> None:
    for family, one in all_steps():
        said = one.breath.says()
        assert said and not said.startswith(" ") and "  " not in said, family.ref(one)
        assert one.breath.turned().turned() == one.breath
        assert one.breath.in_words([p.words for p in one.breath.phases]) == one.breath


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
