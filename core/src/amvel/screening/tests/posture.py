"""How the person stands and walks."""

from amvel.case import Case
from amvel.case.results.posture_and_curve import Posture
from amvel.languages import said, said_together, term
from amvel.numbers import Numbers
from amvel.screening.cautions import no_standing
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE

SOURCE = COMMON_PRACTICE
_TITLES = {
    "hitch": said("hip hitched"),
    "lean": said("leans to the"),
    "turn": said("pelvis forward on the"),
    "leg_turn_out": said("leg turned out,"),
    "shift_standing": said("pelvis shifts to the"),
    "shift_walking": said("pelvis drops on the"),
}


def findings(result: Posture) -> list[tuple[str, str]]:
    """What is not even."""
    found = [
        (words, getattr(result, name)) for name, words in _TITLES.items() if getattr(result, name) != "none"
    ]
    return [*found, *([(said("pelvis tilted"), result.tilt)] if result.tilt != "even" else [])]


def read(result: Posture, case: Case, n: Numbers) -> Reading:
    """Each finding by its side; findings steer set-up and faults to watch, they forbid nothing by themselves."""
    found = [said_together([said(title), term(value)], " ") for title, value in findings(result)]
    return Reading(said_together(found, "; ") if found else said("stands even"), "watch" if found else "ok", SOURCE)


TEST = ScreenTest(
    "posture",
    "hitch, lean, turn, tilt, leg turn-out",
    (
        "Look from behind and from the side, relaxed.",
        "Watch ten steps and standing on each leg.",
        "Note only what is seen twice.",
    ),
    "Worktop near for standing on one leg.",
    180,
    read,
    SOURCE,
    "standing",
    (
        Outcome("even", 0.4, {}),
        Outcome("hitches left", 0.6, {"hitch": "left", "lean": "right"}),
    ),
    unlocks="which side begins, and which faults are watched",
    avoid=no_standing,
    instead="The same sitting on a firm seat.",
)
