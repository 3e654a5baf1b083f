"""Cobb angle from a report."""

from amvel.case import Case
from amvel.case.results.posture_and_curve import CobbReport
from amvel.screening.declaration import Outcome, Reading, ScreenTest, has
from amvel.sources import Source

SOURCE = Source("SOSORT, Negrini et al. 2018; bands 10, 25, 45°: common bands; error ± 5°")
ERROR_DEG = 5.0
BANDS = ((10.0, "none"), (25.0, "mild"), (45.0, "moderate"))


def band(cobb_deg: float) -> str:
    """The common bands, named as such."""
    return next((name for edge, name in BANDS if cobb_deg < edge), "severe")


def read(result: CobbReport, case: Case) -> Reading:
    """Below 10 none, to 24 mild, to 44 moderate, 45 and over severe."""
    return Reading(
        f"{result.cobb_deg:g}° ± 5°, {result.region}, bulges {result.convexity}: {band(result.cobb_deg)}",
        "ok" if result.cobb_deg < 10 else "watch",
        SOURCE,
    )


TEST = ScreenTest(
    "cobb_report",
    "the size of the curve",
    (
        "Take angle, apex and side of the bulge from the report.",
        "Enter each curve by itself.",
    ),
    "A paper test.",
    365,
    read,
    SOURCE,
    "paper",
    (
        Outcome("below 10°", 0.5, {"convexity": "right", "region": "thoracic", "cobb_deg": 6}),
        Outcome("10–24°", 0.3, {"convexity": "right", "region": "thoracic", "cobb_deg": 18}),
        Outcome("25° or more", 0.2, {"convexity": "right", "region": "thoracic", "cobb_deg": 32}),
    ),
    unlocks="side bends and turns under load",
    avoid=lambda case: "" if has(case, "scoliosis") else "no curve is known",
)
