"""Knee extension with the hip at 90°."""

from datetime import date

from amvel.case import Case
from amvel.case.results.ranges import KneeExtensionAt90
from amvel.languages import said
from amvel.literature import NORKIN_WHITE
from amvel.numbers import Number, Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER

SOURCE = NORKIN_WHITE.says("up to 20° missing is common", reading=True)
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("missing_deg", 20, "deg", "more missing than this is short", SOURCE, SINCE),
)


def read(result: KneeExtensionAt90, case: Case, n: Numbers) -> Reading:
    """More than 20° missing: short hamstrings tuck the pelvis in sitting."""
    short = result.deg > n["missing_deg"]
    return Reading(
        said("{deg}° missing", deg=float(result.deg)) + (said(": short") if short else ""), "watch" if short else "ok", SOURCE
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
    numbers=NUMBERS,
)
