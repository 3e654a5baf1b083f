"""Asking for a long answer: it is there, or a worker is told and whoever asked comes again."""

import hashlib
import json
from dataclasses import dataclass, field
from datetime import date
from typing import Any

from django.conf import settings
from django.db import connection, transaction
from django.utils import timezone

from accounts.models import Organisation, User
from amvel.languages import said, told
from jobs.models import LongAnswer, Work
from jobs.queue import put
from jobs.working import answered, keep, keep_what_was_solved

AT_ONCE_FOR_ONE, AT_ONCE_FOR_A_HOUSE = 8, 60  # questions that wait; more are refused, so that nobody fills the queue
AHEAD = 0  # urgency of what is made ready before anybody asks; what somebody waits for comes before, the shortest wait first
_URGENT = {
    Work.CHOSEN: 16,
    Work.SWAPS: 16,
    Work.PLAN: 15,
    Work.RUN_SHEET: 15,
    Work.VERDICTS: 14,
    Work.PROGRESS: 13,
    Work.EFFECTS: 12,
    Work.DUE_TESTS: 11,
    Work.WHAT_IF: 10,
    Work.PAPERS: 9,
    Work.PRACTICE: 9,
    Work.DRY_RUN: 8,
    Work.DRY_RUN_PART: 8,
}


@dataclass(frozen=True)
class Question:
    """What is asked of the core, on which case and day; `digest` names everything that could change the answer.

    `case` is the primary key of a revision; '' where the question is about the whole caseload.
    """

    work: Work
    organisation: Organisation
    digest: str
    day: date
    case: str = ""
    previous_steps: tuple[str, ...] = ()
    args: dict[str, Any] = field(default_factory=dict, hash=False)

    @property
    def asked(self) -> dict[str, Any]:
        return {"case": self.case, "day": self.day.isoformat(), "previous_steps": list(self.previous_steps), "args": self.args}


class NotYet(Exception):
    """The answer is being worked out: come again in a moment."""

    again_in_s = 1

    def __init__(self, share: float) -> None:
        super().__init__("this is being worked out")
        self.share = share


class Busy(Exception):
    """Too many long answers are waited for: come again in a few seconds."""

    again_in_s = 5

    def __init__(self, whose: str) -> None:
        super().__init__(said("{whose} waits for as many answers as fit at once: try again in {seconds} s", whose=whose, seconds=self.again_in_s))


class WorkFailed(Exception):
    """The core could not work it out; it is asked anew the next time."""


def digest_of(*parts: Any) -> str:
    """A fingerprint of plain data."""
    return hashlib.sha256(json.dumps(parts, sort_keys=True, default=str).encode()).hexdigest()[:40]


def known(question: Question) -> Any | None:
    """The answer if it is there already; nothing is asked."""
    row = find(question)
    return row.answer if row is not None and row.done else None


def known_entry(question: Question, like: dict[str, Any]) -> Any | None:
    """The first entry of an answer that is a list, with these fields, if it is there; the rest of the list is not read."""
    with connection.cursor() as cursor:
        cursor.execute(_ENTRY, [question.organisation.pk, question.work, question.digest, json.dumps(like)])
        found = cursor.fetchone()
    return None if found is None else told(json.loads(found[0]))


_ENTRY = """
    SELECT entry::text FROM jobs_longanswer, jsonb_array_elements(answer) WITH ORDINALITY AS each (entry, place)
    WHERE organisation_id = %s AND work = %s AND digest = %s AND done_at IS NOT NULL AND entry @> %s::jsonb ORDER BY place LIMIT 1
"""


def worked_out(question: Question, user: User | None = None, urgency: int | None = None) -> Any:
    """The answer as plain data; raises NotYet while a worker is at it, Busy when too much is waited for, WorkFailed."""
    row = find(question)
    urgent = _URGENT[question.work] if urgency is None else urgency
    if row is not None and there(row):
        return row.answer
    if not settings.WORKERS:
        row = row or asked_for(question, user, urgent)
        answer = answered(row)
        keep(row, answer)
        keep_what_was_solved(row)
        return answer
    raise NotYet(_told(question, row, user, urgent).share)


def there(row: LongAnswer) -> bool:
    """Whether the answer is there, noted as used; raises WorkFailed, once, when it could not be worked out."""
    if row.failed:
        row.delete()
        raise WorkFailed(row.failed)
    if row.done:
        _used(row)
    return row.done


def find(question: Question) -> LongAnswer | None:
    """The row of a question, if somebody has asked it."""
    return LongAnswer.objects.filter(organisation=question.organisation, work=question.work, digest=question.digest).first()


def asked_for(question: Question, user: User | None, urgency: int, more: dict[str, Any] | None = None) -> LongAnswer:
    """The row of a question, made where there is none; `more` is kept with what was asked."""
    return LongAnswer.objects.get_or_create(
        organisation=question.organisation,
        work=question.work,
        digest=question.digest,
        defaults={"asked": {**question.asked, **(more or {})}, "asked_by": user, "urgency": urgency},
    )[0]


def _used(row: LongAnswer) -> None:
    """That it was asked for today: what nobody asks for is dropped."""
    if row.used_on != timezone.localdate():
        LongAnswer.objects.filter(pk=row.pk).update(used_on=timezone.localdate())


def _told(question: Question, row: LongAnswer | None, user: User | None, urgency: int) -> LongAnswer:
    """The question as it waits, with a job for it; one that has become urgent, or whose worker has died, gets another."""
    if row is None:
        refuse_when_full(question.organisation, user)
        with transaction.atomic():
            row = asked_for(question, user, urgency)
            put(row)
    elif row.lost or urgency > row.urgency:
        row.urgency = max(urgency, row.urgency)
        row.save(update_fields=["urgency"])
        put(row)
    return row


def refuse_when_full(organisation: Organisation, user: User | None) -> None:
    """Raise Busy when this person, or the house, waits for as many answers as fit at once."""
    waiting = LongAnswer.objects.filter(organisation=organisation, done_at=None, failed="")
    if user is not None and waiting.filter(asked_by=user).count() >= AT_ONCE_FOR_ONE:
        raise Busy(said("whoever is logged in"))
    if user is not None and waiting.exclude(asked_by=None).count() >= AT_ONCE_FOR_A_HOUSE:
        raise Busy(said("the organisation"))
