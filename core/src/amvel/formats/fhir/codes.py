"""Codes that other programs know.

LOINC and SNOMED CT codes are written from memory and were not looked up; whoever connects two programs checks them first.
What has none here goes by its own id in our own code system, so that nothing is said under a code that means something else.
"""

from collections.abc import Mapping

from amvel.case import CONDITIONS

LOINC, SNOMED, UCUM = "http://loinc.org", "http://snomed.info/sct", "http://unitsofmeasure.org"
OWN_TEST, OWN_CONDITION, OWN_FIELD, OWN_LIMIT, OWN_STEP = (f"urn:amvel:{x}" for x in ("test", "condition", "field", "limit", "step"))
OWN_CASE = "urn:amvel:case"
CONDITION_CATEGORY = "http://terminology.hl7.org/CodeSystem/condition-category"
CLINICAL_STATUS = "http://terminology.hl7.org/CodeSystem/condition-clinical"

STATURE, MASS = "8302-2", "29463-7"
SYSTOLIC, DIASTOLIC, PULSE, SATURATION = "8480-6", "8462-4", "8867-4", "59408-5"
BLOOD_PRESSURE = "85354-9"  # the panel of both

KIND_OF: Mapping[str, str] = {model.SNOMED: kind for kind, model in CONDITIONS.items() if model.SNOMED}
UNITS: Mapping[str, str] = {"°": "deg", "s": "s", "cm": "cm", "kg": "kg", "mmHg": "mm[Hg]", "%": "%", "per min": "/min", "mmol/L": "mmol/L", "g/cm²": "g/cm2"}
