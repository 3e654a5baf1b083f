"""Autism."""

from datetime import date

from amvel.case.conditions.development import Autism
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.attention import few_limbs
from amvel.safety.limits import Answer, Reader
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)
_OUT = {"bands": "uses_band", "lying_flat": "lying_flat"}


def answer(f: Findings, n: Numbers) -> Answer:
    """What is hard to bear stays out; one cue style; the same order each time."""
    page = Page("autism", COMMON_PRACTICE)
    for i, c in enumerate(f.all(Autism)):
        for dislike in c.dislikes:
            if dislike in _OUT:
                page.limit(f"{dislike}_{i}", _OUT[dislike], 0, said("{what} is hard to bear", what=term(dislike.replace('_', ' '))))
        page.care(
            f"order_{i}",
            "performed",
            0,
            "surprises cost more than the exercise",
            "same order, same place, say what comes; no touch without asking", read_by=Reader.HELPER,
        )
        few_limbs(page, f"coordination_{i}", n["coordination"], "one new thing at a time")
    return page.done()


RULE = Rule(
    "autism",
    "Autism",
    "What is hard to bear stays out; one cue style; the same order each time.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (Number("coordination", 3, "count", "limbs at once", COMMON_PRACTICE, SINCE),),
    (
        Example(
            "bands are hard to bear",
            {"conditions": [{"kind": "autism", "dislikes": ["bands"]}]},
            {"autism.bands_0": 0.0},
        ),
        Example(
            "nothing named",
            {"conditions": [{"kind": "autism"}]},
            {"autism.bands_0": None, "autism.coordination_0": 3.0},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.DEVELOPMENT,
)
