"""Home, by a private link and without a log-in: today's session, the day after, and what was done.  One client, nothing else."""

from typing import Literal

from django.http import Http404, HttpRequest
from ninja import Router, Schema, Status  # this Router: said in the client's language, not in that of the page

from amvel.answers.run_sheet import RunSheetData
from amvel.case import CaseError
from amvel.case.visits import in_order
from amvel.languages import in_language
from amvel.planning import ProgrammeBlocked
from api.any_json import Json
from api.problems import PROBLEMS, UNDER_WAY
from clients.engines import engine_of
from clients.models import Client
from jobs.asking import NotYet
from programmes import building
from programmes.building import NotAllowed
from visits.links import by_code
from visits.log import log_visit

router = Router(tags=["home"])


class LastTime(Schema):
    """The newest session, so that the day after can be asked for; `told` once it was."""

    id: str
    on: str
    told: bool


class Today(Schema):
    """What a client sees at home."""

    first_name: str
    language: str
    expires_on: str
    closed: Literal["", "stopped", "no_programme"]  # why there is no session today
    last: LastTime | None
    paused: list[str]
    sheet: RunSheetData | None


@router.get("/home/{code}", response={200: Today, **UNDER_WAY, **PROBLEMS}, auth=None)
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
    visits = in_order(engine.case.visits)
    last = {"id": visits[-1].id, "on": visits[-1].on.isoformat(), "told": visits[-1].next_day is not None} if visits else None
    answer = {
        "first_name": engine.case.person.name.partition(" ")[0],
        "language": language,
        "expires_on": link.expires_on.isoformat(),
        "closed": closed,
        "last": last,
        "paused": paused_after_a_flare(client) if sheet else [],
        "sheet": sheet,
    }
    return in_language(answer, language)


def paused_after_a_flare(client: Client) -> list[str]:
    """Movements that rest until somebody has looked: those that hurt in the newest session, or all of it after a flare."""
    visits = in_order(engine_of(client.latest()).case.visits)
    if not visits:
        return []
    newest = visits[-1]
    hurt = [m.step for m in newest.movements if m.stopped_by_symptom]
    return [m.step for m in newest.movements if m.sets] if newest.flared and not hurt else hurt


class HomeVisit(Schema):
    """What was done at home, in the core's own format."""

    visit: Json


class Kept(Schema):
    """That it is kept."""

    id: str
    version: int
    new: bool


@router.post("/home/{code}/visits", response={200: Kept, 201: Kept, **PROBLEMS}, auth=None)
def log(request: HttpRequest, code: str, body: HomeVisit):
    """Keep a session at home, or what is told later of one; sent twice it is kept once."""
    link = by_code(code)
    if link is None:
        raise Http404
    told = body.visit
    if told.get("context") != "home" or told.get("by") not in ("client", "carer"):
        earlier = link.client.visits.filter(key=str(told.get("id", ""))).order_by("-version").first()
        if earlier is None or {k: v for k, v in told.items() if k != "next_day"} != {k: v for k, v in earlier.data.items() if k != "next_day"}:
            raise CaseError([("$.visit.context", "home, and by the client or a carer")])
    kept, new = log_visit(link.client, None, told)
    return Status(201 if new else 200, {"id": kept.key, "version": kept.version, "new": new})

