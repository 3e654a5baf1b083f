"""Sitting without a back or arms to hold: closed until it was seen, for those who may not be able to."""

from datetime import date

from amvel.case.conditions.bone import DoesNotWalk
from amvel.case.conditions.nervous_system import WheelchairUser
from amvel.checked import Profession
from amvel.languages import said
from amvel.numbers import Numbers
from amvel.safety.limits import Answer, Origin, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2020, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Told yes is yes, told no is no; not told is no for who does not walk, is hoisted or has a paralysed trunk."""
    page = Page("sitting", COMMON_PRACTICE)
    told = f.case.tolerates.sitting_unsupported
    if told == "no":
        why, origin = said("does not sit without support"), Origin.RULE
    elif told == "unknown" and _doubtful(f):
        why, origin = said("sitting without support has not been seen: ask, and see it with someone near"), Origin.NOT_SHOWN
    else:
        return page.done()
    page.limit("free", "sitting_unsupported", 0, why, when=Place.EXERCISES, origin=origin)
    return page.done()


def _doubtful(f: Findings) -> bool:
    seated = f.one(WheelchairUser) is not None or f.one(DoesNotWalk) is not None
    return seated or f.case.tolerates.bed_transfer == "hoist" or any(c.paralyses_the_trunk() for c in f.case.conditions)


_CORD = {"kind": "spinal_cord_injury", "level": "T4"}
RULE = Rule(
    "sitting",
    "Sitting free that has been seen",
    "Without a back or arms to hold only for who was seen to sit so; whoever walks does.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (),
    (
        Example("whoever walks", {"conditions": []}, {"sitting.free": None}),
        Example("not told, in a wheelchair", {"conditions": [{"kind": "wheelchair_user", "transfers": "alone"}]}, {"sitting.free": 0.0}),
        Example("not told, trunk paralysed", {"conditions": [_CORD]}, {"sitting.free": 0.0}),
        Example("seen", {"conditions": [_CORD], "tolerates": {"sitting_unsupported": "yes"}}, {"sitting.free": None}),
        Example("told no", {"tolerates": {"sitting_unsupported": "no"}}, {"sitting.free": 0.0}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PHYSIOTHERAPY,
)
