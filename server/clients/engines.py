"""The stored case of a revision, and the engine that answers for it on one day."""

from collections import OrderedDict
from datetime import date
from typing import Any

from django.utils import timezone

from amvel.case import read_case
from amvel.engine import Engine
from clients.models import CaseRevision

_MOST_ENGINES = 12
_engines: "OrderedDict[tuple[str, date], Engine]" = OrderedDict()


def today() -> date:
    return timezone.localdate()


def case_data(revision: CaseRevision, day: date | None = None) -> dict[str, Any]:
    """The stored case as of a day, today where none is given."""
    return {**revision.data, "as_of": (day or today()).isoformat()}


def engine_of(revision: CaseRevision, day: date | None = None) -> Engine:
    """The engine of a revision on a day; kept, since a revision never changes and is asked about again and again."""
    key = (str(revision.pk), day or today())
    engine = _engines.get(key)
    if engine is None:
        engine = Engine(read_case(case_data(revision, key[1])))
        keep_engine(revision, engine)
    return engine


def keep_engine(revision: CaseRevision, engine: Engine) -> None:
    """That this engine, which has been made already, is the one of a revision."""
    _engines[str(revision.pk), engine.case.as_of] = engine
    while len(_engines) > _MOST_ENGINES:
        _engines.popitem(last=False)
