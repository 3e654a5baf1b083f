"""Numbers as each reader writes them (DIN 1333 and DIN 5008 have the comma; from memory), with a minus that is no hyphen."""

import re

import pytest

from amvel import screening
from amvel.case import read_case
from amvel.languages import as_entered, in_language, kept, said, to_decimals, told
from amvel.screening import ScreenTest
from tests.generated import accepted, base


@pytest.mark.parametrize(
    ("value", "places", "signed", "english", "german"),
    [
        (-2.5, 1, True, "−2.5", "−2,5"),
        (1.0, 1, True, "+1.0", "+1,0"),
        (0.8, 2, False, "0.80", "0,80"),
        (-0.04, 1, True, "0.0", "0,0"),
        (12.345, 1, False, "12.3", "12,3"),
    ],
)
def test_decimals_that_are_always_there(value: float, places: int, signed: bool, english: str, german: str) -> None:
    number = to_decimals(value, places, signed)
    assert str(number) == english and in_language(number, "de") == german
    assert in_language(told(kept(number)), "de") == german


@pytest.mark.parametrize(("value", "english", "german"), [(12.5, "12.5", "12,5"), (-2.5, "−2.5", "−2,5"), (40.0, "40", "40")])
def test_decimals_as_they_were_entered(value: float, english: str, german: str) -> None:
    assert str(as_entered(value)) == english and in_language(as_entered(value), "de") == german
    assert in_language(said("{number}", number=value), "de") == german


@pytest.mark.parametrize(
    ("result", "english", "german"),
    [
        ({"test": "bone_density", "site": "femoral_neck", "t_score": -2.6}, "T −2.6", "T −2,6"),
        ({"test": "five_stands", "seconds": 12.5}, "12.5 s", "12,5 s"),
        ({"test": "gait_4m", "seconds": 5.0}, "0.80 m/s", "0,80 m/s"),
    ],
)
def test_a_result_is_read_in_the_decimals_of_its_reader(result: dict, english: str, german: str) -> None:
    case = read_case(base("1945-05-01", "female", [], [{"on": "2026-11-24", **result}]))
    own = screening.test_library()[result["test"]]
    says = own.reading(case.tests[0], case).text
    assert english in str(says) and german in in_language(says, "de")


def who(test: ScreenTest, result: dict) -> dict | None:
    """Somebody of whom this result may be entered."""
    given = {"test": test.id, "on": "2026-11-24", **({"side": "left"} if test.per_side else {}), **result}
    cases = (base(birth, sex, [], [given]) for birth in ("1945-05-01", "1990-05-01", "2014-05-01") for sex in ("female", "male"))
    return next(filter(accepted, cases), None)


@pytest.mark.parametrize("test", screening.test_library().values(), ids=lambda t: t.id)
def test_no_reading_of_any_test_has_a_point_in_german_or_a_hyphen_for_a_minus(test: ScreenTest) -> None:
    for outcome in test.outcomes:
        data = who(test, outcome.result)
        assert data is not None, outcome
        case = read_case(data)
        says = test.reading(case.tests[0], case).text
        assert not re.search(r"(?<![\w-])-\d", str(says)), says
        assert not re.search(r"\d\.\d", in_language(says, "de")), says
