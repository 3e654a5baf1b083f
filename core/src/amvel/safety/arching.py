"""Limits on arching, shared by the rules whose reason it is."""

from datetime import date, timedelta
from typing import Any

from amvel.languages import said, term
from amvel.safety.graded_return import progress
from amvel.safety.page import Page
from amvel.screening import Findings

REVIEW_AFTER = timedelta(weeks=4)
GRADES_DEG = (0.0, 5.0, 10.0, 15.0)  # opened one by one on top of what is tolerated


def limit_arching(page: Page, bound_deg: float, why: str, **more: Any) -> None:
    """Arching stays at or below a bound; relief is a hip bend, not rounding."""
    page.limit("arching", "trunk_extension_deg", bound_deg, why, **more)
    page.care(
        "prone", "face_down", 0, said("lying face down arches the low back ({why})", why=term(why)), "a flat pillow under the belly"
    )
    page.care(
        "legs_long",
        "on_the_back",
        0,
        said("long legs on the back arch it too ({why})", why=term(why)),
        "knees bent or calves raised between sets",
    )


def temporary_arching(page: Page, f: Findings, rule: str, tolerated_deg: float, since: date, why: str) -> None:
    """The same, opening one grade with each passed review."""
    way = progress(f.case, rule, None, since, REVIEW_AFTER)
    if way.grade >= len(GRADES_DEG):
        return
    bound = tolerated_deg + GRADES_DEG[way.grade]
    following = (
        said("arching to {what}°", what=float(tolerated_deg + GRADES_DEG[way.grade + 1]))
        if way.grade + 1 < len(GRADES_DEG)
        else said("no limit")
    )
    due = said(" Review is due.") if way.overdue else ""
    limit_arching(
        page,
        bound,
        why + due,
        review_on=way.review_on,
        next_grade=said("{following}, after a passed review", following=term(following)),
        grade=way.grade,
        grades=len(GRADES_DEG),
    )
