"""Latex allergy."""

from datetime import date

from amvel.case.conditions.skin_and_devices import LatexAllergy
from amvel.checked import Profession
from amvel.numbers import Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Bands, balls and straps free of latex only."""
    page = Page("latex_allergy", COMMON_PRACTICE)
    if f.one(LatexAllergy):
        page.care(
            "band", "uses_band", 0, "stretch bands often hold latex", "bands and balls free of latex only"
        )
    return page.done()


RULE = Rule(
    "latex_allergy",
    "Latex allergy",
    "Bands, balls and straps free of latex only.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (),
    (
        Example("latex allergy", {"conditions": [{"kind": "latex_allergy"}]}, {"latex_allergy.band": 0.0}),
        Example("none", {"conditions": []}, {"latex_allergy.band": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.GENERAL_PRACTICE,
)
