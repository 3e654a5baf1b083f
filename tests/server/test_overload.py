"""However much is asked at once, somebody is left to serve everybody else."""

import threading
from collections.abc import Iterator

import pytest

from amvel.answers import screen
from amvel.case import read_case
from amvel.engine import Engine
from clients import apart
from clients.apart import AT_ONCE, AT_ONCE_FOR_ONE, Busy
from tests.conftest import demo
from tests.server.conftest import Api


@pytest.fixture
def standing_still(settings, monkeypatch) -> Iterator[threading.Event]:
    """Long answers that wait until the test lets them go."""
    settings.LONG_ANSWERS_APART = True
    go_on = threading.Event()
    monkeypatch.setattr(apart, "_lane", lambda name: None)
    monkeypatch.setattr(apart, "_asked", lambda *a: go_on.wait(20))
    yield go_on
    go_on.set()


ENGINE = Engine(read_case(demo("fused-spine")))


def waiting_for(who: str) -> threading.Thread:
    def ask() -> None:
        apart.asker.set(who)
        apart.ask(screen, ENGINE)

    before = apart._waiting.total()
    thread = threading.Thread(target=ask)
    thread.start()
    for _ in range(400):
        if apart._waiting.total() > before:
            return thread
        threading.Event().wait(0.01)
    raise AssertionError("nobody waits")


def test_one_person_waits_for_so_many_and_not_for_one_more(standing_still) -> None:
    threads = [waiting_for("ann") for _ in range(AT_ONCE_FOR_ONE)]
    apart.asker.set("ann")
    with pytest.raises(Busy, match="try again in 5 s"):
        apart.ask(screen, ENGINE)
    threads.append(waiting_for("bea"))
    standing_still.set()
    for t in threads:
        t.join(20)
    assert apart._waiting.total() == 0
    assert apart.ask(screen, ENGINE)


def test_all_together_never_take_every_thread(standing_still) -> None:
    from config import gunicorn

    assert gunicorn.threads > AT_ONCE
    threads = [waiting_for(f"person {i}") for i in range(AT_ONCE)]
    apart.asker.set("one more")
    with pytest.raises(Busy):
        apart.ask(screen, ENGINE)
    standing_still.set()
    for t in threads:
        t.join(20)


@pytest.mark.django_db
def test_overload_is_told_as_a_problem_with_when_to_come_again(api: Api, client_id: str, monkeypatch) -> None:
    def full(*args: object, **kwargs: object) -> None:
        raise Busy

    monkeypatch.setattr(apart, "ask", full)
    answer = api.get(f"/clients/{client_id}/verdicts")
    assert answer.status_code == 503
    assert answer.headers["Retry-After"] == "5"
    assert answer.json()["title"] == "Too much at once"
    assert api.get("/session").status_code == api.get("/day").status_code == 200
