"""Deep abdominal contraction under the fingertips."""

from amvel.case import Case
from amvel.case.results.quiet_core import DeepContraction
from amvel.languages import said, term
from amvel.numbers import Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE

SOURCE = COMMON_PRACTICE


def read(result: DeepContraction, case: Case, n: Numbers) -> Reading:
    """Firm while talking is the aim; a bulge means that the deep layer did not start."""
    good = result.result in ("firm", "firm_while_talking")
    text = term(result.result) + (said(", cue: {what}", what=term(result.cue)) if result.cue else "")
    return Reading(text, "ok" if good else "watch", SOURCE)


TEST = ScreenTest(
    "deep_contraction",
    "whether the deep layer firms up",
    (
        "Fingertips 2.5 cm in and down from the hip bones.",
        "Breathe out and draw the two hip bones together.",
        "Try the cues in order; note the one that works.",
    ),
    "Gentle; no breath hold.",
    90,
    read,
    SOURCE,
    "lying",
    (
        Outcome("firm", 0.6, {"result": "firm"}),
        Outcome("bulge", 0.4, {"result": "bulge"}),
    ),
    unlocks="everything that loads the deep set",
)
