"""Coordination disorder."""

from datetime import date

from amvel.case.conditions.development import CoordinationDisorder
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.attention import few_limbs
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Few limbs at once, slow, hand support where one leg carries."""
    page = Page("coordination_disorder", COMMON_PRACTICE)
    if f.one(CoordinationDisorder):
        few_limbs(page, "coordination", n["coordination"], "few limbs at once until each part is sure")
        page.limit(
            "hand",
            "hand_support_level",
            n["hand"],
            "balance is not sure on one leg",
            at_least=True,
            when=Place.STANDING,
            at_home=True,
        )
        page.care("slow", "performed", 0, "quick changes lose the pattern", "slow, in parts, then joined")
    return page.done()


RULE = Rule(
    "coordination_disorder",
    "Coordination disorder",
    "Few limbs at once, slow, hand support where one leg carries.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number("coordination", 2, "count", "limbs at once", COMMON_PRACTICE, SINCE),
        Number("hand", 2, "0–3", "hand support in standing, alone at home", COMMON_PRACTICE, SINCE),
    ),
    (
        Example(
            "coordination disorder",
            {"conditions": [{"kind": "coordination_disorder"}]},
            {"coordination_disorder.coordination": 2.0},
        ),
        Example("none", {"conditions": []}, {"coordination_disorder.coordination": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.DEVELOPMENT,
)
