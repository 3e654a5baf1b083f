"""Parkinson’s disease."""

from datetime import date

from amvel.case.conditions.nervous_system import Parkinson
from amvel.checked import Profession
from amvel.literature import OSBORNE
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings

APTA = OSBORNE.as_read
SINCE = date(2022, 1, 1)


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
    if c.freezing:
        page.limit(
            "dual",
            "coordination",
            n["coordination"],
            "steps freeze when several things are done at once; well-learnt daily tasks are one",
            when=Place.EXERCISES,
        )
    if c.good_from_hour is not None and c.good_to_hour is not None:
        page.care(
            "hours",
            "standing",
            0,
            "medicine works best then",
            f"standing work between {c.good_from_hour} and {c.good_to_hour} h",
        )
    if f.pressure is None:
        page.refer(
            "standing_pressure",
            "blood pressure lying and standing: not known, and it often falls with Parkinson’s disease",
        )
    page.owe("balance", "Balance on 3 days a week or more", ("balance",), 3, "Parkinson’s disease")
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
    (Number("coordination", 2, "count", "limbs moving at once when steps freeze", APTA, SINCE),),
    (
        Example(
            "freezing",
            {"conditions": [{"kind": "parkinson", "freezing": True}]},
            {"parkinson.dual": 2.0, "parkinson.behind": 0.0},
            ("parkinson.balance", "parkinson.extension"),
        ),
        Example("no freezing", {"conditions": [{"kind": "parkinson"}]}, {"parkinson.dual": None}),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.NEUROLOGY,
)
