"""One-leg stance, per side."""

from datetime import date

from amvel.case import Case
from amvel.case.results.balance_and_strength import OneLegStance
from amvel.languages import as_entered, said, term
from amvel.literature import VELLAS
from amvel.numbers import Number, Numbers
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest

SOURCE = VELLAS.says("under 5 s; used as our caution", reading=True)
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("short_s", 5, "s", "below this one-leg stance is short", SOURCE, SINCE),
)


def is_short(seconds: float, n: Numbers) -> bool:
    return seconds < n["short_s"]


def read(result: OneLegStance, case: Case, n: Numbers) -> Reading:
    """Under 5 s is a caution, by side."""
    short = is_short(result.seconds, n)
    return Reading(
        term(result.side) + " " + as_entered(result.seconds) + " s" + (said(": short") if short else ""), "watch" if short else "ok", SOURCE
    )


TEST = ScreenTest(
    "one_leg_stance",
    "standing on one leg",
    (
        "Worktop in front, hands hover.",
        "Eyes open, arms free; up to 30 s; best of three.",
    ),
    "Someone behind, worktop in front.",
    90,
    read,
    SOURCE,
    "standing",
    (
        Outcome("5 s or more", 0.6, {"seconds": 12}),
        Outcome("shorter", 0.4, {"seconds": 3}),
    ),
    unlocks="steps on one leg",
    timer="stopwatch",
    poses=("standing_leg_to_the_side/hands_hover",),
    avoid=no_standing,
    on_own_feet=True,
    instead="The stage of the four-stage balance that is held.",
    numbers=NUMBERS,
)
