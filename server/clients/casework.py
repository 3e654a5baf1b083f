"""Loading a client's case, changing it, and asking the core about it."""

from collections.abc import Callable
from typing import Any

from django.db import IntegrityError, transaction
from django.utils import timezone

from accounts.models import User
from amvel.admission import admitted
from amvel.answers.verdicts import VerdictData
from amvel.case import Case, amended, read_case
from amvel.engine import Engine
from amvel.languages import said, said_together
from clients.engines import NOT_OF_THE_REVISION, engine_of, keep_engine, of_the_house, today
from clients.models import AuditEntry, CaseRevision, Client
from clients.summary import summary_of
from jobs.asking import AHEAD, NotYet, Question, known, worked_out
from jobs.models import Work

# What a page replaces as a whole; tests, overrides, visits and decisions have ways of their own, with rules of their own.
SECTIONS = (
    "person",
    "consent",
    "stop_signs",
    "conditions",
    "room",
    "other_rooms",
    "tolerates",
    "wishes",
    "understanding",
    "clinician_words",
    "own_limits",
    "reviews",
    "schools",
    "family_schools",
)
# Taken even while a stop sign stands: they may be what shows or settles it.
VITAL_TESTS = ("blood_pressure", "pulse_and_saturation", "blood_sugar")


class Stopped(Exception):
    """A stop sign stands: nothing is tested; the message names it and the next step."""


def refuse_while_stopped(engine: Engine, test: str) -> None:
    """Raise Stopped for a test of the body while a stop sign, or a missing consent, stands."""
    if engine.stop_signs and test not in VITAL_TESTS:
        raise Stopped(said_together((said_together((s.title, s.next_step), ": ") for s in engine.stop_signs), "; "))


class Stale(Exception):
    """Somebody else saved in between; nothing was lost, both versions are returned."""

    def __init__(self, current: CaseRevision) -> None:
        super().__init__(said("somebody else has changed this client in between"))
        self.current = current


def create_client(user: User, data: dict[str, Any]) -> Client:
    """A new client from a first case, with its visits where it brings any; raises CaseError when the core refuses it."""
    engine = admitted(read_case({**data, **of_the_house(user.organisation_id)}))
    summary = summary_of(engine, has_programme=False)
    with transaction.atomic():
        client = Client.objects.create(organisation=user.organisation)
        _store(client, 1, engine.case, "first entry", user, summary)
        client.visits.bulk_create(
            client.visits.model(client=client, key=v.id, version=1, on=v.on, data=v.model_dump(mode="json"), author=user)
            for v in engine.case.visits
        )
        audit(user, client, "client created")
    return client


def change(user: User, client: Client, base: int, sections: dict[str, Any], reason: str) -> CaseRevision:
    """Replace sections of the case; raises Stale when `base` is not the newest revision, CaseError when refused.

    The case is worked out before anything is locked; what changes nothing makes no revision.
    """
    newest = client.latest()
    if newest.number != base:
        raise Stale(newest)
    before = engine_of(newest).case
    case = amended(before, sections)
    if case == before:
        return newest
    engine = admitted(case, before.tests)
    summary = summary_of(engine, client.programmes.exists())
    with transaction.atomic():
        Client.objects.select_for_update().get(pk=client.pk)
        newest = client.latest()
        if newest.number != base:
            raise Stale(newest)
        try:
            with transaction.atomic():
                revision = _store(client, base + 1, case, reason, user, summary)
        except IntegrityError as error:
            raise Stale(client.latest()) from error
        audit(user, client, "case changed", ", ".join(sections))
    keep_engine(revision, engine)
    return revision


def _store(client: Client, number: int, case: Case, reason: str, user: User | None, summary: dict[str, Any]) -> CaseRevision:
    data = case.model_dump(mode="json", exclude=NOT_OF_THE_REVISION)
    revision = CaseRevision.objects.create(client=client, number=number, data=data, reason=reason[:300], author=user)
    Client.objects.filter(pk=client.pk).update(**summary)
    return revision


# What answers about a whole case depend on: the day is in these only through what it has aged.
_DIGESTS: dict[Work, Callable[[Engine], str]] = {
    Work.VERDICTS: lambda engine: engine.verdicts_digest,
    Work.EFFECTS: lambda engine: engine.verdicts_digest,
    Work.DUE_TESTS: lambda engine: engine.due_tests_digest,
}


def question_on(revision: CaseRevision, work: Work) -> Question:
    """A question about a whole case: verdicts, effects of limits, due tests."""
    digest = _DIGESTS[work](engine_of(revision))
    return Question(work, revision.client.organisation, digest, today(), str(revision.pk))


def answer_on(revision: CaseRevision, work: Work, user: User | None = None) -> Any:
    """Its answer, for this very revision; raises NotYet while it is worked out."""
    return worked_out(question_on(revision, work), user)


def known_verdicts(revision: CaseRevision) -> list[VerdictData]:
    """The verdicts on this revision as far as they are there; none where it was not judged yet."""
    return known(question_on(revision, Work.VERDICTS)) or []


def make_ready(client: Client) -> None:
    """Have everything judged before anybody asks, after whatever somebody waits for."""
    revision = client.latest()
    if engine_of(revision).stop_signs:
        return
    # Verdicts of everybody come before the rest of anybody.
    for after, work in enumerate(_DIGESTS):
        try:
            worked_out(question_on(revision, work), urgency=AHEAD - after)
        except NotYet:
            continue


def before_today(client: Client) -> CaseRevision | None:
    """The newest revision of an earlier day, to compare with; None for a client of today."""
    return client.revisions.filter(created_at__date__lt=timezone.localdate()).order_by("-number").first()


def audit(user: User | None, client: Client | None, action: str, detail: str = "") -> None:
    organisation = (
        client.organisation if client is not None else user.organisation if user is not None else None
    )
    if organisation is not None:
        AuditEntry.objects.create(
            organisation=organisation, user=user, client=client, action=action, detail=detail[:300]
        )
