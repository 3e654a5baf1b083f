"""What the workers do: answer, take up what a dead worker left, remind, drop what nobody asks for.

Every command of the server reads this file.  What works with the core is read where it is used: reading the body model takes
seconds, and whoever only saves or brings back the database has to get on without it.
"""

import os
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import timedelta
from threading import Event, Thread

import structlog
from django.db import DatabaseError, connection, transaction
from django.db.models import Exists, OuterRef, Q, QuerySet, TextField
from django.db.models.fields.json import KT
from django.db.models.functions import Cast
from django.utils import timezone
from procrastinate import RetryStrategy
from procrastinate.contrib.django import app
from procrastinate.contrib.django.models import ProcrastinateJob
from procrastinate.jobs import Status

from jobs.models import LOST_AFTER, OF_ONE_DAY, KeptPicture, LongAnswer, SolvedBody
from jobs.of_a_house import PARTS, Told
from jobs.queue import ANSWERS, CARE, WORK_OUT, put

log = structlog.get_logger(__name__)
LIMIT = timedelta(minutes=5)  # no answer takes a tenth of it; what does is given up, and its worker with it
UNUSED_DAYS = 90
AGAIN_S = int(LOST_AFTER.total_seconds()) + 5  # until then the first try counts as alive


@app.task(name=WORK_OUT, queue=ANSWERS, retry=RetryStrategy(max_attempts=3, wait=AGAIN_S))
def work_out(row: str) -> None:
    """Answer one question, unless somebody has done so meanwhile or is at it."""
    from jobs.in_parts import finish_with
    from jobs.working import answered, keep, keep_what_was_solved

    now = timezone.now()
    waiting = LongAnswer.objects.filter(pk=row, done_at=None, failed="")
    nobody = Q(beat_at=None) | Q(beat_at__lt=now - LOST_AFTER)
    if not waiting.filter(nobody).update(beat_at=now):
        return
    question = LongAnswer.objects.get(pk=row)
    try:
        with _beating(question) as told:
            answer = answered(question, told)
    except DatabaseError:
        raise  # the job is tried again
    except Exception as error:
        # Whoever asked is told at once; what went wrong stands in the log, without anybody's data.
        log.exception("could not be worked out", work=question.work)
        LongAnswer.objects.filter(pk=question.pk).update(failed=f"it could not be worked out ({type(error).__name__})")
        finish_with(question)
        return
    keep(question, answer)
    finish_with(question)
    keep_what_was_solved(question)


@contextmanager
def _beating(question: LongAnswer) -> Iterator[Told]:
    """Say every second that somebody is at it and how far; end the worker when it takes too long."""
    share, over = [0.0], Event()

    def beat() -> None:
        begun = timezone.now()
        while True:
            now = timezone.now()
            late = now - begun > LIMIT
            told = {"failed": "it took too long"} if late else {"beat_at": now, "share": share[0]}
            LongAnswer.objects.filter(pk=question.pk, done_at=None).update(**told)
            if late:
                log.error("took too long: the worker ends", work=question.work, limit_s=LIMIT.total_seconds())
                os._exit(75)
            if over.wait(1.0):
                connection.close()
                return

    thread = Thread(target=beat, daemon=True)
    thread.start()
    try:
        yield lambda x: share.__setitem__(0, x)
    finally:
        over.set()
        thread.join()


@app.periodic(cron="* * * * *")
@app.task(name="take_up", queue=CARE, queueing_lock="take_up")
def take_up(timestamp: int) -> None:
    """Questions whose worker has died are begun again, whether or not somebody still asks."""
    from jobs.in_parts import finish, waiting_wholes

    since = timezone.now() - LOST_AFTER
    open_ones = LongAnswer.objects.filter(done_at=None, failed="")
    for row in [*open_ones.filter(beat_at__lt=since), *never_begun(open_ones.filter(beat_at=None, asked_at__lt=since))]:
        put(row)
    for whole in waiting_wholes():  # whoever gave the last part may have died before it was put together
        finish(whole)


def never_begun(rows: QuerySet[LongAnswer]) -> QuerySet[LongAnswer]:
    """Questions for which no job waits: whoever took theirs died before giving a sign of life."""
    jobs = ProcrastinateJob.objects.filter(task_name=WORK_OUT, status="todo").annotate(of=KT("args__row"))
    waits = jobs.filter(of=Cast(OuterRef("pk"), TextField()))
    return rows.exclude(asked__has_key=PARTS).exclude(Exists(waits))


@app.periodic(cron="*/5 * * * *")
@app.task(name="remind", queue=CARE, queueing_lock="remind")
def remind(timestamp: int) -> None:
    """Mail what is due within the hour; one that fails stops no other."""
    from papers.reminders import send_due

    sent, left = send_due(timezone.now())
    if left:
        log.warning("reminders did not go", sent=sent, left=len(left))


@app.periodic(cron="17 3 * * *")
@app.task(name="drop_old_jobs", queue=CARE, queueing_lock="drop_old_jobs")
async def drop_old_jobs(timestamp: int) -> None:
    """Notes on jobs that ended yesterday or before go: what came of them stands with the answers.  So do those of workers that
    died: what they had begun was taken up by others."""
    for job in await app.job_manager.get_stalled_jobs(seconds_since_heartbeat=LIMIT.total_seconds()):
        await app.job_manager.finish_job(job, Status.FAILED, delete_job=True)
    await app.job_manager.delete_old_jobs(nb_hours=24, include_failed=True, include_cancelled=True, include_aborted=True)


@app.periodic(cron="17 3 * * *")
@app.task(name="drop_unused", queue=CARE, queueing_lock="drop_unused")
def drop_unused(timestamp: int) -> None:
    """Answers, bodies and drawings that nobody has asked for go."""
    before = timezone.localdate() - timedelta(days=UNUSED_DAYS)
    with transaction.atomic():
        LongAnswer.objects.filter(used_on__lt=before).delete()
        LongAnswer.objects.filter(work__in=OF_ONE_DAY, used_on__lt=timezone.localdate()).delete()
        SolvedBody.objects.filter(used_on__lt=before).delete()
        KeptPicture.objects.filter(used_on__lt=before).delete()
