"""A figure of the rule-book becomes another in one house: asked for, tried on everybody, signed by a second person, rolled back."""

import signal
from datetime import timedelta

import pytest
from django.db import DatabaseError, connection, transaction
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from accounts.models import Organisation
from clients.casework import create_client
from clients.models import AuditEntry, CaseRevision, Client
from jobs import of_a_house, tasks
from jobs.models import LongAnswer, Work
from rulebook_signing import caseload
from rulebook_signing.models import ChangeStep, NumberChange, StepKind
from tests.patience import until
from tests.server.conftest import Api, logged_in, today_case, user_of
from tests.server.workers import Worker, worker

__all__ = ["worker"]

FLEXION = {"rule": "low_bone_mass", "number": "loaded_flexion_deg"}
LIMIT = "low_bone_mass.loaded_flexion"
SIGNER = {"name": "Mira Holt", "profession": "surgeon"}
WHY = "the hospital nearby counts so"


@pytest.fixture
def signer(user) -> Api:
    user_of("sam", "clinician", user.organisation)
    return logged_in("sam")


def ask(api: Api, value: float = 5.0, line: dict | None = None):
    return api.post("/rulebook/changes", {"lines": [{**(line or FLEXION), "value": value}], "reason": WHY})


def sign(api: Api, change: dict, line: dict | None = None, **more):
    return api.post(f"/rulebook/changes/{change['id']}/signatures", {**(line or FLEXION), **SIGNER, "agrees": True, **more})


def bound(api: Api, client_id: str) -> float:
    limits = api.get(f"/clients/{client_id}").json()["screen"]["limits"]
    return next(x["bound"] for x in limits if x["id"] == LIMIT)


@pytest.mark.django_db
def test_it_holds_once_somebody_else_has_signed_and_no_longer_once_rolled_back(api: Api, signer: Api, client_id: str) -> None:
    before = bound(api, client_id)
    change = ask(api).json()
    assert (change["state"], change["lines"][0]["was"], change["lines"][0]["value"]) == (None, 10, 5)
    assert bound(api, client_id) == before == 10
    signed = sign(signer, change).json()
    assert signed["state"] == "in_force"
    assert [(c["id"], c["opens"], c["looser"]) for c in signed["found"]["clients"]] == [(client_id, [], [])]
    assert signed["found"]["clients"][0]["closes"]
    assert bound(api, client_id) == 5
    back = api.get(f"/rulebook/changes/{change['id']}/effect").json()
    assert back["clients"][0]["opens"] == signed["found"]["clients"][0]["closes"]
    assert back["clients"][0]["looser"] == [LIMIT]
    rolled = signer.post(f"/rulebook/changes/{change['id']}/roll-back", {"reason": "they count as we do again"}).json()
    assert (rolled["state"], rolled["state_reason"]) == ("rolled_back", "they count as we do again")
    assert bound(api, client_id) == 10
    assert signer.post(f"/rulebook/changes/{change['id']}/roll-back", {"reason": "once more"}).status_code == 409
    said = AuditEntry.objects.filter(action__startswith="rule-book change").order_by("at").values_list("action", flat=True)
    assert [x.removeprefix("rule-book change ") for x in said] == ["asked for", "signed", "in force", "rolled back"]


@pytest.mark.django_db
def test_it_holds_in_this_house_only(api: Api, signer: Api, client_id: str, stranger: Api) -> None:
    change = ask(api).json()
    sign(signer, change)
    theirs = str(create_client(Organisation.objects.exclude(number_changes=change["id"]).get().users.get(), today_case("low-bone-mass")).pk)
    assert bound(stranger, theirs) == 10
    assert stranger.get("/rulebook/changes").json() == {"changes": [], "here": []}
    assert stranger.get(f"/rulebook/changes/{change['id']}/effect").status_code == 404
    assert api.get("/rulebook/changes").json()["here"] == [{**FLEXION, "value": 5}]


@pytest.mark.django_db
def test_whoever_asks_does_not_sign_and_a_specialist_does_not_either(api: Api, signer: Api, client_id: str) -> None:
    own = ask(signer).json()
    assert own["own"] and sign(signer, own).status_code == 403
    assert sign(api, own).status_code == 403
    assert not ChangeStep.objects.exists()


@pytest.mark.django_db
def test_a_source_is_not_asked_less_of_and_the_field_says_so(api: Api) -> None:
    line = {"rule": "screening.bone_status", "number": "t_osteoporosis"}
    refused = ask(api, -3.0, line)
    assert refused.status_code == 422
    assert refused.json()["faults"][0]["path"] == "$.lines[0].value"
    assert ask(api, -2.4, line).status_code == 201
    assert ask(api, -2.5, line).status_code == 422  # that is what it is
    assert ask(api, 1.0, {**line, "number": "magic"}).status_code == 404
    assert api.post("/rulebook/changes", {"lines": [{**FLEXION, "value": 4}] * 2, "reason": WHY}).status_code == 422
    assert NumberChange.objects.count() == 1


@pytest.mark.django_db
def test_an_objection_says_why_and_ends_it(api: Api, signer: Api, client_id: str) -> None:
    change = ask(api).json()
    assert sign(signer, change, agrees=False, remark="no").status_code == 422
    declined = sign(signer, change, agrees=False, remark="five degrees nobody can tell").json()
    assert (declined["state"], declined["state_reason"]) == ("declined", "five degrees nobody can tell")
    assert sign(signer, change).status_code == 409
    assert bound(api, client_id) == 10


@pytest.mark.django_db
def test_with_several_lines_nothing_holds_before_each_is_signed(api: Api, signer: Api, client_id: str) -> None:
    other = {"rule": "stenosis", "number": "extension_deg"}
    lines = [{**FLEXION, "value": 5}, {**other, "value": 4}]
    change = api.post("/rulebook/changes", {"lines": lines, "reason": WHY}).json()
    half = sign(signer, change).json()
    assert half["state"] is None and bound(api, client_id) == 10
    assert [bool(x["signature"]) for x in half["lines"]] == [True, False]
    assert sign(signer, change, other).json()["state"] == "in_force"
    assert bound(api, client_id) == 5


@pytest.mark.django_db
def test_our_own_figure_may_ask_less_beside_a_sources_that_asks_more(api: Api, signer: Api, client_id: str) -> None:
    """What is looser through our own line is not laid at the door of the source's."""
    quoted = {"rule": "test.timed_up_and_go", "number": "at_risk_s"}
    ours = {"rule": "low_bone_mass", "number": "share_of_range"}
    found = {(x["rule"], x["number"]): x for x in api.get("/rulebook/lines").json()["lines"]}
    assert (found[tuple(quoted.values())]["doubt"], found[tuple(ours.values())]["doubt"]) == ("memory", "ours")
    lines = [{**quoted, "value": 11}, {**ours, "value": 0.8}]
    change = api.post("/rulebook/changes", {"lines": lines, "reason": WHY}).json()
    effect = api.get(f"/rulebook/changes/{change['id']}/effect").json()
    assert effect["clients"][0]["looser"]
    assert sign(signer, change, quoted).status_code == 200
    assert sign(signer, change, ours).json()["state"] == "in_force"


@pytest.mark.django_db
def test_many_changes_cost_no_more_questions_than_one(api: Api, signer: Api, client_id: str) -> None:
    sign(signer, ask(api, 9.0).json())
    with CaptureQueriesContext(connection) as one:
        assert len(api.get("/rulebook/changes").json()["changes"]) == 1
    for value in (8.0, 7.0, 6.0):
        sign(signer, ask(api, value).json())
    with CaptureQueriesContext(connection) as four:
        assert len(api.get("/rulebook/changes").json()["changes"]) == 4
    assert len(four) == len(one)


@pytest.mark.django_db
def test_a_line_that_is_another_here_is_signed_as_it_is_here(api: Api, signer: Api, client_id: str) -> None:
    change = ask(api).json()
    sign(signer, change)
    line = next(x for x in api.get("/rulebook/lines").json()["lines"] if (x["rule"], x["number"]) == tuple(FLEXION.values()))
    assert line["value"] == 5 and line["signature"]["still_the_same"]
    signer.post(f"/rulebook/changes/{change['id']}/roll-back", {"reason": "as it was"})
    line = next(x for x in api.get("/rulebook/lines").json()["lines"] if (x["rule"], x["number"]) == tuple(FLEXION.values()))
    assert line["value"] == 10 and not line["signature"]["still_the_same"]


@pytest.mark.django_db
def test_an_earlier_day_stands_by_the_figures_of_that_day(api: Api, signer: Api, user) -> None:
    today, now = timezone.localdate(), timezone.now()
    measured = {"test": "bone_density", "on": str(today - timedelta(days=30)), "site": "total_hip", "t_score": -2.9}
    person = {"birth_date": "1950-05-01", "sex": "female", "stature_cm": 165, "mass_kg": 64}
    client = Client.objects.create(organisation=user.organisation)
    CaseRevision.objects.create(client=client, number=1, data={"person": person, "tests": [measured]}, created_at=now - timedelta(days=8))
    change = NumberChange.objects.create(organisation=user.organisation, lines=[{**FLEXION, "value": 5.0, "was": 10.0}], reason=WHY, asked_by=user)
    ChangeStep.objects.create(change=change, kind=StepKind.IN_FORCE, by=user, at=now - timedelta(days=5))
    found = api.get(f"/clients/{client.pk}/between/{today - timedelta(days=7)}/{today}").json()
    assert {x["id"]: x["change"] for x in found["limits"]} == {LIMIT: "moved"}


@pytest.mark.django_db
def test_it_neither_goes_out_with_a_client_nor_comes_in(api: Api, signer: Api, client_id: str) -> None:
    sign(signer, ask(api).json())
    file = api.get(f"/clients/{client_id}/file").json()
    assert all("local_numbers" not in r["case"] for r in file["revisions"])
    refused = api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": {"local_numbers": []}})
    assert refused.status_code == 422
    brought = {**today_case("low-bone-mass"), "local_numbers": [{**FLEXION, "value": 60}]}
    new = api.post("/clients", {"case": brought})
    assert new.status_code == 201
    assert bound(api, new.json()["id"]) == 5


@pytest.mark.django_db
def test_the_database_refuses_to_rewrite_it(api: Api, signer: Api, client_id: str) -> None:
    sign(signer, ask(api).json())
    for table, column in (("rulebook_signing_numberchange", "reason"), ("rulebook_signing_changestep", "reason")):
        for statement in (f"UPDATE {table} SET {column} = 'x'", f"DELETE FROM {table}"):
            with pytest.raises(DatabaseError), transaction.atomic(), connection.cursor() as cursor:
                cursor.execute(statement)


@pytest.mark.django_db
def test_day_reads_everybody_under_the_new_figures(api: Api, signer: Api, client_id: str) -> None:
    api.get("/day")
    assert Client.objects.get(pk=client_id).summed_up_on is not None
    sign(signer, ask(api).json())
    assert Client.objects.get(pk=client_id).summed_up_on is None
    assert api.get("/day").status_code == 200
    assert Client.objects.get(pk=client_id).summed_up_on == timezone.localdate()


# -- many clients, and workers that die ------------------------------------------------------------------------------------


@pytest.fixture
def big_house(transactional_db, settings, monkeypatch) -> tuple[Api, list[str]]:
    """Forty clients of two bodies in parts of five."""
    settings.WORKERS = True
    monkeypatch.setattr(caseload, "TOGETHER", 5)
    with connection.cursor() as cursor:
        cursor.execute("DELETE FROM procrastinate_jobs")
    user = user_of("ann")
    ids = [str(create_client(user, today_case(name)).pk) for name in ("low-bone-mass", "fit-seventy")]
    first, second = (Client.objects.get(pk=i).latest().data for i in ids)
    for i in range(38):
        data = (first, second)[i % 2]
        ids.append(str(create_client(user, {**data, "person": {**data["person"], "name": f"Client {i}"}, "as_of": str(timezone.localdate())}).pk))
    return logged_in("ann"), ids


BODY = {"lines": [{**FLEXION, "value": 5}]}


def until_there(api: Api) -> dict:
    def there() -> dict | None:
        answer = api.post("/rulebook/dry-run", BODY)
        if answer.status_code == 200:
            return answer.json()
        assert answer.status_code == 202
        tasks.take_up.func(timestamp=0)  # what the clock does once a minute
        return None

    return until(there)


def test_two_workers_go_through_everybody_once_though_one_is_killed(big_house, worker: Worker) -> None:
    api, ids = big_house
    assert api.post("/rulebook/dry-run", BODY).status_code == 202
    assert LongAnswer.objects.filter(work=Work.DRY_RUN_PART).count() == 8
    other = Worker()
    worker.start()
    other.start()
    try:
        parts = LongAnswer.objects.filter(work=Work.DRY_RUN_PART)
        until(lambda: parts.exclude(done_at=None).count() >= 3, every_s=0.05)
        assert parts.filter(done_at=None).exists()
        worker.end(signal.SIGKILL)
        found = until_there(api)
    finally:
        other.end(signal.SIGKILL)
    seen = [c["id"] for c in found["clients"]]
    assert len(seen) == len(set(seen)) == 20 and found["untouched"] == 20 and not found["unreadable"]
    assert set(seen) <= set(ids)


def test_a_client_that_changes_is_looked_at_again_and_the_others_are_not(big_house, worker: Worker) -> None:
    api, ids = big_house
    api.post("/rulebook/dry-run", BODY)
    for row in LongAnswer.objects.filter(work=Work.DRY_RUN_PART):
        tasks.work_out.func(row=str(row.pk))
    before = api.post("/rulebook/dry-run", BODY).json()
    wishes = {**Client.objects.get(pk=ids[0]).latest().data["wishes"], "minutes": 31}
    assert api.patch(f"/clients/{ids[0]}", {"base_revision": 1, "sections": {"wishes": wishes}}).status_code == 200
    assert api.post("/rulebook/dry-run", BODY).status_code == 202
    waiting = LongAnswer.objects.filter(work=Work.DRY_RUN_PART, done_at=None)
    assert waiting.count() == 1
    tasks.work_out.func(row=str(waiting.get().pk))
    assert api.post("/rulebook/dry-run", BODY).json() == before


def test_a_part_that_fails_is_said_and_begun_again(big_house, monkeypatch) -> None:
    api, _ = big_house
    api.post("/rulebook/dry-run", BODY)
    rows = list(LongAnswer.objects.filter(work=Work.DRY_RUN_PART))
    with monkeypatch.context() as held:
        held.setitem(of_a_house.WORKED_OUT_WITH, Work.DRY_RUN_PART, lambda *a: 1 / 0)
        tasks.work_out.func(row=str(rows[0].pk))
    assert api.post("/rulebook/dry-run", BODY).status_code == 503
    assert api.post("/rulebook/dry-run", BODY).status_code == 202
    for row in rows:
        tasks.work_out.func(row=str(row.pk))
    assert api.post("/rulebook/dry-run", BODY).status_code == 200


def test_what_is_kept_of_it_names_nobody(big_house) -> None:
    """So that who is erased is in no list any more, however long what was found is kept."""
    api, _ids = big_house
    api.post("/rulebook/dry-run", BODY)
    for row in LongAnswer.objects.filter(work=Work.DRY_RUN_PART):
        tasks.work_out.func(row=str(row.pk))
    kept = LongAnswer.objects.get(work=Work.DRY_RUN)
    assert "Orla" not in str(kept.answer) and len(kept.answer["clients"]) == 20
