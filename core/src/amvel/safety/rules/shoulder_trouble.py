"""A painful shoulder."""

from datetime import date

from amvel.case.conditions.joints import ShoulderTrouble
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import ours, practice

TOLERATED = practice("tolerated value as found")
CAUTIOUS = ours("cautious value for an untested painful shoulder")
SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Height of the arm, and what hand, forearm and shoulder carry."""
    page = Page("shoulder_trouble", TOLERATED)
    for i, c in enumerate(f.all(ShoulderTrouble)):
        more = {"review_on": page.review(c, n["review_weeks"])}
        high, load = c.tolerated_elevation_deg, c.tolerated_load_percent_bw
        page.limit(
            f"elevation_{c.side}_{i}",
            f"{c.side}.shoulder_elevation_deg",
            n["elevation_deg"] if high is None else high,
            said("the {side} shoulder hurts when the arm goes higher", side=term(c.side)),
            source=CAUTIOUS if high is None else TOLERATED,
            **more,
        )
        for part in ("hand", "forearm", "shoulder"):
            page.limit(
                f"{part}_load_{c.side}_{i}",
                f"{c.side}.{part}_support_percent_bw",
                n["load_percent_bw"] if load is None else load,
                said("the {side} shoulder hurts when it carries", side=term(c.side)),
                source=CAUTIOUS if load is None else TOLERATED,
                **more,
            )
    return page.done()


_SHOULDER = {"kind": "shoulder_trouble", "side": "right"}
RULE = Rule(
    "shoulder_trouble",
    "Painful shoulder",
    "Height of the arm and load through it, by what the shoulder tolerates.",
    (TOLERATED, CAUTIOUS),
    SINCE,
    answer,
    (
        Number("review_weeks", 6, "weeks", "how often it is looked at", CAUTIOUS, SINCE),
        Number("elevation_deg", 90.0, "deg", "arm raise, untested", CAUTIOUS, SINCE),
        Number("load_percent_bw", 15.0, "% of body weight", "load, untested", CAUTIOUS, SINCE),
    ),
    (
        Example(
            "not tested",
            {"conditions": [_SHOULDER]},
            {"shoulder_trouble.elevation_right_0": 90.0, "shoulder_trouble.hand_load_right_0": 15.0},
        ),
        Example(
            "tolerates 100°",
            {"conditions": [{**_SHOULDER, "tolerated_elevation_deg": 100}]},
            {"shoulder_trouble.elevation_right_0": 100.0},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PHYSIOTHERAPY,
)
