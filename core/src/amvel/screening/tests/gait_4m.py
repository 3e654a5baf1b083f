"""Walk over 4 m at usual pace."""

from datetime import date

from amvel.case import Case
from amvel.case.results.balance_and_strength import Gait4m
from amvel.languages import said, to_decimals
from amvel.literature import GURALNIK_2000
from amvel.numbers import Number, Numbers
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest

SOURCE = GURALNIK_2000.says("0.8 m/s or slower is watched", reading=True)
LENGTH_M = 4.0
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("slow_m_s", 0.8, "m/s", "this or slower is watched", SOURCE, SINCE),
)


def speed_m_s(result: Gait4m) -> float:
    """Length over time."""
    return LENGTH_M / result.seconds


def is_slow(result: Gait4m, n: Numbers) -> bool:
    return speed_m_s(result) <= n["slow_m_s"]


def read(result: Gait4m, case: Case, n: Numbers) -> Reading:
    """Usual pace; 0.8 m/s or slower is watched."""
    speed, slow = speed_m_s(result), is_slow(result, n)
    return Reading(
        to_decimals(speed, 2) + " m/s" + (said(": slow") if slow else ""),
        "watch" if slow else "ok",
        SOURCE,
    )


TEST = ScreenTest(
    "gait_4m",
    "usual walking speed",
    (
        "8 m free; the middle 4 m are timed.",
        "Usual pace, usual aid.",
        "Two trials, the faster counts.",
    ),
    "Walk beside, a step behind.",
    90,
    read,
    SOURCE,
    "standing",
    (
        Outcome("faster", 0.7, {"seconds": 4.0}),
        Outcome("0.8 m/s or slower", 0.3, {"seconds": 6.0}),
    ),
    unlocks="standing at home without a firm hand",
    timer="stopwatch",
    avoid=no_standing,
    on_own_feet=True,
    instead="Wheelchair: skip it.",
    numbers=NUMBERS,
)
