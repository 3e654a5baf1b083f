"""What the server writes down of its own work: events and keys, nobody's name and nothing that anybody has entered."""

import json
import logging
from collections.abc import Callable, Iterator
from io import StringIO

import pytest
import structlog
from django.conf import settings

from config.logs import logging_config
from tests.server.conftest import Api

pytestmark = pytest.mark.django_db


@pytest.fixture
def lines() -> Iterator[Callable[[], list[dict]]]:
    """Every line that is written from now on, as the server would write it."""
    out = StringIO()
    made = logging_config("INFO")["formatters"]["json"]
    handler = logging.StreamHandler(out)
    handler.setFormatter(structlog.stdlib.ProcessorFormatter(processors=made["processors"], foreign_pre_chain=made["foreign_pre_chain"]))
    root = logging.getLogger()
    before = root.level
    root.addHandler(handler)
    root.setLevel(logging.INFO)
    yield lambda: [json.loads(x) for x in out.getvalue().splitlines()]
    root.removeHandler(handler)
    root.setLevel(before)


def test_a_request_is_one_line_with_keys_and_no_address(api: Api, user, client_id: str, lines) -> None:
    api.get(f"/clients/{client_id}")
    [line] = [x for x in lines() if x["event"] == "request"]
    assert line["route"] == "api/v1/clients/<client_id>"
    assert (line["method"], line["status"]) == ("GET", 200)
    assert line["user"] == str(user.pk)
    assert line["organisation"] == str(user.organisation_id)
    assert line["ms"] >= 0 and line["timestamp"].endswith("Z")


def test_nothing_of_a_client_gets_in_whatever_goes_wrong(api: Api, client_id: str, lines, monkeypatch) -> None:
    name = api.get(f"/clients/{client_id}").json()["case"]["person"]["name"]

    def broken(*args: object) -> None:
        raise RuntimeError(f"{name} cannot be shown")

    monkeypatch.setattr("api.clients.view", broken)
    api.browser.raise_request_exception = False
    assert api.get(f"/clients/{client_id}").status_code == 500
    api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": {"person": {"name": "Somebody Else", "sex": 5}}})
    written = json.dumps(lines())
    assert "RuntimeError" in written
    assert "clients.py:" in written
    for secret in (name, "Somebody Else", "cannot be shown", client_id):
        assert secret not in written


def test_what_other_packages_say_is_written_without_what_they_filled_in(lines) -> None:
    logging.getLogger("some.package").warning("no %s for %s", "seat", "Saskia Moreau")
    [line] = [x for x in lines() if x.get("logger") == "some.package"]
    assert line["event"] == "no %s for %s"
    assert line["level"] == "warning"


def test_the_server_writes_such_lines() -> None:
    [handler] = settings.LOGGING["root"]["handlers"]
    assert settings.LOGGING["handlers"][handler]["formatter"] == "json"


def test_a_refusal_is_one_line(api: Api, client_id: str, lines) -> None:
    """Django's own line about it names the address; the line of the request has its status."""
    assert api.get(f"/clients/{client_id[:-4]}0000").status_code == 404
    assert [(x["event"], x["status"]) for x in lines()] == [("request", 404)]
