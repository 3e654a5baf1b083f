"""The week of a stored programme, and its calendar file."""

from datetime import date, datetime
from typing import Any

from django.utils import timezone

from amvel.engine import Engine
from amvel.formats import CalendarAsk, calendar
from amvel.planning.programme import Covered
from amvel.planning.week import Week, plan_week
from programmes.building import items_of
from programmes.models import Programme

WEEKS = 6  # a programme is looked at again after about that time (our choice)


def obligations_of(answer: dict[str, Any]) -> list[Covered]:
    """The stored obligations as the core's."""
    return [
        Covered(o["id"], o["title"], tuple(o["covered_by"]), o["why_not"], o.get("days_per_week", 0))
        for o in answer["obligations"]
    ]


def week_of(engine: Engine, programme: Programme, days: int | None = None) -> Week:
    """The best week for a stored programme."""
    return plan_week(engine.case, items_of(programme), obligations_of(programme.answer), days)


def calendar_file(
    engine: Engine, programme: Programme, first: date | None = None, weeks: int = WEEKS, zone: str = ""
) -> bytes:
    """The calendar of a programme; the same programme gives the same file."""
    written: datetime = programme.created_at
    ask = CalendarAsk(
        first or timezone.localdate(),
        weeks,
        zone or timezone.get_default_timezone_name(),
        f"{programme.client_id}@amvel",
        written,
        programme.number,
        away=tuple((a.first, a.last) for a in engine.case.wishes.away),
        language=engine.case.understanding.language,
    )
    return calendar(week_of(engine, programme), items_of(programme), ask)
