"""Operation on the belly."""

from datetime import date, timedelta

from amvel.case.conditions.back_and_pelvis import AbdominalSurgery
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Number, Numbers, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)
WHY = "loaded trunk work waits for a clearing after the operation"


def answer(f: Findings, n: Numbers) -> Answer:
    """Breath and deep set from the first days if uncomplicated; loaded work after clearing, commonly from 6 weeks."""
    page = Page("abdominal_surgery", COMMON_PRACTICE)
    for i, c in enumerate(f.all(AbdominalSurgery)):
        for name, quantity, bound in (
            ("lever", "pelvic_moment_nm_per_kg_m", n["lever_nm_per_kg_m"]),
            ("effort", "effort_0_to_10", n["effort"]),
            ("curl", "loaded_trunk_flexion_deg", n["flexion_deg"]),
        ):
            page.for_weeks(f"{name}_{i}", quantity, bound, WHY, c.on, n["weeks"], f.case.as_of)
        if f.case.as_of <= c.on + timedelta(weeks=2 * n["weeks"]):
            page.limit(f"breath_{i}", "breath_held", 0, "the breath is not held")
        if c.complicated:
            page.refer(
                f"complicated_{i}",
                "with complications: nothing but breath and rest until the clinician has said so",
            )
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
)
