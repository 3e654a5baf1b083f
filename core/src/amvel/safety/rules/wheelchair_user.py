"""Uses a wheelchair."""

from datetime import date

from amvel.case.conditions.nervous_system import WheelchairUser
from amvel.checked import Profession
from amvel.numbers import Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Brakes and transfers, the seated library first; stature from knee height or span."""
    page = Page("wheelchair_user", COMMON_PRACTICE)
    for i, c in enumerate(f.all(WheelchairUser)):
        page.care(
            f"brakes_{i}",
            "sitting",
            0,
            "the chair rolls",
            "brakes on, foot plates out of the way, firm cushion",
        )
        if c.transfers != "alone" and f.case.tolerates.helper_at_home != "shown_how":
            page.limit(f"floor_{i}", "floor_transfer", 0, "the floor needs people and a plan", at_home=True)
            page.limit(f"standing_{i}", "standing", 0, "standing only with help", when=Place.STANDING,
            at_home=True)
        if f.case.person.arm_span_cm is None and f.case.person.popliteal_height_cm is None:
            page.refer(
            "stature", "stature is better taken from knee height or arm span: measure one of them", which=i)
    return page.done()


RULE = Rule(
    "wheelchair_user",
    "Uses a wheelchair",
    "Brakes and transfers, the seated library first; stature from knee height or span.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (),
    (
        Example(
            "with help",
            {"conditions": [{"kind": "wheelchair_user", "transfers": "with_help"}]},
            {"wheelchair_user.floor_0": 0.0},
        ),
        Example(
            "alone",
            {"conditions": [{"kind": "wheelchair_user", "transfers": "alone"}]},
            {"wheelchair_user.floor_0": None},
        ),
    ),
    duties=(
        Duty("stature", "knee height and arm span are not measured"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.NEUROLOGY,
)
