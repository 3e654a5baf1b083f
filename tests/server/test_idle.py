"""Whoever does nothing for a while is logged out; what the page asks by itself does not count as doing something."""

import pytest
from django.conf import settings

from accounts import idle
from accounts.models import User
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


def test_a_late_answer_to_the_old_session_does_not_take_the_cookie_of_the_new_one(api: Api, client_id: str) -> None:
    """What was asked before a log-in may be answered after it."""
    user = User.objects.get(username="ann")
    user.session_round += 1
    user.save()
    late = api.get(f"/clients/{client_id}/pulse")
    assert late.status_code == 401
    assert settings.SESSION_COOKIE_NAME not in late.cookies
    api.token = api.get("/session").json()["csrf_token"]
    assert api.login("ann").cookies[settings.SESSION_COOKIE_NAME].value
    gone = api.post("/logout", {})
    assert gone.status_code == 200 and not gone.cookies[settings.SESSION_COOKIE_NAME].value
    assert api.get(f"/clients/{client_id}/pulse").status_code == 401
