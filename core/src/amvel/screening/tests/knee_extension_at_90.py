"""Knee extension with the hip at 90°."""

from amvel.case import Case
from amvel.case.results.ranges import KneeExtensionAt90
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER
from amvel.sources import Source

SOURCE = Source("AAOS 1965; Norkin & White: up to 20° missing is common", reading=True)
SHORT_DEG = 20.0


def read(result: KneeExtensionAt90, case: Case) -> Reading:
    """More than 20° missing: short hamstrings tuck the pelvis in sitting."""
    short = result.deg > SHORT_DEG
    return Reading(
        f"{result.deg:g}° missing" + (": short" if short else ""), "watch" if short else "ok", SOURCE
    )


TEST = ScreenTest(
    "knee_extension_at_90",
    "length of the back of the thigh without stretching the nerve as far",
    (
        "Lie on the back, hip at 90°, hand behind the thigh.",
        "Straighten the knee until it stops; read what is missing; both sides.",
    ),
    "Stop at leg pain.",
    180,
    read,
    SOURCE,
    "lying",
    (
        Outcome("20° or less", 0.5, {"deg": 15}),
        Outcome("more", 0.5, {"deg": 35}),
    ),
    unlocks="sitting with long legs",
    instead="Seated leg reach, stopping where the pelvis tucks.",
    change=GONIOMETER,
)
