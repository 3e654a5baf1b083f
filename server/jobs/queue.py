"""The queue in PostgreSQL: a job for a question, once for each urgency."""

from django.db import IntegrityError, transaction
from procrastinate.contrib.django import app
from procrastinate.exceptions import AlreadyEnqueued
from procrastinate.types import JSONValue

from jobs.models import LongAnswer

ANSWERS, CARE = "answers", "care"
WORK_OUT = "work_out"


def put_all(rows: list[LongAnswer], urgency: int) -> None:
    """A job for each of many questions in one go; one that has a job already is begun by whichever comes first."""
    if rows:
        each: list[dict[str, JSONValue]] = [{"row": str(r.pk)} for r in rows]
        app.configure_task(WORK_OUT, queue=ANSWERS, priority=urgency).batch_defer(*each)


def put(row: LongAnswer) -> None:
    """A job for this question, unless one of the same urgency waits already."""
    lock = f"{row.pk}:{row.urgency}"
    try:
        with transaction.atomic():
            app.configure_task(WORK_OUT, queue=ANSWERS, queueing_lock=lock, priority=row.urgency).defer(row=str(row.pk))
    except (AlreadyEnqueued, IntegrityError):
        return
