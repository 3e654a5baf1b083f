"""Fragile skin."""

from datetime import date

from amvel.case.conditions.skin_and_devices import PoorSkin
from amvel.checked import Profession
from amvel.numbers import Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """No hard props, no bands on bare skin."""
    page = Page("poor_skin", COMMON_PRACTICE)
    if f.one(PoorSkin):
        page.limit("prop", "hard_prop", 0, "hard props tear fragile skin")
        page.limit("band", "band_on_foot", 0, "no band on bare, fragile skin")
        page.care(
            "knees", "kneeling", 0, "fragile skin over the knee", "thick soft pad; look at the skin after"
        )
    return page.done()


RULE = Rule(
    "poor_skin",
    "Fragile skin",
    "No hard props, no bands on bare skin.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (),
    (
        Example("fragile skin", {"conditions": [{"kind": "poor_skin"}]}, {"poor_skin.prop": 0.0}),
        Example("none", {"conditions": []}, {"poor_skin.prop": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.SKIN,
)
