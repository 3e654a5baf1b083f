"""Breathless or reflux when flat."""

from datetime import date

from amvel.case.conditions.heart_and_lungs import BreathlessLying
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Head and trunk up 30–45°: not lying flat."""
    page = Page("breathless_lying", COMMON_PRACTICE)
    if f.one(BreathlessLying):
        page.limit("flat", "lying_flat", 0, "breathless or reflux when flat: head and trunk up 30–45°", when=Place.EXERCISES)
        page.limit(
            "raised",
            "back_raised_deg",
            n["raised_deg"],
            "breathless or reflux when flat: on the back only with head and trunk up",
            at_least=True,
            when=Place.EXERCISES,
        )
        page.limit("head", "head_below_heart_cm", 0, "the head is never lower than the heart")
    return page.done()


RULE = Rule(
    "breathless_lying",
    "Breathless or reflux when flat",
    "Head and trunk up 30–45°: not lying flat.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (Number("raised_deg", 30, "deg", "least slope under head and trunk (30–45° are usual)", COMMON_PRACTICE, SINCE),),
    (
        Example(
            "breathless when flat",
            {"conditions": [{"kind": "breathless_lying"}]},
            {"breathless_lying.flat": 0.0, "breathless_lying.raised": 30.0},
        ),
        Example("none", {"conditions": []}, {"breathless_lying.flat": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.HEART,
)
