"""Timed up and go."""

from amvel.case import Case, TimedUpAndGo
from amvel.screening.declaration import Field, Reading, ScreenTest
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
    "Timed up and go",
    "walking, turning and rising in one",
    (
        "Chair with arms, seat about 45 cm; a mark 3 m ahead.",
        "Usual shoes and walking aid.",
        "On 'go': rise, walk to the mark, turn, come back, sit.",
        "Stop the clock when the back touches the chair.",
    ),
    "A second person walks along when balance is doubtful; stop at dizziness.",
    (Field("seconds", "Time", "s", "number", 3, 180),),
    90,
    read,
    SOURCE,
    timer="stopwatch",
    benign={"seconds": 9.0},
    adverse={"seconds": 15.0},
)
