"""Short physical performance battery."""

from amvel.case import Case
from amvel.case.results.balance_and_strength import PhysicalBattery
from amvel.languages import said, term
from amvel.literature import GURALNIK_1994
from amvel.numbers import Numbers
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, RealChange, ScreenTest
from amvel.sources import practice

SOURCE = GURALNIK_1994.says("with the cuts for 4 m of Guralnik et al. 2000")
# Upper edges of the classes: points 4, 3, 2, 1 (walk over 4 m; five stands).
WALK_S = (4.82, 6.20, 8.70)
STANDS_S = (11.19, 13.69, 16.69, 60.0)


def balance_points(r: PhysicalBattery) -> int:
    """Side by side 10 s = 1, half-step 10 s = +1, tandem 3–9.99 s = +1, 10 s = +2."""
    if r.side_by_side_s < 10:
        return 0
    if r.semi_tandem_s < 10:
        return 1
    return 2 + (2 if r.tandem_s >= 10 else 1 if r.tandem_s >= 3 else 0)


def walk_points(seconds: float | None) -> int:
    """Below 4.82 s = 4, to 6.20 = 3, to 8.70 = 2, slower = 1, not possible = 0."""
    if seconds is None:
        return 0
    return 4 if seconds < WALK_S[0] else 3 if seconds <= WALK_S[1] else 2 if seconds <= WALK_S[2] else 1


def stand_points(seconds: float | None) -> int:
    """To 11.19 s = 4, to 13.69 = 3, to 16.69 = 2, to 60 = 1, arms used or unable = 0."""
    if seconds is None:
        return 0
    return next((4 - i for i, edge in enumerate(STANDS_S) if seconds <= edge), 0)


def score(r: PhysicalBattery) -> int:
    """0–12."""
    return balance_points(r) + walk_points(r.walk_4m_s) + stand_points(r.five_stands_s)


def read(result: PhysicalBattery, case: Case, n: Numbers) -> Reading:
    """Sum of balance, walk and stands, 0–12; 9 or fewer is watched (our reading)."""
    total = score(result)
    return Reading(
        said("{total} of 12 (balance {what1}, walk {what2}, stands {what3})", total=term(total), what1=term(balance_points(result)), what2=term(walk_points(result.walk_4m_s)), what3=term(stand_points(result.five_stands_s))),
        "watch" if total <= 9 else "ok",
        SOURCE,
    )


TEST = ScreenTest(
    "physical_battery",
    "balance, walk and stands in one score",
    (
        "Feet together, half-step, heel to toe: 10 s each.",
        "Walk 4 m at usual pace, twice.",
        "Five stands, arms crossed.",
    ),
    "Someone beside; chair against the wall.",
    90,
    read,
    SOURCE,
    "standing",
    (
        Outcome(
            "10 or more",
            0.5,
            {"side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 10, "walk_4m_s": 4.2, "five_stands_s": 11},
        ),
        Outcome(
            "fewer",
            0.5,
            {"side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 4, "walk_4m_s": 6.5, "five_stands_s": 17},
        ),
    ),
    unlocks="the pace of the plan",
    timer="stopwatch",
    avoid=no_standing,
    on_own_feet=True,
    instead="Its parts, one at a time.",
    ages=(60, 110),
    change=RealChange(1.5, 0.87, said("points"), practice("spread and agreement in older adults", reading=True)),
)
