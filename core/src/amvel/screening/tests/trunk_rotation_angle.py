"""Trunk rotation in forward bend, at three levels."""

from datetime import date

from amvel.case import Case
from amvel.case.results.posture_and_curve import TrunkRotationAngle
from amvel.checked import Profession
from amvel.languages import as_entered, said
from amvel.literature import BUNNELL
from amvel.numbers import Number, Numbers
from amvel.screening.cautions import no_bending_test
from amvel.screening.declaration import Outcome, Reading, RealChange, ScreenTest
from amvel.sources import practice

SOURCE = BUNNELL.says("trunk rotation ≥ 5° watch, ≥ 7° refer")
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("watch_deg", 5, "deg", "trunk rotation that is watched", SOURCE, SINCE),
    Number("refer_deg", 7, "deg", "trunk rotation to refer", SOURCE, SINCE),
)


def read(result: TrunkRotationAngle, case: Case, n: Numbers) -> Reading:
    """The largest level decides."""
    worst = max(result.thoracic_deg, result.thoracolumbar_deg, result.lumbar_deg)
    if worst >= n["refer_deg"]:
        return Reading(said("{worst}°: refer", worst=float(worst)), "refer", SOURCE)
    return Reading(
        as_entered(worst) + "°" + (said(": watch") if worst >= n["watch_deg"] else ""),
        "watch" if worst >= n["watch_deg"] else "ok",
        SOURCE,
    )


TEST = ScreenTest(
    "trunk_rotation_angle",
    "whether one side of the back stands higher",
    (
        "Sit or stand; hands together, roll forward only until the back is level at the level measured.",
        "Inclinometer at the highest point of each level.",
    ),
    "With bone limits: sitting, hinged, arms on the thighs; never to the end.",
    365,
    read,
    SOURCE,
    "standing",
    (
        Outcome("below 5°", 0.7, {"thoracic_deg": 2, "higher_side": "right"}),
        Outcome("5–6°", 0.2, {"thoracic_deg": 5.5, "higher_side": "right"}),
        Outcome("7° or more", 0.1, {"thoracic_deg": 8, "higher_side": "right"}),
    ),
    unlocks="curve limits",
    avoid=no_bending_test,
    instead="Look at shoulder blades and waist in standing; take the report.",
    change=RealChange(2.0, 0.9, "deg", practice("scoliometer, two raters", reading=True)),
    numbers=NUMBERS,
    check_by=Profession.ORTHOPAEDICS,
)
