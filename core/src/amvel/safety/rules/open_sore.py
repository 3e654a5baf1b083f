"""Skin that is open."""

from datetime import date

from amvel.case.conditions.general import OpenSore
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)
_PRESSES = {"sit_bone": "sit_bone_support_percent_bw", "foot": "leg_carries_percent_bw", "knee": "knee_support_percent_bw", "elbow": "forearm_support_percent_bw"}


def answer(f: Findings, n: Numbers) -> Answer:
    """Nothing presses on it until it has closed; who looks after the wound is asked.  Side not known means both."""
    page = Page("open_sore", COMMON_PRACTICE)
    for i, c in enumerate(f.all(OpenSore)):
        more = {"review_on": page.review(c, n["review_weeks"])}
        where = c.place.replace("_", " ")
        why = said("an open sore ({where}): nothing presses there until it has closed", where=term(where))
        if c.place == "sacrum":
            page.limit(f"sacrum_{i}", "on_the_back", 0, why, **more)
        else:
            sides = (c.side,) if c.side else ("left", "right")
            page.both_sides(sides, f"{c.place}_{i}", _PRESSES[c.place], n["rests_percent_bw"], why, **more)
        if c.place == "foot":
            page.both_sides(sides, f"rubs_{i}", "foot_rubs", 0, why, **more)
            page.care(f"lies_free_{i}", "performed", 0, why, "the foot rests so that the sore lies free, on its other end or a pad")
        page.refer(
            "wound", said("an open sore ({where}): ask who looks after the wound, and what may touch it", where=term(where)), which=i)
    return page.done()


RULE = Rule(
    "open_sore",
    "Open sore",
    "Nothing presses on it until it has closed; wound care is asked.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number("rests_percent_bw", 2, "% of body weight", "what may lie on it", COMMON_PRACTICE, SINCE),
        Number("review_weeks", 2, "weeks", "how often it is looked at", COMMON_PRACTICE, SINCE),
    ),
    (
        Example("over the sacrum", {"conditions": [{"kind": "open_sore", "place": "sacrum"}]}, {"open_sore.sacrum_0": 0.0}, refers=("open_sore.wound_0",)),
        Example(
            "a foot",
            {"conditions": [{"kind": "open_sore", "place": "foot", "side": "left"}]},
            {"open_sore.foot_0_left": 2.0, "open_sore.rubs_0_left": 0.0, "open_sore.foot_0_right": None},
        ),
        Example("none", {"conditions": []}, {"open_sore.sacrum_0": None}),
    ),
    duties=(
        Duty("wound", "always: who looks after the wound"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.SKIN,
)
