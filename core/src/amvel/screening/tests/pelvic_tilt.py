"""Pelvic tilt range and painful direction."""

from amvel.case import Case
from amvel.case.results.quiet_core import PelvicTilt
from amvel.languages import said, term
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE

SOURCE = COMMON_PRACTICE


def read(result: PelvicTilt, case: Case, n: Numbers) -> Reading:
    """The painful direction is left out; the middle is found between the others."""
    text = said("tuck {tuck_deg}°, arch {arch_deg}°", tuck_deg=float(result.tuck_deg), arch_deg=float(result.arch_deg)) + (
        "" if result.painful == "none" else said("; painful: {painful}", painful=term(result.painful))
    )
    return Reading(text, "ok" if result.painful == "none" else "watch", SOURCE)


TEST = ScreenTest(
    "pelvic_tilt",
    "range and ease of tucking and arching the pelvis",
    (
        "Crook lying, hands on hip bones and pubic bone.",
        "Rock slowly, abdominals do it; ask for pain in either direction.",
    ),
    "Small first.",
    90,
    read,
    SOURCE,
    "lying",
    (
        Outcome("painless", 0.7, {"tuck_deg": 15, "arch_deg": 12}),
        Outcome("arch hurts", 0.15, {"tuck_deg": 15, "arch_deg": 5, "painful": "arch"}),
        Outcome("tuck hurts", 0.15, {"tuck_deg": 5, "arch_deg": 12, "painful": "tuck"}),
    ),
    unlocks="the middle position",
)
