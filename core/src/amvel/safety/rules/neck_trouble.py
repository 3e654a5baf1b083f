"""Neck trouble."""

from datetime import date

from amvel.case.conditions.joints import NeckTrouble
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Rheumatoid or fused: head supported, no neck load. Painful: by what it tolerates."""
    page = Page("neck_trouble", COMMON_PRACTICE)
    for i, c in enumerate(f.all(NeckTrouble)):
        bend = n[c.what] if c.tolerated_bend_deg is None or c.what != "painful" else c.tolerated_bend_deg
        page.limit(f"bend_{i}", "loaded_neck_bend_deg", bend, said("a {what} neck: the head stays supported", what=term(c.what)))
        if c.what != "painful":
            page.forbid(
                f"load_{i}", "head_support_percent_bw", n["head_percent_bw"], said("a {what} neck carries nothing", what=term(c.what))
            )
            page.forbid(f"roll_{i}", "rolls_on_spine", 0, said("no rolling with a {what} neck", what=term(c.what)))
    return page.done()


RULE = Rule(
    "neck_trouble",
    "Neck trouble",
    "Rheumatoid or fused: head supported, no neck load. Painful: by what it tolerates.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number(
            "painful", 15, "deg", "bend of the unsupported neck, painful and not tested", COMMON_PRACTICE, SINCE
        ),
        Number("rheumatoid", 10, "deg", "bend of the unsupported neck, rheumatoid", COMMON_PRACTICE, SINCE),
        Number("fused", 10, "deg", "bend of the unsupported neck, fused", COMMON_PRACTICE, SINCE),
        Number(
            "head_percent_bw", 12, "% of body weight", "more than the head’s own weight", COMMON_PRACTICE, SINCE
        ),
    ),
    (
        Example(
            "rheumatoid",
            {"conditions": [{"kind": "neck_trouble", "what": "rheumatoid"}]},
            {"neck_trouble.bend_0": 10.0, "neck_trouble.load_0": 12.0},
        ),
        Example(
            "painful, tolerates 30°",
            {"conditions": [{"kind": "neck_trouble", "what": "painful", "tolerated_bend_deg": 30}]},
            {"neck_trouble.bend_0": 30.0, "neck_trouble.load_0": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.PHYSIOTHERAPY,
)
