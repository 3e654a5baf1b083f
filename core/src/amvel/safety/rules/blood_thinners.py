"""Blood thinners."""

from datetime import date

from amvel.case.conditions.skin_and_devices import BloodThinners
from amvel.checked import Profession
from amvel.numbers import Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """No hard props against the body."""
    page = Page("blood_thinners", COMMON_PRACTICE)
    if f.one(BloodThinners):
        page.limit("prop", "hard_prop", 0, "hard props bruise")
        page.care(
            "falls",
            "standing",
            0,
            "a fall bleeds more",
            "hand support within reach; after a fall on the head: emergency",
        )
    return page.done()


RULE = Rule(
    "blood_thinners",
    "Blood thinners",
    "No hard props against the body.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (),
    (
        Example("blood thinners", {"conditions": [{"kind": "blood_thinners"}]}, {"blood_thinners.prop": 0.0}),
        Example("none", {"conditions": []}, {"blood_thinners.prop": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.HEART,
)
