"""Insulin or sulfonylurea."""

from datetime import date

from amvel.case.conditions.heart_and_lungs import DiabetesMedicine
from amvel.checked import Profession
from amvel.numbers import Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

SUGAR = practice("exercise with insulin or sulfonylurea: < 5.0 mmol/L carbohydrate first; > 13.9 with ketones no session", reading=True)
SINCE = date(2020, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Sugar before the session; below 5.0 mmol/L carbohydrate first, above 13.9 with ketones no session."""
    page = Page("diabetes_medicine", SUGAR)
    if f.one(DiabetesMedicine):
        page.care(
            "sugar",
            "performed",
            0,
            "sugar may fall during and after a session",
            "sugar measured before; carbohydrate at hand; not alone when it was low in the last day",
        )
        page.care("feet", "standing", 0, "feet may be numb", "shoes on; look at the feet after")
    return page.done()


RULE = Rule(
    "diabetes_medicine",
    "Insulin or sulfonylurea",
    "Sugar before the session; below 5.0 mmol/L carbohydrate first, above 13.9 with ketones no session.",
    (SUGAR,),
    SINCE,
    answer,
    (),
    (
        Example("insulin", {"conditions": [{"kind": "diabetes_medicine"}]}, {"diabetes_medicine.sugar": 0.0}),
        Example("none", {"conditions": []}, {"diabetes_medicine.sugar": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.DIABETES,
)
