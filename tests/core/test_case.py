"""The open input: what is refused, and where the fault is said to be."""

import copy
import json

import pytest

from amvel.case import Case, CaseError, amended, read_case
from amvel.engine import case_digest


def faults(data: dict) -> dict[str, str]:
    with pytest.raises(CaseError) as caught:
        read_case(data)
    return dict(caught.value.faults)


def changed(data: dict, path: str, value: object) -> dict:
    out = copy.deepcopy(data)
    at = out
    *way, last = path.split(".")
    for key in way:
        at = at[int(key)] if key.isdigit() else at[key]
    at[last] = value
    return out


@pytest.mark.parametrize(
    ("path", "value"),
    [
        ("person.stature_cm", 1600),
        ("person.mass_kg", 5),
        ("person.sex", "x"),
        ("person.birth_date", "not a day"),
        ("tests.0.t_score", 28),
        ("tests.0.site", "elbow"),
        ("conditions.0.kind", "magic"),
        ("room.seats", [{"name": "x", "height_cm": 400}]),
        ("wishes.minutes", 0),
        ("surprise", 1),
        ("person.shoe_size", 40),
    ],
)
def test_impossible_or_unknown_values_are_refused_with_their_path(
    low_bone: dict, path: str, value: object
) -> None:
    found = faults(changed(low_bone, path, value))
    assert any(path.split(".")[0] in p for p in found), found


def test_a_stature_of_sixteen_metres_names_field_and_reason(low_bone: dict) -> None:
    assert faults(changed(low_bone, "person.stature_cm", 1600)) == {
        "$.person.stature_cm": "at most 220"
    }


@pytest.mark.parametrize("at", ["10:00Z", "10:00:00+02:00", "ten"])
def test_an_hour_of_the_day_has_no_zone(low_bone: dict, at: str) -> None:
    assert faults(changed(low_bone, "wishes.at", at)) == {"$.wishes.at": "a time is wanted, as in 14:30"}


def test_the_schema_says_that_an_hour_has_no_zone() -> None:
    """RFC 3339's "time" always has one; "time-local" is the name of one without (OpenAPI Format Registry)."""
    schema = json.dumps(Case.model_json_schema())
    assert '"format": "time-local"' in schema
    assert '"format": "time"' not in schema


def test_missing_required_data_is_named(low_bone: dict) -> None:
    data = copy.deepcopy(low_bone)
    del data["person"]["mass_kg"]
    assert faults(data) == {"$.person.mass_kg": "is missing"}


def test_the_schema_names_units_and_closes_every_object() -> None:
    schema = Case.model_json_schema()
    assert "stature_cm" in schema["$defs"]["Person"]["properties"]
    assert all(
        d.get("additionalProperties") is False for d in schema["$defs"].values() if d.get("type") == "object"
    )


def test_the_digest_sees_everything_but_the_name(low_bone: dict) -> None:
    one = case_digest(read_case(low_bone))
    assert case_digest(read_case(changed(low_bone, "person.name", "Somebody Else"))) == one
    assert case_digest(read_case(changed(low_bone, "person.mass_kg", 58.1))) != one
    assert case_digest(read_case(changed(low_bone, "as_of", "2026-11-25"))) != one


def test_a_case_with_a_section_replaced_is_the_one_read_as_a_whole(low_bone: dict) -> None:
    """The same result and the same refusals, whichever way the sections come in."""
    case = read_case(low_bone)
    result = {"test": "timed_up_and_go", "on": low_bone["as_of"], "seconds": 11.0}
    whole = read_case({**low_bone, "tests": [*low_bone["tests"], result]})
    assert amended(case, {"tests": [*case.tests, result]}) == whole
    assert amended(case, {}) == case


@pytest.mark.parametrize(
    ("sections", "path"),
    [
        ({"tests": [{"test": "timed_up_and_go", "on": "2026-01-01", "seconds": -4}]}, "$.tests[0].seconds"),
        ({"wishes": {"minutes": 0}}, "$.wishes.minutes"),
        ({"reviews": [{"rule": "x\0", "on": "2026-01-01"}]}, "$.reviews[0].rule"),
        ({"surprise": 1}, "$.surprise"),
    ],
)
def test_a_section_that_is_refused_says_where(low_bone: dict, sections: dict, path: str) -> None:
    with pytest.raises(CaseError) as caught:
        amended(read_case(low_bone), sections)
    assert path in dict(caught.value.faults)


def test_what_must_hold_between_sections_holds_for_replaced_ones_too(low_bone: dict) -> None:
    early = {"test": "timed_up_and_go", "on": "1901-01-01", "seconds": 11.0}
    with pytest.raises(CaseError, match="birth date"):
        amended(read_case(low_bone), {"tests": [early]})


def test_inches_in_a_section_become_centimetres(low_bone: dict) -> None:
    person = {**{k: v for k, v in low_bone["person"].items() if k != "stature_cm"}, "stature_in": 64.0}
    assert amended(read_case(low_bone), {"person": person}).person.stature_cm == pytest.approx(64.0 * 2.54)


@pytest.mark.parametrize("names", [("stature_cm", "stature_in"), ("stature_in", "stature_cm")])
def test_a_stature_in_both_units_is_refused_whichever_comes_first(low_bone: dict, names: tuple[str, str]) -> None:
    both = dict.fromkeys(names, 160.0)
    person = {k: v for k, v in low_bone["person"].items() if k != "stature_cm"} | both
    assert faults({**low_bone, "person": person}) == {"$.person.stature_in": "there is no such field"}
