"""A form asks, and answers nothing itself."""

from typing import Any

import pytest
from pydantic import ValidationError

from amvel.case import CONDITIONS, RESULTS, form_of
from amvel.case.forms import Field
from amvel.case.parts import Part

PARTS: dict[str, type[Part]] = {**CONDITIONS, **RESULTS}
TOLD_ELSEWHERE = frozenset(("kind", "test", "on", "side", "noted_on"))


def asked(part: type[Part]) -> tuple[Field, ...]:
    return form_of(part, TOLD_ELSEWHERE)


@pytest.mark.parametrize("name", PARTS)
def test_what_has_to_be_told_begins_without_an_answer(name: str) -> None:
    """One that nobody gave looks on the screen like one that was given; the side, say, or that somebody moves over alone."""
    assert [f.name for f in asked(PARTS[name]) if not f.optional and f.first is not None] == []


@pytest.mark.parametrize("name", PARTS)
def test_what_a_form_begins_with_is_what_counts_where_nothing_is_said(name: str) -> None:
    for field in asked(PARTS[name]):
        default = PARTS[name].model_fields[field.name].get_default()
        if field.first is not None:
            assert field.first == (list(default) if isinstance(default, tuple) else default), field.name


@pytest.mark.parametrize("name", PARTS)
def test_nobody_can_leave_out_what_has_to_be_told(name: str) -> None:
    part = PARTS[name]
    must = {f.name for f in asked(part) if not f.optional and part.model_fields[f.name].is_required()}
    kept: dict[str, Any] = {}
    if "kind" in part.model_fields:
        kept["kind"] = name
    with pytest.raises(ValidationError) as refused:
        part.model_validate({**kept, "no_such_field": 1})
    assert must <= {str(e["loc"][0]) for e in refused.value.errors()}


@pytest.mark.parametrize("name", PARTS)
def test_every_choice_has_words_of_its_own(name: str) -> None:
    for field in asked(PARTS[name]):
        titles = [str(title) for _, title in field.choices]
        assert len(set(titles)) == len(titles) and all(titles), field.name


@pytest.mark.parametrize("name", PARTS)
def test_a_yes_or_no_is_answered_by_somebody(name: str) -> None:
    """A file may leave it out, and reads then as before; a form that began with "no pain" would say so for everybody."""
    for field in asked(PARTS[name]):
        annotation = PARTS[name].model_fields[field.name].annotation
        if annotation is bool:
            assert (field.first, field.optional) == (None, False), field.name
        elif field.kind == "yes_no":
            assert field.optional, f"{field.name}: nobody may know"


# What a form of a test begins with: nothing done, nothing seen, not known, or how the protocol has it unless somebody says otherwise.
BEGINS_WITH = {
    "physical_battery": {"semi_tandem_s": 0.0, "tandem_s": 0.0},
    "side_bridge_hold": {"down": "unknown"},
    "plank_hold": {"down": "unknown"},
    "under_back_pressure": {"baseline_mmhg": 40},
    "observed_function": {"reaches_shelf": "none", "rises": "not_seen"},
    "blood_pressure": {"rested": "lying"},
}


@pytest.mark.parametrize("test", RESULTS)
def test_no_form_of_a_test_begins_by_saying_that_all_is_well(test: str) -> None:
    """Standing even, a back that is level in forward bend, nothing that gave way: said by somebody, or not at all."""
    began = {f.name: f.first for f in asked(RESULTS[test]) if f.first not in (None, [])}
    assert began == BEGINS_WITH.get(test, {})


@pytest.mark.parametrize(
    ("test", "name"),
    [
        ("leg_reach_clean", "gives"),
        ("pelvic_tilt", "painful"),
        ("straight_leg_raise", "response"),
        ("posture", "hitch"),
        ("posture", "tilt"),
        ("trunk_rotation_angle", "lumbar_deg"),
        ("pelvic_level", "lower_side"),
    ],
)
def test_what_has_to_be_said_may_be_missing_in_what_was_stored(test: str, name: str) -> None:
    [field] = [f for f in asked(RESULTS[test]) if f.name == name]
    assert (field.first, field.optional) == (None, False)
    assert not RESULTS[test].model_fields[name].is_required()
