"""Visits: the sheet that a session is run from, what was logged, how it goes on."""

from datetime import date, datetime, time
from typing import Annotated, Any, Literal

import segno
from django.http import HttpRequest
from django.utils import timezone
from ninja import Schema, Status
from pydantic import Field

from accounts.roles import Action
from amvel.answers.course import CourseData, course
from amvel.answers.progress import ProposalData
from amvel.answers.run_sheet import RunSheetData
from amvel.case import amended
from amvel.case.local_time import LocalTime
from amvel.case.visits import NextDay, Visit
from amvel.progress.next_visit import suggested_visits
from api.access import Needs, client_of
from api.any_json import JsonObject, OfModel
from api.problems import UNDER_WAY
from api.spoken import Router
from api.subject import Subject, subject_of
from clients.casework import Stale, change
from clients.engines import engine_of
from clients.models import Client
from jobs.models import Work
from programmes import building
from visits.deciding import NotProposed, decided
from visits.links import made_link, open_link_of, revoked
from visits.log import last_of, log_visit, tell_next_day
from visits.next_visit import expected_then, plan_next

router = Router(tags=["visits"])
COPY_HOURS = 72  # a copy on a device that is older has to be renewed before it is run


class LastVisit(Schema):
    """The newest session, so that the day after can be asked for; `told` once it was."""

    id: str
    on: str
    told: bool


class RunSheet(Subject):
    """A session with all that running it needs, until when its copy may be used, and the programme that it is of."""

    name: str
    programme: int
    sessions: list[str]
    last: LastVisit | None
    made_at: str
    copy_hours: int
    sheet: RunSheetData


@router.get("/clients/{client_id}/run-sheet", response={200: RunSheet, **UNDER_WAY}, auth=Needs(Action.LOG))
def sheet(request: HttpRequest, client_id: str, session: str = ""):
    """The newest programme judged again against today's limits, and one of its sessions ready to be run without a network.

    `session` is a letter; without it the one whose turn it is.
    """
    client = client_of(request, client_id, "session opened")
    found = building.sheet_of(client, request.user, session)
    newest = client.latest()
    engine = engine_of(newest)
    return {
        **found,
        **subject_of(client, newest),
        "name": engine.case.person.name,
        "last": last_of(engine),
        "copy_hours": COPY_HOURS,
        "made_at": timezone.now().isoformat(timespec="seconds"),
    }


class NewVisit(Schema):
    """A visit in the core's own format; its id, given by the device, makes it one visit however often it is sent."""

    visit: Annotated[JsonObject, OfModel(Visit)]


class Kept(Schema):
    """That it is kept: under its id, in its version, and whether it is new."""

    id: str
    version: int
    new: bool


@router.post("/clients/{client_id}/visits", response={200: Kept, 201: Kept}, auth=Needs(Action.LOG))
def log(request: HttpRequest, client_id: str, body: NewVisit):
    """Keep what was done; a stop sign or another revision does not keep it out, since it has been done."""
    client = client_of(request, client_id)
    kept, new = log_visit(client, request.user, body.visit)
    return Status(201 if new else 200, {"id": kept.key, "version": kept.version, "new": new})


class DayAfter(Schema):
    """How the day after was, in the core's own format."""

    next_day: Annotated[JsonObject, OfModel(NextDay)]


@router.post("/clients/{client_id}/visits/{key}/next-day", response={200: Kept, 201: Kept}, auth=Needs(Action.LOG))
def next_day(request: HttpRequest, client_id: str, key: str, body: DayAfter):
    """Told later of a visit that was logged."""
    kept, new = tell_next_day(client_of(request, client_id), request.user, key, body.next_day)
    return Status(201 if new else 200, {"id": kept.key, "version": kept.version, "new": new})


class Course(Subject):
    """What the visits show, over time."""

    course: CourseData


@router.get("/clients/{client_id}/course", response=Course, auth=Needs(Action.SEE_CLIENTS))
def how_it_went(request: HttpRequest, client_id: str):
    """Clean repetitions by side, rungs, effort, faults, symptoms, flares, tests with their bands."""
    client = client_of(request, client_id, "course opened")
    newest = client.latest()
    return {**subject_of(client, newest), "course": course(engine_of(newest))}


class Proposals(Subject):
    """What the engine proposes on what was logged."""

    context: str
    proposals: list[ProposalData]


@router.get("/clients/{client_id}/proposals", response={200: Proposals, **UNDER_WAY}, auth=Needs(Action.SEE_CLIENTS))
def proposed(request: HttpRequest, client_id: str):
    """For the context of the newest programme; each with its evidence and what would change it."""
    client = client_of(request, client_id)
    read, programme = building.opened_programme(client)
    found = building.asked(read, request.user, Work.PROGRESS, context=programme.context)
    return {**subject_of(client, client.latest()), "context": programme.context, "proposals": found}


class Decide(Schema):
    """Taken, taken otherwise or not; `number` is the programme on screen."""

    base_revision: int = Field(ge=1)
    number: int = Field(ge=1)
    proposal: str = Field(max_length=200)
    answer: Literal["accepted", "changed", "declined"]
    reason: str = Field(default="", max_length=300)


class Decided(Subject):
    """The client's revision and the programme's number after it."""

    number: int


@router.post("/clients/{client_id}/decisions", response={200: Decided, **UNDER_WAY}, auth=Needs(Action.DECIDE))
def decide(request: HttpRequest, client_id: str, body: Decide):
    """What is accepted changes the programme, judged as every hand edit; the decision is kept with its reason."""
    client = client_of(request, client_id)
    read, programme = building.opened_programme(client)
    found = building.asked(read, request.user, Work.PROGRESS, context=programme.context)
    p = next((x for x in found if x["id"] == body.proposal), None)
    if p is None:
        raise NotProposed(body.proposal)
    newest = client.latest()
    if newest.number != body.base_revision:
        raise Stale(newest)
    entry = {
        "proposal": body.proposal,
        "step": p["step"],
        "on": timezone.localdate().isoformat(),
        "answer": body.answer,
        "reason": body.reason,
        "by": request.user.called,
    }
    sections = {"decisions": [*(newest.data.get("decisions") or []), entry]}
    amended(engine_of(newest).case, sections)  # a decision that is refused changes no programme
    if body.answer == "accepted":
        programme = decided(client, request.user, body.number, p)
    change(request.user, client, body.base_revision, sections, f"{body.answer}: {p['says']}"[:300])
    return {**subject_of(client, client.latest()), "number": programme.number}


class SuggestedVisit(Schema):
    """A day and an hour that would suit, why, and who else is expected then."""

    on: date
    at: str
    why: str
    expected: list[str]


class NextVisit(Schema):
    """The visit that is planned, if one is; `missed` is the day of one that has not been, `expected` are others of the house
    at that hour."""

    on: date | None
    at: str | None
    missed: date | None
    expected: list[str]
    suggested: list[SuggestedVisit]


class PlanVisit(Schema):
    """Day and hour of the next visit; neither where none is planned."""

    on: date | None = None
    at: LocalTime | None = None


@router.get("/clients/{client_id}/next-visit", response=NextVisit, auth=Needs(Action.SEE_CLIENTS))
def next_visit(request: HttpRequest, client_id: str):
    """What is planned, and what would suit."""
    return _planned(client_of(request, client_id))


@router.put("/clients/{client_id}/next-visit", response=NextVisit, auth=Needs(Action.LOG))
def plan_visit(request: HttpRequest, client_id: str, body: PlanVisit):
    """Plan the next visit; whoever else is expected then is named, and hinders nothing."""
    client = client_of(request, client_id)
    plan_next(client, request.user, body.on, body.at)
    return _planned(client)


def _planned(client: Client) -> dict[str, Any]:
    missed = client.visit_on if client.visit_on is not None and client.visit_on < timezone.localdate() else None
    on, at = (None, None) if missed else (client.visit_on, client.visit_at)
    suggested = suggested_visits(engine_of(client.latest()).case)
    own = [datetime.combine(on, at)] if on and at else []
    others = expected_then(client, [*own, *(datetime.combine(s.on, s.at) for s in suggested)])
    return {
        "on": on,
        "at": _hour(at) if at else None,
        "missed": missed,
        "expected": others[0] if own else [],
        "suggested": [
            {"on": s.on, "at": _hour(s.at), "why": s.why, "expected": names}
            for s, names in zip(suggested, others[len(own) :], strict=True)
        ],
    }


def _hour(at: time) -> str:
    return f"{at:%H:%M}"


class Link(Schema):
    """Whether a private link for home is open, and until when."""

    expires_on: date | None


class NewLink(Link):
    """The link itself, shown once; `picture` is its address for a camera, as SVG."""

    path: str
    code: str
    picture: str


@router.get("/clients/{client_id}/home-link", response=Link, auth=Needs(Action.SEE_CLIENTS))
def home_link(request: HttpRequest, client_id: str):
    """The link that is open, without its address: that is known to whoever has it."""
    return {"expires_on": _open_until(client_of(request, client_id))}


@router.post("/clients/{client_id}/home-link", response={201: NewLink}, auth=Needs(Action.PRINT))
def new_home_link(request: HttpRequest, client_id: str):
    """A new private link; an earlier one is taken back."""
    client = client_of(request, client_id, "private link made")
    link, code = made_link(client, request.user)
    path = f"/home/{code}"
    picture = segno.make(request.build_absolute_uri(path), error="m").svg_inline(scale=4, border=2, dark="#1F2A30", light="#ffffff")
    return Status(201, {"expires_on": link.expires_on, "path": path, "code": code, "picture": picture})


@router.delete("/clients/{client_id}/home-link", response=Link, auth=Needs(Action.PRINT))
def take_back(request: HttpRequest, client_id: str):
    """The link opens nothing any more."""
    client = client_of(request, client_id, "private link taken back")
    revoked(client)
    return {"expires_on": None}


def _open_until(client: Client) -> date | None:
    link = open_link_of(client)
    return link.expires_on if link is not None else None
