"""Two organisations, and a client for each."""

import json

import pytest
from django.core.servers.basehttp import WSGIRequestHandler
from django.test import Client as Browser

from accounts.models import Organisation, User
from clients.casework import create_client
from clients.management.commands.load_demo import WRITTEN_AS_OF, moved
from tests.answers_once import answers_once, put_by
from tests.conftest import demo
from tests.kept_connections import kept_connections
from tests.quick_passwords import quick_passwords

__all__ = ["answers_once", "kept_connections", "put_by", "quick_passwords"]

PASSWORD = "a-long-password-1"
# Django's own server sends head and body apart: held back for an acknowledgement, each answer of the live server is 40 ms late.
WSGIRequestHandler.disable_nagle_algorithm = True


@pytest.fixture(autouse=True)
def files_when_asked(settings) -> None:
    """Every test client begins an application of its own, which would look through all files of the pages first."""
    settings.WHITENOISE_AUTOREFRESH = True


class Api:
    """JSON over Django's test client, with CSRF enforced."""

    def __init__(self, browser: Browser) -> None:
        self.browser = browser
        self.token = browser.get("/api/v1/session").json()["csrf_token"]

    def get(self, path: str):
        return self.browser.get(f"/api/v1{path}")

    def send(self, method: str, path: str, body: dict, token: str | None = None):
        call = getattr(self.browser, method)
        return call(
            f"/api/v1{path}",
            json.dumps(body),
            content_type="application/json",
            headers={"X-CSRFToken": self.token if token is None else token},
        )

    def post(self, path: str, body: dict):
        return self.send("post", path, body)

    def patch(self, path: str, body: dict):
        return self.send("patch", path, body)

    def login(self, username: str, password: str = PASSWORD):
        answer = self.post("/login", {"username": username, "password": password})
        if answer.status_code == 200:
            self.token = answer.json()["csrf_token"]
        return answer


def today_case(name: str) -> dict:
    """A demo case with its dates moved to today."""
    from django.utils import timezone

    data = moved(demo(name), timezone.localdate() - WRITTEN_AS_OF)
    data.pop("as_of")
    return data


def user_of(name: str, role: str = "specialist", house: Organisation | None = None) -> User:
    house = house or Organisation.objects.create(name=f"House of {name}")
    return User.objects.create_user(name, password=PASSWORD, organisation=house, role=role)


def logged_in(name: str) -> Api:
    api = Api(Browser(enforce_csrf_checks=True))
    assert api.login(name).status_code == 200
    return api


@pytest.fixture
def user(db) -> User:
    return user_of("ann")


@pytest.fixture
def api(user) -> Api:
    api = Api(Browser(enforce_csrf_checks=True))
    assert api.login("ann").status_code == 200
    return api


@pytest.fixture
def client_id(user) -> str:
    return str(create_client(user, today_case("low-bone-mass")).pk)


@pytest.fixture
def stranger(db) -> Api:
    user_of("bob")
    api = Api(Browser(enforce_csrf_checks=True))
    assert api.login("bob").status_code == 200
    return api
