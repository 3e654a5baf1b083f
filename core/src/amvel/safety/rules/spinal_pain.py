"""Back pain of which no direction is known."""

from datetime import date

from amvel.case.conditions.general import SpinalPain
from amvel.checked import Profession
from amvel.languages import said
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)
_ENDS = {
    "flexion": "loaded_trunk_flexion_deg",
    "extension": "loaded_trunk_extension_deg",
    "side_bend": "loaded_trunk_side_bend_deg",
    "rotation": "loaded_trunk_rotation_deg",
}


def answer(f: Findings, n: Numbers) -> Answer:
    """Until a direction is tested every direction stays in its middle under load."""
    page = Page("spinal_pain", COMMON_PRACTICE)
    for i, c in enumerate(f.all(SpinalPain)):
        more = {"review_on": page.review(c, n["review_weeks"])}
        why = said("back pain of which no direction is known: the middle of every range under load; test which way provokes")
        for direction, quantity in _ENDS.items():
            page.limit(f"{direction}_{i}", quantity, n["middle_deg"], why, **more)
    return page.done()


RULE = Rule(
    "spinal_pain",
    "Back pain, no direction known",
    "Under load the middle of every range until the direction that provokes is tested.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number("middle_deg", 15, "deg", "bend or turn under load", COMMON_PRACTICE, SINCE),
        Number("review_weeks", 4, "weeks", "how often it is looked at", COMMON_PRACTICE, SINCE),
    ),
    (
        Example("since a month", {"conditions": [{"kind": "spinal_pain", "since": "2026-10-20"}]}, {"spinal_pain.flexion_0": 15.0, "spinal_pain.rotation_0": 15.0}),
        Example("none", {"conditions": []}, {"spinal_pain.flexion_0": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PHYSIOTHERAPY,
)
