"""Muscle disease."""

from datetime import date

from amvel.case.conditions.nervous_system import MuscleDisease
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.safety.walking import steadied
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Low effort, no lowering against load, rests."""
    page = Page("muscle_disease", COMMON_PRACTICE)
    c = f.one(MuscleDisease)
    if c is not None:
        steadied(page, c.walks)
        page.limit("effort", "effort_0_to_10", n["effort"], "muscle fibres tear with strain")
        page.care(
            "down",
            "rises",
            0,
            "lowering against load tears muscle fibres",
            "help on the way down; rise, then be lowered or sit on a high seat",
        )
        page.care(
            "rests",
            "performed",
            0,
            "tiredness comes late and lasts",
            "stop well before tired; ask about the next two days",
        )
    return page.done()


RULE = Rule(
    "muscle_disease",
    "Muscle disease",
    "Low effort, no lowering against load, rests.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (Number("effort", 4, "0–10", "effort at most", COMMON_PRACTICE, SINCE),),
    (
        Example("muscle disease", {"conditions": [{"kind": "muscle_disease"}]}, {"muscle_disease.effort": 4.0}),
        Example(
            "a few steps",
            {"conditions": [{"kind": "muscle_disease", "walks": "a_few_steps"}]},
            {"muscle_disease.hand": 3.0, "muscle_disease.standing_home": 0.0},
        ),
        Example("none", {"conditions": []}, {"muscle_disease.effort": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.NEUROLOGY,
)
