"""Glaucoma or retinal operation."""

from datetime import date

from amvel.case.conditions.heart_and_lungs import EyePressure
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Head not below the heart, no breath hold."""
    page = Page("eye_pressure", COMMON_PRACTICE)
    if f.one(EyePressure):
        page.forbid("head", "head_below_heart_cm", 0, "the head below the heart raises the pressure in the eye")
        page.forbid("breath", "breath_held", 0, "a held breath raises the pressure in the eye")
        page.limit("hold", "strained_hold_s", n["hold_s"], "strained holds raise the pressure in the eye")
    return page.done()


RULE = Rule(
    "eye_pressure",
    "Glaucoma or retinal operation",
    "Head not below the heart, no breath hold.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (Number("hold_s", 5, "s", "holds with strain", COMMON_PRACTICE, SINCE),),
    (
        Example(
            "glaucoma",
            {"conditions": [{"kind": "eye_pressure"}]},
            {"eye_pressure.head": 0.0, "eye_pressure.breath": 0.0},
        ),
        Example("none", {"conditions": []}, {"eye_pressure.head": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.EYES,
)
