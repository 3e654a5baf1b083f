"""Pacemaker."""

from datetime import date

from amvel.case.conditions.heart_and_lungs import Pacemaker
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

DEVICE = practice("new pacemaker: arm at most 90° for 4–6 weeks; local protocols prevail", reading=True)
SINCE = date(2020, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """New: that arm at most 90° for 4–6 weeks."""
    page = Page("pacemaker", DEVICE)
    for i, c in enumerate(f.all(Pacemaker)):
        page.for_weeks(
            f"raise_{i}",
            f"{c.side}.shoulder_elevation_deg",
            n["raise_deg"],
            "the leads of a new pacemaker settle",
            c.on,
            n["weeks"],
            f.case.as_of,
        )
        page.for_weeks(
            f"push_{i}",
            f"{c.side}.arm_carries_percent_bw",
            n["push_percent_bw"],
            "no weight through that arm yet",
            c.on,
            n["weeks"],
            f.case.as_of,
        )
    return page.done()


RULE = Rule(
    "pacemaker",
    "Pacemaker",
    "New: that arm at most 90° for 4–6 weeks.",
    (DEVICE,),
    SINCE,
    answer,
    (
        Number("raise_deg", 90, "deg", "arm raise of that side", DEVICE, SINCE),
        Number("push_percent_bw", 10, "% of body weight", "what that arm carries", DEVICE, SINCE),
        Number("weeks", 6, "weeks", "how long", DEVICE, SINCE),
    ),
    (
        Example(
            "three weeks ago",
            {"conditions": [{"kind": "pacemaker", "side": "left", "on": "2026-11-03"}]},
            {"pacemaker.raise_0": 90.0},
        ),
        Example(
            "a year ago",
            {"conditions": [{"kind": "pacemaker", "side": "left", "on": "2025-11-03"}]},
            {"pacemaker.raise_0": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.HEART,
)
