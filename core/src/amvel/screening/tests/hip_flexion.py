"""Hip flexion, lying."""

from amvel.case import Case
from amvel.case.results.ranges import HipFlexion
from amvel.languages import said
from amvel.literature import AAOS
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER

SOURCE = AAOS.says("healthy 120°")
SITTING_SHOWS_DEG = 80.0  # who sits on a 45-cm chair has at least this (common practice)


def read(result: HipFlexion, case: Case, n: Numbers) -> Reading:
    """Against the healthy value; a result below what sitting shows is doubted."""
    if result.deg < SITTING_SHOWS_DEG:
        return Reading(
            said("{deg}°: less than sitting on a chair shows (about {SITTING_SHOWS_DEG}°); measure again", deg=float(result.deg), SITTING_SHOWS_DEG=float(SITTING_SHOWS_DEG)),
            "watch",
            SOURCE,
        )
    return Reading(said("{deg}° of 120°", deg=float(result.deg)), "ok" if result.deg >= 110 else "watch", SOURCE)


TEST = ScreenTest(
    "hip_flexion",
    "how far the hip bends before the pelvis tucks",
    (
        "Lie on the back, other leg long.",
        "Bring the knee up, knee bent, until the pelvis begins to tuck under your hand.",
        "Read the angle of the thigh; both sides, the larger of three unforced tries.",
    ),
    "Not beyond 90° after a hip replacement; stop at groin pain.",
    180,
    read,
    SOURCE,
    "lying",
    (Outcome("free", 0.6, {"deg": 115}), Outcome("short", 0.4, {"deg": 85})),
    instead="What sitting and stairs show counts.",
    unlocks="low seats, folds and hinges",
    change=GONIOMETER,
)
