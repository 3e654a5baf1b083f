"""Beta blocker."""

from datetime import date

from amvel.case.conditions.heart_and_lungs import BetaBlocker
from amvel.checked import Profession
from amvel.numbers import Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Effort scale instead of a pulse target."""
    page = Page("beta_blocker", COMMON_PRACTICE)
    if f.one(BetaBlocker):
        page.care(
            "pulse",
            "performed",
            0,
            "the pulse does not show the effort",
            "effort 0–10 and the talk test, no pulse target; rise slowly",
        )
    return page.done()


RULE = Rule(
    "beta_blocker",
    "Beta blocker",
    "Effort scale instead of a pulse target.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (),
    (
        Example("beta blocker", {"conditions": [{"kind": "beta_blocker"}]}, {"beta_blocker.pulse": 0.0}),
        Example("none", {"conditions": []}, {"beta_blocker.pulse": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.HEART,
)
