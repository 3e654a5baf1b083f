"""Low mood or fear that stops movement."""

from datetime import date

from amvel.case.conditions.general import LowMood
from amvel.checked import Profession
from amvel.numbers import Numbers
from amvel.safety.limits import Answer, Reader
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Small sure steps; referred where it blocks."""
    page = Page("low_mood", COMMON_PRACTICE)
    for i, c in enumerate(f.all(LowMood)):
        page.care(f"small_{i}", "performed", 0, "mood or fear holds back", "small steps that succeed; ask for confidence before and after", read_by=Reader.SPECIALIST)
        if c.blocks:
            page.refer(
            "blocks", "low mood or fear that blocks movement: ask whether it is looked after", which=i)
    return page.done()


RULE = Rule(
    "low_mood",
    "Low mood or fear that stops movement",
    "Small steps that succeed; referred where it blocks.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (),
    (
        Example("it blocks", {"conditions": [{"kind": "low_mood", "blocks": True}]}, {"low_mood.small_0": 0.0}, refers=("low_mood.blocks_0",)),
        Example("it does not", {"conditions": [{"kind": "low_mood"}]}, {"low_mood.small_0": 0.0}),
    ),
    duties=(
        Duty("blocks", "low mood or fear that blocks movement"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.GENERAL_PRACTICE,
)
