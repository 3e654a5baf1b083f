"""Heart disease."""

from datetime import date

from amvel.case.conditions.heart_and_lungs import HeartDisease
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

HEART = practice("exercise guidelines for stable heart disease, none at hand", reading=True)
SINCE = date(2020, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Unstable: no session (a stop sign). Stable: effort by talk test, warm start, no breath hold."""
    page = Page("heart_disease", HEART)
    if f.one(HeartDisease):
        page.limit("breath", "breath_held", 0, "the breath is not held")
        page.limit("effort", "effort_0_to_10", n["effort"], "effort at which talking is still easy")
        page.care(
            "warm",
            "performed",
            0,
            "the heart needs a slow start and end",
            "begin and end with 3 minutes of easy movement; stop at chest pain or breathlessness",
        )
    return page.done()


RULE = Rule(
    "heart_disease",
    "Heart disease",
    "Unstable: no session (a stop sign). Stable: effort by talk test, warm start, no breath hold.",
    (HEART,),
    SINCE,
    answer,
    (Number("effort", 6, "0–10", "effort at most", HEART, SINCE),),
    (
        Example(
            "stable",
            {"conditions": [{"kind": "heart_disease", "what": "stable"}]},
            {"heart_disease.effort": 6.0},
        ),
        Example("none", {"conditions": []}, {"heart_disease.effort": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.HEART,
)
