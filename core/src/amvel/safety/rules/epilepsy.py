"""Epilepsy."""

from datetime import date

from amvel.case.conditions.nervous_system import Epilepsy
from amvel.checked import Profession
from amvel.numbers import Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Never alone at a height or a bed edge; no fast breathing."""
    page = Page("epilepsy", COMMON_PRACTICE)
    if f.one(Epilepsy):
        page.care(
            "height",
            "performed",
            0,
            "a seizure may come without warning",
            "floor or a wide low bed, nothing hard near; never alone on a high seat or a bed edge",
        )
        page.care(
            "breath",
            "performed",
            0,
            "fast breathing can set off a seizure",
            "slow, quiet breath; no breathing exercises at speed",
        )
    return page.done()


RULE = Rule(
    "epilepsy",
    "Epilepsy",
    "Never alone at a height or a bed edge; no fast breathing.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (),
    (
        Example("epilepsy", {"conditions": [{"kind": "epilepsy"}]}, {"epilepsy.breath": 0.0}),
        Example("none", {"conditions": []}, {"epilepsy.breath": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.NEUROLOGY,
)
