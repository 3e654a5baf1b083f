"""What daily life shows of hips and shoulders."""

from amvel.case import Case
from amvel.case.results.ranges import ObservedFunction
from amvel.languages import said, said_together, term
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE, practice

SOURCE = COMMON_PRACTICE
SHELF_DEG, STAIRS_DEG = 140.0, 70.0
RISES = practice("hip bend in rising from a chair without arms, about 105° and more in motion studies", reading=True)
RISING_DEG = 105.0  # who rises from the 43-cm chair of the stand tests without the arms bends the hips so far


def hip_shown_deg(seat_cm: float) -> float:
    """Hip bend that level sitting shows: 80° at 45 cm and lower, less on a higher seat (common practice)."""
    return 80.0 if seat_cm <= 45 else max(50.0, 80.0 - 2.0 * (seat_cm - 45))


def read(result: ObservedFunction, case: Case, n: Numbers) -> Reading:
    """Who sits level on a 45-cm seat has at least 80° of hip bend; who reaches a shelf has the shoulder for it."""
    parts = []
    if result.sits_on_cm is not None:
        parts.append(
            said("sits on {sits_on_cm} cm: at least {what1}° of hip bend", sits_on_cm=float(result.sits_on_cm), what1=float(hip_shown_deg(result.sits_on_cm)))
        )
    if result.climbs_stairs:
        parts.append(said("climbs stairs: at least 70° of hip bend"))
    if result.reaches_shelf != "none":
        parts.append(said("reaches a shelf ({reaches_shelf}): at least 140°", reaches_shelf=term(result.reaches_shelf)))
    return Reading(said_together(parts, "; ") if parts else said("nothing was seen"), "ok", SOURCE)


TEST = ScreenTest(
    "observed_function",
    "what sitting, stairs and a shelf show",
    (
        "Watch the person sit down, climb two steps and reach up.",
        "Nothing is asked that is not done every day.",
    ),
    "Only what the person does anyway.",
    365,
    read,
    SOURCE,
    "sitting",
    (
        Outcome("sits and reaches", 0.8, {"sits_on_cm": 44, "climbs_stairs": True, "reaches_shelf": "both"}),
        Outcome("sits only", 0.2, {"sits_on_cm": 48}),
    ),
    unlocks="hip bend and arm raise without a goniometer",
)
