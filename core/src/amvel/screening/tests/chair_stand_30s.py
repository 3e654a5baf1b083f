"""30-second chair stand."""

from amvel.case import Case, age_years
from amvel.case.results.balance_and_strength import ChairStand
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import Source

SOURCE = Source("CDC STEADI, 30-Second Chair Stand, below-average scores")
# Lowest age of the band: (women, men); fewer than this is below average.
BELOW_AVERAGE = {60: (12, 14), 65: (11, 12), 70: (10, 12), 75: (10, 11), 80: (9, 10), 85: (8, 8), 90: (4, 7)}
OLDEST = 94


def cut(age: int, sex: str) -> int | None:
    """The count below which the result is below average; None outside 60–94 years."""
    if not 60 <= age <= OLDEST:
        return None
    band = max(low for low in BELOW_AVERAGE if low <= age)
    return BELOW_AVERAGE[band][0 if sex == "female" else 1]


def read(result: ChairStand, case: Case) -> Reading:
    """Arms used counts as zero."""
    limit = cut(age_years(case.person.birth_date, case.as_of), case.person.sex)
    if limit is None:
        return Reading("no interpretation outside 60–94 years", "none", SOURCE)
    count = 0 if result.arms_used else result.count
    if count < limit:
        return Reading(f"{count} stands: below average for the age (fewer than {limit})", "watch", SOURCE)
    return Reading(f"{count} stands: average or better (at least {limit})", "ok", SOURCE)


TEST = ScreenTest(
    "chair_stand_30s",
    "strength of the legs",
    (
        "Firm chair without arms, seat 43 cm, against a wall.",
        "Arms crossed on the chest, feet flat.",
        "Count full stands in 30 s; more than half-way up at the end counts.",
        "If the arms are needed, tick it: the count is then 0.",
    ),
    "Chair against the wall; stop at chest pain, dizziness or knee pain.",
    90,
    read,
    SOURCE,
    "standing",
    (
        Outcome("average or better", 0.6, {"count": 15, "arms_used": False}),
        Outcome("below average", 0.4, {"count": 3, "arms_used": False}),
    ),
    timer="counter",
    poses=("sit_to_stand/two_legs",),
    avoid=no_standing,
    instead="Five stands with the hands, counted as 0.",
    unlocks="standing at home without a firm hand",
    ages=(60, OLDEST),
)
