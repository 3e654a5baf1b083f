"""Aneurysm or Marfan."""

from datetime import date

from amvel.case.conditions.heart_and_lungs import Aneurysm
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """No strained holds, no breath hold."""
    page = Page("aneurysm", COMMON_PRACTICE)
    if f.one(Aneurysm):
        page.forbid("hold", "strained_hold_s", 0, "strained holds raise the pressure in the vessel")
        page.forbid("breath", "breath_held", 0, "a held breath raises the pressure in the vessel")
        page.limit("effort", "effort_0_to_10", n["effort"], "light to moderate effort only")
        page.refer("limit", "ask for a limit of blood pressure and of load")
    return page.done()


RULE = Rule(
    "aneurysm",
    "Aneurysm or Marfan",
    "No strained holds, no breath hold.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (Number("effort", 5, "0–10", "effort at most", COMMON_PRACTICE, SINCE),),
    (
        Example(
            "aneurysm", {"conditions": [{"kind": "aneurysm"}]}, {"aneurysm.hold": 0.0}, (), ("aneurysm.limit",)
        ),
        Example("none", {"conditions": []}, {"aneurysm.hold": None}),
    ),
    duties=(
        Duty("limit", "always: a limit of pressure and of load"),
    ),
    read_on=date(2026, 11, 25),
    check_by=Profession.HEART,
)
