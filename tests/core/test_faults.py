"""What is wrong between several fields stands at one of them: the one that somebody would mend."""

import ast
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

import amvel.case
from amvel.admission import admitted
from amvel.case import CaseError, read_case

DAY, BORN = "2026-11-24", "1953-04-01"
PERSON = {"birth_date": BORN, "sex": "female", "stature_cm": 160, "mass_kg": 60}
WORD = {"kind": "limits", "name": "A. Merrow", "role": "surgeon", "on": DAY, "quantity": "hip_flexion_deg", "bound": 90}
OVERRIDE = {"limit_id": "x", "step": "bridge/small", "side": "both", "by": "A. Merrow", "role": "specialist", "reason": "as agreed", "on": DAY, "expires_on": "2026-12-24"}
VISIT = {"id": "visit-0001", "on": DAY, "context": "visit", "by": "client", "next_day": {"told_on": DAY, "flare": False}}


def refused(**sections: object) -> list[tuple[str, str]]:
    with pytest.raises(CaseError) as caught:
        read_case({"as_of": DAY, "person": PERSON, **sections})
    return [(path, str(why)) for path, why in caught.value.faults]


def bone(**more: object) -> dict[str, object]:
    return {"test": "bone_density", "on": DAY, "site": "total_hip", **more}


SECTIONS = [
    ({"person": {**PERSON, "birth_date": "2026-11-25"}}, "person.birth_date", "lies after 24 Nov 2026"),
    ({"person": {**PERSON, "birth_date": "1850-01-01"}}, "person.birth_date", "an age of 176 years is outside 6–110"),
    ({"tests": [bone(t_score=-1, on="1930-01-01")]}, "tests[0].on", "before the birth date"),
    ({"tests": [bone(t_score=-1, on="2026-11-25")]}, "tests[0].on", "25 Nov 2026 lies after 24 Nov 2026"),
    ({"consent": {"on": "2026-11-25", "given_by": "client", "capacity_confirmed": True}}, "consent.on", "lies after"),
    ({"stop_signs": {"asked_on": "1953-03-31"}}, "stop_signs.asked_on", "before the birth date"),
    ({"visits": [{**VISIT, "next_day": {"told_on": "2026-11-25", "flare": False}}]}, "visits[0].next_day.told_on", "lies after"),
    ({"visits": [{**VISIT, "next_day": {"told_on": "2026-11-23", "flare": False}}]}, "visits[0].next_day.told_on", "before the visit"),
    ({"visits": [VISIT, VISIT]}, "visits[1]", "two share an id"),
    ({"schools": {"colour": "blue"}}, "schools.colour", "there is no question 'colour'"),
    ({"room": {"name": "a"}, "other_rooms": [{"name": "b"}, {"name": "a"}]}, "other_rooms[1].name", "two rooms share a name"),
    ({"room": {"props": ["towel", "trampoline"]}}, "room.props[1].kind", "there is no prop 'trampoline'"),
    ({"local_numbers": [{"rule": "abc", "number": "d", "value": v} for v in (1, 2)]}, "local_numbers[1]", "contradict"),
    ({"wishes": {"away": [{"first": DAY, "last": "2026-11-23"}]}}, "wishes.away[0].last", "at or after the first day"),
    ({"clinician_words": [{**WORD, "role": "   "}]}, "clinician_words[0].role", "say who said it"),
    ({"clinician_words": [{**WORD, "bound": None}]}, "clinician_words[0].bound", "give the number"),
    ({"clinician_words": [{**WORD, "valid_until": "2026-11-23"}]}, "clinician_words[0].valid_until", "lies after the day of the word"),
    ({"overrides": [{**OVERRIDE, "reason": "      "}]}, "overrides[0].reason", "say why"),
    ({"overrides": [{**OVERRIDE, "by": "   "}]}, "overrides[0].by", "say who"),
    ({"overrides": [{**OVERRIDE, "expires_on": DAY}]}, "overrides[0].expires_on", "must lie after the day"),
    ({"overrides": [{**OVERRIDE, "expires_on": "2027-11-24"}]}, "overrides[0].expires_on", "90 days at most"),
    ({"conditions": [{"kind": "spinal_fusion", "from_level": "L4", "to_level": "L1", "on": DAY}]}, "conditions[0].to_level", "L1 must lie below L4"),
    ({"conditions": [{"kind": "fracture", "site": "hip", "level": "L1", "on": DAY}]}, "conditions[0].level", "only a broken spine"),
    ({"tests": [bone()]}, "tests[0].t_score", "give a T-score"),
    ({"tests": [bone(density_g_cm2=0.8)]}, "tests[0].device", "make of the device"),
    ({"tests": [bone(t_score=-1, vertebrae_used=3)]}, "tests[0].vertebrae_used", "only for the lumbar spine"),
    ({"tests": [{"test": "five_stands", "on": DAY}]}, "tests[0].seconds", "give the time"),
    ({"tests": [{"test": "pulse_and_saturation", "on": DAY}]}, "tests[0].pulse_per_min", "give the pulse"),
    ({"tests": [{"test": "blood_pressure", "on": DAY, "systolic_lying_mmhg": 80, "diastolic_lying_mmhg": 90}]}, "tests[0].diastolic_lying_mmhg", "below systolic"),
]


@pytest.mark.parametrize(("sections", "place", "why"), SECTIONS, ids=[f"{place}-{why[:12]}" for _, place, why in SECTIONS])
def test_a_fault_between_fields_names_the_one_to_mend(sections: dict, place: str, why: str) -> None:
    [(path, reason)] = refused(**sections)
    assert path == f"$.{place}"
    assert why in reason


@pytest.mark.parametrize("given", [11.0, [1], {"a": 1}, "fast"])
def test_a_result_that_is_not_what_its_trials_say_is_refused_at_its_field(given: object) -> None:
    """Also where it is no number at all: the trials are no reason to look away from it."""
    wrong = {"test": "timed_up_and_go", "on": DAY, "seconds": given, "trials": [9.0, 10.0]}
    assert [path for path, _ in refused(tests=[wrong])] == ["$.tests[0].seconds"]


def test_a_trial_is_no_more_than_a_result_may_be() -> None:
    """The best of them counts; the wildest is kept too, and shown.  What was stored before stays readable."""
    wild = {"test": "five_stands", "on": DAY, "trials": [9.0, 1000.0]}
    case = read_case({"as_of": DAY, "person": PERSON, "tests": [wild]})
    with pytest.raises(CaseError) as caught:
        admitted(case)
    assert caught.value.faults == [("$.tests[0].trials[1]", "at most 120")]
    assert admitted(case, case.tests).case == case
    assert refused(tests=[{**wild, "trials": ["9", 10.0]}])[0][0] == "$.tests[0].seconds"


@given(st.lists(st.floats(5, 60), min_size=1, max_size=4))
def test_trials_alone_say_the_result(trials: list[float]) -> None:
    case = read_case({"as_of": DAY, "person": PERSON, "tests": [{"test": "timed_up_and_go", "on": DAY, "trials": trials}]})
    said = case.tests[0].model_dump()
    again = read_case({"as_of": DAY, "person": PERSON, "tests": [said]})
    assert again.tests[0] == case.tests[0]
    assert min(trials) - 0.01 <= said["seconds"] <= max(trials) + 0.01


def _validators(path: Path) -> list[ast.FunctionDef]:
    tree = ast.parse(path.read_text())
    functions = (n for n in ast.walk(tree) if isinstance(n, ast.FunctionDef))
    return [f for f in functions if any("model_validator" in ast.unparse(d) for d in f.decorator_list)]


def test_no_part_of_a_case_refuses_without_saying_where() -> None:
    """A bare ValueError has no place, and a framework makes its message plain text that no language can be found for."""
    found = [v for p in Path(amvel.case.__file__).parent.rglob("*.py") for v in _validators(p)]
    raised = {ast.unparse(n) for v in found for n in ast.walk(v) if isinstance(n, ast.Raise)}
    assert len(raised) > 15
    assert [r for r in raised if "ValueError" in r] == []
