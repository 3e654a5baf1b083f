"""The stored case of a revision, and the engine that answers for it on one day."""

from collections import OrderedDict
from datetime import date, datetime, time, timedelta
from typing import Any

from django.db.models import QuerySet
from django.utils import timezone

from amvel.case import read_case
from amvel.engine import Engine
from clients.models import CaseRevision

_MOST_ENGINES = 12
_engines: "OrderedDict[tuple[str, date, int], Engine]" = OrderedDict()


def today() -> date:
    return timezone.localdate()


def case_data(revision: CaseRevision, day: date | None = None) -> dict[str, Any]:
    """The stored case as of a day, today where none is given, with the visits that were logged while it was the newest."""
    return {**revision.data, "visits": [v.data for v in _visits(revision, day)], "as_of": (day or today()).isoformat()}


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
    key = (str(revision.pk), day or today(), _rows(revision, day).count())
    engine = _engines.get(key)
    if engine is None:
        engine = Engine(read_case(case_data(revision, key[1])))
        _keep(key, engine)
    return engine


def keep_engine(revision: CaseRevision, engine: Engine) -> None:
    """That this engine, which has been made already, is the one of a revision."""
    _keep((str(revision.pk), engine.case.as_of, _rows(revision, None).count()), engine)


def _keep(key: tuple[str, date, int], engine: Engine) -> None:
    _engines[key] = engine
    while len(_engines) > _MOST_ENGINES:
        _engines.popitem(last=False)
