"""Papers: hand-out, fridge sheet, letter, calendar; the texts an organisation writes; reminders."""

from datetime import date
from uuid import UUID

from django.http import HttpRequest, HttpResponse
from ninja import Schema
from pydantic import Field

from accounts.roles import Action
from amvel.formats import CalendarError
from amvel.languages import Language
from api.access import Needs, client_of
from api.problems import UNDER_WAY
from api.spoken import Router, language_of
from clients.casework import audit
from clients.models import Client
from config.problem import what_it_says
from papers.batch import MOST, asked_by, file_of, made
from papers.hand_out import opened, pdf_of
from papers.kinds import Kind, html_of
from papers.reminders import keep_wish, wish_of
from papers.schedule import WEEKS, calendar_file
from papers.texts import NAMES, SLOTS, keep_text, texts_of
from papers.writer import Writer

router = Router(tags=["papers"])


def _page(html: str) -> HttpResponse:
    return HttpResponse(html, content_type="text/html; charset=utf-8")


def _pdf(data: bytes, name: str) -> HttpResponse:
    response = HttpResponse(data, content_type="application/pdf")
    response["Content-Disposition"] = f'inline; filename="{name}.pdf"'
    return response


def _made(request: HttpRequest, client_id: str, kind: Kind, language: Language | None, as_pdf: bool) -> HttpResponse:
    client: Client = client_of(request, client_id)
    html = html_of(kind, client, Writer(request.user.called, language or language_of(request)))
    paper = _pdf(pdf_of(html), kind) if as_pdf else _page(html)
    audit(request.user, client, f"{kind} {'printed' if as_pdf else 'shown'}")  # only what there was
    return paper


@router.get("/clients/{client_id}/papers/{kind}.pdf", response={200: None}, auth=Needs(Action.PRINT))
def paper_pdf(request: HttpRequest, client_id: str, kind: Kind, language: Language | None = None):
    """A paper as PDF; a letter in this language, or in that of who asks, everything else in the client's."""
    return _made(request, client_id, kind, language, True)


@router.get("/clients/{client_id}/papers/{kind}", response={200: None}, auth=Needs(Action.PRINT))
def paper(request: HttpRequest, client_id: str, kind: Kind, language: Language | None = None):
    """The same paper as a page."""
    return _made(request, client_id, kind, language, False)


@router.get("/clients/{client_id}/programmes/latest/calendar.ics", response={200: None}, auth=Needs(Action.PRINT))
def calendar(
    request: HttpRequest, client_id: str, first: date | None = None, weeks: int = WEEKS, zone: str = ""
):
    """The week as a calendar file with reminders."""
    client = client_of(request, client_id, "calendar taken out")
    engine, programme = opened(client)
    response = HttpResponse(
        calendar_file(engine, programme, first, weeks, zone), content_type="text/calendar; charset=utf-8"
    )
    response["Content-Disposition"] = 'attachment; filename="exercises.ics"'
    return response


class BatchWish(Schema):
    """One kind of paper for many clients."""

    kind: Kind
    clients: list[UUID] = Field(min_length=1, max_length=MOST)


class LeftOut(Schema):
    """A client without a paper, and why."""

    id: str
    name: str
    why: str


class Batch(Schema):
    """Papers in one file under /papers/batches/{id}.pdf; `pages` is 0 when nobody has one."""

    id: str
    pages: int
    left_out: list[LeftOut]


@router.post("/papers/batches", response={200: Batch, **UNDER_WAY}, auth=Needs(Action.PRINT))
def make_batch(request: HttpRequest, body: BatchWish):
    """One file with the paper of every client; who has none is named."""
    wished = asked_by(request.user, Writer(request.user.called, language_of(request)), body.kind, list(dict.fromkeys(str(c) for c in body.clients)))
    digest, account = made(wished, request.user)
    return {"id": digest, "pages": account["pages"], "left_out": account["left_out"]}


@router.get("/papers/batches/{batch_id}.pdf", response={200: None}, auth=Needs(Action.PRINT))
def batch_pdf(request: HttpRequest, batch_id: str):
    """The file; refused once a client in it has changed."""
    return _pdf(file_of(request.user, batch_id), "papers")


class TextData(Schema):
    key: str
    title: str
    where: str
    text: str


class Texts(Schema):
    texts: list[TextData]
    names: list[str]


class NewText(Schema):
    text: str = Field(max_length=4000)


def _texts(request: HttpRequest) -> dict[str, object]:
    found = texts_of(request.user.organisation)
    rows = [{"key": k, "title": s.title, "where": s.where, "text": found[k]} for k, s in SLOTS.items()]
    return {"texts": rows, "names": list(NAMES)}


@router.get("/texts", response=Texts, auth=Needs(Action.READ_RULES))
def texts(request: HttpRequest):
    """The organisation's own texts, and the names that are filled in."""
    return _texts(request)


@router.put("/texts/{key}", response=Texts, auth=Needs(Action.WRITE_TEXTS))
def write_text(request: HttpRequest, key: str, body: NewText):
    """A new version of one text; refused when it holds anything but words and known names."""
    keep_text(request.user, key, body.text)
    audit(request.user, None, "text changed", key)
    return _texts(request)


class Reminder(Schema):
    """Where reminders go; an empty address ends them."""

    address: str = Field(default="", max_length=254)
    zone: str = Field(default="", max_length=60)


@router.get("/clients/{client_id}/reminder", response=Reminder, auth=Needs(Action.PRINT))
def reminder(request: HttpRequest, client_id: str):
    """Where this client is reminded."""
    return wish_of(client_of(request, client_id))


@router.put("/clients/{client_id}/reminder", response=Reminder, auth=Needs(Action.PRINT))
def keep_reminder(request: HttpRequest, client_id: str, body: Reminder):
    """Remind by mail before each session, or stop."""
    client = client_of(request, client_id, "reminder changed")
    try:
        keep_wish(client, body.address, body.zone)
    except ValueError as error:
        raise CalendarError(what_it_says(error)) from error
    return wish_of(client)
