"""Temporary limits return grade by grade: never by the calendar, never more than one grade at a time."""

from datetime import date, timedelta

import pytest

from amvel.case import read_case
from amvel.safety import envelope
from amvel.screening import find_out
from tests.conftest import demo
from tests.generated import TODAY

SCIATICA = {
    "kind": "flexion_sciatica",
    "side": "left",
    "since": "2026-08-01",
    "noted_on": "2026-08-01",
    "provoking_neural_line_deg": 52,
}


def limits(reviews: list[dict], as_of: date = TODAY, conditions: list[dict] | None = None) -> dict:
    data = {
        "as_of": str(as_of),
        "person": {"birth_date": "1981-07-08", "sex": "male", "stature_cm": 183, "mass_kg": 88},
        "conditions": [SCIATICA] if conditions is None else conditions,
        "reviews": reviews,
    }
    return envelope(find_out(read_case(data))).by_id


def review(on: date, passed: bool = True, **more: object) -> dict:
    return {
        "rule": "flexion_sciatica",
        "on": str(on),
        "done_strongly": passed,
        "confidence_0_to_10": 8,
        "next_day_flare": False,
        **more,
    }


def grade(found: dict) -> int:
    return found["flexion_sciatica.loaded_flexion_0"].grade


def test_each_passed_review_opens_exactly_the_next_grade() -> None:
    days = [date(2026, 9, 1) + timedelta(days=14 * i) for i in range(5)]
    seen = []
    for n in range(5):
        found = limits([review(d) for d in days[:n]])
        seen.append(
            (
                grade(found),
                found["flexion_sciatica.unloaded_flexion_0"].bound,
                found["flexion_sciatica.loaded_flexion_0"].bound,
            )
        )
    assert seen == [(0, 10, 10), (1, 20, 10), (2, 40, 10), (3, 60, 20), (4, 80, 40)]
    assert not [x for x in limits([review(d) for d in days]) if x.startswith("flexion_sciatica")]


@pytest.mark.parametrize("weeks", [3, 4, 5, 60])
def test_time_alone_opens_nothing_and_an_overdue_review_says_so(weeks: int) -> None:
    day = date(2026, 8, 1) + timedelta(weeks=weeks)
    found = limits([], as_of=day)
    assert grade(found) == 0
    assert ("Review is due" in found["flexion_sciatica.loaded_flexion_0"].reason) == (weeks >= 4)


@pytest.mark.parametrize(
    "failing", [{"done_strongly": False}, {"confidence_0_to_10": 6}, {"next_day_flare": True}]
)
def test_strength_confidence_and_no_flare_are_all_needed(failing: dict) -> None:
    """A temporary limit ends only when the movement is done strongly, with confidence and without a flare."""
    assert grade(limits([review(date(2026, 9, 1), **failing)])) == 0


def test_a_failed_review_steps_back_one_grade() -> None:
    passed = [review(date(2026, 9, 1)), review(date(2026, 9, 15))]
    assert grade(limits(passed)) == 2
    assert grade(limits([*passed, review(date(2026, 9, 29), next_day_flare=True)])) == 1


def test_two_passed_reviews_of_one_week_count_once() -> None:
    assert grade(limits([review(date(2026, 9, 1)), review(date(2026, 9, 7))])) == 1
    assert grade(limits([review(date(2026, 9, 1)), review(date(2026, 9, 8))])) == 2


def test_reviews_from_before_it_began_do_not_count() -> None:
    assert grade(limits([review(date(2026, 7, 31))])) == 0


def test_an_old_injury_with_its_own_side_keeps_its_own_reviews() -> None:
    right = {**SCIATICA, "side": "right"}
    found = limits([review(date(2026, 9, 1), side="left")], conditions=[SCIATICA, right])
    assert found["flexion_sciatica.unloaded_flexion_0"].bound == 20
    assert found["flexion_sciatica.unloaded_flexion_1"].bound == 10


@pytest.mark.parametrize(
    ("days", "strength"), [(83, "limit"), (84, "limit"), (85, "caution"), (168, "caution"), (169, None)]
)
def test_a_usual_protocol_runs_out_into_care_and_never_silently(days: int, strength: str | None) -> None:
    """Sternotomy, 12 weeks; then a caution that no clearing is recorded, as long again."""
    operated = {"kind": "sternotomy", "on": str(TODAY - timedelta(days=days))}
    found = limits([], conditions=[operated]).get("sternotomy.push_0")
    assert (found.strength if found else None) == strength
    if strength == "caution":
        assert "no clearing is recorded" in found.measure


def test_the_demo_sciatica_opens_one_grade_when_its_review_passes() -> None:
    data = demo("sciatica")
    before = envelope(find_out(read_case(data))).by_id["flexion_sciatica.unloaded_flexion_0"].bound
    data["reviews"] = [review(TODAY, by="I. Falk")]
    after = envelope(find_out(read_case(data))).by_id["flexion_sciatica.unloaded_flexion_0"].bound
    assert (before, after) == (10, 20)
