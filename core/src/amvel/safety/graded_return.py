"""Graded return of temporary limits: one grade per passed review, one back per failed one, never by the calendar alone."""

from dataclasses import dataclass
from datetime import date, timedelta

from amvel.case import Case, Review

APART = timedelta(days=7)  # reviews closer together count once (our choice)


@dataclass(frozen=True)
class Progress:
    """How far a graded return has come: grades passed, when the next review is due, and the reviews that counted."""

    grade: int
    review_on: date
    overdue: bool
    counted: tuple[Review, ...]


def progress(case: Case, rule: str, side: str | None, since: date, every: timedelta) -> Progress:
    """Walk through the reviews of a rule (and side) since it began. A failed review steps back one grade."""
    mine = sorted(
        (r for r in case.reviews if r.rule == rule and r.side in (None, side) and since <= r.on <= case.as_of),
        key=lambda r: (r.on, r.passed),
    )
    grade, last, counted = 0, None, []
    for r in mine:
        if last is not None and r.on - last < APART and r.passed:
            continue
        grade = grade + 1 if r.passed else max(0, grade - 1)
        last = r.on
        counted.append(r)
    due = (last or since) + every
    return Progress(grade, due, case.as_of >= due, tuple(counted))
