"""A broken or plated arm that has not healed."""

from datetime import date

from amvel.case.conditions.bone import Fracture
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import CLINICIAN, Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

PROTOCOL = practice("weight-bearing status as ordered; the clinician’s word prevails", reading=True)
SINCE = date(2020, 1, 1)
_SITES = ("humerus", "forearm", "wrist", "hand")


def answer(f: Findings, n: Numbers) -> Answer:
    """Nothing through it and nothing pulls on it until it is cleared; it may rest.  Side not known means both."""
    page = Page("broken_arm", PROTOCOL)
    for i, c in enumerate(f.all(Fracture)):
        if c.site not in _SITES or c.healed:
            continue
        more = {"waits_for": CLINICIAN, "event_on": c.on}
        sides = (c.side,) if c.side else ("left", "right")
        page.both_sides(sides, f"carries_{i}", "arm_carries_percent_bw", 0, "a broken arm carries nothing until it is cleared; it may rest", **more)
        page.both_sides(sides, f"pull_{i}", "hand_pull_n", n["pull_n"], "nothing pulls on a broken arm until it is cleared", **more)
        if c.site == "humerus":
            page.both_sides(sides, f"raise_{i}", "shoulder_elevation_deg", n["raise_deg"], "a broken upper arm is not raised high", **more)
    return page.done()


_ARM = {"kind": "fracture", "site": "humerus", "on": "2026-11-01", "from_standing_height_or_less": False, "side": "left"}
RULE = Rule(
    "broken_arm",
    "Broken arm that has not healed",
    "No weight through it and no pull on it until a clinician clears it; it may rest.",
    (PROTOCOL,),
    SINCE,
    answer,
    (
        Number("pull_n", 2, "N", "what may pull on that hand", PROTOCOL, SINCE),
        Number("raise_deg", 60, "deg", "raise of a broken upper arm", PROTOCOL, SINCE),
    ),
    (
        Example("upper arm", {"conditions": [{**_ARM, "healed": False}]}, {"broken_arm.carries_0_left": 0.0, "broken_arm.raise_0_left": 60.0}),
        Example("healed", {"conditions": [_ARM]}, {"broken_arm.carries_0_left": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.ORTHOPAEDICS,
)
