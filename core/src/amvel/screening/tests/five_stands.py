"""Five chair stands."""

from amvel.case import Case
from amvel.case.results.balance_and_strength import FiveStands
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, RealChange, ScreenTest
from amvel.sources import Source

SOURCE = Source("Guralnik et al. 1994; more than 15 s is our caution", reading=True)
SLOW_S = 15.0


def read(result: FiveStands, case: Case) -> Reading:
    """More than 15 s, or arms used, is a caution."""
    if result.seconds is None:
        return Reading("arms used or not possible", "watch", SOURCE)
    slow = result.seconds > SLOW_S
    return Reading(f"{result.seconds:g} s" + (": slow" if slow else ""), "watch" if slow else "ok", SOURCE)


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
    instead="With the hands, and ticked.",
    change=RealChange(3.5, 0.89, "s", Source("spread and agreement in older adults", reading=True)),
)
