"""Low vision."""

from datetime import date

from amvel.case.conditions.nervous_system import LowVision
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place, Reader
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Words and touch instead of showing; hand support in standing at home."""
    page = Page("low_vision", COMMON_PRACTICE)
    if f.one(LowVision):
        page.limit(
            "hand",
            "hand_support_level",
            n["hand"],
            "the floor and the edges are not seen",
            at_least=True,
            when=Place.STANDING,
            at_home=True,
        )
        page.care(
            "words",
            "performed",
            0,
            "pictures and showing do not arrive",
            "say it, guide the hand after asking; large print, bright edge tape", read_by=Reader.HELPER,
        )
    return page.done()


RULE = Rule(
    "low_vision",
    "Low vision",
    "Words and touch instead of showing; hand support in standing at home.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (Number("hand", 2, "0–3", "hand support in standing, alone at home", COMMON_PRACTICE, SINCE),),
    (
        Example("low vision", {"conditions": [{"kind": "low_vision"}]}, {"low_vision.hand": 2.0}),
        Example("none", {"conditions": []}, {"low_vision.hand": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.EYES,
)
