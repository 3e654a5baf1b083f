"""Oxygen."""

from datetime import date

from amvel.case.conditions.heart_and_lungs import OxygenTherapy
from amvel.checked import Profession
from amvel.languages import said
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Tubing out of the way, saturation at or above the own target."""
    page = Page("oxygen_therapy", COMMON_PRACTICE)
    for i, c in enumerate(f.all(OxygenTherapy)):
        page.care(
            f"tubing_{i}",
            "performed",
            0,
            "oxygen while moving",
            said("tubing clear of feet and wheels; saturation at {percent} % or above, stop below it", percent=c.target_percent),
        )
        page.limit(f"effort_{i}", "effort_0_to_10", n["effort"], "effort at which talking is still possible")
    return page.done()


RULE = Rule(
    "oxygen_therapy",
    "Oxygen",
    "Tubing out of the way, saturation at or above the own target.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (Number("effort", 5, "0–10", "effort at most", COMMON_PRACTICE, SINCE),),
    (
        Example(
            "oxygen",
            {"conditions": [{"kind": "oxygen_therapy", "target_percent": 90}]},
            {"oxygen_therapy.effort_0": 5.0},
        ),
        Example("none", {"conditions": []}, {"oxygen_therapy.effort_0": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.LUNGS,
)
