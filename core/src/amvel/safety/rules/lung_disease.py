"""Lung disease."""

from datetime import date

from amvel.case.conditions.general import LungDisease
from amvel.checked import Profession
from amvel.languages import said
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Breath is never held, effort stays where talking is possible, pauses; the saturation is watched."""
    page = Page("lung_disease", COMMON_PRACTICE)
    for i, c in enumerate(f.all(LungDisease)):
        page.limit(f"breath_{i}", "breath_held", 0, "breath is short: it is never held")
        page.limit(f"effort_{i}", "effort_0_to_10", n["effort"], "effort at which talking is still possible")
        known = said("not known: ask") if c.lowest_saturation_percent is None else f"{c.lowest_saturation_percent} %"
        page.care(f"watch_{i}", "performed", 0, "breath is short", said("breathe out through pursed lips; pause; saturation not below the own limit ({known})", known=known))
        if c.lowest_saturation_percent is None:
            page.refer(
            "saturation", "lung disease: ask how low the saturation may fall", which=i)
    return page.done()


_LUNGS = {"kind": "lung_disease"}
RULE = Rule(
    "lung_disease",
    "Lung disease",
    "Breath never held, effort at which talking is possible, pauses, saturation watched.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (Number("effort", 5, "0–10", "effort at which talking is possible", COMMON_PRACTICE, SINCE),),
    (
        Example("limit known", {"conditions": [{**_LUNGS, "lowest_saturation_percent": 88}]}, {"lung_disease.effort_0": 5.0, "lung_disease.breath_0": 0.0}),
        Example("limit not known", {"conditions": [_LUNGS]}, {"lung_disease.effort_0": 5.0}, refers=("lung_disease.saturation_0",)),
        Example("none", {"conditions": []}, {"lung_disease.effort_0": None}),
    ),
    duties=(
        Duty("saturation", "how low the saturation may fall is not known"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.LUNGS,
)
