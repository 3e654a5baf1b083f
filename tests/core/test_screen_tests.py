"""Every screening test: its outcomes, its classes at each boundary, its trials; sources stand in the tests themselves."""

import pytest

from amvel.answers.library import tests as answered_tests
from amvel.case import CaseError, read_case
from amvel.screening import test_library as library
from amvel.screening.declaration import Outcome, ScreenTest
from amvel.screening.endurance import ratios
from amvel.screening.real_change import compare, mdc95, sem
from tests.generated import TODAY

TESTS = list(library().values())


def case(*tests: dict, sex: str = "female", birth: str = "1952-03-01", **person: object):
    return read_case(
        {
            "as_of": str(TODAY),
            "person": {"birth_date": birth, "sex": sex, "stature_cm": 165, "mass_kg": 64, **person},
            "tests": [{"on": str(TODAY), **t} for t in tests],
        }
    )


def level(**test: object) -> str:
    c = case(test)
    return library()[str(test["test"])].reading(c.tests[0], c).level


@pytest.mark.parametrize("test", TESTS, ids=[t.id for t in TESTS])
def test_every_stated_outcome_can_be_entered_and_read(test: ScreenTest) -> None:
    for outcome in test.outcomes:
        entry = {"test": test.id, **({"side": "left"} if test.per_side else {}), **outcome.result}
        c = case(entry)
        reading = test.reading(c.tests[0], c)
        assert reading.text
        assert reading.level in ("ok", "watch", "refer", "stop", "none")
        assert str(reading.source)


@pytest.mark.parametrize("test", TESTS, ids=[t.id for t in TESTS])
def test_every_test_says_how_where_how_long_and_what_for(test: ScreenTest) -> None:
    assert test.title and test.group and test.unlocks and len(test.protocol) >= 1
    assert test.validity_days >= 0
    assert test.fields or test.per_side
    if test.trials:
        assert test.model.MAIN in test.model.model_fields


@pytest.mark.parametrize(
    ("entry", "expected"),
    [
        ({"test": "timed_up_and_go", "seconds": 11.99}, "ok"),
        ({"test": "timed_up_and_go", "seconds": 12.0}, "watch"),
        ({"test": "wall_to_occiput", "cm": 0}, "ok"),
        ({"test": "wall_to_occiput", "cm": 0.1}, "refer"),
        ({"test": "rib_to_pelvis", "finger_breadths": 2.0}, "refer"),
        ({"test": "rib_to_pelvis", "finger_breadths": 2.1}, "ok"),
        ({"test": "gait_4m", "seconds": 5.0}, "watch"),
        ({"test": "gait_4m", "seconds": 4.99}, "ok"),
        ({"test": "five_stands", "seconds": 15.0}, "ok"),
        ({"test": "five_stands", "seconds": 15.1}, "watch"),
        ({"test": "one_leg_stance", "side": "left", "seconds": 4.9}, "watch"),
        ({"test": "one_leg_stance", "side": "left", "seconds": 5.0}, "ok"),
        ({"test": "modified_schober", "cm": 5.0}, "ok"),
        ({"test": "modified_schober", "cm": 4.9}, "watch"),
        ({"test": "trunk_rotation_angle", "thoracic_deg": 4.9, "higher_side": "left"}, "ok"),
        ({"test": "trunk_rotation_angle", "thoracic_deg": 5.0, "higher_side": "left"}, "watch"),
        ({"test": "trunk_rotation_angle", "thoracic_deg": 7.0, "higher_side": "left"}, "refer"),
        ({"test": "cobb_report", "convexity": "left", "region": "lumbar", "cobb_deg": 9.9}, "ok"),
        ({"test": "cobb_report", "convexity": "left", "region": "lumbar", "cobb_deg": 10}, "watch"),
        ({"test": "pulse_and_saturation", "pulse_per_min": 120}, "ok"),
        ({"test": "pulse_and_saturation", "pulse_per_min": 121}, "stop"),
        ({"test": "pulse_and_saturation", "saturation_percent": 88}, "watch"),
        ({"test": "pulse_and_saturation", "saturation_percent": 87}, "stop"),
        ({"test": "blood_sugar", "mmol_l": 4.9}, "refer"),
        ({"test": "blood_sugar", "mmol_l": 5.0}, "ok"),
        ({"test": "blood_sugar", "mmol_l": 14.0, "ketones": True}, "stop"),
        ({"test": "blood_sugar", "mmol_l": 13.9, "ketones": True}, "ok"),
        ({"test": "active_leg_raise", "side": "left", "score": 1}, "ok"),
        ({"test": "active_leg_raise", "side": "left", "score": 2}, "watch"),
        ({"test": "doming", "gap_finger_breadths": 1.9}, "ok"),
        ({"test": "doming", "gap_finger_breadths": 2.0}, "watch"),
        ({"test": "under_back_pressure", "side": "left", "lowest_mmhg": 30, "highest_mmhg": 50}, "ok"),
        ({"test": "under_back_pressure", "side": "left", "lowest_mmhg": 29, "highest_mmhg": 50}, "watch"),
        ({"test": "under_back_pressure", "side": "left", "lowest_mmhg": 30, "highest_mmhg": 51}, "watch"),
        ({"test": "knee_extension_at_90", "side": "left", "deg": 20}, "ok"),
        ({"test": "knee_extension_at_90", "side": "left", "deg": 20.1}, "watch"),
    ],
)
def test_each_score_at_its_class_boundary(entry: dict, expected: str) -> None:
    assert level(**entry) == expected


@pytest.mark.parametrize(
    ("walk", "points"), [(4.81, 4), (4.82, 3), (6.20, 3), (6.21, 2), (8.70, 2), (8.71, 1), (None, 0)]
)
def test_physical_battery_walk(walk: float | None, points: int) -> None:
    """Guralnik et al. 2000, cuts for 4 m (from memory)."""
    from amvel.screening.tests.physical_battery import walk_points

    assert walk_points(walk) == points


@pytest.mark.parametrize(
    ("stands", "points"),
    [(11.19, 4), (11.20, 3), (13.69, 3), (13.70, 2), (16.69, 2), (16.70, 1), (60.0, 1), (60.1, 0), (None, 0)],
)
def test_physical_battery_stands(stands: float | None, points: int) -> None:
    """Guralnik et al. 1994 (from memory)."""
    from amvel.screening.tests.physical_battery import stand_points

    assert stand_points(stands) == points


@pytest.mark.parametrize(
    ("stages", "points"),
    [
        ((9.9, 0, 0), 0),
        ((10, 9.9, 0), 1),
        ((10, 10, 2.99), 2),
        ((10, 10, 3), 3),
        ((10, 10, 9.99), 3),
        ((10, 10, 10), 4),
    ],
)
def test_physical_battery_balance(stages: tuple[float, float, float], points: int) -> None:
    from amvel.screening.tests.physical_battery import balance_points

    c = case(
        {
            "test": "physical_battery",
            "side_by_side_s": stages[0],
            "semi_tandem_s": stages[1],
            "tandem_s": stages[2],
        }
    )
    assert balance_points(c.tests[0]) == points


def test_trials_are_kept_and_the_protocol_takes_its_own() -> None:
    c = case(
        {"test": "timed_up_and_go", "trials": [11.0, 12.0]},
        {"test": "gait_4m", "trials": [4.4, 4.0, 4.2]},
        {"test": "one_leg_stance", "side": "left", "trials": [3, 9, 7]},
    )
    walk, gait, leg = c.tests
    assert (walk.seconds, gait.seconds, leg.seconds) == (11.5, 4.0, 9.0)
    assert walk.trials == (11.0, 12.0)
    with pytest.raises(CaseError, match="is not the mean of the trials"):
        case({"test": "timed_up_and_go", "seconds": 9.0, "trials": [11.0, 12.0]})


def test_mdc95_from_spread_and_agreement() -> None:
    """MDC95 = 1.96 × √2 × SEM; with SD 2 and ICC 0.91 the SEM is 0.6 and the band 1.663 (hand calculation)."""
    assert sem(2.0, 0.91) == pytest.approx(0.6)
    assert mdc95(2.0, 0.91) == pytest.approx(1.96 * 2**0.5 * 0.6)
    with pytest.raises(ValueError, match="agreement"):
        sem(2.0, 1.1)


def test_inside_the_band_is_no_real_change() -> None:
    change = library()["timed_up_and_go"].change
    band = mdc95(change.sd, change.icc)
    assert compare(12.0, 12.0 + band - 0.01, change).real is False
    assert compare(12.0, 12.0 + band + 0.01, change).real is True
    assert compare(1.0, 2.0, None).real is None


def test_endurance_ratios() -> None:
    """McGill, Low Back Disorders: right to left within 0.05 of 1, flexor to extensor < 1, side to extensor < 0.75."""
    c = case(
        {"test": "side_bridge_hold", "side": "right", "seconds": 94},
        {"test": "side_bridge_hold", "side": "left", "seconds": 97},
        {"test": "back_extensor_hold", "seconds": 146},
        {"test": "flexor_hold", "seconds": 144},
    )
    assert {k: fine for k, (_, fine) in ratios(c).items()} == {
        "right to left side": True,
        "flexor to extensor": True,
        "side to extensor": True,
    }
    worse = case(
        {"test": "side_bridge_hold", "side": "right", "seconds": 60},
        {"test": "side_bridge_hold", "side": "left", "seconds": 97},
    )
    assert not ratios(worse)["right to left side"][1]


def test_priors_must_sum_to_one() -> None:
    t = library()["timed_up_and_go"]
    with pytest.raises(ValueError, match="priors"):
        ScreenTest(
            t.id,
            t.measures,
            t.protocol,
            t.safety,
            1,
            t.read,
            t.source,
            "standing",
            (Outcome("a", 0.4, {}),),
            unlocks="x",
        )


def test_the_spine_does_not_clear_a_curved_or_altered_one() -> None:
    """ISCD 2019: spine values are falsely high with curves, osteophytes, or fewer than two vertebrae."""
    from amvel.screening import find_out

    good = {"test": "bone_density", "site": "lumbar_spine", "t_score": 0.5}
    assert not find_out(case(good)).bone.assumed
    for spoilt in ({"spine_altered": True}, {"vertebrae_used": 1}):
        assert find_out(case({**good, **spoilt})).bone.assumed


def test_daily_life_floors_the_assumption_but_not_the_measurement() -> None:
    from amvel.screening import find_out

    seen = {"test": "observed_function", "sits_on_cm": 44, "reaches_shelf": "left"}
    c = find_out(case(seen)).capacities
    assert c.of("left.shoulder_elevation") == 140 and c.of("right.shoulder_elevation") == 120
    measured = find_out(case(seen, {"test": "shoulder_elevation", "side": "left", "deg": 95})).capacities
    assert measured.of("left.shoulder_elevation") == 95


def test_the_smallest_difference_that_counts_is_told_with_its_unit() -> None:
    told = {t["id"]: str(t["change_band"]) for t in answered_tests() if t["change_band"]}
    # 1.96 · √2 · 2° · √(1 − 0.9) = 1.75°, to a tenth.
    assert told["trunk_rotation_angle"] == "1.8°"
    assert all(not text[-1].isdigit() for text in told.values()), told


def test_a_difference_is_told_with_its_unit() -> None:
    change = library()["trunk_rotation_angle"].change
    assert str(compare(4, 7, change).text) == "4 → 7°: a real change (band ± 1.8°)"
    assert str(compare(4, 5, change).text) == "4 → 5°: no real change (band ± 1.8°)"
