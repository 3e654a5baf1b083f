"""A client as a FHIR R4 bundle: person, conditions, measurements, limits as flags, goals, programme, what is asked of clinicians."""

from base64 import b64encode
from collections.abc import Iterator, Sequence
from typing import Any
from uuid import NAMESPACE_URL, uuid5

from fhir.resources.R4B.bundle import Bundle

from amvel.case import RESULTS, Case, form_of
from amvel.engine import Engine
from amvel.formats.fhir.codes import (
    CLINICAL_STATUS,
    LOINC,
    MASS,
    OWN_CASE,
    OWN_CONDITION,
    OWN_LIMIT,
    OWN_STEP,
    OWN_TEST,
    SNOMED,
    STATURE,
    UCUM,
)
from amvel.formats.fhir.values import components, extensions
from amvel.movements import find
from amvel.planning import Item

Resource = dict[str, Any]


def bundle(engine: Engine, key: str, programme: Sequence[Item] = ()) -> str:
    """The bundle as JSON, validated; `key` is the client's own id, from which those of the resources follow.

    Shapes as in HL7 FHIR R4 (4.0.1); raises pydantic's ValidationError where a resource is none, which is a fault of ours.
    """
    case = engine.case
    made = [_patient(case), *_sizes(case), *_conditions(case), *_tests(case), *_flags(engine), *_goals(case), *_asked(engine), _document(case)]
    if programme:
        made.append(_plan(programme, case))
    addresses = [f"urn:uuid:{uuid5(NAMESPACE_URL, f'{key}/{i}')}" for i in range(len(made))]
    person = {"subject": {"reference": addresses[0]}}
    entries = [
        {"fullUrl": address, "resource": {**r, **(person if "subject" in r else {})}} for address, r in zip(addresses, made, strict=True)
    ]
    whole = {"resourceType": "Bundle", "type": "collection", "entry": entries}
    return str(Bundle.model_validate(whole).model_dump_json())


_OF_CLIENT: Resource = {"reference": ""}  # filled in when the patient has an address


def _patient(case: Case) -> Resource:
    """Sex here is the one whose body tables are used: that is what is said, not more."""
    person = case.person
    return {"resourceType": "Patient", **({"name": [{"text": person.name}]} if person.name else {}), "gender": person.sex, "birthDate": str(person.birth_date)}


def _coded(system: str, code: str, text: str, *more: Resource) -> Resource:
    return {"coding": [*more, {"system": system, "code": code}], "text": text}


def _observation(code: Resource, on: str, **more: Any) -> Resource:
    return {"resourceType": "Observation", "status": "final", "code": code, "subject": _OF_CLIENT, "effectiveDateTime": on, **more}


def _sizes(case: Case) -> Iterator[Resource]:
    for code, text, value, unit in ((STATURE, "Body height", case.person.stature_cm, "cm"), (MASS, "Body weight", case.person.mass_kg, "kg")):
        quantity = {"value": value, "unit": unit, "system": UCUM, "code": unit}
        yield _observation(_coded(LOINC, code, text), str(case.as_of), valueQuantity=quantity)


def _conditions(case: Case) -> Iterator[Resource]:
    for condition in case.conditions:
        fields = condition.model_dump(mode="json", exclude={"kind"}, exclude_defaults=True)
        known = [{"system": SNOMED, "code": condition.SNOMED}] if condition.SNOMED else []
        yield {
            "resourceType": "Condition",
            "clinicalStatus": {"coding": [{"system": CLINICAL_STATUS, "code": "active"}]},
            "code": _coded(OWN_CONDITION, condition.kind, str(condition.TITLE), *known),
            "subject": _OF_CLIENT,
            **({"extension": extensions(fields)} if fields else {}),
        }


def _tests(case: Case) -> Iterator[Resource]:
    for result in case.tests:
        units = {f.name: f.unit for f in form_of(RESULTS[result.test])}
        fields = result.model_dump(mode="json", exclude={"test", "on"}, exclude_defaults=True)
        more = {"component": found} if (found := components(fields, units)) else {}
        yield _observation(_coded(OWN_TEST, result.test, str(result.TITLE)), str(result.on), **more)


def _flags(engine: Engine) -> Iterator[Resource]:
    """What must be known before anybody moves this person: stop signs and limits, in words."""
    for sign in engine.stop_signs:
        yield _flag(_coded(OWN_LIMIT, sign.id, f"{sign.title}: {sign.next_step}"))
    for limit in engine.envelope.limits:
        yield _flag(_coded(OWN_LIMIT, limit.id, f"{limit.says()}: {limit.reason}"))


def _flag(code: Resource) -> Resource:
    return {"resourceType": "Flag", "status": "active", "code": code, "subject": _OF_CLIENT}


def _goals(case: Case) -> Iterator[Resource]:
    for goal in case.wishes.goals:
        yield {"resourceType": "Goal", "lifecycleStatus": "active", "description": {"text": goal.words}, "subject": _OF_CLIENT}


def _asked(engine: Engine) -> Iterator[Resource]:
    """What a clinician is asked, as a proposal: nobody orders anything here."""
    for referral in engine.envelope.referrals:
        yield {"resourceType": "ServiceRequest", "status": "draft", "intent": "proposal", "code": {"text": str(referral.text)}, "subject": _OF_CLIENT}


def _plan(programme: Sequence[Item], case: Case) -> Resource:
    """The movements of the programme, each with its dose."""
    return {
        "resourceType": "CarePlan",
        "status": "active",
        "intent": "plan",
        "title": "Exercise programme",
        "created": str(case.as_of),
        "subject": _OF_CLIENT,
        "activity": [{"detail": _activity(item)} for item in programme],
    }


def _activity(item: Item) -> Resource:
    family, step = find(item.ref)
    doses = "; ".join(f"{s.side} {s.sets} × {s.repetitions}" + (f", held {s.hold_s:g} s" if s.hold_s else "") for s in item.set_ups)
    return {"status": "scheduled", "code": _coded(OWN_STEP, item.ref, f"{family.title}: {step.title}"), "description": doses}


def _document(case: Case) -> Resource:
    """The whole case in its own format: the other resources say as much of it as FHIR has places for."""
    data = b64encode(case.model_dump_json().encode()).decode()
    content = {"attachment": {"contentType": "application/json", "data": data, "title": "case"}, "format": {"system": OWN_CASE, "code": case.format}}
    return {"resourceType": "DocumentReference", "status": "current", "subject": _OF_CLIENT, "content": [content]}
