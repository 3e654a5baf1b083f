"""Taking a client's records away for good, where the time of keeping them is over or the law asks for it.

Safe by default: nothing is erased before the records are old enough, unless somebody gives the reason why it must be.  How long
records are kept is a matter of local law, which prevails; the number of years is a setting (`AMVEL_KEEP_YEARS`).
"""

from datetime import datetime, timedelta

from django.conf import settings
from django.db import connection, transaction
from django.db.models import Max
from django.utils import timezone

from clients.models import AuditEntry, Client
from jobs.models import LongAnswer

# Written once and kept from change by the database itself; only the owner of the tables can lift that, for this one deed.
_APPEND_ONLY = ("programmes_programme", "visits_loggedvisit", "clients_caserevision", "clients_auditentry")


class StillKept(Exception):
    """The records are younger than they have to be kept; the message says until when."""


def erase(client: Client, reason: str = "") -> None:
    """Every record of a client, and what was written down of who saw it; one entry without a name says that it was done and why.

    Needs the role that owns the tables.  Raises StillKept, unless a reason is given; django's ProgrammingError for another role.
    """
    until = kept_until(client)
    if not reason and timezone.now() < until:
        raise StillKept(f"the last entry has to be kept until {timezone.localdate(until)}; give a reason if the law asks for less")
    organisation = client.organisation
    with transaction.atomic():
        _guarded("DISABLE")
        cases = [str(pk) for pk in client.revisions.values_list("pk", flat=True)]
        LongAnswer.objects.filter(asked__case__in=cases).delete()
        for rows in (client.programmes, client.visits, client.revisions, client.auditentry_set):
            rows.all()._raw_delete(rows.db)
        client.delete()  # with what hangs on it and may be deleted: links, reminders
        with connection.cursor() as cursor:
            cursor.execute("SET CONSTRAINTS ALL IMMEDIATE")  # nothing points at what has gone; tables with open questions are not altered
        _guarded("ENABLE")
        AuditEntry.objects.create(organisation=organisation, action="client erased", detail=(reason or "kept long enough")[:300])


def kept_until(client: Client) -> datetime:
    """The day until which the records are kept, by their newest entry."""
    newest = [rows.aggregate(at=Max("created_at"))["at"] for rows in (client.revisions, client.visits, client.programmes)]
    years: int = settings.KEEP_YEARS
    return max(at for at in (client.created_at, *newest) if at) + timedelta(days=365.25 * years)


def _guarded(how: str) -> None:
    with connection.cursor() as cursor:
        for table in _APPEND_ONLY:
            cursor.execute(f"ALTER TABLE {table} {how} TRIGGER append_only")


__all__ = ["StillKept", "erase", "kept_until"]
