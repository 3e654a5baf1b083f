"""What the day shows of a client, kept beside it: written with a revision or a programme, and on the first look of a day."""

from collections.abc import Iterable
from datetime import date
from typing import Any

import structlog

from amvel.case import CaseError
from amvel.engine import Engine
from amvel.languages import said
from amvel.safety import RULEBOOK_VERSION
from clients.models import CaseRevision, Client
from clients.stations import next_action

log = structlog.get_logger(__name__)
SUMMARY = ("name", "birth_date", "conditions", "station", "action", "tone", "summed_up_on", "summed_up_by")


def summary_of(engine: Engine, has_programme: bool) -> dict[str, Any]:
    """The fields of `Client` that follow from its newest case."""
    station, action, tone = next_action(engine, has_programme)
    case = engine.case
    return {
        "name": case.person.name[:200],
        "birth_date": case.person.birth_date,
        "conditions": [said(title) for title in sorted({c.TITLE for c in case.conditions})],
        "station": station,
        "action": action,
        "tone": tone,
        "summed_up_on": case.as_of,
        "summed_up_by": RULEBOOK_VERSION,
    }


def unreadable(today: date) -> dict[str, Any]:
    """A case that cannot be worked out hides nobody: the line says what to do."""
    return {
        "station": "story",
        "action": said("This entry cannot be read: open it and check the last change"),
        "tone": "stop",
        "summed_up_on": today,
        "summed_up_by": RULEBOOK_VERSION,
    }


def is_fresh(client: Client, today: date) -> bool:
    return client.summed_up_on == today and client.summed_up_by == RULEBOOK_VERSION


def freshen(clients: Iterable[Client], today: date, engine_of: Any) -> None:
    """Sum up anew whoever was summed up on another day or under another rule-book; one bad entry stops nobody else's."""
    stale = [c for c in clients if not is_fresh(c, today)]
    newest = {
        r.client_id: r
        for r in CaseRevision.objects.filter(client__in=stale).order_by("client", "-number").distinct("client")
    }
    planned = set(Client.objects.filter(pk__in=[c.pk for c in stale], programmes__isnull=False).values_list("pk", flat=True))
    for client in stale:
        try:
            summary = summary_of(engine_of(newest[client.pk]), client.pk in planned)
        except (CaseError, ValueError, KeyError, ArithmeticError):
            log.exception("cannot be summed up", client=str(client.pk))
            summary = unreadable(today)
        for field, value in summary.items():
            setattr(client, field, value)
    if stale:
        Client.objects.bulk_update(stale, SUMMARY)
