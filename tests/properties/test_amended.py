"""A case with sections replaced is the case read as a whole with them, and refuses what that refuses under the same paths.

Every outcome of every test, and every change that is made to a client, goes this way: what it would let pass is let pass
everywhere.
"""

from typing import Any

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from amvel.case import Case, CaseError, amended, read_case
from tests.generated import base, cases, conditions, outcomes, results

SOME = settings(max_examples=60, suppress_health_check=list(HealthCheck))
# Values that no case may have, and some that are right in one section only.
WRONG = st.sampled_from(
    [
        ("wishes", {"minutes": -5}),
        ("wishes", {"minutes": 20, "surprise": 1}),
        ("tolerates", {"nonsense": "yes"}),
        ("schools", {"breath": "no such answer"}),
        ("own_limits", [{}]),
        ("room", {"name": "a\0b"}),
        ("visits", [{"id": "x"}]),
        ("conditions", [{"kind": "magic"}]),
        ("tests", [{"test": "timed_up_and_go", "on": "1850-01-01", "seconds": 9}]),
        ("stop_signs", {"asked_on": "2199-01-01", "present": []}),
        ("person", {}),
        ("no_such_section", []),
    ]
)


def both_ways(data: dict[str, Any], sections: dict[str, Any]) -> tuple[Any, Any]:
    """The case, or the paths of its faults: read as a whole, and with the sections replaced."""

    def outcome(read: Any) -> Any:
        try:
            return read()
        except CaseError as error:
            return sorted(path for path, _ in error.faults)

    case = read_case(data)
    return outcome(lambda: read_case({**case.model_dump(mode="json"), **sections})), outcome(lambda: amended(case, sections))


@SOME
@given(cases, st.lists(outcomes() | results(), max_size=3))
def test_results_that_are_added_are_read_like_those_that_were_there(data: dict, more: list) -> None:
    whole, quick = both_ways(data, {"tests": [*data["tests"], *more]})
    assert whole == quick


@SOME
@given(cases, st.lists(conditions(), max_size=3))
def test_conditions_that_are_added_are_read_like_those_that_were_there(data: dict, more: list) -> None:
    """Two curves of one region contradict each other, whichever came first."""
    whole, quick = both_ways(data, {"conditions": [*data["conditions"], *more]})
    assert whole == quick


@SOME
@given(cases, WRONG)
def test_what_is_wrong_is_refused_under_the_same_path(data: dict, wrong: tuple[str, Any]) -> None:
    whole, quick = both_ways(data, dict([wrong]))
    assert isinstance(quick, list), wrong
    assert whole == quick


@SOME
@given(cases, st.lists(outcomes(), min_size=1, max_size=3))
def test_parts_that_were_read_before_and_data_may_stand_side_by_side(data: dict, more: list) -> None:
    case = read_case(data)
    try:
        whole = read_case({**data, "tests": [*data["tests"], *more]})
    except CaseError:
        return
    assert amended(case, {"tests": [*case.tests, *more]}) == whole


def test_nothing_of_the_old_case_changes() -> None:
    case: Case = read_case(base("1955-05-01", "female", [], []))
    before = case.model_dump()
    amended(case, {"wishes": {"minutes": 12}})
    assert case.model_dump() == before
