"""Leg not to be loaded fully."""

from datetime import date, timedelta

from amvel.case.conditions.joints import WeightBearing
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import CLINICIAN, Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

PROTOCOL = practice("weight-bearing status as ordered; the clinician’s word prevails", reading=True)
SINCE = date(2020, 1, 1)
REVIEW_AFTER = timedelta(weeks=6)  # common practice, no source


def answer(f: Findings, n: Numbers) -> Answer:
    """What the leg may carry, until a clinician clears it."""
    page = Page("weight_bearing", PROTOCOL)
    for i, c in enumerate(f.all(WeightBearing)):
        if c.status == "as_tolerated":
            page.care(
                f"tolerated_{i}",
                f"{c.side}.leg_support_percent_bw",
                n["touch_percent_bw"],
                said("the {side} leg carries what it tolerates", side=term(c.side)),
                "hand support; stop at pain",
                waits_for=CLINICIAN,
                event_on=c.since,
            )
            continue
        percent = (
            0.0
            if c.status == "none"
            else n["touch_percent_bw"]
            if c.status == "touch"
            else float(c.percent if c.percent is not None else n["partial_percent_bw"])
        )
        page.limit(
            f"carries_{i}",
            f"{c.side}.leg_carries_percent_bw",
            percent,
            said("the {side} leg may carry {percent} % of body weight, in every position; it may rest", side=term(c.side), percent=float(percent)),
            waits_for=CLINICIAN,
            event_on=c.since,
            review_on=c.since + REVIEW_AFTER,
        )
    return page.done()


RULE = Rule(
    "weight_bearing",
    "Leg not to be loaded fully",
    "What the leg may carry, until a clinician clears it.",
    (PROTOCOL,),
    SINCE,
    answer,
    (
        Number("touch_percent_bw", 10, "% of body weight", "touch only", PROTOCOL, SINCE),
        Number(
            "partial_percent_bw", 25, "% of body weight", "partial, when no number was given", PROTOCOL, SINCE
        ),
    ),
    (
        Example(
            "nothing",
            {
                "conditions": [
                    {"kind": "weight_bearing", "side": "left", "status": "none", "since": "2026-11-01"}
                ]
            },
            {"weight_bearing.carries_0": 0.0},
        ),
        Example(
            "30 %",
            {
                "conditions": [
                    {
                        "kind": "weight_bearing",
                        "side": "left",
                        "status": "partial",
                        "percent": 30,
                        "since": "2026-11-01",
                    }
                ]
            },
            {"weight_bearing.carries_0": 30.0},
        ),
        Example(
            "cleared",
            {
                "conditions": [
                    {"kind": "weight_bearing", "side": "left", "status": "partial", "since": "2026-11-01"}
                ],
                "clinician_words": [
                    {
                        "kind": "clears",
                        "clears": "weight_bearing",
                        "name": "Dr. Wend",
                        "role": "surgeon", "profession": "surgeon",
                        "on": "2026-11-20",
                    }
                ],
            },
            {"weight_bearing.carries_0": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.ORTHOPAEDICS,
)
