"""Active straight-leg raise."""

from datetime import date

from amvel.case import Case
from amvel.case.results.quiet_core import ActiveLegRaise
from amvel.case.traits import Trait
from amvel.languages import said, term
from amvel.literature import MENS
from amvel.numbers import Number, Numbers
from amvel.screening.cautions import fresh_vertebral_fracture
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.traits import because
from amvel.sources import ours

SOURCE = MENS.says("0–5 a side")
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("watch_score", 2, "0–5", "effort from which it is watched", ours("an effort of 2 of 5 counts"), SINCE),
)


def read(result: ActiveLegRaise, case: Case, n: Numbers) -> Reading:
    """Effort of lifting the straight leg 20 cm, by side."""
    return Reading(said("{side} {score} of 5", side=term(result.side), score=term(result.score)), "watch" if result.score >= n["watch_score"] else "ok", SOURCE)


TEST = ScreenTest(
    "active_leg_raise",
    "how the pelvis passes load to the leg",
    (
        "Lie on the back, legs long, 20 cm apart.",
        "Lift one heel 20 cm; score 0 not difficult to 5 impossible.",
        "Press the hip bones together with the hands: is it easier?",
    ),
    "Left out in acute sciatica.",
    90,
    read,
    SOURCE,
    "lying",
    (
        Outcome("0 or 1", 0.7, {"score": 0}),
        Outcome("2 or more", 0.3, {"score": 3}),
    ),
    unlocks="single-leg work",
    poses=("knee_fold/single_fold",),
    avoid=lambda case: (
        because(case, Trait.LONG_LEG_PROVOKES) or fresh_vertebral_fracture(case)
    ),
    instead="Toe float instead of the straight leg.",
    numbers=NUMBERS,
)
