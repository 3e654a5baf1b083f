"""Keeping visits: each once, in whatever order they arrive, and never lost."""

from datetime import datetime
from typing import Any

from django.db import IntegrityError, transaction

from accounts.models import User
from amvel.admission import visit_faults
from amvel.case import CaseError, read_case
from amvel.case.visits import Visit
from clients.casework import audit
from clients.engines import case_data, engine_of
from clients.models import Client
from clients.summary import summary_of
from visits.models import LoggedVisit


def log_visit(client: Client, user: User | None, data: dict[str, Any]) -> tuple[LoggedVisit, bool]:
    """The visit as it is kept, and whether it is new; raises CaseError naming the field.

    The same visit sent again is recognised by its id.  One that says more than before is kept as another version.
    """
    visit = _read(client, data)
    plain = visit.model_dump(mode="json")
    for _ in range(_TRIES):
        newest = client.visits.filter(key=visit.id).order_by("-version").first()
        if newest is not None and newest.data == plain:
            return newest, False
        try:
            with transaction.atomic():
                kept = LoggedVisit.objects.create(
                    client=client, key=visit.id, version=newest.version + 1 if newest else 1, on=visit.on, data=plain, author=user
                )
                audit(user, client, "visit logged", f"{visit.on} {visit.context}, by {visit.by}")
        except IntegrityError:  # the same one has come by another way at this very moment
            continue
        summed = summary_of(engine_of(client.latest()), client.programmes.exists())
        Client.objects.filter(pk=client.pk).update(**summed)
        return kept, True
    raise CaseError([("$.id", "this visit is being sent from two places at once: send it again")])


_TRIES = 5


def _read(client: Client, data: dict[str, Any]) -> Visit:
    """The visit as the case would read it, with every fault under its own path."""
    before = {**case_data(client.latest()), "visits": []}
    try:
        case = read_case({**before, "visits": [data]})
    except CaseError as error:
        raise CaseError([(path.replace("$.visits[0]", "$.visit").replace("$.visits.0", "$.visit"), why) for path, why in error.faults]) from error
    [visit] = case.visits
    faults = list(visit_faults("$.visit", visit))
    if faults:
        raise CaseError(faults)
    return visit


def newest_before(client: Client, at: datetime | None = None) -> list[LoggedVisit]:
    """The newest version of every visit, in the order of days."""
    rows = client.visits.all() if at is None else client.visits.filter(created_at__lt=at)
    return sorted(rows.order_by("key", "-version").distinct("key"), key=lambda v: (v.on, v.key))


__all__ = ["log_visit", "newest_before"]
