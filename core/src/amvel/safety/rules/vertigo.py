"""Dizziness with head movement."""

from datetime import date

from amvel.case.conditions.nervous_system import Vertigo
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Slow changes of position, head never below the heart, hand support in standing."""
    page = Page("vertigo", COMMON_PRACTICE)
    if f.one(Vertigo):
        page.limit("head", "head_below_heart_cm", 0, "the head below the heart brings dizziness")
        page.limit(
            "hand",
            "hand_support_level",
            n["hand"],
            "dizziness may come while standing",
            at_least=True,
            when=Place.STANDING,
            at_home=True,
        )
        page.limit("neck", "loaded_neck_bend_deg", n["neck_deg"], "large head movements bring dizziness")
        page.care(
            "slow",
            "performed",
            0,
            "lying down, turning over and rising bring it",
            "change position slowly, wait until it has passed",
        )
    if any(c.sudden for c in f.all(Vertigo)):
        page.refer("sudden", "a sudden change of hearing or balance: to the physician within days")
    return page.done()


RULE = Rule(
    "vertigo",
    "Dizziness with head movement",
    "Slow changes of position, head never below the heart, hand support in standing.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number("hand", 3, "0–3", "hand support in standing, alone at home", COMMON_PRACTICE, SINCE),
        Number("neck_deg", 20, "deg", "bend of the unsupported neck", COMMON_PRACTICE, SINCE),
    ),
    (
        Example("vertigo", {"conditions": [{"kind": "vertigo"}]}, {"vertigo.head": 0.0, "vertigo.neck": 20.0}),
        Example("none", {"conditions": []}, {"vertigo.head": None}),
    ),
    duties=(
        Duty("sudden", "a sudden change"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.NEUROLOGY,
)
