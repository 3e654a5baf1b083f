"""Cobb angle from a report."""

from datetime import date

from amvel.case import Case
from amvel.case.conditions.spine import Scoliosis
from amvel.case.results.posture_and_curve import CobbReport
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.literature import SOSORT
from amvel.numbers import Number, Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest

SOURCE = SOSORT.says("bands 10, 25, 45° as commonly used; error ± 5°")
ERROR_DEG = 5.0
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("mild_deg", 10, "deg", "a mild curve from here", SOURCE, SINCE),
    Number("moderate_deg", 25, "deg", "a moderate curve from here", SOURCE, SINCE),
    Number("severe_deg", 45, "deg", "a severe curve from here", SOURCE, SINCE),
)


def band(cobb_deg: float, n: Numbers) -> str:
    """The common bands, named as such."""
    edges = ((n["mild_deg"], "none"), (n["moderate_deg"], "mild"), (n["severe_deg"], "moderate"))
    return next((name for edge, name in edges if cobb_deg < edge), "severe")


def read(result: CobbReport, case: Case, n: Numbers) -> Reading:
    """Below 10 none, to 24 mild, to 44 moderate, 45 and over severe."""
    return Reading(
        said("{cobb_deg}° ± 5°, {region}, bulges {convexity}: {what3}", cobb_deg=float(result.cobb_deg), region=term(result.region), convexity=term(result.convexity), what3=term(band(result.cobb_deg, n))),
        "ok" if result.cobb_deg < n["mild_deg"] else "watch",
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
    avoid=lambda case: "" if any(isinstance(c, Scoliosis) for c in case.conditions) else said("no curve is known"),
    numbers=NUMBERS,
    check_by=Profession.ORTHOPAEDICS,
)
