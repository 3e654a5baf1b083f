"""Numb feet."""

from datetime import date

from amvel.case.conditions.nervous_system import Neuropathy
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Shoes, no one-leg stance without firm support, no band on the foot."""
    page = Page("neuropathy", COMMON_PRACTICE)
    if f.one(Neuropathy):
        page.limit(
            "one_leg",
            "hand_support_level",
            n["hand"],
            "numb feet do not find the floor",
            at_least=True,
            when=Place.STANDING,
            at_home=True,
        )
        page.limit(
            "one_leg_stance",
            "one_leg_stance",
            0,
            "no one-leg stance on a numb foot alone",
            when=Place.STANDING,
            at_home=True,
        )
        page.limit(
            "one_leg_hand",
            "hand_support_level",
            n["hand"],
            "on a numb foot alone only with firm support, whoever is near",
            at_least=True,
            when=Place.ON_ONE_LEG,
        )
        page.limit("band", "band_on_foot", 0, "no band or strap on a foot that does not feel it")
        page.care(
            "shoes",
            "standing",
            0,
            "numb feet are hurt unnoticed",
            "closed shoes with firm soles; look at the feet after",
        )
    return page.done()


RULE = Rule(
    "neuropathy",
    "Numb feet",
    "Shoes, no one-leg stance without firm support, no band on the foot.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number(
            "hand",
            3,
            "0–3",
            "hand support in standing alone at home, and on one leg anywhere",
            COMMON_PRACTICE,
            SINCE,
        ),
    ),
    (
        Example(
            "numb feet",
            {"conditions": [{"kind": "neuropathy"}]},
            {"neuropathy.band": 0.0, "neuropathy.one_leg": 3.0, "neuropathy.one_leg_hand": 3.0},
        ),
        Example("none", {"conditions": []}, {"neuropathy.band": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.DIABETES,
)
