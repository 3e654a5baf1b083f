"""Getting down to the floor and up again: once done safely, or told; after some things not knowing is no."""

from datetime import date

from amvel.case.conditions.joints import HipReplacement
from amvel.case.conditions.spine import SpinalFusion
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Numbers
from amvel.safety.limits import Answer, Origin
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2020, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Not known is no after an operation of hip or spine, and with a drop of pressure on standing."""
    page = Page("floor", COMMON_PRACTICE)
    if f.floor_rise is not None or f.case.tolerates.floor == "yes":
        return page.done()
    if f.one(HipReplacement):
        why = said("a new hip")
    elif f.one(SpinalFusion):
        why = said("a fused spine")
    elif f.pressure_drops:
        why = said("the pressure drops on standing")
    else:
        return page.done()
    page.limit(
        "untested",
        "floor_transfer",
        0,
        said("{why}, and getting up from the floor has not been tested", why=term(why)),
        origin=Origin.NOT_SHOWN,
        opened_by=("floor_rise",),
    )
    return page.done()


_HIP = {"kind": "hip_replacement", "side": "right", "approach": "posterior", "on": "2025-10-10"}
RULE = Rule(
    "floor",
    "Getting down and up that has been done",
    "After an operation of hip or spine, or with a drop of pressure, no floor until the rise was tested or told.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (),
    (
        Example("nothing known against it", {"conditions": []}, {"floor.untested": None}),
        Example("a new hip, not tested", {"conditions": [_HIP]}, {"floor.untested": 0.0}),
        Example("a new hip, gets up alone", {"conditions": [_HIP], "tests": [{"test": "floor_rise", "result": "alone"}]}, {"floor.untested": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.OLDER_PEOPLE,
)
