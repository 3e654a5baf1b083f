"""What another program's FHIR bundle says of a client, as sections of a case; everything else is listed.

Nothing is guessed: a condition whose details are missing is listed, so that somebody asks for them.  Flags, plans and documents are
listed too: limits are worked out here, and nothing that loosens comes from outside.
"""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, field
from typing import Any

from fhir.resources.R4B.bundle import Bundle
from pydantic import ValidationError

from amvel.case import CONDITIONS, RESULTS, CaseError
from amvel.case.faults import faults_of
from amvel.formats.fhir.codes import (
    BLOOD_PRESSURE,
    DIASTOLIC,
    KIND_OF,
    LOINC,
    MASS,
    OWN_CONDITION,
    OWN_TEST,
    PULSE,
    SATURATION,
    SNOMED,
    STATURE,
    SYSTOLIC,
)
from amvel.formats.fhir.values import from_components, from_extensions
from amvel.languages import said, said_together

Resource = Mapping[str, Any]
Fault = tuple[str, str]
_CM = {"cm": 1.0, "m": 100.0, "[in_i]": 2.54}
_KG = {"kg": 1.0, "g": 0.001, "[lb_av]": 0.45359237}


@dataclass
class Read:
    """Sections of a case, in metric units, and what was not taken with the reason, by its place in the bundle."""

    person: dict[str, Any] = field(default_factory=dict)
    conditions: list[dict[str, Any]] = field(default_factory=list)
    tests: list[dict[str, Any]] = field(default_factory=list)
    goals: list[dict[str, Any]] = field(default_factory=list)
    left: list[Fault] = field(default_factory=list)

    def sections(self) -> dict[str, Any]:
        return {"person": self.person, "conditions": self.conditions, "tests": self.tests, "wishes": {"goals": self.goals}}


def read_bundle(data: Any) -> Read:
    """The newest of every measurement, every condition and goal; raises CaseError for what is no FHIR bundle of one person."""
    try:
        # Through JSON and back: what is read below is what FHIR says it is, whatever was sent.
        whole = Bundle.model_validate(data).model_dump(mode="json")
    except (ValidationError, RecursionError) as error:
        faults = faults_of(error.errors()[:20]) if isinstance(error, ValidationError) else []
        raise CaseError(faults or [("$", said("is no bundle"))]) from error
    entries = [(f"$.entry[{i}].resource", e.get("resource") or {}) for i, e in enumerate(whole.get("entry") or [])]
    people = [r for _, r in entries if r.get("resourceType") == "Patient"]
    if len(people) != 1:
        raise CaseError([("$.entry", said("one person is wanted, {count} are there", count=len(people)))])
    found = Read()
    for path, resource in sorted(entries, key=lambda e: str(e[1].get("effectiveDateTime", ""))):
        take = _TAKES.get(str(resource.get("resourceType")))
        why = take(found, resource) if take else said("is worked out here, or has no place here")
        if why:
            found.left.append((path, why))
    return found


def _patient(found: Read, resource: Resource) -> str:
    names: list[Resource] = resource.get("name") or [{}]
    whole = names[0].get("text") or " ".join([*(names[0].get("given") or []), names[0].get("family") or ""])
    found.person |= {"name": whole.strip()[:120], "birth_date": resource.get("birthDate")}
    if resource.get("gender") in ("female", "male"):
        found.person["sex"] = resource["gender"]
        return ""
    return said("sex: choose the body tables that fit the build")


def _condition(found: Read, resource: Resource) -> str:
    kind = _code(resource, OWN_CONDITION) or KIND_OF.get(_code(resource, SNOMED), "")
    if kind not in CONDITIONS:
        return said("this condition is not known here: enter what it means for movement by hand")
    status = [c.get("code") for c in (resource.get("clinicalStatus") or {}).get("coding", [])]
    if status and not {"active", "recurrence", "relapse"} & set(status):
        return said("is over: enter it by hand if it still matters")
    fields = from_extensions(resource.get("extension") or [])
    since = str(resource.get("onsetDateTime") or "")[:10]
    fields |= {name: since for name in ("since", "on") if since and name in CONDITIONS[kind].model_fields and name not in fields}
    return _kept(found.conditions, CONDITIONS[kind].model_validate, {"kind": kind, **fields})


def _observation(found: Read, resource: Resource) -> str:
    on = str(resource.get("effectiveDateTime") or "")[:10]
    if resource.get("status") not in ("final", "amended", "corrected"):
        return said("is not final")
    test = _code(resource, OWN_TEST)
    if test in RESULTS:
        return _kept(found.tests, RESULTS[test].model_validate, {"test": test, "on": on, **from_components(resource.get("component") or [])})
    code = _code(resource, LOINC)
    if code in _SIZES:
        name, units = _SIZES[code]
        value = _in(resource.get("valueQuantity"), units)
        if value is None:
            return said("its unit is not known here")
        found.person[name] = value
        return ""
    if code in (BLOOD_PRESSURE, PULSE, SATURATION):
        return _vital(found, code, resource, on)
    return said("this measurement is not known here")


_SIZES = {STATURE: ("stature_cm", _CM), MASS: ("mass_kg", _KG)}


def _vital(found: Read, code: str, resource: Resource, on: str) -> str:
    """Blood pressure of a rested person, pulse and saturation; how it was taken elsewhere is not known, so it is read as sitting."""
    if code == BLOOD_PRESSURE:
        parts = {_code(c, LOINC): (c.get("valueQuantity") or {}).get("value") for c in resource.get("component") or []}
        fields = {"systolic_lying_mmhg": parts.get(SYSTOLIC), "diastolic_lying_mmhg": parts.get(DIASTOLIC), "rested": "sitting"}
        return _kept(found.tests, RESULTS["blood_pressure"].model_validate, {"test": "blood_pressure", "on": on, **fields})
    name = "pulse_per_min" if code == PULSE else "saturation_percent"
    value = (resource.get("valueQuantity") or {}).get("value")
    return _kept(found.tests, RESULTS["pulse_and_saturation"].model_validate, {"test": "pulse_and_saturation", "on": on, name: value})


def _goal(found: Read, resource: Resource) -> str:
    words = str((resource.get("description") or {}).get("text") or "").strip()
    if not words:
        return said("is missing")
    found.goals.append({"words": words[:200]})
    return ""


def _kept(into: list[dict[str, Any]], read: Callable[[Any], Any], entry: dict[str, Any]) -> str:
    try:
        into.append(read(entry).model_dump(mode="json"))
    except ValidationError as error:
        return said_together((said_together((where.removeprefix("$."), why), ": ") for where, why in faults_of(error.errors())), "; ")
    return ""


def _in(quantity: Resource | None, units: Mapping[str, float]) -> float | None:
    unit = str((quantity or {}).get("code") or (quantity or {}).get("unit") or "")
    if quantity is None or unit not in units or quantity.get("value") is None:
        return None
    return round(float(quantity["value"]) * units[unit], 2)


def _codes(resource: Resource) -> Iterator[Resource]:
    yield from (resource.get("code") or {}).get("coding") or []


def _code(resource: Resource, system: str) -> str:
    return next((str(c.get("code")) for c in _codes(resource) if c.get("system") == system), "")


_TAKES: Mapping[str, Callable[[Read, Resource], str]] = {
    "Patient": _patient,
    "Condition": _condition,
    "Observation": _observation,
    "Goal": _goal,
}
