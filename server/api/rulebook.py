"""The rule-book: what it says, and what a changed number would do to the clients of this organisation."""

from typing import Any

from django.http import Http404, HttpRequest
from ninja import Router, Schema
from pydantic import Field

from amvel.planning.effects import dry_run
from amvel.safety import rulebook
from api.problems import PROBLEMS
from clients import apart
from clients.casework import audit, engine_of
from clients.models import CaseRevision, Client

router = Router(tags=["rule-book"])


class Draft(Schema):
    """One number of one rule, changed on trial; nothing is stored."""

    rule: str
    number: str
    value: float = Field(ge=-1000, le=10000)


class Touched(Schema):
    id: str
    name: str
    limits: list[dict[str, Any]]
    opens: list[str]
    closes: list[str]


class DryRun(Schema):
    clients: list[Touched]
    untouched: int


@router.post("/rulebook/dry-run", response={200: DryRun, **PROBLEMS})
def try_number(request: HttpRequest, body: Draft):
    """Which clients a new version would touch, and which steps would open or close for them."""
    rule = rulebook().get(body.rule)
    if rule is None or body.number not in {n.id for n in rule.numbers}:
        raise Http404
    draft = {(body.rule, body.number): body.value}
    audit(request.user, None, "rule-book tried", f"{body.rule}.{body.number} = {body.value:g}")
    touched, untouched = [], 0
    for client, revision in _newest(request.user.organisation_id):
        engine = engine_of(revision)
        found = apart.ask(dry_run, engine, draft)
        if found is None:
            untouched += 1
        else:
            touched.append({"id": str(client.pk), "name": engine.case.person.name, **found})
    return {"clients": touched, "untouched": untouched}


def _newest(organisation_id: Any) -> list[tuple[Client, CaseRevision]]:
    clients = Client.objects.filter(organisation_id=organisation_id).order_by("created_at")
    newest = CaseRevision.objects.filter(client__in=clients).order_by("client", "-number").distinct("client")
    by_client = {r.client_id: r for r in newest}
    return [(c, by_client[c.pk]) for c in clients if c.pk in by_client]
