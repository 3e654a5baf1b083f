"""Programmes: build, swap, open, print."""

from typing import Any

from django.db import transaction
from django.http import Http404, HttpRequest, HttpResponse
from ninja import Router, Schema, Status
from pydantic import Field

from api.access import client_of
from api.problems import PROBLEMS
from clients.casework import audit
from clients.models import Client
from programmes import building
from programmes.handout import hand_out_html, hand_out_pdf
from programmes.models import Programme

router = Router(tags=["programmes"])


class Build(Schema):
    context: str = Field(default="home", pattern="^(visit|home)$")
    minutes: int | None = Field(default=None, ge=5, le=90)
    locked: list[str] = []
    barred: list[str] = []


class ProgrammeView(Schema):
    id: str
    number: int
    context: str
    made_by: str
    case_digest: str
    rulebook_version: str
    answer: dict[str, Any]
    violations: list[dict[str, Any]]


def _view(client: Client, programme: Programme) -> dict[str, Any]:
    broken = building.violations_of(client, programme)
    return {
        "id": str(programme.pk),
        "number": programme.number,
        "context": programme.context,
        "made_by": programme.made_by,
        "case_digest": programme.case_digest,
        "rulebook_version": programme.rulebook_version,
        "answer": programme.answer,
        "violations": broken,
    }


@router.post("/clients/{client_id}/programmes", response={201: ProgrammeView, **PROBLEMS})
def build(request: HttpRequest, client_id: str, body: Build):
    """Solve a programme; refused while a stop sign stands."""
    client = client_of(request, client_id)
    with transaction.atomic():
        Client.objects.select_for_update().get(pk=client.pk)
        programme = building.build(
            client, request.user, body.context, body.minutes, tuple(body.locked), tuple(body.barred)
        )
    audit(request.user, client, "programme built", f"number {programme.number}")
    return Status(201, _view(client, programme))


@router.get("/clients/{client_id}/programmes/latest", response={200: ProgrammeView, **PROBLEMS})
def latest(request: HttpRequest, client_id: str):
    """The newest programme, checked against today's limits; refused while a stop sign stands."""
    client = client_of(request, client_id, "programme opened")
    programme = client.programmes.order_by("-number").first()
    if programme is None:
        raise Http404
    building.open_for(client)
    return _view(client, programme)


class Swaps(Schema):
    swaps: list[dict[str, Any]]


@router.get(
    "/clients/{client_id}/programmes/latest/swaps/{family_id}/{step_id}", response={200: Swaps, **PROBLEMS}
)
def swap_choices(request: HttpRequest, client_id: str, family_id: str, step_id: str):
    """What may stand in for one movement, best first."""
    client = client_of(request, client_id)
    return {"swaps": building.swap_choices(client, f"{family_id}/{step_id}")}


class Swap(Schema):
    out: str
    into: str


@router.post("/clients/{client_id}/programmes/latest/swap", response={201: ProgrammeView, **PROBLEMS})
def swap(request: HttpRequest, client_id: str, body: Swap):
    """Exchange one movement by hand; judged by the same code."""
    client = client_of(request, client_id)
    with transaction.atomic():
        Client.objects.select_for_update().get(pk=client.pk)
        programme = building.swap(client, request.user, body.out, body.into)
    audit(request.user, client, "movement swapped", f"{body.out} → {body.into}")
    return Status(201, _view(client, programme))


@router.get("/clients/{client_id}/programmes/latest/hand-out.pdf", response=PROBLEMS)
def pdf(request: HttpRequest, client_id: str):
    """The hand-out as PDF."""
    client = client_of(request, client_id, "hand-out printed")
    response = HttpResponse(hand_out_pdf(client), content_type="application/pdf")
    response["Content-Disposition"] = 'inline; filename="hand-out.pdf"'
    return response


@router.get("/clients/{client_id}/programmes/latest/hand-out", response=PROBLEMS)
def page(request: HttpRequest, client_id: str):
    """The same hand-out as a page."""
    return HttpResponse(
        hand_out_html(client_of(request, client_id, "hand-out shown")), content_type="text/html; charset=utf-8"
    )
