"""Limb lift on hands and knees: clean repetitions."""

from amvel.case import Case
from amvel.case.results.quiet_core import LimbLiftClean
from amvel.languages import said, term
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE

SOURCE = COMMON_PRACTICE


def read(result: LimbLiftClean, case: Case, n: Numbers) -> Reading:
    """The clean range by side, and what gives first."""
    tail = "" if result.gives == "nothing" else said(", then {gives} gives", gives=term(result.gives))
    return Reading(
        term(result.side) + f" {result.repetitions}" + tail,
        "ok" if result.gives == "nothing" else "watch",
        SOURCE,
    )


TEST = ScreenTest(
    "limb_lift_clean",
    "how often one limb leaves without a turn",
    (
        "Hands and knees, roll across the pelvis.",
        "Slide and lift one leg low; count until it tips.",
    ),
    "Stop at the first sign; clean range only.",
    90,
    read,
    SOURCE,
    "hands and knees",
    (
        Outcome("clean", 0.5, {"repetitions": 8, "gives": "nothing"}),
        Outcome("gives", 0.5, {"repetitions": 2, "gives": "pelvis"}),
    ),
    unlocks="arm and leg lifts",
    poses=("arm_or_leg_slide/leg_lift",),
)
