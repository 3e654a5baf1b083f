"""Five chair stands."""

from datetime import date

from amvel.case import Case
from amvel.case.results.balance_and_strength import FiveStands
from amvel.languages import as_entered, said
from amvel.literature import GURALNIK_1994
from amvel.numbers import Number, Numbers
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, RealChange, ScreenTest
from amvel.sources import practice

SOURCE = GURALNIK_1994.says("more than 15 s is our caution", reading=True)
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("slow_s", 15, "s", "slower is a sign of fall risk", SOURCE, SINCE),
)


def is_slow(seconds: float | None, n: Numbers) -> bool:
    """Not possible counts as slow."""
    return seconds is None or seconds > n["slow_s"]


def read(result: FiveStands, case: Case, n: Numbers) -> Reading:
    """More than 15 s, or arms used, is a caution."""
    if result.seconds is None:
        return Reading(said("arms used or not possible"), "watch", SOURCE)
    slow = is_slow(result.seconds, n)
    return Reading(as_entered(result.seconds) + " s" + (said(": slow") if slow else ""), "watch" if slow else "ok", SOURCE)


TEST = ScreenTest(
    "five_stands",
    "strength and speed of rising",
    (
        "Seat 43–45 cm, against a wall, arms crossed.",
        "Five full stands as fast as is safe.",
    ),
    "Chair against the wall; stop at chest pain or dizziness.",
    90,
    read,
    SOURCE,
    "standing",
    (
        Outcome("15 s or less", 0.65, {"seconds": 12.0}),
        Outcome("slower", 0.35, {"seconds": 18.0}),
    ),
    unlocks="standing at home without a firm hand",
    timer="stopwatch",
    poses=("sit_to_stand/two_legs",),
    avoid=no_standing,
    on_own_feet=True,
    instead="With the hands, and ticked.",
    change=RealChange(3.5, 0.89, "s", practice("spread and agreement in older adults", reading=True)),
    numbers=NUMBERS,
)
