"""Visits that were logged elsewhere and come as a table: added to those that are here, which no table changes."""

from collections.abc import Iterable

from accounts.models import User
from amvel.case import CaseError
from amvel.case.visits import Visit
from amvel.formats.tables import table_of_visits
from amvel.languages import said
from clients.models import Client
from visits.log import keep_visit, sum_up

Fault = tuple[str, str]


def add_visits(client: Client, user: User, visits: Iterable[Visit]) -> tuple[int, list[Fault]]:
    """How many were added, and what was not with the reason; one that is here already, and says the same, is neither."""
    here = {v.key: v.data for v in client.visits.order_by("version")}  # the newest version of each
    added = 0
    left: list[Fault] = []
    try:
        for visit in visits:
            if visit.id not in here:
                faults = _kept(client, user, visit)
                left += faults
                added += not faults
            elif _as_row(Visit.model_validate(here[visit.id])) != _as_row(visit):
                left.append((visit.id, said("this visit is here already, and says something else: what was logged is not changed by a table")))
    finally:  # what came is counted, whatever became of the rest
        if added:
            sum_up(client)
    return added, left


def _kept(client: Client, user: User, visit: Visit) -> list[Fault]:
    """What is wrong with a visit that was not kept."""
    try:
        keep_visit(client, user, visit.model_dump(mode="json"))
    except CaseError as error:
        return [(f"{visit.id}, {path.removeprefix('$.visit.')}", why) for path, why in error.faults]
    return []


def _as_row(visit: Visit) -> str:
    """What a table can say of it: a table says less than was logged."""
    return table_of_visits([visit])


__all__ = ["add_visits"]
