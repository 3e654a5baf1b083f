"""Long answers: asked for once, worked out by a worker, kept for everybody in the house; a worker may die."""

import asyncio
import json
import signal
from collections import OrderedDict
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta

import pytest
from asgiref.sync import sync_to_async
from django.conf import settings as django_settings
from django.core.management import call_command
from django.db import connection
from django.utils import timezone

from amvel.movements.profiler import solved_directly
from clients.casework import create_client, make_ready
from clients.models import Client
from jobs import tasks, working
from jobs.asking import AHEAD
from jobs.models import LongAnswer, SolvedBody, Work
from tests.patience import until
from tests.server.conftest import Api, logged_in, today_case, user_of
from tests.server.workers import Worker, worker

__all__ = ["worker"]

pytestmark = pytest.mark.worked_out_anew


@pytest.fixture
def with_workers(settings) -> None:
    settings.WORKERS = True


@pytest.fixture
def house(transactional_db) -> tuple[Api, str]:
    with connection.cursor() as cursor:  # the queue is no table of Django's: nobody empties it between tests
        cursor.execute("DELETE FROM procrastinate_jobs")
    user = user_of("ann")
    return logged_in("ann"), str(create_client(user, today_case("parkinson")).pk)


def test_who_asks_is_told_to_come_again_and_gets_the_answer_from_a_worker(house, with_workers, worker: Worker) -> None:
    api, client_id = house
    path = f"/clients/{client_id}/verdicts"
    first = api.get(path)
    assert first.status_code == 202
    assert first.json() == {"share": 0.0, "again_in_s": 1}
    worker.start()
    assert until(lambda: api.get(path).status_code == 200)
    assert {"as_is", "excluded"} <= {v["verdict"] for v in api.get(path).json()["verdicts"]}


def test_a_worker_that_is_killed_in_the_middle_costs_no_answer(house, with_workers, worker: Worker) -> None:
    api, client_id = house
    user = Client.objects.get(pk=client_id).organisation.users.get()
    client_id = str(create_client(user, today_case("new-hip")).pk)  # the longest at work, so that there is a middle
    path = f"/clients/{client_id}/verdicts"
    assert api.get(path).status_code == 202
    worker.start()
    until(lambda: LongAnswer.objects.filter(beat_at__isnull=False, done_at=None).exists())
    worker.end(signal.SIGKILL)
    assert api.get(path).status_code == 202
    worker.start()
    assert until(lambda: api.get(path).status_code == 200)


def how_jobs_ended() -> set[str]:
    with connection.cursor() as cursor:
        cursor.execute("SELECT DISTINCT status FROM procrastinate_jobs WHERE task_name = 'work_out'")
        return {status for (status,) in cursor.fetchall()}


def test_two_workers_share_the_questions_and_say_the_same(house, with_workers, worker: Worker) -> None:
    """Each question is answered by one of them, and whoever asks which process gets the same."""
    api, client_id = house
    user = Client.objects.get(pk=client_id).organisation.users.get()
    other = str(create_client(user, today_case("fit-seventy")).pk)
    paths = [f"/clients/{c}/verdicts" for c in (client_id, other)]
    assert [api.get(p).status_code for p in paths] == [202] * 2
    second = Worker()
    worker.start()
    second.start()
    try:
        until(lambda: all(api.get(p).status_code == 200 for p in paths))
        until(lambda: how_jobs_ended() == {"succeeded"})  # what was solved is written down after the answer
    finally:
        second.end(signal.SIGKILL)
    alone = working.answered(LongAnswer.objects.get(asked__case=str(Client.objects.get(pk=other).latest().pk)))
    assert api.get(paths[1]).json()["verdicts"] == json.loads(json.dumps(alone))


def test_what_one_worker_is_at_no_other_begins(house, with_workers, monkeypatch) -> None:
    api, client_id = house
    assert api.get(f"/clients/{client_id}/verdicts").status_code == 202
    row = LongAnswer.objects.get()
    begun = []
    monkeypatch.setitem(working._OF_A_CASE, Work.VERDICTS, lambda engine, args: begun.append(1) or [])
    now = timezone.now()
    for ago_s, times in ((5, 0), (60, 1)):  # alive; without a sign of life
        LongAnswer.objects.update(beat_at=now - timedelta(seconds=ago_s))
        tasks.work_out.func(row=str(row.pk))
        assert len(begun) == times


def jobs_there() -> int:
    with connection.cursor() as cursor:
        cursor.execute("SELECT count(*) FROM procrastinate_jobs WHERE task_name = 'work_out'")
        return cursor.fetchone()[0]


def test_asking_again_and_again_puts_nothing_more_in_the_queue(house, with_workers) -> None:
    api, client_id = house
    for _ in range(5):
        assert api.get(f"/clients/{client_id}/verdicts").status_code == 202
    assert jobs_there() == 1


@pytest.mark.parametrize(("ago_s", "jobs"), [(5, 0), (14, 0), (16, 1), (3600, 1)])
def test_a_question_whose_worker_has_died_is_begun_again_though_nobody_asks(house, with_workers, ago_s: int, jobs: int) -> None:
    api, client_id = house
    api.get(f"/clients/{client_id}/verdicts")
    with connection.cursor() as cursor:  # a worker took the job, and was killed
        cursor.execute("DELETE FROM procrastinate_jobs")
    LongAnswer.objects.update(beat_at=timezone.now() - timedelta(seconds=ago_s))
    tasks.take_up.func(timestamp=0)
    tasks.take_up.func(timestamp=0)
    assert jobs_there() == jobs


@pytest.mark.parametrize(("ago_s", "left", "jobs"), [(5, False, 0), (16, False, 1), (16, True, 1)])
def test_a_question_whose_worker_died_before_it_began_is_not_forgotten(house, with_workers, ago_s: int, left: bool, jobs: int) -> None:
    """The job was taken, and nobody gave a sign of life since; while a job waits (`left`) there is no second one."""
    api, client_id = house
    api.get(f"/clients/{client_id}/verdicts")
    if not left:
        with connection.cursor() as cursor:
            cursor.execute("DELETE FROM procrastinate_jobs")
    LongAnswer.objects.update(asked_at=timezone.now() - timedelta(seconds=ago_s))
    tasks.take_up.func(timestamp=0)
    tasks.take_up.func(timestamp=0)
    assert jobs_there() == jobs


def test_what_is_answered_is_not_begun_again(house, with_workers) -> None:
    api, client_id = house
    api.get(f"/clients/{client_id}/verdicts")
    tasks.work_out.func(row=str(LongAnswer.objects.get().pk))
    before = jobs_there()
    LongAnswer.objects.update(beat_at=timezone.now() - timedelta(hours=1))
    tasks.take_up.func(timestamp=0)
    assert jobs_there() == before


def test_verdicts_are_those_of_the_revision_that_they_are_said_of(house, monkeypatch) -> None:
    """Somebody saves while a list is asked for: it says the revision that it was made for, and holds that one's verdicts."""
    api, client_id = house
    first = api.get(f"/clients/{client_id}/verdicts").json()
    told = {"floor": "no"}

    def saved_meanwhile(signs) -> None:
        view = logged_in("ann").get(f"/clients/{client_id}").json()
        if view["revision"] == 1:
            sections = {"tolerates": {**view["case"]["tolerates"], **told}}
            assert logged_in("ann").patch(f"/clients/{client_id}", {"base_revision": 1, "sections": sections}).status_code == 200

    with monkeypatch.context() as held:
        held.setattr("api.movements.stopped_by", saved_meanwhile)
        between = api.get(f"/clients/{client_id}/verdicts").json()
    assert (between["revision"], between["digest"]) == (1, first["digest"])
    assert between["verdicts"] == first["verdicts"]
    after = api.get(f"/clients/{client_id}/verdicts").json()
    assert after["revision"] == 2
    assert after["verdicts"] != first["verdicts"]


def test_the_same_question_is_worked_out_once_for_everybody_in_the_house(house, with_workers) -> None:
    api, client_id = house
    for _ in range(3):
        assert api.get(f"/clients/{client_id}/verdicts").status_code == 202
    user_of("bea", house=Client.objects.get(pk=client_id).organisation)
    assert logged_in("bea").get(f"/clients/{client_id}/verdicts").status_code == 202
    assert LongAnswer.objects.count() == 1
    assert jobs_there() == 1


def test_a_programme_is_built_by_sending_the_same_request_until_it_is_there(house, with_workers) -> None:
    api, client_id = house
    body = {"context": "home", "minutes": 15, "revision": 1, "number": 0}
    assert api.post(f"/clients/{client_id}/programmes", body).status_code == 202
    assert api.get(f"/clients/{client_id}/programmes").json()["versions"] == []
    row = LongAnswer.objects.get(work=Work.PLAN)
    tasks.work_out.func(row=str(row.pk))
    made = api.post(f"/clients/{client_id}/programmes", body)
    assert made.status_code == 201
    assert made.json()["number"] == 1
    again = api.post(f"/clients/{client_id}/programmes", body)
    assert again.status_code == 409  # another one stands there now
    assert api.get(f"/clients/{client_id}/programmes").json()["versions"][0]["number"] == 1


def test_what_was_changed_while_it_was_worked_out_is_not_built(house, with_workers) -> None:
    api, client_id = house
    body = {"context": "home", "minutes": 15, "revision": 1, "number": 0}
    assert api.post(f"/clients/{client_id}/programmes", body).status_code == 202
    wishes = {**api.get(f"/clients/{client_id}").json()["case"]["wishes"], "minutes": 31}
    assert api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": {"wishes": wishes}}).status_code == 200
    refused = api.post(f"/clients/{client_id}/programmes", body)
    assert refused.status_code == 409
    assert refused.json()["current"] == {"revision": 2, "number": 0}


def test_a_request_that_is_only_under_way_is_not_taken_for_sent_twice(house, with_workers) -> None:
    api, client_id = house
    body = {"context": "home", "minutes": 15}
    headers = {"X-CSRFToken": api.token, "Idempotency-Key": "the-same"}

    def send():
        return api.browser.post(f"/api/v1/clients/{client_id}/programmes", body, content_type="application/json", headers=headers)

    assert [send().status_code for _ in range(2)] == [202, 202]
    tasks.work_out.func(row=str(LongAnswer.objects.get(work=Work.PLAN).pk))
    first, again = send(), send()
    assert first.status_code == again.status_code == 201
    assert first.json()["number"] == again.json()["number"] == 1


def test_what_cannot_be_worked_out_is_said_once_and_asked_anew_afterwards(house, with_workers, monkeypatch, caplog) -> None:
    api, client_id = house
    name = api.get(f"/clients/{client_id}").json()["case"]["person"]["name"]
    path = f"/clients/{client_id}/verdicts"
    assert api.get(path).status_code == 202

    def broken(engine, args):
        raise RuntimeError("of the core")

    row = str(LongAnswer.objects.get().pk)
    with monkeypatch.context() as held:
        held.setitem(working._OF_A_CASE, Work.VERDICTS, broken)
        tasks.work_out.func(row=row)
    answer = api.get(path)
    assert answer.status_code == 503
    assert "RuntimeError" in answer.json()["detail"]
    assert name not in caplog.text
    assert api.get(path).status_code == 202


def test_an_answer_belongs_to_its_house(house, with_workers) -> None:
    """The same case in another organisation is asked for there."""
    api, client_id = house
    assert api.get(f"/clients/{client_id}/verdicts").status_code == 202
    tasks.work_out.func(row=str(LongAnswer.objects.get().pk))
    assert api.get(f"/clients/{client_id}/verdicts").status_code == 200
    other = create_client(user_of("bob"), today_case("parkinson"))
    assert logged_in("bob").get(f"/clients/{other.pk}/verdicts").status_code == 202
    assert logged_in("bob").get(f"/clients/{client_id}/verdicts").status_code == 404


def test_what_nobody_has_asked_for_in_ninety_days_goes(house) -> None:
    api, client_id = house
    api.get(f"/clients/{client_id}/verdicts")
    now = timezone.localdate()
    for days, left in ((90, 1), (91, 0)):
        LongAnswer.objects.update(used_on=now - timedelta(days=days))
        tasks.drop_unused.func(timestamp=0)
        assert LongAnswer.objects.count() == left


def as_begun(monkeypatch) -> None:
    """A process that has just begun: no engine, no body and no answer in memory."""
    monkeypatch.setattr("clients.engines._engines", OrderedDict())
    monkeypatch.setattr("amvel.engine._profilers", OrderedDict())
    monkeypatch.setattr("api.put_into_words._said", OrderedDict())


async def _dropped() -> None:
    await tasks.drop_old_jobs.func(timestamp=0)
    await sync_to_async(lambda: connection.close())()  # that of the thread in which it worked


def test_what_a_dead_worker_had_begun_is_not_noted_for_ever(house, with_workers) -> None:
    """Its question is taken up by others (above); the note that it was at it goes, and what waits stays."""
    api, client_id = house
    api.get(f"/clients/{client_id}/verdicts")
    api.get(f"/clients/{client_id}/next-tests")
    with connection.cursor() as cursor:
        cursor.execute("UPDATE procrastinate_jobs SET status = 'doing' WHERE id = (SELECT min(id) FROM procrastinate_jobs)")
        cursor.execute("SELECT count(*) FROM procrastinate_jobs")
        before = cursor.fetchone()[0]
        with ThreadPoolExecutor(1) as elsewhere:  # in this thread a browser's event loop may be at work
            elsewhere.submit(asyncio.run, _dropped()).result()
        cursor.execute("SELECT count(*), count(*) FILTER (WHERE status = 'doing') FROM procrastinate_jobs")
        assert cursor.fetchone() == (before - 1, 0)


def test_another_worker_on_another_morning_solves_nothing_again(house, monkeypatch) -> None:
    api, client_id = house
    as_begun(monkeypatch)
    first = api.get(f"/clients/{client_id}/verdicts").json()["verdicts"]
    kept = SolvedBody.objects.get()
    assert str(client_id) not in str(bytes(kept.profiles[:200]))
    LongAnswer.objects.all().delete()
    SolvedBody.objects.update(used_on=kept.used_on - timedelta(days=5))
    as_begun(monkeypatch)
    solved = []
    monkeypatch.setattr("amvel.movements.profiler.solved_directly", lambda asked: solved.extend(asked) or solved_directly(asked))
    assert api.get(f"/clients/{client_id}/verdicts").json()["verdicts"] == first
    # What has no pose is not kept; those few are found to have none once more.
    assert len(solved) < 0.1 * len(first)
    assert SolvedBody.objects.get().used_on == timezone.localdate()


def test_nobody_waits_for_what_is_written_down_for_others(house, with_workers, monkeypatch) -> None:
    api, client_id = house
    as_begun(monkeypatch)
    assert api.get(f"/clients/{client_id}/verdicts").status_code == 202
    row = LongAnswer.objects.get()
    there = []
    monkeypatch.setattr("jobs.solved_bodies.Profiler.pack", lambda profiler: there.append(api.get(f"/clients/{client_id}/verdicts").status_code) or b"")
    tasks.work_out.func(row=str(row.pk))
    assert there == [200]
    assert SolvedBody.objects.count() == 1


def test_what_cannot_be_read_is_solved_anew(house, monkeypatch) -> None:
    api, client_id = house
    as_begun(monkeypatch)
    first = api.get(f"/clients/{client_id}/verdicts").json()["verdicts"]
    LongAnswer.objects.all().delete()
    SolvedBody.objects.update(profiles=b"torn")
    as_begun(monkeypatch)
    assert api.get(f"/clients/{client_id}/verdicts").json()["verdicts"] == first
    assert bytes(SolvedBody.objects.get().profiles) != b"torn"


def test_asking_again_keeps_an_answer(house, monkeypatch) -> None:
    """On another day, or by a process that has just begun."""
    api, client_id = house
    api.get(f"/clients/{client_id}/verdicts")
    as_begun(monkeypatch)
    LongAnswer.objects.update(used_on=timezone.localdate() - timedelta(days=80))
    api.get(f"/clients/{client_id}/verdicts")
    assert LongAnswer.objects.get().used_on == timezone.localdate()


def test_clients_are_made_ready_behind_what_somebody_waits_for(house, with_workers) -> None:
    api, client_id = house
    call_command("judge_all")
    api.get(f"/clients/{client_id}/verdicts")
    with connection.cursor() as cursor:
        cursor.execute("SELECT priority, count(*) FROM procrastinate_jobs WHERE task_name = 'work_out' GROUP BY priority ORDER BY priority DESC")
        assert cursor.fetchall() == [(14, 1), (0, 1), (-1, 1), (-2, 1)]


def test_who_may_not_be_judged_is_not_made_ready(house, with_workers) -> None:
    api, client_id = house
    client = Client.objects.get(pk=client_id)
    signs = {"stop_signs": {**client.latest().data["stop_signs"], "present": ["chest_pain"]}}
    assert api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": signs}).status_code == 200
    make_ready(client)
    assert LongAnswer.objects.count() == 0


def test_the_workers_are_the_setting_of_the_server_and_not_of_tests() -> None:
    assert django_settings.WORKERS is False


def test_what_may_be_asked_of_an_open_programme_is_worked_out_ahead(house, settings) -> None:
    """Pressed, it stands there at once; opening the page again asks nothing twice."""
    api, client_id = house
    base = api.get(f"/clients/{client_id}").json()["revision"]
    signs = {"asked_on": timezone.localdate().isoformat(), "present": []}
    assert api.patch(f"/clients/{client_id}", {"base_revision": base, "sections": {"stop_signs": signs}}).status_code == 200
    assert api.post(f"/clients/{client_id}/programmes", {"context": "home", "minutes": 15}).status_code == 201
    assert not LongAnswer.objects.filter(work=Work.WHAT_IF).exists()  # where nobody works ahead, whoever asks works it out
    settings.WORKERS = True
    assert api.get(f"/clients/{client_id}/programmes/latest").status_code == 200
    assert not LongAnswer.objects.filter(work=Work.WHAT_IF).exists()  # who only reads it asks for nothing more
    for _ in range(2):
        assert api.get(f"/clients/{client_id}/programmes/latest?to_change=true").status_code == 200
    ahead = LongAnswer.objects.get(work=Work.WHAT_IF)
    assert (ahead.done, ahead.asked_by, ahead.urgency) == (False, None, AHEAD)
    tasks.work_out.func(row=str(ahead.pk))
    answer = api.get(f"/clients/{client_id}/programmes/latest/what-if")
    assert answer.status_code == 200
    assert {a["id"] for a in answer.json()["answers"]} >= {"less_time"}
