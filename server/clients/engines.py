"""The stored case of a revision, and the engine that answers for it on one day."""

from collections import OrderedDict
from datetime import date, datetime, time, timedelta
from typing import Any

from django.db.models import QuerySet
from django.utils import timezone

from amvel.case import read_case
from amvel.engine import Engine
from clients.models import CaseRevision
from jobs.kept_pictures import KeptPictures
from rulebook_signing.in_force import local_numbers

_MOST_ENGINES = 12
_Key = tuple[str, date, int, str]
_engines: "OrderedDict[_Key, Engine]" = OrderedDict()


def today() -> date:
    return timezone.localdate()


NOT_OF_THE_REVISION = {"as_of", "visits", "local_numbers"}  # what a case has of where and when it is read, and of a table of its own


def case_data(revision: CaseRevision, day: date | None = None) -> dict[str, Any]:
    """The stored case as of a day, today where none is given, with the visits that were logged while it was the newest.

    What the house has put in force of its own belongs to the day as well.
    """
    visits = [v.data for v in _visits(revision, day)]
    return {**revision.data, "visits": visits, **of_the_house(revision.client.organisation_id, day)}


def of_the_house(organisation_id: Any, day: date | None = None) -> dict[str, Any]:
    """What a case has of where and when it is read: the day, and the figures that are others in this house."""
    day = day or today()
    return {"as_of": day.isoformat(), "local_numbers": local_numbers(organisation_id, end_of(day))}


def _visits(revision: CaseRevision, day: date | None) -> list[Any]:
    """The newest version of each visit, none of a later revision's time, none from after this day."""
    rows = _rows(revision, day).order_by("key", "-version").distinct("key")
    return sorted(rows, key=lambda v: (v.on, v.key))


def end_of(day: date) -> datetime:
    """The moment at which a day is over here."""
    return timezone.make_aware(datetime.combine(day + timedelta(days=1), time.min))


def _rows(revision: CaseRevision, day: date | None) -> QuerySet[Any]:
    rows = revision.client.visits.all()
    if day is not None and day < today():
        rows = rows.filter(created_at__lt=end_of(day))
    following = CaseRevision.objects.filter(client=revision.client_id, number=revision.number + 1).values_list("created_at", flat=True).first()
    return rows if following is None else rows.filter(created_at__lt=following)


def engine_of(revision: CaseRevision, day: date | None = None) -> Engine:
    """The engine of a revision on a day, with its visits; kept, since it is asked about again and again."""
    key = _key(revision, day or today())
    engine = _engines.get(key)
    if engine is None:
        engine = Engine(read_case(case_data(revision, key[1])))
        _keep(key, engine)
    return engine


def _key(revision: CaseRevision, day: date) -> _Key:
    numbers = local_numbers(revision.client.organisation_id, end_of(day))
    return str(revision.pk), day, _rows(revision, day).count(), repr(numbers)


def keep_engine(revision: CaseRevision, engine: Engine) -> None:
    """That this engine, which has been made already, is the one of a revision."""
    _keep(_key(revision, engine.case.as_of), engine)


def _keep(key: _Key, engine: Engine) -> None:
    engine.pictures_in = KeptPictures()
    _engines[key] = engine
    while len(_engines) > _MOST_ENGINES:
        _engines.popitem(last=False)
