"""Answers leave in the language that the page asks for, whatever they are put together from."""

import pytest
from ninja import Schema

from amvel.languages import said
from api.spoken import _said
from clients.models import Client
from tests.server.conftest import Api


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
