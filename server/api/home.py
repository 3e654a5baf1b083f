"""Home, by a private link and without a log-in: today's session, the day after, and what was done.  One client, nothing else."""

from typing import Annotated, Literal

from django.http import Http404, HttpRequest
from ninja import Router, Schema, Status  # this Router: said in the client's language, not in that of the page

from amvel.answers.run_sheet import RunSheetData
from amvel.case import CaseError
from amvel.case.visits import Visit
from amvel.languages import in_language, said
from amvel.planning import ProgrammeBlocked
from amvel.progress.resting import resting
from api.any_json import JsonObject, OfModel
from api.problems import UNDER_WAY
from api.visits import DayAfter, Kept, LastVisit
from clients.engines import engine_of
from jobs.asking import NotYet
from programmes import building
from programmes.building import NotAllowed
from visits.links import by_code
from visits.log import last_of, log_visit, tell_next_day

router = Router(tags=["home"])


class Today(Schema):
    """What a client sees at home."""

    first_name: str
    language: str
    expires_on: str
    closed: Literal["", "stopped", "no_programme"]  # why there is no session today
    last: LastVisit | None
    paused: list[str]
    sheet: RunSheetData | None


@router.get("/home/{code}", response={200: Today, **UNDER_WAY}, auth=None)
def today(request: HttpRequest, code: str):
    """Today's session of whoever has this link."""
    link = by_code(code)
    if link is None:
        raise Http404
    client, engine = link.client, engine_of(link.client.latest())
    language = engine.case.understanding.language
    closed, sheet = "", None
    try:
        sheet = building.sheet_of(client, None, context="home")["sheet"]
    except NotYet:
        raise
    except (ProgrammeBlocked, NotAllowed):
        closed = "stopped"
    except Http404:
        closed = "no_programme"
    answer = {
        "first_name": engine.case.person.name.partition(" ")[0],
        "language": language,
        "expires_on": link.expires_on.isoformat(),
        "closed": closed,
        "last": last_of(engine),
        "paused": resting(engine.case) if sheet else [],
        "sheet": sheet,
    }
    return in_language(answer, language)


class HomeVisit(Schema):
    """What was done at home, in the core's own format."""

    visit: Annotated[JsonObject, OfModel(Visit)]


@router.post("/home/{code}/visits", response={200: Kept, 201: Kept}, auth=None)
def log(request: HttpRequest, code: str, body: HomeVisit):
    """Keep a session at home; sent twice it is kept once."""
    link = by_code(code)
    if link is None:
        raise Http404
    if body.visit.get("context") != "home" or body.visit.get("by") not in ("client", "carer"):
        raise CaseError([("$.visit.by", said("at home it is the client, or a carer"))])
    kept, new = log_visit(link.client, None, body.visit)  # refuses what somebody of the practice logged
    return Status(201 if new else 200, {"id": kept.key, "version": kept.version, "new": new})


@router.post("/home/{code}/visits/{key}/next-day", response={200: Kept, 201: Kept}, auth=None)
def next_day(request: HttpRequest, code: str, key: str, body: DayAfter):
    """How the day after was, as long as nobody has said it."""
    link = by_code(code)
    if link is None:
        raise Http404
    kept, new = tell_next_day(link.client, None, key, body.next_day)
    return Status(201 if new else 200, {"id": kept.key, "version": kept.version, "new": new})
