"""Learning disability."""

from datetime import date

from amvel.case.conditions.development import LearningDisability
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.attention import one_thing_at_a_time
from amvel.safety.limits import Answer, Reader
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """How many limbs at once, shown rather than told, assent each time."""
    page = Page("learning_disability", COMMON_PRACTICE)
    for i, c in enumerate(f.all(LearningDisability)):
        one_thing_at_a_time(page, i, c.severity, n[c.severity], alone=f.alone_at_home)
        page.care(
            f"assent_{i}",
            "performed",
            0,
            "agreement is asked for each time",
            "show first, ask, wait for the yes", read_by=Reader.HELPER,
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
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.DEVELOPMENT,
)
