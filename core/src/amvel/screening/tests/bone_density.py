"""Bone density, read from a report."""

from amvel.case import Case
from amvel.case.results.bone import BoneDensity
from amvel.languages import said, to_decimals
from amvel.numbers import Numbers
from amvel.screening.bone_status import WHO, NotReadable, score
from amvel.screening.declaration import Outcome, Reading, ScreenTest


def read(result: BoneDensity, case: Case, n: Numbers) -> Reading:
    """T-score for older adults, Z-score for younger ones."""
    try:
        kind, value = score(result, case)
    except NotReadable as error:
        return Reading(error.args[0], "none", WHO)
    if kind == "Z":
        low = value <= -2.0
        return Reading(
            "Z " + to_decimals(value, 1, signed=True) + ": " + said("below expected for age" if low else "within expected for age"),
            "watch" if low else "ok",
            WHO,
        )
    if value <= -2.5:
        return Reading("T " + to_decimals(value, 1, signed=True) + ": " + said("osteoporosis range"), "watch", WHO)
    return Reading(
        "T " + to_decimals(value, 1, signed=True) + ": " + said("low bone mass" if value < -1.0 else "normal"),
        "watch" if value < -1.0 else "ok",
        WHO,
    )


TEST = ScreenTest(
    "bone_density",
    "how much mineral the bone holds",
    (
        "Take site, T- or Z-score and date from the report.",
        "A density alone needs the make of the device.",
        "Enter every site; the lowest valid one decides.",
    ),
    "A paper test: nothing is asked of the body.",
    730,
    read,
    WHO,
    "paper",
    (
        Outcome("normal", 0.3, {"site": "total_hip", "t_score": -0.5}),
        Outcome("low", 0.45, {"site": "total_hip", "t_score": -1.8}),
        Outcome("osteoporosis", 0.25, {"site": "total_hip", "t_score": -2.8}),
    ),
    unlocks="rounding and turning",
)
