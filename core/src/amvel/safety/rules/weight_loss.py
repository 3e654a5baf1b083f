"""Weight that goes without a reason."""

from datetime import date

from amvel.case.conditions.general import WeightLoss
from amvel.checked import Profession
from amvel.literature import RED_FLAGS
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings

FLAGS = RED_FLAGS.as_read
SINCE = date(2020, 7, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Referred; effort stays low until the reason is known."""
    page = Page("weight_loss", FLAGS)
    if f.one(WeightLoss):
        page.limit("effort", "effort_0_to_10", n["effort"], "losing weight without a known reason: little effort until it is known")
        page.refer("reason", "weight that goes without a reason: to the physician")
    return page.done()


RULE = Rule(
    "weight_loss",
    "Losing weight without a reason",
    "Referred; effort stays low until the reason is known.",
    (FLAGS,),
    SINCE,
    answer,
    (Number("effort", 5, "0–10", "effort until the reason is known", FLAGS, SINCE),),
    (
        Example("losing weight", {"conditions": [{"kind": "weight_loss"}]}, {"weight_loss.effort": 5.0}, refers=("weight_loss.reason",)),
        Example("not", {"conditions": []}, {"weight_loss.effort": None}),
    ),
    duties=(
        Duty("reason", "always"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.GENERAL_PRACTICE,
)
