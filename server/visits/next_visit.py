"""The visit that is planned: a day and an hour of one client, and who else is expected then."""

from datetime import date, datetime, time, timedelta
from typing import Any

from accounts.models import User
from amvel.case import CaseError
from amvel.case.visits import Visit
from amvel.languages import said
from clients.casework import audit
from clients.engines import today
from clients.models import Client

LONGEST_AHEAD = timedelta(days=366)
ONE_VISIT = timedelta(hours=1)


def plan_next(client: Client, user: User, on: date | None, at: time | None) -> None:
    """Keep day and hour, or that none is planned; raises CaseError naming the field."""
    if (on is None) != (at is None):
        raise CaseError([("$.at", said("a day and an hour, or neither"))])
    if on is not None and not today() <= on <= today() + LONGEST_AHEAD:
        raise CaseError([("$.on", said("from today on, within a year"))])
    Client.objects.filter(pk=client.pk).update(visit_on=on, visit_at=at)
    client.visit_on, client.visit_at = on, at
    audit(user, client, "next visit planned", f"{on} {at:%H:%M}" if on and at else "none")


def expected_then(client: Client, on: date, at: time) -> list[str]:
    """Others of the house whose visit overlaps with one of an hour at this time."""
    begins = datetime.combine(on, at)
    near = Client.objects.filter(organisation_id=client.organisation_id, visit_on=on, visit_at__isnull=False).exclude(pk=client.pk)
    return [c.name for c in near.order_by("visit_at") if abs(datetime.combine(on, c.visit_at) - begins) < ONE_VISIT]


def came(client: Client, visit: Visit) -> dict[str, Any]:
    """What a logged visit changes of the plan: the planned one has been, and nothing is planned any more.

    What counts is that somebody of the trade was there: a programme for home is run at the mat as well.
    """
    been = visit.seen and client.visit_on is not None and client.visit_on <= visit.on
    return {"visit_on": None, "visit_at": None} if been else {}
