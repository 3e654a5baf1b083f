"""Memory and thinking."""

from datetime import date

from amvel.case.conditions.nervous_system import CognitiveImpairment
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.attention import one_thing_at_a_time
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """How many limbs at once, one instruction at a time, supervised, picture plan."""
    page = Page("cognitive_impairment", COMMON_PRACTICE)
    for i, c in enumerate(f.all(CognitiveImpairment)):
        one_thing_at_a_time(page, i, c.severity, n[c.severity], alone=f.alone_at_home)
    return page.done()


RULE = Rule(
    "cognitive_impairment",
    "Memory and thinking",
    "How many limbs at once, one instruction at a time, supervised, picture plan.",
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
            {"conditions": [{"kind": "cognitive_impairment", "severity": "moderate"}]},
            {"cognitive_impairment.coordination_0": 2.0, "cognitive_impairment.alone_0": 0.0},
        ),
        Example(
            "mild",
            {"conditions": [{"kind": "cognitive_impairment", "severity": "mild"}]},
            {"cognitive_impairment.coordination_0": 3.0, "cognitive_impairment.alone_0": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.OLDER_PEOPLE,
)
