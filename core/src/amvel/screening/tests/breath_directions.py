"""Breath in four directions, and with a leg lifted."""

from amvel.case import Case
from amvel.case.results.quiet_core import BreathDirections
from amvel.languages import said, said_together, term
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE

SOURCE = COMMON_PRACTICE


def read(result: BreathDirections, case: Case, n: Numbers) -> Reading:
    """What the breath does not reach, and which leg changes it."""
    missing = [
        term(d) for d in ("front", "left_side", "right_side", "back") if d not in result.reaches
    ]
    text = said("reaches all round") if not missing else said("does not reach: {parts}", parts=said_together(missing, ", "))
    if result.changed_by_leg != "none":
        text += said("; changed by lifting the leg: {changed_by_leg}", changed_by_leg=term(result.changed_by_leg))
    return Reading(text, "watch" if missing or result.changed_by_leg != "none" else "ok", SOURCE)


TEST = ScreenTest(
    "breath_directions",
    "where the breath goes",
    (
        "Crook lying, hands round the lowest ribs.",
        "Feel front, both sides and back through three breaths.",
        "Lift one leg from the hip, then the other: does the breath change?",
    ),
    "Breath is never held.",
    90,
    read,
    SOURCE,
    "lying",
    (
        Outcome("all round", 0.5, {"reaches": ["front", "left_side", "right_side", "back"]}),
        Outcome("not the back", 0.5, {"reaches": ["front"], "changed_by_leg": "left"}),
    ),
    unlocks="loaded breathing",
)
