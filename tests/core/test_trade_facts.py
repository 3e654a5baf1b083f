"""Facts of the trade (job page, section 9): common practice, no source.  Set-up numbers and orderings."""

import pytest

from amvel.movements import Request, Step, find, library
from amvel.movements.faults import (
    BACK_ARCHES,
    BACK_HOLLOWS,
    PELVIS_ROCKS,
    PELVIS_TIPS,
    TRUNK_ROUNDS,
    TRUNK_SINKS,
)
from tests.bodies import profiler
from tests.published.test_leg_lever import peak


def step(ref: str) -> Step:
    return find(ref)[1]


def default(ref: str, name: str) -> float:
    values = step(ref).defaults(profiler().body)
    return float(values[name])


def span(ref: str, name: str) -> tuple[float, float]:
    p = next(p for p in step(ref).parameters if p.id == name)
    return p.low, p.high


def test_the_set_up_angle_at_square_is_ninety_degrees() -> None:
    p = profiler()
    from amvel.movements import Request

    family, found = find("knee_fold/both_held")
    profile = p.profile(Request(family, found, "both", found.defaults(p.body)))
    for joint in ("hip", "knee"):
        assert profile.columns[f"left.{joint}_flexion_deg"][-1] == pytest.approx(90, abs=1.5)


@pytest.mark.parametrize("rung, lift_cm", [("finger_high", 2.5), ("half_as_high", 1.5), ("paper_thin", 0.5)])
def test_the_toe_float_is_between_half_and_two_and_a_half_centimetres(rung: str, lift_cm: float) -> None:
    lift = next(p for p in step(f"toe_float/{rung}").parameters if "lift" in p.id or "float" in p.id)
    assert lift.default_for(profiler().body) == pytest.approx(lift_cm)


def test_both_legs_lower_by_two_to_five_centimetres() -> None:
    assert span("knee_fold/both_lowered", "lower_cm") == (2, 5)


def test_the_hover_is_two_to_five_centimetres() -> None:
    assert span("hover/for_a_breath", "knees_cm") == (2, 5)


def test_the_lower_knee_is_square_in_the_side_raise() -> None:
    assert peak("side_leg_raise/lower_knee_bent", "right.knee_flexion_deg") == pytest.approx(90, abs=3)


@pytest.mark.parametrize(
    "ref, repetitions, sets, hold_s",
    [
        ("breathing_rest/knees_bent", 10, 3, 0),
        ("squeeze_and_push/squeeze", 10, 3, None),
        ("arm_or_leg_slide/hold_ten", 5, 3, 10),
        ("sit_to_stand/one_leg", 6, 2, 0),
    ],
)
def test_first_doses(ref: str, repetitions: int, sets: int, hold_s: float | None) -> None:
    dose = step(ref).dose
    assert (dose.repetitions, dose.sets) == (repetitions, sets)
    if hold_s is not None:
        assert dose.hold_s == hold_s


def test_one_leg_sit_to_stand_is_every_other_day() -> None:
    assert "every other day" in step("sit_to_stand/one_leg").dose.note


def test_squeezes_last_three_seconds() -> None:
    assert 3 <= step("squeeze_and_push/squeeze").dose.seconds <= 8


def test_the_full_plank_begins_at_thirty_seconds() -> None:
    assert 30 <= step("floor_plank/full_length").dose.hold_s <= 60


def test_the_breathing_weight_is_at_most_about_two_kilograms() -> None:
    weight = next(p for p in step("prone_breathing/light_weight").parameters if p.unit == "kg")
    assert weight.high <= 2


@pytest.mark.parametrize(
    "harder, easier, measure, factor",
    [
        # A bent leg near the floor loads the trunk more than the same leg at square.
        (("toe_float/paper_thin", {}), ("knee_fold/single_fold", {}), "pelvic_flexion_moment_nm", 1.0),
        # The heel further away is harder than nearer.
        (("knee_fold/heel_further", {}), ("knee_fold/single_fold", {}), "pelvic_flexion_moment_nm", 1.0),
        # A longer way down the ladder of supports: the lower hands are, the more they carry.
        (("counter_plank/lower", {}), ("counter_plank/short", {}), "left.hand_support_percent_bw", 1.2),
        (("counter_plank/lower", {}), ("counter_plank/short", {}), "moment_l4_l5_nm", 1.0),
        (("floor_plank/full_length", {}), ("floor_plank/on_knees", {}), "moment_l4_l5_nm", 1.0),
        (("floor_plank/on_knees", {}), ("wall_plank/forearms", {}), "moment_l4_l5_nm", 1.5),
        (("side_bridge/full_length", {}), ("side_bridge/knees_bent", {}), "moment_l4_l5_nm", 1.1),
        # A heavier bag, a deeper bend, a jar in the hand.
        (
            ("one_side_carry/stand_tall", {"load_kg": 6}),
            ("one_side_carry/stand_tall", {"load_kg": 2}),
            "moment_l4_l5_nm",
            1.3,
        ),
        (
            ("wall_sit/both_feet", {"knee_deg": 70}),
            ("wall_sit/both_feet", {"knee_deg": 30}),
            "left.knee_moment_nm",
            1.3,
        ),
        (
            ("reach_to_a_shelf/with_a_jar", {}),
            ("reach_to_a_shelf/empty_hand", {}),
            "left.shoulder_moment_nm",
            1.1,
        ),
    ],
)
def test_what_is_harder_than_what(harder, easier, measure: str, factor: float) -> None:
    (hard, hard_values), (easy, easy_values) = harder, easier
    assert peak(hard, measure, **hard_values) > factor * peak(easy, measure, **easy_values)


def test_over_a_chair_is_steadier_than_on_hands_and_knees() -> None:
    """The belly carries: the hands have less to do."""
    chair = peak("over_chair_lift/one_leg", "left.hand_support_percent_bw")
    knees = peak("arm_or_leg_slide/leg_lift", "left.hand_support_percent_bw")
    assert chair < knees


def test_smaller_and_slower_is_harder_in_the_toe_float() -> None:
    """The lever of the leg is longest near the floor."""
    assert peak("toe_float/paper_thin", "pelvic_flexion_moment_nm") >= peak(
        "toe_float/finger_high", "pelvic_flexion_moment_nm"
    )


@pytest.mark.parametrize("ref", ["seated_knee_opening/one_knee", "seated_knee_opening/both_with_a_band"])
def test_a_knee_that_opens_over_its_foot_turns_the_thigh_out(ref: str) -> None:
    """Common practice, no source; plane geometry: with the foot on its place the shin leans out as far as the thigh goes."""
    p = profiler()
    family, step = find(ref)
    side = "left" if step.sides else "both"
    q = p.profile(Request(family, step, side, step.defaults(p.body)))
    assert q.peak("left.hip_internal_rotation_deg") < 1.0
    assert q.peak("left.hip_external_rotation_deg") == pytest.approx(q.peak("left.hip_abduction_deg"), abs=4.0)


def test_a_back_is_told_to_rest_only_where_it_lies_on_something() -> None:
    """Common practice, no source: what corrects a fault on the back ("where the back still rests") says nothing to who stands or kneels."""
    where = {family.position for family in library().values() for step in family.steps if BACK_ARCHES.cue in [f.cue for f in step.faults]}
    assert where == {"on the back"}
    lifted = {step.id for step in library()["bridge"].steps if BACK_ARCHES.cue in [f.cue for f in step.faults]}
    assert lifted == set()


def test_hands_feel_the_pelvis_only_where_nothing_stands_on_them() -> None:
    """Common practice, no source."""
    where = {family.position for family in library().values() for step in family.steps if PELVIS_ROCKS.cue in [f.cue for f in step.faults]}
    assert where == {"on the back"}


def test_the_same_fault_keeps_its_id_in_other_words() -> None:
    """What was logged in one position counts for the fault in another; a step tells each fault once."""
    pairs = (BACK_ARCHES, BACK_HOLLOWS), (PELVIS_ROCKS, PELVIS_TIPS), (TRUNK_ROUNDS, TRUNK_SINKS)
    for told, again in pairs:
        assert again.id == told.id and again.looks == told.looks and again.cue != told.cue
    for family in library().values():
        for step in family.steps:
            ids = [f.id for f in step.faults]
            assert len(set(ids)) == len(ids), step.id
