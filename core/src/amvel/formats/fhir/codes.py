"""Codes that other programs know.

LOINC and SNOMED CT codes are written from memory and were not looked up; whoever connects two programs checks them first.
What has none here goes by its own id in our own code system, so that nothing is said under a code that means something else.
"""

from collections.abc import Mapping

LOINC, SNOMED, UCUM = "http://loinc.org", "http://snomed.info/sct", "http://unitsofmeasure.org"
OWN_TEST, OWN_CONDITION, OWN_FIELD, OWN_LIMIT, OWN_STEP = (f"urn:amvel:{x}" for x in ("test", "condition", "field", "limit", "step"))
OWN_CASE = "urn:amvel:case"
CONDITION_CATEGORY = "http://terminology.hl7.org/CodeSystem/condition-category"
CLINICAL_STATUS = "http://terminology.hl7.org/CodeSystem/condition-clinical"

STATURE, MASS = "8302-2", "29463-7"
SYSTOLIC, DIASTOLIC, PULSE, SATURATION = "8480-6", "8462-4", "8867-4", "59408-5"
BLOOD_PRESSURE = "85354-9"  # the panel of both

# By the kind of a condition here; only where the meaning is the same, not where ours is wider or narrower.
SNOMED_OF: Mapping[str, str] = {
    "parkinson": "49049000",
    "multiple_sclerosis": "24700007",
    "stroke": "230690007",
    "cerebral_palsy": "128188000",
    "down_syndrome": "41040004",
    "autism": "408856003",
    "epilepsy": "84757009",
    "osteogenesis_imperfecta": "78314001",
    "scoliosis": "298382003",
    "stenosis": "76107001",
    "spondylolisthesis": "274152003",
    "pregnancy": "77386006",
    "hearing_loss": "15188001",
    "latex_allergy": "300916003",
    "spinal_cord_injury": "90584004",
    "lung_disease": "13645005",
}
KIND_OF: Mapping[str, str] = {code: kind for kind, code in SNOMED_OF.items()}
UNITS: Mapping[str, str] = {"°": "deg", "s": "s", "cm": "cm", "kg": "kg", "mmHg": "mm[Hg]", "%": "%", "per min": "/min", "mmol/L": "mmol/L", "g/cm²": "g/cm2"}
