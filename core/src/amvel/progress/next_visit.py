"""When the next visit would suit: a week from this one and at the hour that suits, sooner after a flare, on no day away."""

from dataclasses import dataclass
from datetime import date, time, timedelta

from amvel.case import Case
from amvel.case.visits import Visit, in_order
from amvel.languages import Message, said
from amvel.numbers import Numbers
from amvel.planning.week import hours
from amvel.screening.progress_standard import PROGRESS


@dataclass(frozen=True)
class SuggestedVisit:
    """A day and an hour, and why just that day."""

    on: date
    at: time
    why: Message


def suggested_visits(case: Case) -> tuple[SuggestedVisit, ...]:
    """The day that suits best, then the others that come into question; counted from the day of the case."""
    n = PROGRESS.in_force(case)
    at = hours(case)[0]
    out: dict[date, SuggestedVisit] = {}
    for days, why in _intervals(case, n):
        on = case.as_of + timedelta(days=days)
        here = _not_away(case, on)
        reason = why if here == on else said("{why}, after the days away", why=why)
        out.setdefault(here, SuggestedVisit(here, at, reason))
    return tuple(out.values())


def _intervals(case: Case, n: Numbers) -> list[tuple[int, Message]]:
    """Days from now, the best first, each with its reason."""
    usual = (round(n["visit_every_days"]), said("a week from now, as usual"))
    soon = (round(n["visit_after_flare_days"]), said("soon: the last session flared or hurt"))
    seldom = (round(n["visit_when_steady_days"]), said("in two weeks: the last sessions were clean and at ease"))
    recent = [v for v in in_order(case.visits) if (case.as_of - v.on).days <= n["looks_back_days"]]
    if recent and _went_badly(recent[-1]):
        return [soon, usual]
    steady = round(n["steady_sessions"])
    if len(recent) >= steady and all(_went_well(v) for v in recent[-steady:]):
        return [seldom, usual]
    return [usual, (seldom[0], said("in two weeks"))]


def _went_badly(visit: Visit) -> bool:
    return visit.flared or any(m.stopped_by_symptom for m in visit.movements)


def _went_well(visit: Visit) -> bool:
    done = [m for m in visit.movements if m.sets]
    return bool(done) and not _went_badly(visit) and all(m.clean_throughout() for m in done)


def _not_away(case: Case, on: date) -> date:
    """That day, or the first one after it on which the person is here."""
    while any(a.first <= on <= a.last for a in case.wishes.away):
        on += timedelta(days=1)
    return on


__all__ = ["SuggestedVisit", "suggested_visits"]
