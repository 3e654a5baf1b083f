"""Level of the pelvis in sitting."""

from amvel.case import Case
from amvel.case.results.posture_and_curve import PelvicLevel
from amvel.languages import said, term
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE

SOURCE = COMMON_PRACTICE


def read(result: PelvicLevel, case: Case, n: Numbers) -> Reading:
    """A difference is levelled under the lower sit bone before sitting work."""
    if result.lower_side == "none" or result.difference_cm == 0:
        return Reading(said("level"), "ok", SOURCE)
    return Reading(
        said("{difference_cm} cm lower on the {lower_side}: level it under that sit bone", difference_cm=float(result.difference_cm), lower_side=term(result.lower_side)),
        "watch",
        SOURCE,
    )


TEST = ScreenTest(
    "pelvic_level",
    "whether the pelvis sits level",
    (
        "Firm seat, feet flat.",
        "Thumbs on the tops of the pelvis from behind; slip paper or thin boards under until level.",
    ),
    "Ask before touching.",
    365,
    read,
    SOURCE,
    "sitting",
    (
        Outcome("level", 0.7, {"difference_cm": 0}),
        Outcome("uneven", 0.3, {"difference_cm": 1.0, "lower_side": "left"}),
    ),
    unlocks="sitting work with a curve",
)
