"""What tells the client, while it happens, whether it is right: by touch or by a thing, and when it misleads.

Common practice, no source; when each misleads is partly our reading.  Nothing of this is needed: a step is done without
it as well, and no room closes a step for want of it.
"""

from dataclasses import dataclass, replace

from amvel.case import PROPS
from amvel.languages import said


@dataclass(frozen=True)
class Feedback:
    """One of them: what it tells, when that is not so, and the thing of the catalogue that it takes ('' for hands).

    Raises KeyError for a thing that the catalogue does not have.
    """

    tells: str
    misleads: str
    thing: str = ""

    def __post_init__(self) -> None:
        if self.thing:
            PROPS[self.thing]

    def worded(self) -> "Feedback":
        return replace(self, tells=said(self.tells), misleads=said(self.misleads))

    def says(self) -> str:
        """Both in one line."""
        return said("{tells} {misleads}", tells=self.tells, misleads=self.misleads)


FINGERTIPS = Feedback(
    "Under the fingertips: firming is right, bulging is too much.",
    "A wall that is braced hard feels firm as well; it is right only if you can talk.",
)
STRIP_UNDER_THE_BACK = Feedback(
    "A strip under the small of the back, tied to a weight, pulls free the moment the back lifts.",
    "It does not feel turning; watch the hip bones as well.",
    "strap",
)
BELT_ROUND_THE_WAIST = Feedback(
    "The belt grows tighter on every side as you breathe in.",
    "Pushing the belly out tightens it too: sides and back have to fill as well.",
    "belt",
)
ROLL_UNDER_THE_WAIST = Feedback(
    "A towel roll loosely under the waist is neither crushed nor left.",
    "A roll that is too thick carries the waist itself: it has to slide out at a light pull.",
    "towel",
)
BLOCK_ON_THE_PELVIS = Feedback(
    "A block across the back of the pelvis tips or falls when the pelvis does.",
    "A hollow back holds it too, so someone looks.",
    "block",
)
STRIPE_ON_THE_WAISTBAND = Feedback(
    "A stripe across the back of the waistband shows a hip that drops.",
    "A waistband that sits crooked shows it as well: level it first on both feet.",
    "tape",
)

__all__ = [
    "BELT_ROUND_THE_WAIST",
    "BLOCK_ON_THE_PELVIS",
    "FINGERTIPS",
    "ROLL_UNDER_THE_WAIST",
    "STRIPE_ON_THE_WAISTBAND",
    "STRIP_UNDER_THE_BACK",
    "Feedback",
]
