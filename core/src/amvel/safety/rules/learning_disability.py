"""Learning disability."""

from datetime import date

from amvel.case.conditions.development import LearningDisability
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Number, Numbers, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """How many limbs at once, shown rather than told, assent each time."""
    page = Page("learning_disability", COMMON_PRACTICE)
    for i, c in enumerate(f.all(LearningDisability)):
        page.limit(
            f"coordination_{i}",
            "coordination",
            n[c.severity],
            f"{c.severity}: that many limbs at once can be followed",
        )
        page.care(
            f"words_{i}",
            "performed",
            0,
            "instructions are kept one at a time",
            "one short instruction, shown; the picture plan in sight",
        )
        if c.severity != "mild":
            page.limit(
                f"alone_{i}", "standing", 0, "standing work only with someone near", when="standing at home"
            )
        page.care(
            f"assent_{i}",
            "performed",
            0,
            "agreement is asked for each time",
            "show first, ask, wait for the yes",
        )
    return page.done()


RULE = Rule(
    "learning_disability",
    "Learning disability",
    "How many limbs at once, shown rather than told, assent each time.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number("mild", 3, "count", "limbs at once, mild", COMMON_PRACTICE, SINCE),
        Number("moderate", 2, "count", "limbs at once, moderate", COMMON_PRACTICE, SINCE),
        Number("severe", 1, "count", "limbs at once, severe", COMMON_PRACTICE, SINCE),
    ),
    (
        Example(
            "moderate",
            {"conditions": [{"kind": "learning_disability", "severity": "moderate"}]},
            {"learning_disability.coordination_0": 2.0},
        ),
        Example(
            "mild",
            {"conditions": [{"kind": "learning_disability", "severity": "mild"}]},
            {"learning_disability.coordination_0": 3.0},
        ),
    ),
)
