"""The server tells the truth about itself, also when the database is gone."""

import pytest
from django.db import OperationalError, connection
from django.test import Client as Browser

pytestmark = pytest.mark.django_db


def test_alive_and_ready() -> None:
    assert Browser().get("/healthz").json() == {"lives": True}
    assert Browser().get("/readyz").json() == {"ready": True}


def gone(*args: object, **kwargs: object) -> None:
    raise OperationalError("connection refused")


def test_without_a_database_it_lives_and_is_not_ready(monkeypatch) -> None:
    monkeypatch.setattr(connection, "ensure_connection", gone)
    assert Browser().get("/healthz").status_code == 200
    answer = Browser().get("/readyz")
    assert answer.status_code == 503
    assert answer.json() == {"ready": False, "missing": "the database does not answer"}


def test_without_a_database_the_api_says_so_as_a_problem(monkeypatch) -> None:
    monkeypatch.setattr("api.session.get_token", gone)
    answer = Browser(raise_request_exception=False).get("/api/v1/session")
    assert answer.status_code == 503
    assert answer.headers["Content-Type"] == "application/problem+json"
    assert answer.headers["Retry-After"] == "5"
    assert "nothing was lost" in answer.json()["detail"]
