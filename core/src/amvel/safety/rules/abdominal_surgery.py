"""Operation on the belly."""

from datetime import date

from amvel.case.conditions.back_and_pelvis import AbdominalSurgery
from amvel.checked import Profession
from amvel.languages import said
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.loaded_trunk_work import wait_for_clearing
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)
WHY = said("loaded trunk work waits for a clearing after the operation")


def answer(f: Findings, n: Numbers) -> Answer:
    """Breath and deep set from the first days if uncomplicated; loaded work after clearing, commonly from 6 weeks."""
    page = Page("abdominal_surgery", COMMON_PRACTICE)
    for i, c in enumerate(f.all(AbdominalSurgery)):
        wait_for_clearing(page, f, n, i, c, WHY)
    return page.done()


RULE = Rule(
    "abdominal_surgery",
    "Operation on the belly",
    "Breath and deep set from the first days if uncomplicated; loaded work after clearing, commonly from 6 weeks.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number(
            "lever_nm_per_kg_m",
            0.1,
            "N·m/(kg·m)",
            "pelvic control moment before clearing",
            COMMON_PRACTICE,
            SINCE,
        ),
        Number("level", 2, "level", "work of the belly before clearing", COMMON_PRACTICE, SINCE),
        Number("effort", 3, "0–10", "effort before clearing", COMMON_PRACTICE, SINCE),
        Number("flexion_deg", 10, "deg", "rounding under load before clearing", COMMON_PRACTICE, SINCE),
        Number("weeks", 12, "weeks", "how long it holds without a clearing", COMMON_PRACTICE, SINCE),
    ),
    (
        Example(
            "five weeks ago",
            {"conditions": [{"kind": "abdominal_surgery", "on": "2026-10-20"}]},
            {"abdominal_surgery.lever_0": 0.1, "abdominal_surgery.effort_0": 3.0},
        ),
        Example(
            "a year ago",
            {"conditions": [{"kind": "abdominal_surgery", "on": "2025-10-20"}]},
            {"abdominal_surgery.lever_0": None},
        ),
    ),
    duties=(
        Duty("complicated", "complications"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.SURGEON,
)
