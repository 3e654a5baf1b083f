"""Sacroiliac pain."""

from datetime import date, timedelta

from amvel.case.conditions.back_and_pelvis import SacroiliacPain
from amvel.checked import Profession
from amvel.languages import said
from amvel.numbers import Number, Numbers
from amvel.safety.graded_return import progress
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)
REVIEW_AFTER = timedelta(weeks=4)
GRADES = 4


def answer(f: Findings, n: Numbers) -> Answer:
    """Single-leg load and wide or unequal positions as tolerated, squeeze and push first; temporary."""
    page = Page("sacroiliac_pain", COMMON_PRACTICE)
    for i, c in enumerate(f.all(SacroiliacPain)):
        way = progress(f.case, "sacroiliac_pain", c.side, c.noted_on or c.since, REVIEW_AFTER)
        if way.grade >= GRADES:
            continue
        more = {
            "review_on": way.review_on,
            "grade": way.grade,
            "grades": GRADES,
            "next_grade": said("one grade more load on one leg, after a passed review"),
        }
        due = said(" Review is due.") if way.overdue else ""
        if c.stands_on_one_leg != "yes":
            page.limit(
                f"one_leg_{i}",
                "leg_load_difference_percent_bw",
                n["difference_percent_bw"] * (1 + way.grade),
                said("load on one leg is not tolerated")
                + (said(" (not tested)") if c.stands_on_one_leg == "unknown" else "")
                + due,
                when=Place.EXERCISES,
                **more,
            )
            page.limit(
                f"alone_{i}",
                "legs_lifted",
                0,
                said("no leg carries or lifts alone, in any position, while load on one leg provokes") + due,
                when=Place.EXERCISES,
                **more,
            )
        page.limit(
            f"unequal_{i}",
            "hip_difference_deg",
            n["unequal_deg"] + n["grade_deg"] * way.grade,
            said("legs far apart in height twist the pelvis") + due,
            when=Place.EXERCISES,
            **more,
        )
        page.limit(
            f"spread_{i}",
            "hip_spread_deg",
            n["spread_deg"] + n["grade_deg"] * way.grade,
            said("wide positions open the joint") + due,
            **more,
        )
        page.owe(
            f"first_{i}", "Squeeze and push or the deep set first", ("deep_control",), 5, "an irritable pelvis"
        )
    return page.done()


RULE = Rule(
    "sacroiliac_pain",
    "Sacroiliac pain",
    "Single-leg load and wide or unequal positions as tolerated, squeeze and push first; temporary.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number(
            "difference_percent_bw",
            35,
            "% of body weight",
            "what one leg carries more than the other",
            COMMON_PRACTICE,
            SINCE,
        ),
        Number("unequal_deg", 60, "deg", "difference of the hips", COMMON_PRACTICE, SINCE),
        Number("spread_deg", 40, "deg", "legs apart", COMMON_PRACTICE, SINCE),
        Number("grade_deg", 15, "deg", "opened by each passed review", COMMON_PRACTICE, SINCE),
    ),
    (
        Example(
            "not tested",
            {
                "conditions": [
                    {
                        "kind": "sacroiliac_pain",
                        "side": "right",
                        "since": "2026-11-01",
                        "noted_on": "2026-11-15",
                    }
                ]
            },
            {"sacroiliac_pain.one_leg_0": 35.0, "sacroiliac_pain.unequal_0": 60.0},
        ),
        Example(
            "stands without pain",
            {
                "conditions": [
                    {
                        "kind": "sacroiliac_pain",
                        "side": "right",
                        "since": "2026-11-01",
                        "noted_on": "2026-11-15",
                        "stands_on_one_leg": "yes",
                    }
                ]
            },
            {"sacroiliac_pain.one_leg_0": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PHYSIOTHERAPY,
)
