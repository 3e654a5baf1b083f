"""Stature and mass now."""

from amvel.case import Case
from amvel.case.results.vital import Stature
from amvel.languages import as_entered, said
from amvel.literature import BHOF
from amvel.numbers import Numbers
from amvel.screening.bone_status import BONE
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, RealChange, ScreenTest
from amvel.sources import practice

SOURCE = BHOF.says("stature lost ≥ 4 cm from tallest or ≥ 2 cm since last measured; others use 6 and 2")


def read(result: Stature, case: Case, n: Numbers) -> Reading:
    """Lost against the tallest remembered and the last measured."""
    tallest = case.person.tallest_stature_cm
    lost = 0.0 if tallest is None else max(0.0, tallest - result.stature_cm)
    if lost >= n["from_tallest_cm"]:
        return Reading(
            said("{stature_cm} cm, {lost} cm lost (from {from_tallest_cm}): rule out a vertebral fracture", stature_cm=float(result.stature_cm), lost=round(lost, 1), from_tallest_cm=float(n['from_tallest_cm'])),
            "refer",
            SOURCE,
        )
    return Reading(as_entered(result.stature_cm) + " cm" + (said(", {lost} cm lost", lost=round(lost, 1)) if lost else ""), "ok", SOURCE)


TEST = ScreenTest(
    "stature",
    "stature, to see whether it is lost",
    (
        "Barefoot, heels and back to the wall, eyes level.",
        "Breathe in, read at the highest point of the head.",
        "Three tries, stepping away between; the mean counts.",
    ),
    "Hand support near.",
    365,
    read,
    SOURCE,
    "standing",
    (
        Outcome("nothing lost", 0.8, {"stature_cm": 165}),
        Outcome("lost", 0.2, {"stature_cm": 158}),
    ),
    unlocks="loaded trunk work",
    avoid=no_standing,
    instead="Knee height or half span, and say so.",
    change=RealChange(
        0.7, 0.87, "cm", practice("stadiometer, two tests on different days", reading=True)
    ),
    standard=BONE,
)
