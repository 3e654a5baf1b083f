"""Walk over 4 m at usual pace."""

from amvel.case import Case
from amvel.case.results.balance_and_strength import Gait4m
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import Source

SOURCE = Source("Guralnik et al. 2000; 0.8 m/s or slower is watched", reading=True)
SLOW_M_S, LENGTH_M = 0.8, 4.0


def speed_m_s(result: Gait4m) -> float:
    """Length over time."""
    return LENGTH_M / result.seconds


def read(result: Gait4m, case: Case) -> Reading:
    """Usual pace; 0.8 m/s or slower is watched."""
    speed = speed_m_s(result)
    return Reading(
        f"{speed:.2f} m/s" + (": slow" if speed <= SLOW_M_S else ""),
        "watch" if speed <= SLOW_M_S else "ok",
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
    instead="Wheelchair: skip it.",
)
