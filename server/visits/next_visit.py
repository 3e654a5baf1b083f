"""The visit that is planned: a day and an hour of one client, and who else is expected then."""

from collections.abc import Sequence
from datetime import date, datetime, time, timedelta

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


def expected_then(client: Client, moments: Sequence[datetime]) -> list[list[str]]:
    """For each of these moments the others of the house whose visit overlaps with one of an hour that begins then."""
    days = {m.date() for m in moments}
    mine = Client.objects.filter(organisation_id=client.organisation_id, visit_on__in=days, visit_at__isnull=False)
    others = [(datetime.combine(c.visit_on, c.visit_at), c.name) for c in mine.exclude(pk=client.pk).order_by("visit_on", "visit_at")]
    return [[name for begins, name in others if abs(begins - m) < ONE_VISIT] for m in moments]


def came(client: Client, visit: Visit) -> None:
    """After a visit was logged: the one that was planned for that day or before has been.

    What counts is that somebody of the trade was there: a programme for home is run at the mat as well.  What is planned is
    read where it is written, since somebody may have planned meanwhile.
    """
    if visit.seen:
        Client.objects.filter(pk=client.pk, visit_on__lte=visit.on).update(visit_on=None, visit_at=None)
