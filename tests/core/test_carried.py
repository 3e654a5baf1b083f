"""Carrying and resting, legs in the air, muscles that act, stances and rises: read from the pose in every position."""

import pytest

from amvel.body import Measures, healthy, measure
from amvel.movements import Profiler, Request, find

BODY = measure(Measures(1.68, 66.0, "female"))
PROFILER = Profiler(BODY, healthy())


def peak(ref: str, quantity: str, side: str = "left", **values: float | str) -> float:
    family, step = find(ref)
    request = Request(family, step, side if step.sides else "both", {**step.defaults(BODY), **values})
    return PROFILER.profile(request).peak(quantity)


@pytest.mark.parametrize(
    "ref",
    ["tall_sitting/unsupported", "tall_sitting/back_supported", "breathing_rest/knees_bent", "prone_breathing/hands_beside", "clam/small_opening", "foot_gather/lift_the_ball"],
)
def test_a_foot_under_a_seat_and_a_leg_that_lies_only_rest(ref: str) -> None:
    for side in ("left", "right"):
        assert peak(ref, f"{side}.leg_carries_percent_bw") == 0


@pytest.mark.parametrize(
    ("ref", "least"),
    [
        ("bridge/small_lift", 15),
        ("bridge/one_leg_level", 30),
        ("hover/one_foot", 30),
        ("floor_plank/full_length", 12),
        ("belly_lift/with_the_breath", 25),
        ("standing_breath/free_standing", 45),
        ("standing_leg_to_the_side/firm_hand", 85),
        ("sit_to_stand/with_hands", 45),
        ("wall_plank/forearms", 40),
    ],
)
def test_a_leg_that_carries_says_so_in_every_position(ref: str, least: float) -> None:
    assert max(peak(ref, f"{s}.leg_carries_percent_bw") for s in ("left", "right")) > least


def test_an_arm_that_lies_does_not_carry_one_that_pushes_does() -> None:
    assert peak("tall_sitting/unsupported", "left.arm_carries_percent_bw") == 0
    assert peak("breathing_rest/knees_bent", "left.arm_carries_percent_bw") == 0
    assert peak("sit_to_stand/with_hands", "left.arm_carries_percent_bw") > 10
    assert peak("belly_lift/with_the_breath", "left.arm_carries_percent_bw") > 15


@pytest.mark.parametrize(
    ("ref", "legs"),
    [
        ("breathing_rest/calves_on_seat", 0),
        ("bent_knee_fall_out/small", 0),
        ("supported_heel_slide/on_a_box", 0),
        ("toe_float/paper_thin", 1),
        ("knee_fold/single_fold", 1),
        ("knee_fold/both_held", 2),
        ("bridge/march", 1),
        ("bridge/small_lift", 0),
        ("seated_march/heel_lifts", 0),
        ("seated_march/foot_lifts", 1),
        ("arm_or_leg_slide/leg_lift", 1),
        ("standing_leg_to_the_side/fingertips", 1),
        ("side_bridge/light_hip", 0),
        ("both_legs_lift/hand_in_front", 2),
        ("balanced_lean_back/both_legs_long", 2),
    ],
)
def test_legs_in_the_air_are_counted_in_every_position(ref: str, legs: int) -> None:
    assert peak(ref, "legs_lifted") == legs


def test_sitting_free_is_sitting_with_nothing_to_hold() -> None:
    assert peak("tall_sitting/unsupported", "sitting_unsupported") == 1
    assert peak("tall_sitting/back_supported", "sitting_unsupported") == 0
    assert peak("table_lean_rest/forearms", "sitting_unsupported") == 0
    assert peak("tall_hinge/hands_on_thighs", "sitting_unsupported") == 1
    assert peak("standing_breath/free_standing", "sitting_unsupported") == 0


def test_rises_are_counted_by_hands_and_legs() -> None:
    """Two hands, one, none, a foot ahead, one leg: the order of the ladder of rises."""
    found = [peak(f"sit_to_stand/{s}", "rise_level") for s in ("with_hands", "one_hand", "two_legs", "staggered", "one_leg")]
    assert found == [1, 2, 3, 4, 5]
    assert peak("light_seat/without_hands", "rise_level") == 0  # the seat is not left
    assert peak("rise_and_carry/rise_with_a_cup", "rise_level") == 3


def test_stances_are_counted_by_base_and_hands() -> None:
    """The order of the four-stage balance test; a firm hold takes two off, fingertips one (ours)."""
    assert [peak(f"tandem_stand/{s}", "stance_level") for s in ("firm_hand", "fingertips", "hands_hover")] == [0, 1, 2]
    assert peak("tandem_stand/hands_hover", "stance_level", base="half a step") == 1
    assert [peak(f"standing_leg_to_the_side/{s}", "stance_level") for s in ("firm_hand", "fingertips", "hands_hover")] == [1, 2, 3]
    assert peak("standing_breath/free_standing", "stance_level") == 0


def test_muscles_that_must_act_are_those_that_move_hold_or_carry() -> None:
    def acts(ref: str) -> tuple[float, ...]:
        return tuple(peak(ref, f"{s}.{limb}_acts") for limb in ("leg", "arm") for s in ("left", "right"))

    assert acts("breathing_rest/knees_bent") == (0, 0, 0, 0)
    assert acts("knee_fold/single_fold") == (1, 0, 0, 0)
    assert acts("knee_fold/both_lowered") == (1, 1, 0, 0)
    assert acts("squeeze_and_push/squeeze")[:2] == (1, 1)
    assert acts("floor_arm_slide/arms_slide") == (0, 0, 1, 1)
    assert acts("standing_breath/free_standing")[:2] == (1, 1)
    assert peak("tall_turn/arms_forward", "trunk_acts") == 1
    assert peak("breathing_rest/knees_bent", "trunk_acts") == 0


def test_a_weight_counts_only_while_the_trunk_bends_or_turns() -> None:
    assert peak("seated_twist/with_weight", "weighted_trunk_deg") > 20
    assert peak("loaded_side_bend/with_bag", "weighted_trunk_deg") > 15
    assert peak("one_side_carry/stand_tall", "weighted_trunk_deg") < 5
    assert peak("seated_rounding/over_the_legs", "weighted_trunk_deg") == 0


def test_press_is_counted_against_quiet_standing() -> None:
    assert peak("standing_breath/free_standing", "press_against_standing") == pytest.approx(1.0, abs=0.01)
    assert peak("breathing_rest/knees_bent", "press_against_standing") < 0.5
    # Wilke et al. 1999 (pressure in the L4/5 disc): standing bent over about twice standing or more.
    assert peak("toe_touching/fast", "press_against_standing") > 2.0
    assert 0.9 < peak("tall_sitting/unsupported", "press_against_standing") < 1.2


def test_flat_is_flat_on_the_back_or_face_down_and_timed_by_the_round() -> None:
    assert peak("clam/small_opening", "lying_flat") == 0
    assert peak("prone_breathing/hands_beside", "lying_flat") == 1
    step = find("bridge/small_lift")[1]
    assert peak("bridge/small_lift", "time_flat_min") == pytest.approx(step.dose.repetitions * step.dose.seconds / 60)
