"""Pelvic-floor trouble."""

from datetime import date

from amvel.case.conditions.back_and_pelvis import PelvicFloor
from amvel.checked import Profession
from amvel.languages import said
from amvel.movements.levels import BELLY_WORK
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import CLINICIAN, Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """No breath hold, breath-led, low lever; pressing the low back flat is not used."""
    page = Page("pelvic_floor", COMMON_PRACTICE)
    found = f.one(PelvicFloor)
    if found:
        more = {"review_on": page.review(found, n["review_weeks"])}
        page.forbid("breath", "breath_held", 0, "a held breath presses down on the pelvic floor")
        page.limit(
            "lever",
            "pelvic_moment_nm_per_kg_m",
            n["lever_nm_per_kg_m"],
            "a low lever: no more than one bent leg",
            when=Place.EXERCISES,
            **more,
        )
        if any("leaking" in c.symptoms or "heaviness" in c.symptoms or not c.symptoms for c in f.all(PelvicFloor)):
            why = said("heaviness or leaking: little work of the belly until it is cleared")
            page.cap("level", n["level"], BELLY_WORK, why, waits_for=CLINICIAN, **more)
            page.refer("floor", "heaviness, leaking or a pessary: ask for an examination of the pelvic floor and the bladder")
        page.limit("hold", "strained_hold_s", n["hold_s"], "long strained holds press down")
        page.forbid("jolt", "jolt", 0, "no bounce on the pelvic floor")
        page.care(
            "led",
            "performed",
            0,
            "the breath leads",
            "breathe out first, lift the pelvic floor with it, let go in the rest; stop at pressure downwards",
        )
        page.owe(
            "floor", "Breath and deep set, every day", ("deep_control", "breath"), 7, "pelvic-floor trouble"
        )
    return page.done()


RULE = Rule(
    "pelvic_floor",
    "Pelvic-floor trouble",
    "No breath hold, breath-led, low lever; pressing the low back flat is not used.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number(
            "lever_nm_per_kg_m",
            0.24,
            "N·m/(kg·m)",
            "pelvic control moment of one bent leg",
            COMMON_PRACTICE,
            SINCE,
        ),
        Number("review_weeks", 6, "weeks", "how often it is looked at", COMMON_PRACTICE, SINCE),
        Number("level", 2, "level", "work of the belly with heaviness or leaking", COMMON_PRACTICE, SINCE),
        Number("hold_s", 5, "s", "holds with strain", COMMON_PRACTICE, SINCE),
    ),
    (
        Example(
            "pelvic floor",
            {"conditions": [{"kind": "pelvic_floor"}]},
            {"pelvic_floor.lever": 0.24, "pelvic_floor.breath": 0.0},
        ),
        Example("none", {"conditions": []}, {"pelvic_floor.lever": None}),
    ),
    duties=(
        Duty("floor", "heaviness, leaking or a pessary"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.PELVIC_HEALTH,
)
