"""Walks with a stick or a frame."""

from datetime import date

from amvel.case.conditions.general import WalkingAid
from amvel.checked import Profession
from amvel.languages import said
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Who walks with a hand on something stands with a hand on something."""
    page = Page("walking_aid", COMMON_PRACTICE)
    for i, c in enumerate(f.all(WalkingAid)):
        hand = n["stick_hand"] if c.what == "stick" else n["frame_hand"]
        why = said("walks with a hand on something, and stands so")
        page.limit(f"hand_{i}", "hand_support_level", hand, why, at_least=True, when=Place.STANDING)
        page.limit(f"hand_home_{i}", "hand_support_level", n["home_hand"], why, at_least=True, when=Place.STANDING, at_home=True)
    return page.done()


RULE = Rule(
    "walking_aid",
    "Walks with a stick or a frame",
    "In standing a hand on a support: fingertips at least with a stick, firm with a frame and at home.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number("stick_hand", 2, "0–3", "hand support in standing, with a stick", COMMON_PRACTICE, SINCE),
        Number("frame_hand", 3, "0–3", "hand support in standing, with two sticks or a frame", COMMON_PRACTICE, SINCE),
        Number("home_hand", 3, "0–3", "hand support in standing, alone", COMMON_PRACTICE, SINCE),
    ),
    (
        Example("a stick", {"conditions": [{"kind": "walking_aid", "what": "stick"}]}, {"walking_aid.hand_0": 2.0, "walking_aid.hand_home_0": 3.0}),
        Example("a frame", {"conditions": [{"kind": "walking_aid", "what": "frame"}]}, {"walking_aid.hand_0": 3.0}),
        Example("neither", {"conditions": []}, {"walking_aid.hand_0": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.OLDER_PEOPLE,
)
