"""A long answer that many workers give together: each part is a question of its own, and whoever gives the last puts them together."""

from collections.abc import Callable
from typing import Any

from django.conf import settings
from django.db import transaction
from django.db.models import Count, Max, QuerySet

from accounts.models import User
from jobs.asking import NotYet, Question, asked_for, find, refuse_when_full, there, worked_out
from jobs.models import LongAnswer, Work
from jobs.of_a_house import PARTS, PUT_TOGETHER_WITH
from jobs.queue import put_all
from jobs.working import keep


def worked_out_in_parts(question: Question, parts: Callable[[], list[Question]], user: User | None = None) -> Any:
    """The whole as plain data; raises NotYet with the share of parts that are there, Busy, WorkFailed.

    `parts` is asked once, when nobody has begun: a part that somebody has given before is not worked out again.
    """
    row = find(question)
    if row is not None and there(row):
        return row.answer
    if not settings.WORKERS:
        answer = PUT_TOGETHER_WITH[question.work]([worked_out(part) for part in parts()])
        keep(row or asked_for(question, user, 0), answer)
        return answer
    if row is None:
        refuse_when_full(question.organisation, user)
        row = _begun(question, parts(), user)
    raise NotYet(row.share)


def _begun(question: Question, parts: list[Question], user: User | None) -> LongAnswer:
    """The whole as it waits, and a job for every part that nobody has given yet."""
    with transaction.atomic():
        whole = asked_for(question, user, 0, {PARTS: [p.digest for p in parts]})
        _parts_of(whole).exclude(failed="").update(failed="", beat_at=None)
        given = set(_parts_of(whole).values_list("digest", flat=True))
        new = [
            LongAnswer(organisation=p.organisation, work=p.work, digest=p.digest, asked=p.asked, urgency=BEHIND)
            for p in parts
            if p.digest not in given
        ]
        LongAnswer.objects.bulk_create(new, ignore_conflicts=True)
        put_all(list(_parts_of(whole).filter(done_at=None)), BEHIND)
    finish(whole)  # with no part at all, or where every one was there
    return whole


BEHIND = 1  # after whatever somebody waits for, before what nobody has asked for yet


def _parts_of(whole: LongAnswer) -> QuerySet[LongAnswer]:
    return LongAnswer.objects.filter(organisation_id=whole.organisation_id, digest__in=whole.asked[PARTS])


def finish(whole: LongAnswer) -> None:
    """Put the whole together once every part is there, say how far it is until then; a part that failed fails it."""
    wanted = len(whole.asked[PARTS])
    now = _parts_of(whole).aggregate(given=Count("done_at"), failed=Max("failed"))  # counted there: this is asked after every part
    if now["failed"] or now["given"] < wanted:
        whole.failed, whole.share = now["failed"] or "", now["given"] / wanted
        LongAnswer.objects.filter(pk=whole.pk, done_at=None).update(failed=whole.failed, share=whole.share)
        return
    answers = dict(_parts_of(whole).values_list("digest", "answer"))
    keep(whole, PUT_TOGETHER_WITH[Work(whole.work)]([answers[d] for d in whole.asked[PARTS]]))


def waiting_wholes() -> QuerySet[LongAnswer]:
    """What is put together of parts and is not there yet."""
    return LongAnswer.objects.filter(work__in=list(PUT_TOGETHER_WITH), done_at=None, failed="", asked__has_key=PARTS)


def finish_with(part: LongAnswer) -> None:
    """Whatever this part belonged to, where it was the last."""
    for whole in waiting_wholes().filter(organisation_id=part.organisation_id, asked__contains={PARTS: [part.digest]}):
        finish(whole)


__all__ = ["finish", "finish_with", "waiting_wholes", "worked_out_in_parts"]
