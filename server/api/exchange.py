"""Records out and in: a whole client as one file, tables, a bundle for other programs."""

from typing import Literal

from django.http import HttpRequest, HttpResponse
from ninja import Query, Schema, Status
from pydantic import Field

from accounts.roles import Action
from amvel.formats.fhir import bundle, read_bundle
from amvel.formats.tables import dictionary, read_tests, read_visits, table_of_tests, table_of_visits
from api.access import Needs, client_of
from api.any_json import Json
from api.problems import Done, Fault
from api.spoken import Router
from clients.casework import audit, change, create_client, refuse_while_stopped
from clients.engines import engine_of
from clients.models import Client
from exchange import referrer
from exchange.client_file import ClientFile, brought_in, taken_out
from programmes.building import items_of, violations_of
from visits.from_table import add_visits

router = Router(tags=["exchange"])


class BroughtIn(Schema):
    """The new client, and what of the file could not be taken, by its path."""

    id: str
    left_out: list[Fault]


@router.get("/clients/{client_id}/file", response=ClientFile, auth=Needs(Action.EXCHANGE))
def take_out(request: HttpRequest, client_id: str):
    """All that is kept of one client: every revision, visit and programme."""
    file = taken_out(client_of(request, client_id, "client taken out"))
    # As pydantic writes it: the usual encoder cuts moments to milliseconds, and the order of two entries could be lost.
    return HttpResponse(file.model_dump_json(), content_type="application/json")


@router.get("/clients/{client_id}/fhir", response={200: None}, auth=Needs(Action.EXCHANGE))
def as_fhir(request: HttpRequest, client_id: str):
    """What is known of a client as an HL7 FHIR R4 bundle; the programme only while it may be done today."""
    client = client_of(request, client_id, "client taken out as FHIR")
    return HttpResponse(_bundle_of(client), content_type="application/fhir+json")


def _bundle_of(client: Client) -> str:
    newest = client.programmes.order_by("-number").first()
    engine = engine_of(client.latest())
    fits = newest is not None and not engine.stop_signs and not violations_of(client, newest, engine)
    return bundle(engine, str(client.pk), items_of(newest) if newest is not None and fits else ())


class Bundle(Schema):
    """An HL7 FHIR R4 bundle of one person."""

    bundle: Json


@router.post("/client-bundles", response={201: BroughtIn}, auth=Needs(Action.EXCHANGE))
def bring_in_fhir(request: HttpRequest, body: Bundle):
    """A client from what another program says of somebody; what is missing for a client is named, what is not taken is listed."""
    found = read_bundle(body.bundle)
    client = create_client(request.user, found.sections())
    audit(request.user, client, "client brought in from FHIR")
    return Status(201, {"id": str(client.pk), "left_out": _listed(found.left)})


class PersonThere(Schema):
    """Somebody whom the referrer's server knows."""

    id: str
    name: str
    birth_date: str


class PeopleThere(Schema):
    """Whom a search found there; `more` when there are others."""

    people: list[PersonThere]
    more: bool


class SetUp(Schema):
    """Whether a referrer's server is set up for this organisation."""

    set_up: bool


@router.get("/referrer", response=SetUp, auth=Needs(Action.EXCHANGE))
def referrer_set_up(request: HttpRequest):
    """Whether there is a referrer's server to fetch from and send to."""
    return {"set_up": referrer.is_set_up(request.user.organisation)}


@router.get("/referrer/people", response=PeopleThere, auth=Needs(Action.EXCHANGE))
def people_there(request: HttpRequest, name: str = Query(min_length=2, max_length=60)):
    """People of the referrer whose name begins so."""
    found = referrer.people_named(request.user.organisation, name)
    audit(request.user, None, "referrer's server searched")
    return {"people": [{"id": p.id, "name": p.name, "birth_date": p.birth_date} for p in found.people], "more": found.more}


class Wanted(Schema):
    """Somebody of the referrer, by the id there."""

    id: str = Field(pattern=r"^[A-Za-z0-9\-.]{1,64}$")


@router.post("/referrer/people", response={201: BroughtIn}, auth=Needs(Action.EXCHANGE))
def fetch(request: HttpRequest, body: Wanted):
    """A client from all that the referrer's server has of somebody; what is not taken is listed."""
    found = read_bundle(referrer.all_of(request.user.organisation, body.id))
    client = create_client(request.user, found.sections())
    audit(request.user, client, "client fetched from the referrer's server")
    return Status(201, {"id": str(client.pk), "left_out": _listed(found.left)})


@router.post("/clients/{client_id}/referrer", response=Done, auth=Needs(Action.EXCHANGE))
def send_to_referrer(request: HttpRequest, client_id: str):
    """The bundle of a client to the referrer's server; the same state sent twice is there once."""
    client = client_of(request, client_id)
    newest = client.latest()
    referrer.send(request.user.organisation, f"{client.pk}-{newest.number}", _bundle_of(client))
    audit(request.user, client, "client sent to the referrer's server")
    return {}


TABLES = {"tests": lambda case: table_of_tests(case.tests), "visits": lambda case: table_of_visits(case.visits)}


@router.get("/clients/{client_id}/tables/{name}.csv", response={200: None}, auth=Needs(Action.EXCHANGE))
def as_table(request: HttpRequest, client_id: str, name: Literal["tests", "visits"]):
    """The tests or the visits of a client as a table."""
    client = client_of(request, client_id, f"{name} taken out as a table")
    return HttpResponse(TABLES[name](engine_of(client.latest()).case), content_type="text/csv; charset=utf-8")


@router.get("/tables/dictionary.csv", response={200: None}, auth=Needs(Action.READ_RULES), include_in_schema=False)  # a table, no JSON
def of_tables(request: HttpRequest):
    """What every column of the tables means."""
    return HttpResponse(dictionary(), content_type="text/csv; charset=utf-8")


class Table(Schema):
    """Tests as a table, on top of the revision that was read."""

    base_revision: int = Field(ge=1)
    table: str = Field(max_length=2_000_000)


class Taken(Schema):
    """How many results or visits were taken, and the lines that were not."""

    taken: int
    left_out: list[Fault]


@router.post("/clients/{client_id}/tables/tests", response=Taken, auth=Needs(Action.EXCHANGE))
def add_tests(request: HttpRequest, client_id: str, body: Table):
    """Add the results of a table to those that are there; what is there already is not added twice."""
    client = client_of(request, client_id)
    found, left = read_tests(body.table)
    newest = client.latest()
    engine = engine_of(newest)
    known = engine.case.tests
    new = [r for r in found if r not in known]
    for result in new:
        if result.on >= engine.case.as_of:  # what was measured earlier stays a fact, whatever stands today
            refuse_while_stopped(engine, result.test)
    if new:
        sections = {"tests": [r.model_dump(mode="json") for r in (*known, *new)]}
        change(request.user, client, body.base_revision, sections, "tests from a table")
    return {"taken": len(new), "left_out": _listed(left)}


class VisitTable(Schema):
    """Visits as a table."""

    table: str = Field(max_length=2_000_000)


@router.post("/clients/{client_id}/tables/visits", response=Taken, auth=Needs(Action.EXCHANGE))
def add_visits_of_a_table(request: HttpRequest, client_id: str, body: VisitTable):
    """Add the visits of a table to those that are there; what was logged here stays as it is."""
    client = client_of(request, client_id, "visits from a table")
    found, left = read_visits(body.table)
    added, refused = add_visits(client, request.user, found)
    return {"taken": added, "left_out": _listed([*left, *refused])}


class Brought(Schema):
    """A file as it was taken out, here or elsewhere."""

    file: Json


@router.post("/client-files", response={201: BroughtIn}, auth=Needs(Action.EXCHANGE))
def bring_in(request: HttpRequest, body: Brought):
    """A client from such a file; it is read and judged anew, and no clearing counts before somebody here confirmed it."""
    client, left = brought_in(request.user, body.file)
    return Status(201, {"id": str(client.pk), "left_out": _listed(left)})


def _listed(left: list[tuple[str, str]]) -> list[dict[str, str]]:
    return [{"path": path, "reason": why} for path, why in left]
