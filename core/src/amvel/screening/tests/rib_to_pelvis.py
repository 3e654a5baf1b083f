"""Rib to pelvis distance."""

from amvel.case import Case
from amvel.case.results.bone import RibToPelvis
from amvel.languages import said
from amvel.literature import GREEN
from amvel.numbers import Numbers
from amvel.screening.bone_status import BONE
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest

SOURCE = GREEN.says("2 finger breadths or fewer suggests a lumbar vertebral fracture")


def is_few(result: RibToPelvis, n: Numbers) -> bool:
    return result.finger_breadths <= n["rib_to_pelvis_breadths"]


def read(result: RibToPelvis, case: Case, n: Numbers) -> Reading:
    """Two finger breadths or fewer asks the question."""
    few = is_few(result, n)
    text = said("{finger_breadths} finger breadths", finger_breadths=float(result.finger_breadths))
    return Reading(
        text + (said(": a vertebral fracture is possible; refer before loaded trunk work") if few else ""),
        "refer" if few else "ok",
        SOURCE,
    )


TEST = ScreenTest(
    "rib_to_pelvis",
    "room between ribs and pelvis",
    (
        "Stand behind the person, arms lifted a little.",
        "Fingers between the lowest rib and the top of the pelvis, at the side.",
    ),
    "Say where you will touch; ask first.",
    365,
    read,
    SOURCE,
    "standing",
    (
        Outcome("three or more", 0.85, {"finger_breadths": 3}),
        Outcome("two or fewer", 0.15, {"finger_breadths": 2}),
    ),
    unlocks="loaded trunk work",
    instead="The same sitting.",
    avoid=no_standing,
    standard=BONE,
)
