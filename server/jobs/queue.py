"""The queue in PostgreSQL: a job for a question, once for each urgency."""

from django.db import IntegrityError, transaction
from procrastinate.contrib.django import app
from procrastinate.exceptions import AlreadyEnqueued

from jobs.models import LongAnswer

ANSWERS, CARE = "answers", "care"
WORK_OUT = "work_out"


def put(row: LongAnswer) -> None:
    """A job for this question, unless one of the same urgency waits already."""
    lock = f"{row.pk}:{row.urgency}"
    try:
        with transaction.atomic():
            app.configure_task(WORK_OUT, queue=ANSWERS, queueing_lock=lock, priority=row.urgency).defer(row=str(row.pk))
    except (AlreadyEnqueued, IntegrityError):
        return
