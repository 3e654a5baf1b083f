"""Getting down to the floor and up again."""

from amvel.case import Case
from amvel.case.results.balance_and_strength import FloorRise
from amvel.languages import said
from amvel.numbers import Numbers
from amvel.screening.cautions import fresh_vertebral_fracture, no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE


def read(result: FloorRise, case: Case, n: Numbers) -> Reading:
    """Alone or with furniture opens the floor."""
    words = {
        "alone": said("gets up alone"),
        "with_furniture": said("gets up with furniture"),
        "with_help": said("needs help: no floor plan for home"),
        "unable": said("cannot get up: no floor plan"),
    }
    return Reading(
        words[result.result], "ok" if result.result in ("alone", "with_furniture") else "watch", COMMON_PRACTICE
    )


TEST = ScreenTest(
    "floor_rise",
    "getting down to the floor and up again",
    (
        "A sturdy chair beside a mat.",
        "Down through side lying; up by rolling to the side and pushing with the arms.",
        "One try, unhurried.",
    ),
    "Two people when in doubt; left out after a fresh vertebral fracture.",
    90,
    read,
    COMMON_PRACTICE,
    "on the floor",
    (
        Outcome("alone", 0.4, {"result": "alone"}),
        Outcome("with furniture", 0.3, {"result": "with_furniture"}),
        Outcome("with help", 0.15, {"result": "with_help"}),
        Outcome("unable", 0.15, {"result": "unable"}),
    ),
    avoid=lambda case: fresh_vertebral_fracture(case) or no_standing(case),
    instead="The bed version of every position; no floor plan.",
    unlocks="everything on the floor",
)
