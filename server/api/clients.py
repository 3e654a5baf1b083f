"""Clients: the day, the story, the tests, the limits."""

import csv
import io
from collections.abc import Callable
from datetime import date
from itertools import zip_longest
from typing import Literal

from django.http import Http404, HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Schema, Status
from pydantic import Field

from accounts.roles import Action
from amvel import answers
from amvel.answers.postures import PostureData, postures_data
from amvel.answers.screening import ScreenData
from amvel.case import Case, CaseError, age_years
from amvel.languages import said
from amvel.movements import find
from amvel.movements.range_figure import ViewName, range_figure
from amvel.planning.effects import EffectData, MovedLimit, compare_limits
from amvel.planning.next_test import DueTestData
from amvel.safety.permitted import RangeData, all_ranges, fans
from api.access import Needs, client_of
from api.any_json import Json
from api.problems import UNDER_WAY
from api.spoken import Router, language_of
from api.subject import Subject, subject_of
from clients.by_name import named
from clients.casework import (
    SECTIONS,
    answer_on,
    before_today,
    change,
    create_client,
    refuse_while_stopped,
)
from clients.engines import engine_of
from clients.models import AuditEntry, Client
from clients.said import as_brought_in, as_said_by, confirmed, withdrawn
from clients.stations import StationData, StationId, Tone, station_states
from clients.summary import freshen
from config.problem import problem
from jobs.models import Work

router = Router(tags=["clients"])


class DayLine(Schema):
    """One client of the day and the one thing that comes next."""

    id: str
    name: str
    age_years: int
    visit_on: date | None
    visit_at: str | None
    station: StationId
    action: str
    tone: Tone
    conditions: list[str]


class Day(Schema):
    """One page of clients, the planned visits first; `today` is the house's day, `more` says whether another page follows."""

    today: date
    lines: list[DayLine]
    more: bool


LINES = 50  # on a page


@router.get("/day", response=Day, auth=Needs(Action.SEE_CLIENTS))
def day(request: HttpRequest, find: str = "", page: int = 1):
    """The clients of the organisation in the order of visits, every word of `find` begins one of their names, from what is kept beside them."""
    if not 1 <= page <= MOST_PAGES or len(find) > 100:
        return problem(422, said("The request is refused"), said("page: between 1 and {most_pages}; find: at most 100 letters", most_pages=MOST_PAGES))
    mine = Client.objects.filter(organisation_id=request.user.organisation_id)
    start = (page - 1) * LINES
    found = list(named(mine, find).order_by("visit_on", "visit_at", "created_at", "id")[start : start + LINES + 1])
    now = timezone.localdate()
    freshen(found[:LINES], now, engine_of)
    return {"today": now, "lines": [_line(c, now) for c in found[:LINES]], "more": len(found) > LINES}


MOST_PAGES = 10_000


def _line(client: Client, now: date) -> DayLine:
    return DayLine.model_construct(
        id=str(client.pk),
        name=client.name,
        age_years=age_years(client.birth_date, now) if client.birth_date else 0,
        station=client.station or "story",
        action=client.action,
        tone=client.tone or "due",
        visit_on=client.visit_on,
        visit_at=client.visit_at.strftime("%H:%M") if client.visit_at else None,
        conditions=client.conditions,
    )


class Sections(Schema):
    """The whole of a case, in the core's own format; the core reads it and names every fault by its path."""

    case: Json


class Created(Schema):
    id: str


@router.post("/clients", response={201: Created}, auth=Needs(Action.SCREEN))
def create(request: HttpRequest, body: Sections):
    """A new client; what loosens waits for its confirmation here, like everything that comes from outside."""
    case, left = as_brought_in(request.user, body.case)
    if left:
        raise CaseError(left)
    return Status(201, {"id": str(create_client(request.user, case).pk)})


class ClientView(Schema):
    """The client's case as of today, with what the core says of it."""

    id: str
    revision: int
    digest: str
    case: Case
    screen: ScreenData
    stations: list[StationData]
    ranges: list[RangeData]


def view(client: Client) -> ClientView:
    revision = client.latest()
    engine = engine_of(revision)
    return ClientView.model_construct(
        id=str(client.pk),
        revision=revision.number,
        digest=engine.digest,
        case=engine.case.model_copy(update={"visits": ()}),  # those are the course's
        screen=answers.screen(engine),
        stations=station_states(engine, client.programmes.exists()),
        ranges=all_ranges(engine.findings.capacities, engine.envelope),
    )


@router.get("/clients/{client_id}", response=ClientView, auth=Needs(Action.SEE_CLIENTS))
def show(request: HttpRequest, client_id: str):
    """One client."""
    return view(client_of(request, client_id, "client opened"))


class Change(Schema):
    """Sections to replace, on top of the revision they were read from."""

    base_revision: int = Field(ge=1)
    sections: Json
    reason: str = Field(default="entered", max_length=300)


@router.patch("/clients/{client_id}", response=ClientView, auth=Needs(Action.MAKE_STRICTER))
def edit(request: HttpRequest, client_id: str, body: Change):
    """Replace sections of the case; 409 with both versions when somebody else was faster."""
    client = client_of(request, client_id)
    foreign = sorted(set(body.sections) - set(SECTIONS))
    if foreign:
        return problem(422, said("The request is refused"), faults=[(f"$.sections.{k}", said("is not replaced as a whole")) for k in foreign])
    sections = as_said_by(request.user, client.latest().data, body.sections)
    change(request.user, client, body.base_revision, sections, body.reason)
    return view(client)


class NewTest(Schema):
    base_revision: int = Field(ge=1)
    result: Json


@router.post("/clients/{client_id}/tests", response=ClientView, auth=Needs(Action.TEST))
def add_test(request: HttpRequest, client_id: str, body: NewTest):
    """Add a test result; older results stay."""
    client = client_of(request, client_id)
    newest = client.latest()
    refuse_while_stopped(engine_of(newest), str(body.result.get("test", "")))
    tests = newest.data.get("tests", [])
    change(
        request.user,
        client,
        body.base_revision,
        {"tests": [*tests, body.result]},
        f"test: {body.result.get('test', '?')}",
    )
    return view(client)


class OnRevision(Schema):
    base_revision: int = Field(ge=1)


@router.post("/clients/{client_id}/words/{index}/confirm", response=ClientView, auth=Needs(Action.CONFIRM))
def confirm_word(request: HttpRequest, client_id: str, index: int, body: OnRevision):
    """A second person has looked at the document of what was only reported."""
    return _word(request, client_id, index, body.base_revision, confirmed, "word confirmed")


@router.post("/clients/{client_id}/words/{index}/withdraw", response=ClientView, auth=Needs(Action.MAKE_STRICTER))
def withdraw_word(request: HttpRequest, client_id: str, index: int, body: OnRevision):
    """From today on a word counts no more; it stays in the record."""
    return _word(request, client_id, index, body.base_revision, withdrawn, "word withdrawn")


def _word(request: HttpRequest, client_id: str, index: int, base: int, how: Callable[..., list], says: str) -> ClientView:
    client = client_of(request, client_id)
    words = client.latest().data.get("clinician_words") or []
    if not 0 <= index < len(words):
        raise Http404
    changed = how(request.user, words, index, timezone.localdate().isoformat())
    change(request.user, client, base, {"clinician_words": changed}, f"{says}: {words[index].get('name', '')}")
    return view(client)


class NewOverride(Schema):
    """Open one limit for one step and side until a day, at most 90 days."""

    base_revision: int = Field(ge=1)
    limit_id: str
    step: str
    side: Literal["left", "right", "both"]
    reason: str = Field(min_length=5, max_length=300)
    expires_on: date


@router.post("/clients/{client_id}/overrides", response=ClientView, auth=Needs(Action.OVERRIDE))
def add_override(request: HttpRequest, client_id: str, body: NewOverride):
    """It carries the name and role of who is logged in; 'forbidden' yields only to a clinician."""
    client = client_of(request, client_id)
    newest = client.latest()
    engine = engine_of(newest)
    limit = engine.envelope.by_id.get(body.limit_id)
    find(body.step)
    if limit is None:
        raise Http404
    clinician = request.user.may(Action.LIFT_FORBIDDEN)
    if limit.strength == "forbidden" and not clinician:
        return problem(403, said("Only a clinician opens this"), said("{what} is forbidden: {reason}", what=limit.says(), reason=limit.reason))
    entry = {
        "limit_id": body.limit_id,
        "step": body.step,
        "side": body.side,
        "by": request.user.called,
        "role": "clinician" if clinician else "specialist",
        "reason": body.reason,
        "on": engine.case.as_of.isoformat(),
        "expires_on": body.expires_on.isoformat(),
    }
    overrides = newest.data.get("overrides", [])
    says = f"override: {limit.says()}, {body.step}"
    change(request.user, client, body.base_revision, {"overrides": [*overrides, entry]}, says)
    return view(client)


@router.post("/clients/{client_id}/overrides/{index}/withdraw", response=ClientView, auth=Needs(Action.MAKE_STRICTER))
def withdraw_override(request: HttpRequest, client_id: str, index: int, body: OnRevision):
    """Closed again before its day; it stays in the record."""
    client = client_of(request, client_id)
    overrides = client.latest().data.get("overrides") or []
    if not 0 <= index < len(overrides):
        raise Http404
    gone = {"withdrawn_on": timezone.localdate().isoformat(), "withdrawn_by": request.user.called}
    changed = [{**o, **gone} if i == index else o for i, o in enumerate(overrides)]
    change(request.user, client, body.base_revision, {"overrides": changed}, f"override withdrawn: {overrides[index]['step']}")
    return view(client)


class Pulse(Schema):
    """The least that a second device needs to know."""

    revision: int
    stop_signs: list[str]


@router.get("/clients/{client_id}/pulse", response=Pulse, auth=Needs(Action.SEE_CLIENTS, by_itself=True))
def pulse(request: HttpRequest, client_id: str):
    """Asked every few seconds by an open screen: has somebody changed this client, does a stop sign stand?"""
    revision = client_of(request, client_id).latest()
    return {"revision": revision.number, "stop_signs": [s.id for s in engine_of(revision).stop_signs]}


class Entry(Schema):
    """One change of the case."""

    revision: int
    on: str
    by: str
    reason: str
    limits: list[MovedLimit]


class History(Subject):
    entries: list[Entry]


@router.get("/clients/{client_id}/history", response=History, auth=Needs(Action.SEE_CLIENTS))
def history(request: HttpRequest, client_id: str, most: int = 30):
    """The newest changes, each with the limits that came, went or moved with it."""
    client = client_of(request, client_id, "history opened")
    most = max(1, min(most, 100))
    rows = list(client.revisions.select_related("author").order_by("-number")[: most + 1])
    entries = []
    for row, earlier in zip_longest(rows[:most], rows[1 : most + 1]):
        moved = [] if earlier is None else compare_limits(engine_of(earlier), engine_of(row))
        by = row.author.called if row.author else ""
        entries.append(
            {
                "revision": row.number,
                "on": row.created_at.isoformat(timespec="minutes"),
                "by": by,
                "reason": row.reason,
                "limits": moved,
            }
        )
    return {**subject_of(client, rows[0]), "entries": entries}


class Seen(Schema):
    """One line of who saw or did what."""

    at: str
    by: str
    action: str
    detail: str


class Trail(Schema):
    """The newest first; `before` asks for older ones."""

    entries: list[Seen]
    older: int | None


TRAIL = 100  # lines at once


@router.get("/clients/{client_id}/audit", response=Trail, auth=Needs(Action.SEE_AUDIT))
def trail(request: HttpRequest, client_id: str, skip: int = 0):
    """Who opened, changed, loosened and printed what of this client."""
    client = client_of(request, client_id, "audit trail read")
    skip = max(0, min(skip, 1_000_000))
    found = list(_trail(client)[skip : skip + TRAIL + 1])
    return {"entries": [_seen(e) for e in found[:TRAIL]], "older": skip + TRAIL if len(found) > TRAIL else None}


@router.get("/clients/{client_id}/audit.csv", response={200: None}, auth=Needs(Action.SEE_AUDIT))
def trail_csv(request: HttpRequest, client_id: str):
    """The whole trail of this client as a table."""
    client = client_of(request, client_id, "audit trail exported")
    out = io.StringIO()
    table = csv.writer(out)
    table.writerow(["at", "by", "action", "detail"])
    for entry in _trail(client).iterator():
        table.writerow([_harmless(x) for x in _seen(entry).values()])
    response = HttpResponse(out.getvalue(), content_type="text/csv; charset=utf-8")
    response["Content-Disposition"] = 'attachment; filename="audit.csv"'
    return response


def _trail(client: Client):
    return AuditEntry.objects.filter(client=client).select_related("user").order_by("-at", "-id")


def _seen(entry: AuditEntry) -> dict[str, str]:
    by = entry.user.called if entry.user else ""
    return {"at": entry.at.isoformat(timespec="seconds"), "by": by, "action": entry.action, "detail": entry.detail}


def _harmless(text: str) -> str:
    """Nothing that a spreadsheet would take for a formula."""
    return f"'{text}" if text[:1] in ("=", "+", "-", "@") else text


class LimitsView(Subject):
    """What each limit closes, what a grade more would open, and what moved since the last day."""

    effects: dict[str, EffectData]
    since: str
    moved: list[MovedLimit]


@router.get("/clients/{client_id}/limits/effects", response={200: LimitsView, **UNDER_WAY}, auth=Needs(Action.SEE_CLIENTS))
def limit_effects(request: HttpRequest, client_id: str):
    """For the Limits station."""
    client = client_of(request, client_id)
    newest = client.latest()
    engine = engine_of(newest)
    earlier = before_today(client)
    return {
        **subject_of(client, newest),
        "effects": answer_on(newest, Work.EFFECTS, request.user),
        "since": timezone.localdate(earlier.created_at).isoformat() if earlier else "",
        "moved": compare_limits(engine_of(earlier), engine) if earlier else [],
    }


@router.get("/clients/{client_id}/ranges/{view}", response={200: None}, auth=Needs(Action.SEE_CLIENTS))
def range_picture(request: HttpRequest, client_id: str, view: ViewName):
    """The body from the side, the front or above, with available and permitted ranges, as SVG."""
    engine = engine_of(client_of(request, client_id).latest())
    drawn = [f for f in fans(engine.findings.capacities, engine.envelope) if f.view == view]
    return HttpResponse(range_figure(engine.profiler.body, view, drawn, language_of(request)), content_type="image/svg+xml")


class Postures(Subject):
    postures: list[PostureData]


@router.get("/clients/{client_id}/postures", response=Postures, auth=Needs(Action.SEE_CLIENTS))
def postures_left(request: HttpRequest, client_id: str):
    """Which postures the limits leave open, on what, drawn on this body."""
    client = client_of(request, client_id)
    newest = client.latest()
    return {**subject_of(client, newest), "postures": postures_data(engine_of(newest))}


class DueTests(Subject):
    tests: list[DueTestData]


@router.get("/clients/{client_id}/next-tests", response={200: DueTests, **UNDER_WAY}, auth=Needs(Action.SEE_CLIENTS))
def due_tests(request: HttpRequest, client_id: str):
    """Which test would decide most, with the number."""
    client = client_of(request, client_id)
    newest = client.latest()
    return {**subject_of(client, newest), "tests": answer_on(newest, Work.DUE_TESTS, request.user)}
