"""Falls and the fear of them."""

from datetime import date
from typing import Literal

from amvel.case.affected import NOTHING
from amvel.case.condition import Condition
from amvel.case.parts import ask

GROUP = "Falls"


class Fall(Condition):
    """One fall."""

    WATCH = "you have nearly fallen"
    TITLE, GROUP = "Fall in the last year", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"on": "2026-09-01", "injury": True},)
    kind: Literal["fall"]
    on: date = ask("When")
    injury: bool = ask("With injury", default=False)


class FearOfFalling(Condition):
    """Confidence in standing and walking."""

    WATCH = "you do not dare to go on: do the one before it instead"
    TITLE, GROUP = "Fear of falling", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"confidence_0_to_10": 3},)
    kind: Literal["fear_of_falling"]
    confidence_0_to_10: int = ask("Confidence in standing", "0–10", ge=0, le=10)
