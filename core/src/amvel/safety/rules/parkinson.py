"""Parkinson’s disease."""

from datetime import date

from amvel.case.conditions.nervous_system import Parkinson
from amvel.checked import Profession
from amvel.languages import said
from amvel.literature import OSBORNE
from amvel.numbers import Number, Numbers
from amvel.safety.attention import few_limbs
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

APTA = OSBORNE.as_read
SINCE = date(2022, 1, 1)
FIRM = 3
_UNSTEADY = said("balance is not caught by itself at this stage: a firm hand in standing")


def answer(f: Findings, n: Numbers) -> Answer:
    """A wall or chair behind in standing, an outside cue and large movements, good medicine hours; balance and extension are owed."""
    page = Page("parkinson", APTA)
    c = f.one(Parkinson)
    if c is None:
        return page.done()
    page.care(
        "behind",
        "standing",
        0,
        "steps may freeze or fall back",
        "a wall or chair right behind, worktop in front",
    )
    page.care(
        "large",
        "performed",
        0,
        "movements shrink without a cue",
        "an outside rhythm and large movements; say them aloud",
    )
    if c.stage is not None and c.stage >= n["unsteady_stage"]:
        page.limit("hand_home", "hand_support_level", FIRM, _UNSTEADY, at_least=True, when=Place.STANDING, at_home=True)
    if c.stage is not None and c.stage >= n["held_stage"]:
        page.limit("hand", "hand_support_level", FIRM, _UNSTEADY, at_least=True, when=Place.STANDING)
    if c.stage is not None and c.stage > n["held_stage"]:
        page.limit("standing", "standing", 0, "does not stand alone at this stage", when=Place.STANDING)
    if c.freezing:
        few_limbs(page, "dual", n["coordination"], "steps freeze when several things are done at once")
    if c.good_from_hour is not None and c.good_to_hour is not None:
        page.care(
            "hours",
            "standing",
            0,
            "medicine works best then",
            said("standing work between {first} and {last} h", first=c.good_from_hour, last=c.good_to_hour),
        )
    if f.pressure is None:
        page.refer(
            "standing_pressure",
            "blood pressure lying and standing: not known, and it often falls with Parkinson’s disease",
        )
    page.owe("balance", "Balance on 3 days a week or more", ("balance",), 3, "Parkinson’s disease", minutes=n["balance_min"])
    page.owe(
        "extension", "Upper back and reaching long", ("upper_back",), 3, "Parkinson’s disease rounds the back"
    )
    return page.done()


RULE = Rule(
    "parkinson",
    "Parkinson’s disease",
    "A wall or chair behind in standing, an outside cue and large movements, good medicine hours; balance and extension are owed.",
    (APTA,),
    SINCE,
    answer,
    (
        Number("coordination", 2, "count", "limbs moving at once when steps freeze", APTA, SINCE),
        Number("balance_min", 4, "min", "working minutes in a session that count as balance training: the source says days, the minutes are our reading", COMMON_PRACTICE, SINCE),
        Number("unsteady_stage", 3, "1–5", "stage from which a hand holds firmly in standing, alone", COMMON_PRACTICE, SINCE),
        Number("held_stage", 4, "1–5", "stage from which it does so with someone near too; beyond it no standing", COMMON_PRACTICE, SINCE),
    ),
    (
        Example(
            "freezing",
            {"conditions": [{"kind": "parkinson", "freezing": True}]},
            {"parkinson.dual": 2.0, "parkinson.behind": 0.0},
            ("parkinson.balance", "parkinson.extension"),
        ),
        Example("stage 3", {"conditions": [{"kind": "parkinson", "stage": 3}]}, {"parkinson.hand_home": 3.0, "parkinson.hand": None}),
        Example("stage 4", {"conditions": [{"kind": "parkinson", "stage": 4}]}, {"parkinson.hand": 3.0, "parkinson.standing": None}),
        Example("stage 5", {"conditions": [{"kind": "parkinson", "stage": 5}]}, {"parkinson.standing": 0.0}),
        Example("stage 2", {"conditions": [{"kind": "parkinson", "stage": 2}]}, {"parkinson.hand_home": None}),
        Example("no freezing", {"conditions": [{"kind": "parkinson"}]}, {"parkinson.dual": None}),
    ),
    duties=(
        Duty("standing_pressure", "pressure on standing is not known"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.NEUROLOGY,
)
