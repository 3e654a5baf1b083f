"""Ranges: what is measured, what is assumed, and where joints stop."""

from math import degrees, radians

import pytest

from amvel.body import HEALTHY_DEG, cautious, healthy
from amvel.case import read_case
from amvel.screening import find_out


def test_untested_trunk_ranges_count_half_and_limbs_what_daily_life_shows() -> None:
    found = cautious({})
    assert found.of("trunk_flexion") == HEALTHY_DEG["trunk_flexion"] / 2
    assert found.of("left.hip_flexion") >= 80  # who sits on a chair has it (common practice)
    assert found.of("left.hip_flexion") < HEALTHY_DEG["hip_flexion"]
    assert "left.hip_flexion" in found.assumed


def test_a_measured_range_is_used_as_it_is_and_no_longer_assumed() -> None:
    found = cautious({"left.hip_flexion": 70.0})
    assert found.of("left.hip_flexion") == 70
    assert "left.hip_flexion" not in found.assumed
    assert "right.hip_flexion" in found.assumed


def test_an_unknown_range_is_refused_by_name() -> None:
    with pytest.raises(KeyError, match="elbow_wiggle"):
        cautious({"elbow_wiggle": 3.0})


@pytest.mark.parametrize(("knee", "stop"), [(0, 75), (20, 95), (45, 120), (90, 120)])
def test_the_hamstring_lets_go_as_the_knee_bends(knee: float, stop: float) -> None:
    assert degrees(healthy().hip_stop_rad("left", radians(knee))) == pytest.approx(stop)


def test_the_same_ranges_have_the_same_digest() -> None:
    assert cautious({"left.hip_flexion": 70.0}).digest() == cautious({"left.hip_flexion": 70.0}).digest()
    assert cautious({}).digest() != cautious({"left.hip_flexion": 70.0}).digest()


def ranges(*tests: dict) -> dict[str, float]:
    person = {"birth_date": "1980-01-01", "sex": "male", "stature_cm": 180, "mass_kg": 80}
    case = read_case({"as_of": "2026-11-24", "person": person, "tests": list(tests)})
    return find_out(case).capacities.range_deg


def hip(deg: float, on: str, side: str = "left") -> dict:
    return {"test": "hip_flexion", "on": on, "side": side, "deg": deg}


def test_the_newest_day_counts_and_on_one_day_the_smaller_value() -> None:
    assert ranges(hip(120, "2026-10-01"), hip(95, "2026-11-01"))["left.hip_flexion"] == 95
    assert ranges(hip(95, "2026-10-01"), hip(120, "2026-11-01"))["left.hip_flexion"] == 120
    assert (
        ranges(hip(110, "2026-11-01"), hip(104, "2026-11-01"), hip(108, "2026-11-01"))["left.hip_flexion"]
        == 104
    )


def test_sides_are_kept_apart() -> None:
    found = ranges(hip(120, "2026-11-01"))
    assert found["left.hip_flexion"] == 120
    assert found["right.hip_flexion"] == 90


@pytest.mark.parametrize(("on", "holds"), [("2026-05-28", True), ("2026-05-27", False)])
def test_a_range_holds_a_hundred_and_eighty_days(on: str, holds: bool) -> None:
    assert (ranges(hip(120, on))["left.hip_flexion"] == 120) == holds


@pytest.mark.parametrize(
    ("result", "deg"),
    [
        ({"test": "chair_stand_30s", "count": 9}, 105.0),
        ({"test": "chair_stand_30s", "count": 1}, 105.0),
        ({"test": "chair_stand_30s", "count": 0}, 90.0),
        ({"test": "chair_stand_30s", "count": 9, "arms_used": True}, 90.0),
        ({"test": "five_stands", "seconds": 14}, 105.0),
        ({"test": "five_stands", "arms_used_or_unable": True}, 90.0),
    ],
)
def test_who_rises_without_the_arms_has_the_hips_for_it(result: dict, deg: float) -> None:
    """About 105° and more of hip bend in rising from a chair (motion studies, our reading, from memory)."""
    from tests.generated import TODAY, base

    case = read_case(base("1950-01-01", "female", [], [{"on": TODAY.isoformat(), **result}]))
    found = find_out(case).capacities
    assert found.of("left.hip_flexion") == found.of("right.hip_flexion") == deg


def test_a_measured_hip_is_taken_as_it_was_measured_whatever_was_shown() -> None:
    from tests.generated import TODAY, base

    tests = [
        {"on": TODAY.isoformat(), "test": "chair_stand_30s", "count": 9},
        {"on": TODAY.isoformat(), "test": "hip_flexion", "side": "left", "deg": 92},
    ]
    found = find_out(read_case(base("1950-01-01", "female", [], tests))).capacities
    assert found.of("left.hip_flexion") == 92
    assert found.of("right.hip_flexion") == 105
