"""Wall to the back of the head."""

from amvel.case import Case
from amvel.case.results.bone import WallToOcciput
from amvel.languages import said
from amvel.literature import GREEN
from amvel.numbers import Numbers
from amvel.screening.bone_status import BONE
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest

SOURCE = GREEN.says("more than 0 cm suggests a thoracic vertebral fracture")


def is_far(result: WallToOcciput, n: Numbers) -> bool:
    return result.cm > n["wall_to_occiput_cm"]


def read(result: WallToOcciput, case: Case, n: Numbers) -> Reading:
    """Anything above zero asks the question."""
    if is_far(result, n):
        return Reading(
            said("{cm} cm: a vertebral fracture is possible; refer before loaded trunk work", cm=float(result.cm)),
            "refer",
            SOURCE,
        )
    return Reading(said("touches the wall"), "ok", SOURCE)


TEST = ScreenTest(
    "wall_to_occiput",
    "whether the head still reaches the wall",
    (
        "Heels and buttocks to the wall, chin level.",
        "Measure wall to the back of the head.",
    ),
    "Hand support near.",
    365,
    read,
    SOURCE,
    "standing",
    (
        Outcome("touches", 0.75, {"cm": 0}),
        Outcome("a gap", 0.25, {"cm": 3}),
    ),
    unlocks="loaded trunk work",
    avoid=no_standing,
    instead="Lying flat: how high a pad does the head need?",
    standard=BONE,
)
