"""Straight-leg raise with response."""

from datetime import date

from amvel.case import Case
from amvel.case.results.ranges import StraightLegRaise
from amvel.languages import said
from amvel.literature import AAOS
from amvel.numbers import Number, Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.screening.ranges import GONIOMETER
from amvel.sources import ours

SOURCE = AAOS.says("healthy 70–80°")
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("short_deg", 65, "deg", "below this short", ours("5° below the healthy range"), SINCE),
)


def read(result: StraightLegRaise, case: Case, n: Numbers) -> Reading:
    """Leg pain below 70° is a nerve response until shown otherwise (our reading)."""
    if result.response == "leg_pain":
        return Reading(said("{deg}°: leg pain, the nerve line is limited to 10° less", deg=float(result.deg)), "watch", SOURCE)
    return Reading(said("{deg}° of 70–80°", deg=float(result.deg)), "ok" if result.deg >= n["short_deg"] else "watch", SOURCE)


TEST = ScreenTest(
    "straight_leg_raise",
    "length of the back of the thigh, and the nerve's answer",
    (
        "Lie on the back, knee straight, ankle relaxed.",
        "Raise the leg until it stops or pain begins.",
        "Ask what is felt: nothing, a stretch, or pain down the leg.",
    ),
    "Stop at the first leg pain; leave it out in acute sciatica.",
    180,
    read,
    SOURCE,
    "lying",
    (
        Outcome("free", 0.45, {"deg": 75, "response": "stretch"}),
        Outcome("short", 0.45, {"deg": 50, "response": "stretch"}),
        Outcome("leg pain", 0.1, {"deg": 45, "response": "leg_pain"}),
    ),
    instead="Knee extension at 90°, stopping at the first pain.",
    unlocks="long legs, hinges",
    change=GONIOMETER,
    numbers=NUMBERS,
)
