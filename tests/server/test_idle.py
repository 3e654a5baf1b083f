"""Whoever does nothing for a while is logged out; what the page asks by itself does not count as doing something."""

import pytest
from django.conf import settings

from accounts import idle
from tests.server.conftest import Api

pytestmark = pytest.mark.django_db
IDLE_S = settings.IDLE_MINUTES * 60


class Clock:
    """The moment that is read when somebody asks."""

    now = 1_000_000.0

    def time(self) -> float:
        return self.now


@pytest.fixture
def clock(monkeypatch) -> Clock:
    clock = Clock()
    monkeypatch.setattr(idle, "time", clock)
    return clock


@pytest.mark.parametrize(("seconds", "status"), [(IDLE_S - 60, 200), (IDLE_S + 60, 401)])
def test_a_session_ends_after_a_while_of_nothing(clock: Clock, api: Api, seconds: int, status: int) -> None:
    assert api.get("/day").status_code == 200
    clock.now += seconds
    assert api.get("/day").status_code == status


def test_work_keeps_it_open_and_the_pulse_does_not(clock: Clock, api: Api, client_id: str) -> None:
    half = IDLE_S / 2 + 60
    api.get("/day")
    clock.now += half
    assert api.get("/day").status_code == 200
    clock.now += half
    assert api.get(f"/clients/{client_id}/pulse").status_code == 200
    clock.now += half
    assert api.get(f"/clients/{client_id}/pulse").status_code == 401


def test_after_logging_in_again_the_same_change_goes_through(clock: Clock, api: Api, client_id: str) -> None:
    body = {"base_revision": 1, "sections": {"wishes": {"minutes": 31}}}
    api.get("/day")
    clock.now += IDLE_S + 60
    assert api.patch(f"/clients/{client_id}", body).status_code == 401
    api.token = api.get("/session").json()["csrf_token"]
    assert api.login("ann").status_code == 200
    assert api.patch(f"/clients/{client_id}", body).status_code == 200
