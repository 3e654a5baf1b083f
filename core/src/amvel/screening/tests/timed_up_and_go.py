"""Timed up and go."""

from amvel.case import Case
from amvel.case.results.balance_and_strength import TimedUpAndGo
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, RealChange, ScreenTest
from amvel.sources import Source

CUT_S = 12.0
SOURCE = Source("CDC STEADI, Timed Up & Go: 12 s or more is at risk")


def read(result: TimedUpAndGo, case: Case) -> Reading:
    """12 s or more is a sign of fall risk."""
    if result.seconds >= CUT_S:
        return Reading(f"{result.seconds:g} s: at or above {CUT_S:g} s, a sign of fall risk", "watch", SOURCE)
    return Reading(f"{result.seconds:g} s: below {CUT_S:g} s", "ok", SOURCE)


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
    instead="Transfers are watched instead; fall risk counts as present.",
    unlocks="standing at home without a firm hand",
    change=RealChange(
        2.1, 0.95, "s", Source("spread and agreement in older adults, several studies", reading=True)
    ),
)
