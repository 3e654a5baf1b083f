"""Hearing loss."""

from datetime import date

from amvel.case.conditions.nervous_system import HearingLoss
from amvel.checked import Profession
from amvel.numbers import Numbers
from amvel.safety.limits import Answer, Reader
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Face to face, showing and pictures; no cue from behind."""
    page = Page("hearing_loss", COMMON_PRACTICE)
    if f.one(HearingLoss):
        page.care(
            "cues",
            "performed",
            0,
            "spoken cues do not arrive, least of all face down",
            "show it, agree on a touch signal, face to face; pictures", read_by=Reader.HELPER,
        )
    if any(c.sudden for c in f.all(HearingLoss)):
        page.refer("sudden", "a sudden change of hearing or balance: to the physician within days")
    return page.done()


RULE = Rule(
    "hearing_loss",
    "Hearing loss",
    "Face to face, showing and pictures; no cue from behind.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (),
    (
        Example("hearing loss", {"conditions": [{"kind": "hearing_loss"}]}, {"hearing_loss.cues": 0.0}),
        Example("none", {"conditions": []}, {"hearing_loss.cues": None}),
    ),
    duties=(
        Duty("sudden", "a sudden change"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.OLDER_PEOPLE,
)
