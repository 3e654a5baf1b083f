"""All that is kept of one client as one file, and the way back: what comes in is read, judged and listed like any entry."""

from datetime import date, datetime
from typing import Any, Literal

from django.db import transaction
from django.utils import timezone
from pydantic import AwareDatetime, BaseModel, ConfigDict, Field, TypeAdapter, ValidationError

from accounts.models import User
from amvel.admission import admitted, visit_faults
from amvel.answers.programmes import ProgrammeData
from amvel.case import CaseError, read_case
from amvel.case.faults import faults_of
from amvel.case.local_time import LocalTime
from amvel.case.visits import Visit
from amvel.languages import kept, said, told
from amvel.movements import UnknownMovement, find
from clients.casework import audit
from clients.engines import NOT_OF_THE_REVISION, of_the_house, today
from clients.models import CaseRevision, Client
from clients.said import as_brought_in
from clients.summary import summary_of
from programmes.models import Programme
from visits.models import LoggedVisit

Fault = tuple[str, str]
MOST = 5_000  # revisions, visits or programmes of one client


class _Row(BaseModel):
    model_config = ConfigDict(extra="forbid")
    at: AwareDatetime
    by: str = Field(default="", max_length=150)


class RevisionRow(_Row):
    """The case at one moment, without its day and its visits."""

    number: int = Field(ge=1)
    reason: str = Field(default="", max_length=300)
    case: dict[str, Any]


class VisitRow(_Row):
    """One version of one visit."""

    key: str = Field(min_length=8, max_length=64)
    version: int = Field(ge=1)
    visit: dict[str, Any]


class ProgrammeRow(_Row):
    """One version of the programme."""

    number: int = Field(ge=1)
    context: Literal["visit", "home"]
    answer: dict[str, Any]
    made_by: str = Field(max_length=40)
    case_digest: str = Field(max_length=40)
    rulebook_version: str = Field(max_length=20)
    model_version: str = Field(max_length=20)
    shows: int | None = Field(default=None, ge=1)
    before: int | None = Field(default=None, ge=1)
    undone: int | None = Field(default=None, ge=1)


class PlannedVisit(BaseModel):
    """The visit that is planned: its day, and the hour where one was set."""

    model_config = ConfigDict(extra="forbid")
    on: date
    at: LocalTime | None = None


class ClientFile(BaseModel):
    """Everything that was entered, logged and built for one client, in the order in which it came about."""

    model_config = ConfigDict(extra="forbid")
    format: Literal["amvel-client-1"] = "amvel-client-1"
    exported_at: AwareDatetime
    organisation: str = Field(default="", max_length=200)
    revisions: list[RevisionRow] = Field(min_length=1, max_length=MOST)
    visits: list[VisitRow] = Field(default=[], max_length=MOST)
    programmes: list[ProgrammeRow] = Field(default=[], max_length=MOST)
    planned_visit: PlannedVisit | None = None


def taken_out(client: Client) -> ClientFile:
    """All that is kept of a client."""
    return ClientFile(
        exported_at=timezone.now(),
        organisation=client.organisation.name,
        revisions=[
            RevisionRow(number=r.number, at=r.created_at, by=_name(r.author), reason=r.reason, case=r.data)
            for r in client.revisions.select_related("author").order_by("number")
        ],
        visits=[
            VisitRow(key=v.key, version=v.version, at=v.created_at, by=_name(v.author), visit=v.data)
            for v in client.visits.select_related("author").order_by("created_at", "key", "version")
        ],
        programmes=[
            ProgrammeRow(at=p.created_at, by=_name(p.author), answer=kept(p.answer), **{name: getattr(p, name) for name in _AS_STORED})
            for p in client.programmes.select_related("author").order_by("number")
        ],
        planned_visit=PlannedVisit(on=client.visit_on, at=client.visit_at) if client.visit_on else None,
    )


_AS_STORED = ("number", "context", "made_by", "case_digest", "rulebook_version", "model_version", "shows", "before", "undone")


def _name(user: User | None) -> str:
    return user.called if user else ""


def brought_in(user: User, data: Any) -> tuple[Client, list[Fault]]:
    """A new client from such a file, and what of it could not be taken; raises CaseError when its newest case is refused."""
    file = _read(data)
    revisions, left = _revisions(user, file.revisions)
    visits, no_visits = _visits(file.visits)
    programmes, no_programmes = _programmes(file.programmes)
    newest = {v.key: v.visit for v in sorted(visits, key=lambda v: v.version)}
    last = f"$.revisions[{len(file.revisions) - 1}].case"
    try:
        newest_case = read_case({**revisions[-1].case, "visits": list(newest.values()), **of_the_house(user.organisation_id)})
        engine = admitted(newest_case, newest_case.tests)
    except CaseError as error:
        raise CaseError([(path.replace("$", last, 1), why) for path, why in error.faults]) from error
    with transaction.atomic():
        planned = {"visit_on": file.planned_visit.on, "visit_at": file.planned_visit.at} if file.planned_visit else {}
        client = Client.objects.create(organisation=user.organisation, **planned, **summary_of(engine, bool(programmes)))
        _store(client, file.organisation, revisions, visits, programmes)
        audit(user, client, "client brought in", f"{len(revisions)} revisions, {len(visits)} visits, {len(programmes)} programmes")
    return client, [*left, *no_visits, *no_programmes]


def _read(data: Any) -> ClientFile:
    try:
        return ClientFile.model_validate(data)
    except ValidationError as error:
        raise CaseError(faults_of(error.errors())) from error


def _revisions(user: User, rows: list[RevisionRow]) -> tuple[list[RevisionRow], list[Fault]]:
    """The cases as they may be kept here; an earlier one that cannot be read is left out, for the newest one CaseError is raised."""
    taken, left = [], []
    for i, row in enumerate(rows):
        path = f"$.revisions[{i}].case"
        case, without = as_brought_in(user, row.case)
        newest = i == len(rows) - 1
        try:
            taken.append(row.model_copy(update={"case": _plain(case, today() if newest else timezone.localdate(row.at))}))
        except CaseError as error:
            refused = [(where.replace("$", path, 1), why) for where, why in error.faults]
            if newest:
                raise CaseError(refused) from error
            left += refused
            continue
        if newest:
            left += [(where.replace("$", path, 1), why) for where, why in without]
    return taken, left


def _plain(case: dict[str, Any], day: Any) -> dict[str, Any]:
    """The case in the format of today, without its day and its visits; raises CaseError."""
    read = read_case({**case, "visits": [], "as_of": day.isoformat(), "local_numbers": []})  # figures of the house that it comes from stay there
    return read.model_dump(mode="json", exclude=NOT_OF_THE_REVISION)


def _visits(rows: list[VisitRow]) -> tuple[list[VisitRow], list[Fault]]:
    taken, left = [], []
    for i, row in enumerate(rows):
        path = f"$.visits[{i}].visit"
        try:
            visit = Visit.model_validate(row.visit)
        except ValidationError as error:
            left += faults_of(error.errors(), path)
            continue
        faults = list(visit_faults(path, visit))
        if visit.id != row.key:
            faults.append((f"$.visits[{i}].key", said("is not the id of the visit")))
        left += faults
        if not faults:
            taken.append(row.model_copy(update={"visit": visit.model_dump(mode="json")}))
    return taken, left


_PROGRAMME: TypeAdapter[ProgrammeData] = TypeAdapter(ProgrammeData)


def _programmes(rows: list[ProgrammeRow]) -> tuple[list[ProgrammeRow], list[Fault]]:
    """Programmes whose answer is one and whose movements exist; whether they still fit is judged whenever one is opened."""
    taken, left = [], []
    for i, row in enumerate(rows):
        path = f"$.programmes[{i}].answer"
        try:
            answer = _PROGRAMME.validate_python(told(row.answer))
            for movement in answer["movements"]:
                find(movement["ref"])
        except ValidationError as error:
            left += faults_of(error.errors(), path)
        except UnknownMovement as error:
            left.append((path, error.args[0]))
        except (TypeError, KeyError, AttributeError):
            left.append((path, said("is not written as it has to be")))
        else:
            taken.append(row)
    numbers = {p.number for p in taken}
    return [p for p in taken if {p.shows, p.before, p.undone} - {None} <= numbers], left


def _store(client: Client, house: str, revisions: list[RevisionRow], visits: list[VisitRow], programmes: list[ProgrammeRow]) -> None:
    """Everything with the moment at which it came about; who entered it elsewhere is part of the reason, being nobody here."""
    CaseRevision.objects.bulk_create(
        CaseRevision(client=client, number=r.number, data=r.case, reason=_from(r.reason, r.by, house), created_at=_past(r.at)) for r in revisions
    )
    LoggedVisit.objects.bulk_create(
        LoggedVisit(client=client, key=v.key, version=v.version, on=v.visit["on"], data=v.visit, created_at=_past(v.at)) for v in visits
    )
    Programme.objects.bulk_create(
        Programme(client=client, answer=told(p.answer), created_at=_past(p.at), **{name: getattr(p, name) for name in _AS_STORED}) for p in programmes
    )


def _from(why: str, by: str, house: str) -> str:
    """The reason of an entry with who made it and where; one that was brought in before keeps its own."""
    if not by:
        return why
    return f"{why} ({by}, {house})"[:300]


def _past(at: datetime) -> datetime:
    """Nothing came about in the future, whatever a file says."""
    return min(at, timezone.now())


__all__ = ["ClientFile", "brought_in", "taken_out"]
