"""Programmes: build, swap, open, print."""

from typing import Literal

from django.http import Http404, HttpRequest
from ninja import Schema, Status
from pydantic import Field

from accounts.roles import Action
from amvel import answers
from amvel.answers.programmes import ProgrammeData, WeekData
from amvel.languages import said
from amvel.planning import edit
from amvel.planning.whatif import CHANGES
from api.access import Needs, client_of
from api.problems import UNDER_WAY
from api.spoken import Router
from clients.models import Client
from config.problem import problem
from papers.schedule import week_of
from programmes import building
from programmes.models import Programme

router = Router(tags=["programmes"])


class Build(Schema):
    """`revision` and `number` are what is on screen: when either has moved meanwhile nothing is built."""

    context: str = Field(default="home", pattern="^(visit|home)$")
    minutes: int | None = Field(default=None, ge=5, le=90)
    locked: list[str] = []
    barred: list[str] = []
    revision: int | None = None
    number: int | None = None


class ViolationData(Schema):
    """What of a stored programme is no longer allowed today."""

    ref: str
    side: str
    why: str


class ProgrammeView(Schema):
    client: str
    id: str
    number: int
    context: str
    made_by: str
    case_digest: str
    rulebook_version: str
    answer: ProgrammeData
    violations: list[ViolationData]
    can_undo: bool
    can_redo: bool


def _opened(client: Client, programme: Programme) -> ProgrammeView:
    """A programme as whoever works on it sees it; what they may ask of it next is got ready."""
    building.what_if_ahead(client, programme)
    return _view(client, programme)


def _view(client: Client, programme: Programme) -> ProgrammeView:
    return ProgrammeView.model_construct(
        client=str(client.pk),
        id=str(programme.pk),
        number=programme.number,
        context=programme.context,
        made_by=programme.made_by,
        case_digest=programme.case_digest,
        rulebook_version=programme.rulebook_version,
        answer=programme.answer,
        violations=[ViolationData(**v) for v in building.violations_of(client, programme)],
        can_undo=programme.before is not None,
        can_redo=programme.undone is not None,
    )


@router.post("/clients/{client_id}/programmes", response={201: ProgrammeView, **UNDER_WAY}, auth=Needs(Action.BUILD))
def build(request: HttpRequest, client_id: str, body: Build):
    """Solve a programme; refused while a stop sign stands."""
    client = client_of(request, client_id)
    on = building.On(body.revision, body.number)
    programme = building.build(client, request.user, body.context, body.minutes, tuple(body.locked), tuple(body.barred), on)
    return Status(201, _opened(client, programme))


@router.get("/clients/{client_id}/programmes/latest", response=ProgrammeView, auth=Needs(Action.SEE_CLIENTS))
def latest(request: HttpRequest, client_id: str, to_change: bool = False):
    """The newest programme, checked against today's limits; refused while a stop sign stands.

    `to_change` is said by whoever opens it to work on it: what they may ask of it next is got ready.
    """
    client = client_of(request, client_id, "programme opened")
    _, programme = building.opened_programme(client)
    return (_opened if to_change else _view)(client, programme)


class SwapData(Schema):
    """What may stand in for a movement, and how well."""

    ref: str
    title: str
    score: float
    why: str


class Swaps(Schema):
    swaps: list[SwapData]


@router.get(
    "/clients/{client_id}/programmes/latest/swaps/{family_id}/{step_id}", response={200: Swaps, **UNDER_WAY},
    auth=Needs(Action.BUILD),
)
def swap_choices(request: HttpRequest, client_id: str, family_id: str, step_id: str):
    """What may stand in for one movement, best first."""
    client = client_of(request, client_id)
    return {"swaps": building.swap_choices(client, request.user, f"{family_id}/{step_id}")}


class Edit(Schema):
    """A change of the programme on top of version `base`.

    `order` names every movement in its new order; `swap` needs `ref` and `into`; `dose` needs `ref` and the numbers;
    `remove` and `add` need `ref`; `sessions` puts `ref` into the sessions named in `refs`; `lock` names in `refs` what has
    to stay when it is built again.
    """

    base: int = Field(ge=1)
    kind: Literal["order", "swap", "dose", "remove", "add", "sessions", "lock"]
    ref: str = ""
    into: str = ""
    refs: list[str] = []
    repetitions: int = Field(default=0, ge=0, le=30)
    sets: int = Field(default=0, ge=0, le=6)
    hold_s: float = Field(default=0, ge=0, le=120)


def _change(body: Edit) -> building.Edit:
    if body.kind == "order":
        return lambda items, chosen: edit.reordered(items, body.refs)
    if body.kind == "swap":
        return lambda items, chosen: edit.exchanged(items, body.ref, body.into, chosen)
    if body.kind == "dose":
        return lambda items, chosen: edit.dosed(items, body.ref, body.repetitions, body.sets, body.hold_s)
    if body.kind == "remove":
        return lambda items, chosen: edit.removed(items, body.ref)
    if body.kind == "sessions":
        return lambda items, chosen: edit.placed(items, body.ref, body.refs)
    if body.kind == "add":
        return lambda items, chosen: edit.added(items, body.ref, chosen)
    return lambda items, chosen: list(items)


@router.post("/clients/{client_id}/programmes/latest/edit", response={201: ProgrammeView, **UNDER_WAY}, auth=Needs(Action.BUILD))
def change(request: HttpRequest, client_id: str, body: Edit):
    """One hand edit, judged at once by the same code; refused with the reason, and then nothing is stored."""
    client = client_of(request, client_id)
    locked = body.refs if body.kind == "lock" else None
    made = building.edit(
        client, request.user, body.base, _change(body), f"{body.kind} {body.ref} {body.into}".strip(), locked
    )
    return Status(201, _opened(client, made))


class Base(Schema):
    base: int = Field(ge=1)


@router.post("/clients/{client_id}/programmes/latest/undo", response={201: ProgrammeView}, auth=Needs(Action.BUILD))
def undo(request: HttpRequest, client_id: str, body: Base):
    """Back to what stood before the newest change; 404 when nothing did."""
    client = client_of(request, client_id)
    return Status(201, _opened(client, building.step_back(client, request.user, body.base)))


@router.post("/clients/{client_id}/programmes/latest/redo", response={201: ProgrammeView}, auth=Needs(Action.BUILD))
def redo(request: HttpRequest, client_id: str, body: Base):
    """On to what was undone; 404 when nothing was."""
    client = client_of(request, client_id)
    return Status(201, _opened(client, building.step_on(client, request.user, body.base)))


class Version(Schema):
    """One stored version, and what it has beside the newest one."""

    number: int
    made_by: str
    context: str
    created_at: str
    minutes: float
    movements: list[str]
    only_here: list[str]
    only_now: list[str]


class Versions(Schema):
    versions: list[Version]


@router.get("/clients/{client_id}/programmes", response=Versions, auth=Needs(Action.SEE_CLIENTS))
def versions(request: HttpRequest, client_id: str):
    """Every version, newest first, each compared with the newest."""
    client = client_of(request, client_id)
    found = list(client.programmes.order_by("-number")[:40])
    now = [m["ref"] for m in found[0].answer["movements"]] if found else []
    return {"versions": [_version(p, now) for p in found]}


def _version(p: Programme, now: list[str]) -> Version:
    refs = [m["ref"] for m in p.answer["movements"]]
    return Version(
        number=p.number,
        made_by=p.made_by,
        context=p.context,
        created_at=p.created_at.isoformat(),
        minutes=p.answer["minutes"],
        movements=[building.title_of(r) for r in refs],
        only_here=[building.title_of(r) for r in refs if r not in now],
        only_now=[building.title_of(r) for r in now if r not in refs],
    )


class WhatIfData(Schema):
    """What would come and go with one change of what is wished or there."""

    id: str
    says: str
    comes: list[str]
    goes: list[str]
    worth: int
    minutes: float


class WhatIfs(Schema):
    answers: list[WhatIfData]


@router.get("/clients/{client_id}/programmes/latest/what-if", response={200: WhatIfs, **UNDER_WAY}, auth=Needs(Action.BUILD))
def what_would_change(request: HttpRequest, client_id: str, only: str = ""):
    """What would change with less time, able to kneel, or with a band; nothing is stored."""
    client = client_of(request, client_id)
    if only and only not in CHANGES:
        raise Http404
    read, programme = building.opened_programme(client)
    found = building.what_if(read, programme, request.user, only)
    return {"answers": [{**w, **{k: [building.title_of(r) for r in w[k]] for k in ("comes", "goes")}} for w in found]}


@router.get("/clients/{client_id}/programmes/latest/week", response=WeekData, auth=Needs(Action.SEE_CLIENTS))
def week(request: HttpRequest, client_id: str, days: int | None = None):
    """The week of the newest programme; `days` tries another number of days."""
    client = client_of(request, client_id)
    if days is not None and not 1 <= days <= 7:
        return problem(422, said("The request is refused"), said("days: between 1 and 7"))
    read, programme = building.opened_programme(client)
    return answers.week_data(week_of(read.engine, programme, days))
