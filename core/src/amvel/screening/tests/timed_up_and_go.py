"""Timed up and go."""

from datetime import date

from amvel.case import Case
from amvel.case.results.balance_and_strength import TimedUpAndGo
from amvel.checked import Profession
from amvel.languages import said
from amvel.literature import STEADI
from amvel.numbers import Number, Numbers
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, RealChange, ScreenTest
from amvel.sources import practice

SOURCE = STEADI.says("timed up and go: 12 s or more is at risk")
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("at_risk_s", 12, "s", "from here on a sign of fall risk", SOURCE, SINCE),
)


def at_risk(result: TimedUpAndGo, n: Numbers) -> bool:
    return result.seconds >= n["at_risk_s"]


def read(result: TimedUpAndGo, case: Case, n: Numbers) -> Reading:
    """12 s or more is a sign of fall risk."""
    if at_risk(result, n):
        return Reading(said("{seconds} s: at or above {at_risk_s} s, a sign of fall risk", seconds=float(result.seconds), at_risk_s=float(n['at_risk_s'])), "watch", SOURCE)
    return Reading(said("{seconds} s: below {at_risk_s} s", seconds=float(result.seconds), at_risk_s=float(n['at_risk_s'])), "ok", SOURCE)


TEST = ScreenTest(
    "timed_up_and_go",
    "walking, turning and rising in one",
    (
        "Chair with arms, seat about 45 cm; a mark 3 m ahead.",
        "Usual shoes and walking aid.",
        "On 'go': rise, walk to the mark, turn, come back, sit.",
        "Stop the clock when the back touches the chair; one practice, then two trials.",
    ),
    "A second person walks along when balance is doubtful; stop at dizziness.",
    90,
    read,
    SOURCE,
    "standing",
    (Outcome("below 12 s", 0.6, {"seconds": 9.0}), Outcome("12 s or more", 0.4, {"seconds": 15.0})),
    timer="stopwatch",
    poses=("sit_to_stand/with_hands",),
    avoid=no_standing,
    on_own_feet=True,
    instead="Transfers are watched instead; fall risk counts as present.",
    unlocks="standing at home without a firm hand",
    change=RealChange(
        2.1, 0.95, "s", practice("spread and agreement in older adults", reading=True)
    ),
    numbers=NUMBERS,
    check_by=Profession.OLDER_PEOPLE,
)
