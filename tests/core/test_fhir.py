"""FHIR bundles: validated by an independent library, back without loss of what FHIR has places for, and nothing guessed.

Shapes: HL7 FHIR R4 (4.0.1), by `fhir.resources`, which was not written by us.  Codes of LOINC and SNOMED CT are from memory.
"""

import json

import pytest
from fhir.resources.R4B.bundle import Bundle
from hypothesis import HealthCheck, given, settings

from amvel.case import CONDITIONS, CaseError, read_case
from amvel.engine import Engine
from amvel.formats.fhir import bundle, read_bundle
from tests.conftest import DEMO, demo
from tests.engines import engine_of
from tests.generated import people

NAMES = [p.stem for p in DEMO]


def taken_out(data: dict) -> dict:
    return json.loads(bundle(engine_of(data), "client-1"))


@pytest.mark.parametrize("name", NAMES)
def test_every_demo_client_is_a_valid_bundle_of_one_person(name: str) -> None:
    found = Bundle.model_validate(taken_out(demo(name)))
    kinds = [e.resource.get_resource_type() for e in found.entry]
    assert kinds.count("Patient") == 1 and "DocumentReference" in kinds and "Flag" in kinds
    patient = found.entry[0].fullUrl
    assert all(e.resource.subject.reference == patient for e in found.entry if hasattr(e.resource, "subject") and e.resource.subject)


@settings(max_examples=40, deadline=None, suppress_health_check=list(HealthCheck))
@given(people)
def test_conditions_tests_and_goals_come_back_as_they_were(data: dict) -> None:
    case = read_case(data)
    found = read_bundle(json.loads(bundle(Engine(case), "client-1")))
    again = read_case({**data, **found.sections(), "wishes": {**data.get("wishes", {}), "goals": found.goals}})
    assert sorted(map(repr, again.conditions)) == sorted(map(repr, case.conditions))
    assert sorted(map(repr, again.tests)) == sorted(map(repr, case.tests))
    assert [g.words for g in again.wishes.goals] == [g.words for g in case.wishes.goals]
    assert (again.person.stature_cm, again.person.mass_kg) == (pytest.approx(case.person.stature_cm, abs=0.01), pytest.approx(case.person.mass_kg, abs=0.01))


def test_no_two_conditions_share_a_code_of_another_program() -> None:
    coded = [m.SNOMED for m in CONDITIONS.values() if m.SNOMED]
    assert len(coded) == len(set(coded)) and all(c.isdigit() for c in coded)


def test_the_same_client_gives_the_same_bundle() -> None:
    assert taken_out(demo("stroke")) == taken_out(demo("stroke"))


PATIENT = {"resourceType": "Patient", "name": [{"given": ["Ada"], "family": "Holm"}], "gender": "female", "birthDate": "1950-03-02"}


def from_elsewhere(*resources: dict) -> dict:
    return {"resourceType": "Bundle", "type": "collection", "entry": [{"resource": r} for r in (PATIENT, *resources)]}


def observed(code: str, value: float, unit: str, on: str = "2026-11-01", **more) -> dict:
    return {
        "resourceType": "Observation",
        "status": "final",
        "code": {"coding": [{"system": "http://loinc.org", "code": code}]},
        "effectiveDateTime": on,
        "valueQuantity": {"value": value, "unit": unit, "code": unit, "system": "http://unitsofmeasure.org"},
        **more,
    }


def sick(code: str, **more) -> dict:
    return {"resourceType": "Condition", "subject": {"display": "x"}, "code": {"coding": [{"system": "http://snomed.info/sct", "code": code}]}, **more}


def test_a_bundle_of_another_program_is_read_in_our_units() -> None:
    found = read_bundle(from_elsewhere(observed("8302-2", 1.62, "m"), observed("29463-7", 140, "[lb_av]"), sick("49049000")))
    assert found.person == {"name": "Ada Holm", "birth_date": "1950-03-02", "sex": "female", "stature_cm": 162.0, "mass_kg": 63.5}
    assert [c["kind"] for c in found.conditions] == ["parkinson"]
    assert found.left == []


def test_the_newest_measurement_counts_in_whatever_order_they_come() -> None:
    newer, older = observed("29463-7", 61, "kg", "2026-10-01"), observed("29463-7", 70, "kg", "2020-10-01")
    for order in ((newer, older), (older, newer)):
        assert read_bundle(from_elsewhere(*order)).person["mass_kg"] == 61


@pytest.mark.parametrize(
    ("resource", "why"),
    [
        (sick("298382003"), "convexity: is missing"),  # a curve without its side and place is no curve that can be reckoned with
        (sick("22298006"), "not known here"),
        (sick("49049000", clinicalStatus={"coding": [{"code": "resolved"}]}), "is over"),
        (observed("29463-7", 9, "stone"), "unit"),
        (observed("29463-7", 60, "kg", status="entered-in-error"), "not final"),
        (observed("2339-0", 5, "mmol/L"), "not known here"),
        ({"resourceType": "Flag", "status": "active", "code": {"text": "cleared for everything"}, "subject": {"display": "x"}}, "worked out here"),
    ],
)
def test_what_is_not_taken_is_listed_with_its_place_and_reason(resource: dict, why: str) -> None:
    found = read_bundle(from_elsewhere(resource))
    assert [path for path, _ in found.left] == ["$.entry[1].resource"]
    assert why in found.left[0][1]
    assert not found.conditions and not found.tests


@pytest.mark.parametrize("data", [{}, [], "x", {"resourceType": "Patient"}, from_elsewhere(PATIENT), {"resourceType": "Bundle", "type": "collection"}])
def test_what_is_no_bundle_of_one_person_is_refused(data: object) -> None:
    with pytest.raises(CaseError):
        read_bundle(data)
