"""A direction that was tested and hurts: only what provokes is limited, and only for a time."""

from datetime import date, timedelta

from amvel.case.conditions.spine import ProvokedPain
from amvel.checked import Profession
from amvel.languages import said
from amvel.numbers import Number, Numbers
from amvel.safety.graded_return import progress
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

REVIEW_AFTER = timedelta(weeks=3)
# Direction: quantity, sided, and the first bound when nobody noted where pain begins.
DIRECTIONS = {
    "bending_forward": ("trunk_flexion_deg", False, 10.0),
    "arching": ("trunk_extension_deg", False, 3.0),
    "turning": ("trunk_rotation_deg", True, 5.0),
    "side_bend": ("trunk_side_bend_deg", True, 5.0),
    "leg_long": ("neural_line_deg", True, 40.0),
}
GRADES = 4


def answer(f: Findings, n: Numbers) -> Answer:
    """Short of where pain begins; each passed review adds a grade."""
    page = Page("provoked_pain", COMMON_PRACTICE)
    for i, c in enumerate(f.all(ProvokedPain)):
        way = progress(f.case, "provoked_pain", c.side, c.noted_on or c.since, REVIEW_AFTER)
        if way.grade >= GRADES:
            continue
        quantity, sided, unknown = DIRECTIONS[c.direction]
        start = unknown if c.begins_at_deg is None else max(0.0, c.begins_at_deg - n["short_of_pain_deg"])
        bound = start + way.grade * n["grade_deg"]
        words = c.direction.replace("_", " ")
        due = said(" Review is due.") if way.overdue else ""
        name = f"{c.side}.{quantity}" if sided and c.side else quantity
        why = said("{words} hurts", words=said(words)) + ("" if c.begins_at_deg is None else said(" from {begins_at_deg}°", begins_at_deg=float(c.begins_at_deg))) + due
        page.limit(
            f"{c.direction}_{i}",
            name,
            bound,
            why,
            review_on=way.review_on,
            grade=way.grade,
            grades=GRADES,
            next_grade=said("{grade_deg}° more, after a passed review", grade_deg=float(n['grade_deg']))
            if way.grade + 1 < GRADES
            else "no limit, after a passed review",
        )
    return page.done()


SINCE = date(2026, 1, 1)
_TURN = {
    "kind": "provoked_pain",
    "direction": "turning",
    "side": "left",
    "since": "2026-10-20",
    "noted_on": "2026-11-10",
}
RULE = Rule(
    "provoked_pain",
    "A direction that hurts",
    "10° short of where pain begins, in that direction only; opens with passed reviews.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number("short_of_pain_deg", 10.0, "deg", "short of where pain begins", COMMON_PRACTICE, SINCE),
        Number("grade_deg", 10.0, "deg", "opened by each passed review", COMMON_PRACTICE, SINCE),
    ),
    (
        Example(
            "turning left hurts from 25°",
            {"conditions": [{**_TURN, "begins_at_deg": 25}]},
            {"provoked_pain.turning_0": 15.0},
        ),
        Example("not noted where", {"conditions": [_TURN]}, {"provoked_pain.turning_0": 5.0}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.PHYSIOTHERAPY,
)
