"""Keeping visits: each once, in whatever order they arrive, and never lost."""

from typing import Any

from django.db import IntegrityError, transaction
from django.http import Http404

from accounts.models import User
from amvel.admission import visit_faults
from amvel.case import CaseError, read_case
from amvel.case.visits import Visit, in_order
from amvel.engine import Engine
from amvel.languages import said
from clients.casework import audit
from clients.engines import engine_of, today
from clients.models import Client
from clients.summary import summary_of
from visits.models import LoggedVisit
from visits.next_visit import came


def log_visit(client: Client, user: User | None, data: dict[str, Any]) -> tuple[LoggedVisit, bool]:
    """The visit as it is kept, and whether it is new; raises CaseError naming the field.

    The same visit sent again is recognised by its id.  One that says more than before is kept as another version.
    """
    kept, is_new = keep_visit(client, user, data)
    if is_new:
        sum_up(client)
    return kept, is_new


def keep_visit(client: Client, user: User | None, data: dict[str, Any]) -> tuple[LoggedVisit, bool]:
    """As `log_visit`, for whoever keeps several and calls `sum_up` after the last of them."""
    visit = _read(client, data)
    plain = visit.model_dump(mode="json")
    for _ in range(_TRIES):
        newest = client.visits.filter(key=visit.id).order_by("-version").first()
        if newest is not None and newest.data == plain:
            return newest, False
        if newest is not None and user is None and _more(newest.data, plain) is None:
            raise CaseError([("$.visit.id", said("what was logged is not changed through the private link"))])
        try:
            with transaction.atomic():
                kept = LoggedVisit.objects.create(
                    client=client, key=visit.id, version=newest.version + 1 if newest else 1, on=visit.on, data=plain, author=user
                )
                audit(user, client, "visit logged", f"{visit.on} {visit.context}, by {visit.by}")
        except IntegrityError:  # the same one has come by another way at this very moment
            continue
        if newest is None:  # another version of an old visit says nothing of what was planned since
            came(client, visit)
        return kept, True
    raise CaseError([("$.id", said("this visit is being sent from two places at once: send it again"))])


_TRIES = 5


def sum_up(client: Client) -> None:
    """What Day says of a client, with the visits that came: it reckons the whole client anew."""
    summed = summary_of(engine_of(client.latest()), client.programmes.exists())
    Client.objects.filter(pk=client.pk).update(**summed)


def _more(before: dict[str, Any], after: dict[str, Any]) -> Any:
    """How the day after was, where that alone is new; None for every other difference."""
    same = {k: v for k, v in before.items() if k != "next_day"} == {k: v for k, v in after.items() if k != "next_day"}
    return after["next_day"] if same and before["next_day"] is None else None


def tell_next_day(client: Client, user: User | None, key: str, told: dict[str, Any]) -> tuple[LoggedVisit, bool]:
    """How the day after a visit was, as another version of it; raises Http404 for a visit that is not known, CaseError."""
    newest = client.visits.filter(key=key).order_by("-version").first()
    if newest is None:
        raise Http404
    return log_visit(client, user, {**newest.data, "next_day": told})


def last_of(engine: Engine) -> dict[str, Any] | None:
    """The newest visit of an earlier day, so that the day after can be asked for."""
    visits = [v for v in in_order(engine.case.visits) if v.on < engine.case.as_of]
    return {"id": visits[-1].id, "on": visits[-1].on.isoformat(), "told": visits[-1].next_day is not None} if visits else None


def _read(client: Client, data: dict[str, Any]) -> Visit:
    """The visit as the case would read it, with every fault under its own path."""
    before = {**client.latest().data, "as_of": today().isoformat()}
    try:
        case = read_case({**before, "visits": [data]})
    except CaseError as error:
        raise CaseError([(path.replace("$.visits[0]", "$.visit"), why) for path, why in error.faults]) from error
    [visit] = case.visits
    faults = list(visit_faults("$.visit", visit))
    if faults:
        raise CaseError(faults)
    return visit


__all__ = ["keep_visit", "last_of", "log_visit", "sum_up", "tell_next_day"]
