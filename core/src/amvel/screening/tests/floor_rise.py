"""Getting down to the floor and up again."""

from amvel.case import Case, FloorRise
from amvel.screening.declaration import Field, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE


def read(result: FloorRise, case: Case) -> Reading:
    """Alone or with furniture opens the floor."""
    words = {
        "alone": "gets up alone",
        "with_furniture": "gets up with furniture",
        "with_help": "needs help: no floor plan for home",
        "unable": "cannot get up: no floor plan",
    }
    return Reading(
        words[result.result], "ok" if result.result in ("alone", "with_furniture") else "watch", COMMON_PRACTICE
    )


TEST = ScreenTest(
    "floor_rise",
    "Floor rise",
    "getting down to the floor and up again",
    (
        "A sturdy chair beside a mat.",
        "Down through side lying; up by rolling to the side and pushing with the arms.",
        "One try, unhurried.",
    ),
    "Two people when in doubt; left out after a fresh vertebral fracture.",
    (
        Field(
            "result",
            "Result",
            "",
            "choice",
            choices=(
                ("alone", "Alone"),
                ("with_furniture", "With furniture"),
                ("with_help", "With help"),
                ("unable", "Unable"),
            ),
        ),
    ),
    90,
    read,
    COMMON_PRACTICE,
    benign={"result": "with_furniture"},
    adverse={"result": "unable"},
)
