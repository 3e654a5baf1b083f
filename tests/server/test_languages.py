"""Answers leave in the language that the page asks for, whatever they are put together from."""

import json
import re
from collections.abc import Iterator

import pytest
from ninja import Schema

from amvel.languages import said
from api.spoken import _said
from clients.models import Client
from tests.server.conftest import PASSWORD, Api


class Line(Schema):
    action: str


class Page(Schema):
    lines: list[Line]
    first: Line


def test_schemas_inside_schemas_are_said_too() -> None:
    line = Line.model_construct(action=said("Build the programme"))
    page = Page.model_construct(lines=[line], first=line)
    assert _said(page, "de") == {"lines": [{"action": "Das Programm bauen"}], "first": {"action": "Das Programm bauen"}}


@pytest.mark.django_db
def test_the_day_is_said_in_the_language_of_the_page(api: Api, client_id: str) -> None:
    english = api.get("/day").json()["lines"][0]["action"]
    german = api.browser.get("/api/v1/day", headers={"Accept-Language": "de-AT,de;q=0.9"}).json()["lines"][0]["action"]
    assert str(Client.objects.get(pk=client_id).action) == english != german


GERMAN = {"Accept-Language": "de"}


@pytest.mark.django_db
def test_a_refusal_is_said_in_the_language_of_who_asked(api: Api, client_id: str) -> None:
    body = {"base_revision": 1, "sections": {"person": {"name": "Ada", "birth_date": "1950-01-01", "sex": "female", "stature_cm": 400, "mass_kg": 60}}}
    sent = {"content_type": "application/json", "headers": {"X-CSRFToken": api.token}}
    english = api.browser.patch(f"/api/v1/clients/{client_id}", json.dumps(body), **sent).json()
    sent["headers"] = {**sent["headers"], **GERMAN}
    german = api.browser.patch(f"/api/v1/clients/{client_id}", json.dumps(body), **sent).json()
    assert (english["title"], german["title"]) == ("The case is refused", "Die Angaben werden abgelehnt")
    assert english["faults"] == [{"path": "$.person.stature_cm", "reason": "at most 220"}]
    assert german["faults"] == [{"path": "$.person.stature_cm", "reason": "höchstens 220"}]
    assert german["detail"] == "$.person.stature_cm: höchstens 220"


@pytest.mark.django_db
def test_the_next_request_is_not_answered_in_the_language_of_the_last(api: Api) -> None:
    nowhere = "/api/v1/clients/00000000-0000-0000-0000-000000000000"
    assert api.browser.get(nowhere, headers=GERMAN).json()["title"] == "Nicht gefunden"
    assert api.browser.get(nowhere).json()["title"] == "Not found"


@pytest.mark.django_db
def test_a_refused_password_is_explained_in_the_language_of_who_asked(api: Api) -> None:
    body = json.dumps({"old": PASSWORD, "new": "short"})
    refused = api.browser.post("/api/v1/password", body, content_type="application/json", headers={"X-CSRFToken": api.token, **GERMAN}).json()
    assert refused["title"] == "Das Passwort wird abgelehnt"
    assert "zu kurz" in refused["detail"]


# Names of members that hold what a program reads, what somebody typed, or a work that is cited.
NOT_SAID = frozenset(
    ("id", "kind", "value", "first", "name", "names", "number", "rule", "step", "steps", "family", "side", "parameter", "quantity", "easier", "position", "unit")
    + ("from", "to", "on", "choices", "case", "values", "original_values", "words", "text", "organisation", "sources", "work")
)
AS_IT_WAS_WRITTEN = ("/api/v1/clients/{client_id}/file", "/api/v1/clients/{client_id}/history")
THE_SAME_IN_BOTH = frozenset(("Placenta praevia", "30 %"))


def _texts(answer: object, *names: str) -> Iterator[tuple[tuple[str, ...], str]]:
    """Every text that is said, with the names that lead to it."""
    if isinstance(answer, dict):
        yield from (x for name, value in answer.items() if name not in NOT_SAID for x in _texts(value, *names, name))
    elif isinstance(answer, list):
        yield from (x for value in answer for x in _texts(value, *names))
    elif isinstance(answer, str):
        yield names, answer


def _asked_of_a_client() -> list[str]:
    """Addresses that read, of nobody and of a client."""
    from api.root import api as ninja  # reads every view of the server

    reading = [path for path, methods in ninja.get_openapi_schema()["paths"].items() if "get" in methods]
    return [p for p in reading if set(re.findall(r"{(\w+)}", p)) <= {"client_id"} and p not in AS_IT_WAS_WRITTEN]


@pytest.mark.django_db
def test_nothing_that_a_page_shows_stays_english(api: Api, client_id: str) -> None:
    """What is said in two languages differs: a text of several words that does not was never put into words of the other."""
    asked, english = 0, []
    for path in _asked_of_a_client():
        here, there = (api.browser.get(path.format(client_id=client_id), headers=language) for language in (GERMAN, {}))
        if here.headers.get("Content-Type", "").startswith("application/json") and here.status_code == 200:
            asked += 1
            same = {text for _, text in set(_texts(here.json())) & set(_texts(there.json())) if " " in text.strip() and not text.startswith("<svg")}
            english += [(path, text[:80]) for text in sorted(same - THE_SAME_IN_BOTH)]
    assert asked > 20
    assert english == []
