"""An earlier day of a client, and what has changed between two days."""

from datetime import date

from django.http import Http404, HttpRequest
from ninja import Schema

from accounts.roles import Action
from amvel.answers.limits import LimitData, limit_data
from amvel.planning.effects import MovedLimit, compare_limits
from api.access import Needs, client_of
from api.problems import UNDER_WAY
from api.spoken import Router
from clients.as_it_stood import Standing, allowed_on, movements_of, stood, titled
from clients.engines import today

router = Router(tags=["past"])


class DayData(Schema):
    """A client as it stood at the end of a day, with who had entered the last change, when and why."""

    day: date
    revision: int
    entered_at: str
    by: str
    reason: str
    stop_signs: list[str]
    limits: list[LimitData]
    programme: int | None
    movements: list[str]


class Between(Schema):
    """Two days of a client, and the difference in words."""

    first: DayData
    second: DayData
    limits: list[MovedLimit]
    opened: list[str]
    closed: list[str]
    came: list[str]
    went: list[str]


@router.get("/clients/{client_id}/between/{first}/{second}", response={200: Between, **UNDER_WAY}, auth=Needs(Action.SEE_CLIENTS))
def between(request: HttpRequest, client_id: str, first: date, second: date):
    """What stood on each of two days, and what opened, closed, came and went between them."""
    client = client_of(request, client_id, "earlier days opened")
    if not first <= second <= today():
        raise Http404
    one, two = stood(client, first), stood(client, second)
    before, after = allowed_on(one, request.user), allowed_on(two, request.user)
    there, now = movements_of(one.programme), movements_of(two.programme)
    return {
        "first": _day(one),
        "second": _day(two),
        "limits": compare_limits(one.engine, two.engine),
        "opened": titled({ref for ref, _ in after - before}),
        "closed": titled({ref for ref, _ in before - after}),
        "came": titled(now - there),
        "went": titled(there - now),
    }


def _day(standing: Standing) -> dict[str, object]:
    entry, programme = standing.revision, standing.programme
    return {
        "day": standing.day,
        "revision": entry.number,
        "entered_at": entry.created_at.isoformat(timespec="minutes"),
        "by": entry.author.called if entry.author else "",
        "reason": entry.reason,
        "stop_signs": [s.title for s in standing.engine.stop_signs if not s.missing],
        "limits": [limit_data(x) for x in standing.engine.envelope.limits],
        "programme": programme.number if programme else None,
        "movements": titled(movements_of(programme)),
    }
