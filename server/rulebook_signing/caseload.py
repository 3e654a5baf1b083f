"""What other figures of the rule-book would do to every client of a house: shared out among the workers, each client once."""

from datetime import date
from typing import Any

import structlog
from django.db.models import Count

from accounts.models import Organisation, User
from amvel.body import BodyError
from amvel.case import CaseError
from amvel.movements import MODEL_VERSION
from amvel.planning.changed_numbers import touched
from amvel.safety import RULEBOOK_VERSION
from clients.engines import end_of, engine_of, today
from clients.models import CaseRevision
from jobs.asking import Question, digest_of
from jobs.in_parts import worked_out_in_parts
from jobs.models import Work
from jobs.of_a_house import Args, Told
from jobs.solved_bodies import shared
from rulebook_signing.in_force import Values, local_values
from visits.models import LoggedVisit

log = structlog.get_logger(__name__)
TOGETHER = 25  # clients of one part: seconds of work, so that nobody who waits for something else waits long
Found = dict[str, Any]


def found_for(organisation: Organisation, values: Values, user: User | None = None) -> Found:
    """What these figures would do to each client, by ids; raises NotYet while workers are at it."""
    day = today()
    newest = newest_revisions(organisation)
    visits = dict(LoggedVisit.objects.filter(client__organisation=organisation).values_list("client").annotate(n=Count("pk")))
    stands = [(revision, client, visits.get(client, 0)) for client, revision in newest]
    held = sorted(local_values(organisation.pk, end_of(day)).items())
    args = {"lines": [{"rule": rule, "number": number, "value": value} for (rule, number), value in sorted(values.items())]}
    given = (RULEBOOK_VERSION, MODEL_VERSION, day, held, args)

    def parts() -> list[Question]:
        return [_part(stands[i : i + TOGETHER]) for i in range(0, len(stands), TOGETHER)]

    def _part(clients: list[tuple[Any, Any, int]]) -> Question:
        asked = {**args, "revisions": [str(revision) for revision, _, _ in clients]}
        return Question(Work.DRY_RUN_PART, organisation, digest_of("part", *given, clients), day, args=asked)

    return worked_out_in_parts(Question(Work.DRY_RUN, organisation, digest_of(*given, stands), day, args=args), parts, user)


def newest_revisions(organisation: Organisation) -> list[tuple[Any, Any]]:
    """Client and newest revision by their keys, in one order whoever asks."""
    rows = CaseRevision.objects.filter(client__organisation=organisation)
    return list(rows.order_by("client", "-number").distinct("client").values_list("client", "pk"))


def work_out_part(organisation_id: Any, day: date, args: Args, told: Told) -> Found:
    """What it does to these clients; one that cannot be judged is named, the others go on."""
    values = {(x["rule"], x["number"]): x["value"] for x in args["lines"]}
    revisions = CaseRevision.objects.filter(pk__in=args["revisions"], client__organisation_id=organisation_id)
    clients, unreadable, untouched = [], [], 0
    for i, revision in enumerate(revisions.select_related("client").order_by("client")):
        told(i / len(args["revisions"]))
        try:
            engine = engine_of(revision, day)
            with shared(engine.profiler):
                found = touched(engine, values)
        except (CaseError, BodyError) as error:
            log.warning("cannot be judged", client=str(revision.client_id), kind=type(error).__name__)
            unreadable.append(str(revision.client_id))
            continue
        if found is None:
            untouched += 1
        else:
            clients.append({"id": str(revision.client_id), **found})
    return {"clients": clients, "untouched": untouched, "unreadable": unreadable}


def put_together(parts: list[Found]) -> Found:
    return {
        "clients": [c for p in parts for c in p["clients"]],
        "untouched": sum(p["untouched"] for p in parts),
        "unreadable": [c for p in parts for c in p["unreadable"]],
    }


__all__ = ["Found", "found_for", "newest_revisions", "put_together", "work_out_part"]
