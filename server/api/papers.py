"""Papers: hand-out, fridge sheet, letter, calendar; the texts an organisation writes; reminders."""

from datetime import date

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import Field

from accounts.roles import Action
from amvel.formats import CalendarError
from api.access import Needs, client_of
from api.problems import PROBLEMS
from clients.casework import audit
from clients.models import Client
from papers.fridge import fridge_html
from papers.hand_out import hand_out_html, opened, pdf_of
from papers.letter import letter_html
from papers.reminders import keep_wish, wish_of
from papers.schedule import WEEKS, calendar_file
from papers.texts import NAMES, SLOTS, keep_text, texts_of

router = Router(tags=["papers"])
_BASE = "/clients/{client_id}/programmes/latest"
_MAKE = {"hand-out": hand_out_html, "fridge": fridge_html, "letter": letter_html}


def _page(html: str) -> HttpResponse:
    return HttpResponse(html, content_type="text/html; charset=utf-8")


def _pdf(html: str, name: str) -> HttpResponse:
    response = HttpResponse(pdf_of(html), content_type="application/pdf")
    response["Content-Disposition"] = f'inline; filename="{name}.pdf"'
    return response


def _made(request: HttpRequest, client_id: str, kind: str, as_pdf: bool) -> HttpResponse:
    client: Client = client_of(request, client_id)
    html = _MAKE[kind](client, request.user.called)
    made = _pdf(html, kind) if as_pdf else _page(html)
    audit(request.user, client, f"{kind} {'printed' if as_pdf else 'shown'}")  # only what there was
    return made


@router.get(f"{_BASE}/hand-out.pdf", response=PROBLEMS, auth=Needs(Action.PRINT))
def hand_out_pdf(request: HttpRequest, client_id: str):
    """The hand-out as PDF."""
    return _made(request, client_id, "hand-out", True)


@router.get(f"{_BASE}/hand-out", response=PROBLEMS, auth=Needs(Action.PRINT))
def hand_out(request: HttpRequest, client_id: str):
    """The same hand-out as a page."""
    return _made(request, client_id, "hand-out", False)


@router.get(f"{_BASE}/fridge.pdf", response=PROBLEMS, auth=Needs(Action.PRINT))
def fridge_pdf(request: HttpRequest, client_id: str):
    """The fridge sheet as PDF: one page."""
    return _made(request, client_id, "fridge", True)


@router.get(f"{_BASE}/fridge", response=PROBLEMS, auth=Needs(Action.PRINT))
def fridge(request: HttpRequest, client_id: str):
    """The fridge sheet as a page."""
    return _made(request, client_id, "fridge", False)


@router.get(f"{_BASE}/letter.pdf", response=PROBLEMS, auth=Needs(Action.PRINT))
def letter_pdf(request: HttpRequest, client_id: str):
    """The letter to the referrer as PDF."""
    return _made(request, client_id, "letter", True)


@router.get(f"{_BASE}/letter", response=PROBLEMS, auth=Needs(Action.PRINT))
def letter(request: HttpRequest, client_id: str):
    """The letter as a page."""
    return _made(request, client_id, "letter", False)


@router.get(f"{_BASE}/calendar.ics", response=PROBLEMS, auth=Needs(Action.PRINT))
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


@router.get("/texts", response={200: Texts, **PROBLEMS}, auth=Needs(Action.READ_RULES))
def texts(request: HttpRequest):
    """The organisation's own texts, and the names that are filled in."""
    return _texts(request)


@router.put("/texts/{key}", response={200: Texts, **PROBLEMS}, auth=Needs(Action.WRITE_TEXTS))
def write_text(request: HttpRequest, key: str, body: NewText):
    """A new version of one text; refused when it holds anything but words and known names."""
    keep_text(request.user, key, body.text)
    audit(request.user, None, "text changed", key)
    return _texts(request)


class Reminder(Schema):
    """Where reminders go; an empty address ends them."""

    address: str = Field(default="", max_length=254)
    zone: str = Field(default="", max_length=60)


@router.get("/clients/{client_id}/reminder", response={200: Reminder, **PROBLEMS}, auth=Needs(Action.PRINT))
def reminder(request: HttpRequest, client_id: str):
    """Where this client is reminded."""
    return wish_of(client_of(request, client_id))


@router.put("/clients/{client_id}/reminder", response={200: Reminder, **PROBLEMS}, auth=Needs(Action.PRINT))
def keep_reminder(request: HttpRequest, client_id: str, body: Reminder):
    """Remind by mail before each session, or stop."""
    client = client_of(request, client_id, "reminder changed")
    try:
        keep_wish(client, body.address, body.zone)
    except ValueError as error:
        raise CalendarError(str(error)) from error
    return wish_of(client)
