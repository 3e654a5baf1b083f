"""Doming of the belly, and where it is seen."""

from datetime import date

from amvel.case import Case
from amvel.case.results.quiet_core import Doming
from amvel.case.traits import Trait
from amvel.checked import Profession
from amvel.languages import said, said_together, term
from amvel.numbers import Number, Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.traits import has
from amvel.sources import COMMON_PRACTICE

SOURCE = COMMON_PRACTICE
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("wide_finger_breadths", 2, "finger breadths", "gap from which loaded trunk work is limited", SOURCE, SINCE),
)


def read(result: Doming, case: Case, n: Numbers) -> Reading:
    """A gap of two finger breadths or more, or doming in any position, limits loaded trunk work."""
    text = said("gap {gap_finger_breadths} finger breadths", gap_finger_breadths=float(result.gap_finger_breadths)) + (
        said("; domes in: {what}", what=said_together([term(x) for x in result.seen_in], ", "))
        if result.seen_in
        else said("; no doming seen")
    )
    return Reading(text, "watch" if result.seen_in or result.gap_finger_breadths >= n["wide_finger_breadths"] else "ok", SOURCE)


TEST = ScreenTest(
    "doming",
    "gap of the belly wall and where it domes",
    (
        "Crook lying, fingers across the midline.",
        "Small head lift only if nothing forbids it; watch the midline.",
        "Then watch it in the steps of the day.",
    ),
    "No head lift with bone or disc limits: watch the toe float instead.",
    90,
    read,
    SOURCE,
    "lying",
    (
        Outcome("none", 0.6, {"gap_finger_breadths": 1}),
        Outcome("domes", 0.4, {"gap_finger_breadths": 3, "seen_in": ["head_lift"]}),
    ),
    unlocks="loaded trunk work after birth or operation",
    avoid=lambda case: (
        ""
        if has(case, Trait.BELLY_MAY_DOME)
        else said("nothing points to it")
    ),
    numbers=NUMBERS,
    check_by=Profession.PELVIC_HEALTH,
)
