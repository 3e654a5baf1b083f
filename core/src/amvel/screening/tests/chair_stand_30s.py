"""30-second chair stand."""

from datetime import date

from amvel.case import Case, age_years
from amvel.case.results.balance_and_strength import ChairStand
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.literature import STEADI
from amvel.numbers import Number, Numbers
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest

SOURCE = STEADI.says("30-second chair stand, below-average scores")
_BANDS = (60, 65, 70, 75, 80, 85, 90)  # lowest age of each band
_WOMEN, _MEN = (12, 11, 10, 10, 9, 8, 4), (14, 12, 12, 11, 10, 8, 7)
OLDEST = 94
SINCE = date(2026, 1, 1)
NUMBERS = tuple(
    Number(f"{sex}_{low}", count, "stands", said("{who} from {low}: fewer is below average", who=term(who), low=term(low)), SOURCE, SINCE)
    for sex, who, counts in (("female", "women", _WOMEN), ("male", "men", _MEN))
    for low, count in zip(_BANDS, counts, strict=True)
)


def cut(age: int, sex: str, n: Numbers) -> float | None:
    """The count below which the result is below average; None outside 60–94 years."""
    if not 60 <= age <= OLDEST:
        return None
    band = max(low for low in _BANDS if low <= age)
    return n[f"{sex}_{band}"]


def read(result: ChairStand, case: Case, n: Numbers) -> Reading:
    """Arms used counts as zero."""
    limit = cut(age_years(case.person.birth_date, case.as_of), case.person.sex, n)
    if limit is None:
        return Reading(said("no interpretation outside 60–94 years"), "none", SOURCE)
    count = 0 if result.arms_used else result.count
    if count < limit:
        return Reading(said("{count} stands: below average for the age (fewer than {limit})", count=term(count), limit=float(limit)), "watch", SOURCE)
    return Reading(said("{count} stands: average or better (at least {limit})", count=term(count), limit=float(limit)), "ok", SOURCE)


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
    on_own_feet=True,
    instead="Five stands with the hands, counted as 0.",
    unlocks="standing at home without a firm hand",
    ages=(60, OLDEST),
    numbers=NUMBERS,
    check_by=Profession.OLDER_PEOPLE,
)
