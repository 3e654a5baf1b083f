"""Loading a client's case, changing it, and asking the core about it."""

from collections import OrderedDict
from typing import Any

from django.db import IntegrityError, transaction
from django.utils import timezone

from accounts.models import User
from amvel import answers
from amvel.admission import admitted
from amvel.case import Case, read_case
from amvel.engine import Engine
from amvel.planning.next_test import next_tests
from clients import apart
from clients.models import AuditEntry, CaseRevision, Client, Judgement
from clients.summary import summary_of

# What a page replaces as a whole; tests, overrides and the log have ways of their own, with rules of their own.
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
        raise Stopped("; ".join(f"{s.title}: {s.next_step}" for s in engine.stop_signs))


class Stale(Exception):
    """Somebody else saved in between; nothing was lost, both versions are returned."""

    def __init__(self, current: CaseRevision) -> None:
        super().__init__("somebody else has changed this client in between")
        self.current = current


def today() -> str:
    return timezone.localdate().isoformat()


def case_data(revision: CaseRevision) -> dict[str, Any]:
    """The stored case as of today."""
    return {**revision.data, "as_of": today()}


_MOST_ENGINES = 12
_engines: "OrderedDict[tuple[str, str], Engine]" = OrderedDict()


def engine_of(revision: CaseRevision) -> Engine:
    """The engine of a revision today; kept, since a revision never changes and its verdicts are asked again and again."""
    key = (str(revision.pk), today())
    engine = _engines.get(key)
    if engine is None:
        engine = Engine(read_case(case_data(revision)))
        _keep_engine(revision, engine)
    return engine


def _keep_engine(revision: CaseRevision, engine: Engine) -> None:
    _engines[str(revision.pk), today()] = engine
    while len(_engines) > _MOST_ENGINES:
        _engines.popitem(last=False)


def create_client(user: User, data: dict[str, Any]) -> Client:
    """A new client from a first case; raises CaseError when the core refuses it."""
    engine = admitted(read_case({**data, "as_of": today()}))
    summary = summary_of(engine, has_programme=False)
    with transaction.atomic():
        client = Client.objects.create(organisation=user.organisation)
        _store(client, 1, engine.case, "first entry", user, summary)
        audit(user, client, "client created")
    return client


def change(user: User, client: Client, base: int, sections: dict[str, Any], reason: str) -> CaseRevision:
    """Replace sections of the case; raises Stale when `base` is not the newest revision, CaseError when refused.

    The case is worked out before anything is locked; what changes nothing makes no revision.
    """
    newest = client.latest()
    if newest.number != base:
        raise Stale(newest)
    before = case_data(newest)
    case = read_case({**before, **sections})
    if case == read_case(before):
        return newest
    engine = admitted(case)
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
    _keep_engine(revision, engine)
    return revision


def _store(client: Client, number: int, case: Case, reason: str, user: User | None, summary: dict[str, Any]) -> CaseRevision:
    data = case.model_dump(mode="json", exclude={"as_of"})
    revision = CaseRevision.objects.create(client=client, number=number, data=data, reason=reason[:300], author=user)
    Client.objects.filter(pk=client.pk).update(**summary)
    return revision


def _judgement(client: Client, digest: str) -> Judgement:
    return Judgement.objects.get_or_create(organisation=client.organisation, digest=digest)[0]


def verdicts_of(client: Client, engine: Engine) -> list[dict[str, Any]]:
    """Every verdict as data, from the store when this very case was judged before."""
    stored = _judgement(client, engine.verdicts_digest)
    if stored.verdicts is None:
        stored.verdicts = apart.ask(answers.verdicts, engine)
        Judgement.objects.filter(pk=stored.pk).update(verdicts=stored.verdicts)
    return stored.verdicts


def known_verdicts(client: Client, engine: Engine) -> list[dict[str, Any]]:
    """The stored verdicts on this very case; none where it was not judged yet."""
    stored = Judgement.objects.filter(organisation=client.organisation, digest=engine.verdicts_digest).first()
    return (stored.verdicts if stored is not None else None) or []


def due_tests_of(client: Client, engine: Engine) -> list[dict[str, Any]]:
    """The tests that are due as data, from the store when this very case was asked about before."""
    stored = _judgement(client, engine.due_tests_digest)
    if stored.next_tests is None:
        stored.next_tests = apart.ask(next_tests, engine, lane=apart.TESTING)
        Judgement.objects.filter(pk=stored.pk).update(next_tests=stored.next_tests)
    return stored.next_tests


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
