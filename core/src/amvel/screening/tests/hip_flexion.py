"""Hip flexion, lying."""

from amvel.case import Case, HipFlexion
from amvel.screening.declaration import Field, Reading, ScreenTest
from amvel.sources import Source

SOURCE = Source("AAOS 1965; Norkin & White: healthy 120°")
SITTING_SHOWS_DEG = 80.0  # who sits on a 45-cm chair has at least this (common practice)


def read(result: HipFlexion, case: Case) -> Reading:
    """Against the healthy value; a result below what sitting shows is doubted."""
    if result.deg < SITTING_SHOWS_DEG:
        return Reading(
            f"{result.deg:g}°: less than sitting on a chair shows (about {SITTING_SHOWS_DEG:g}°); measure again",
            "watch",
            SOURCE,
        )
    return Reading(f"{result.deg:g}° of 120°", "ok" if result.deg >= 110 else "watch", SOURCE)


TEST = ScreenTest(
    "hip_flexion",
    "Hip bend",
    "how far the hip bends before the pelvis tucks",
    (
        "Lie on the back, other leg long.",
        "Bring the knee up, knee bent, until the pelvis begins to tuck under your hand.",
        "Read the angle of the thigh; both sides.",
    ),
    "Not beyond 90° after a hip replacement; stop at groin pain.",
    (Field("deg", "Hip bend", "deg", "number", 30, 150),),
    180,
    read,
    SOURCE,
    per_side=True,
    benign={"deg": 120},
    adverse={"deg": 85},
)
