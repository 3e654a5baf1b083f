"""Breastbone opened."""

from datetime import date

from amvel.case.conditions.heart_and_lungs import Sternotomy
from amvel.checked import Profession
from amvel.languages import said
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

STERNUM = practice("sternal precautions 8–12 weeks; local protocols prevail", reading=True)
SINCE = date(2020, 1, 1)
TIGHTER = date(2026, 11, 24)


def answer(f: Findings, n: Numbers) -> Answer:
    """8–12 weeks: both arms low, no push or pull."""
    page = Page("sternotomy", STERNUM)
    for i, c in enumerate(f.all(Sternotomy)):
        for name, quantity, bound, why, place in (
            ("raise", "shoulder_elevation_deg", n["raise_deg"], said("both arms low while the breastbone heals"), Place.ANYWHERE),
            ("push", "arm_carries_percent_bw", n["push_percent_bw"], said("no pushing while the breastbone heals"), Place.ANYWHERE),
            ("band", "uses_band", 0, said("no pulling while the breastbone heals"), Place.ANYWHERE),
            # One may roll over a side on the way out of bed; one does not stay there.
            ("side_left", "left.lying_on", 0, said("not on the side while the breastbone heals"), Place.EXERCISES),
            ("side_right", "right.lying_on", 0, said("not on the side while the breastbone heals"), Place.EXERCISES),
        ):
            page.for_weeks(f"{name}_{i}", quantity, bound, why, c.on, n["weeks"], f.case.as_of, when=place)
    return page.done()


RULE = Rule(
    "sternotomy",
    "Breastbone opened",
    "8–12 weeks: both arms low, no push or pull.",
    (STERNUM,),
    SINCE,
    answer,
    (
        Number("raise_deg", 90, "deg", "arm raise", STERNUM, SINCE),
        Number("push_percent_bw", 5, "% of body weight", "what one arm carries", STERNUM, SINCE),
        # A resting hand weighs about so much; leaning on the wall, however little, is a push.
        Number("push_percent_bw", 2, "% of body weight", "what one arm carries", STERNUM, TIGHTER),
        Number("weeks", 12, "weeks", "how long", STERNUM, SINCE),
    ),
    (
        Example(
            "12 weeks to the day",
            {"conditions": [{"kind": "sternotomy", "on": "2026-09-01"}]},
            {"sternotomy.push_0": 2.0},
        ),
        Example(
            "a year ago",
            {"conditions": [{"kind": "sternotomy", "on": "2025-09-01"}]},
            {"sternotomy.push_0": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.SURGEON,
)
