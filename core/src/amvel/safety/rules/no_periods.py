"""Periods that have stayed away."""

from datetime import date

from amvel.case.conditions.general import NoPeriods
from amvel.checked import Profession
from amvel.literature import MOUNTJOY
from amvel.numbers import Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings

ENERGY = MOUNTJOY.says("low energy and absent periods weaken bone", reading=True)
SINCE = date(2018, 5, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Referred; no bounce until bone is known (bone itself counts with caution: see low bone mass)."""
    page = Page("no_periods", ENERGY)
    if f.one(NoPeriods):
        page.limit("jolt", "jolt", 0, "bone may be weak where periods have stayed away: no bounce until it is known")
        page.refer("bone", "no periods for three months: ask for the reason, food and bone")
    return page.done()


RULE = Rule(
    "no_periods",
    "No periods for three months",
    "Referred; bone counts with caution and nothing bounces until it is known.",
    (ENERGY,),
    SINCE,
    answer,
    (),
    (
        Example("no periods", {"conditions": [{"kind": "no_periods"}]}, {"no_periods.jolt": 0.0}, refers=("no_periods.bone",)),
        Example("none", {"conditions": []}, {"no_periods.jolt": None}),
    ),
    duties=(
        Duty("bone", "always: the reason, food and bone"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.BONE,
)
