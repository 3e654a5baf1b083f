"""The visit that is planned: kept, named on the day in its order, over once it has been logged."""

from datetime import timedelta

import pytest
from django.utils import timezone

from clients.casework import create_client
from clients.models import AuditEntry, Client
from tests.server.conftest import Api, today_case, user_of
from tests.visits import once

pytestmark = pytest.mark.django_db


def in_days(days: int) -> str:
    return (timezone.localdate() + timedelta(days=days)).isoformat()


def logged(key: str, by: str = "specialist", context: str = "visit") -> dict:
    """A session of today."""
    sure = {"began": None, "effort_0_to_10": 3}
    return {"id": f"next-visit-{key}", "on": in_days(0), "context": context, "by": by, **sure, "movements": [once("tall_sitting/unsupported")]}


def planned(api: Api, client_id: str, days: int, at: str):
    return api.send("put", f"/clients/{client_id}/next-visit", {"on": in_days(days), "at": at})


def test_what_is_suggested_is_planned_with_one_request(api: Api, client_id: str) -> None:
    first = api.get(f"/clients/{client_id}/next-visit").json()
    assert (first["on"], first["at"]) == (None, None)
    best = first["suggested"][0]
    assert best["why"]
    kept = api.send("put", f"/clients/{client_id}/next-visit", {"on": best["on"], "at": best["at"]}).json()
    assert (kept["on"], kept["at"]) == (best["on"], best["at"])
    assert AuditEntry.objects.filter(client_id=client_id, action="next visit planned").count() == 1
    none = api.send("put", f"/clients/{client_id}/next-visit", {}).json()
    assert none["on"] is None


@pytest.mark.parametrize(("body", "field"), [({"on": "2020-01-01", "at": "10:00"}, "on"), ({"on": "2999-01-01", "at": "10:00"}, "on"), ({"at": "10:00"}, "at"), ({"on": "2999-01-01", "at": "10:00Z"}, "at")])
def test_a_day_that_cannot_be_is_refused_by_its_field(api: Api, client_id: str, body: dict, field: str) -> None:
    answer = api.send("put", f"/clients/{client_id}/next-visit", body)
    assert answer.status_code == 422
    assert [f["path"] for f in answer.json()["faults"]] == [f"$.{field}"]


def test_the_day_shows_missed_visits_then_todays_then_later_ones(api: Api, user) -> None:
    names = {}
    for days, at in ((2, "09:00"), (0, "15:00"), (0, "09:30"), (-3, "10:00"), (None, None)):
        client = create_client(user, today_case("fit-seventy"))
        on = None if days is None else timezone.localdate() + timedelta(days=days)
        Client.objects.filter(pk=client.pk).update(visit_on=on, visit_at=at)
        names[str(client.pk)] = (days, at)
    day = api.get("/day").json()
    assert day["today"] == in_days(0)
    assert [names[line["id"]] for line in day["lines"]] == [(-3, "10:00"), (0, "09:30"), (0, "15:00"), (2, "09:00"), (None, None)]


def test_who_else_is_expected_within_the_hour_is_named(api: Api, user, client_id: str) -> None:
    other = create_client(user, today_case("stroke"))
    assert planned(api, str(other.pk), 5, "10:00").json()["expected"] == []
    assert planned(api, client_id, 5, "10:45").json()["expected"] == [other.name or Client.objects.get(pk=other.pk).name]
    assert planned(api, client_id, 5, "11:00").json()["expected"] == []
    elsewhere = create_client(user_of("eve"), today_case("stroke"))
    Client.objects.filter(pk=elsewhere.pk).update(visit_on=in_days(5), visit_at="11:00")
    assert api.get(f"/clients/{client_id}/next-visit").json()["expected"] == []


def test_a_visit_that_was_logged_is_no_longer_planned_and_a_later_one_is(api: Api, client_id: str) -> None:
    log = f"/clients/{client_id}/visits"
    planned(api, client_id, 0, "10:00")
    assert api.post(log, {"visit": logged("a")}).status_code == 201
    assert api.get(f"/clients/{client_id}/next-visit").json()["on"] is None
    planned(api, client_id, 7, "10:00")
    assert api.post(log, {"visit": logged("b")}).status_code == 201
    assert api.get(f"/clients/{client_id}/next-visit").json()["on"] == in_days(7)
    planned(api, client_id, 0, "10:00")
    assert api.post(log, {"visit": logged("d", context="home")}).status_code == 201  # a home programme, run at the mat
    assert api.get(f"/clients/{client_id}/next-visit").json()["on"] is None
    planned(api, client_id, 0, "10:00")
    assert api.post(log, {"visit": logged("c", "client", "home")}).status_code == 201
    assert api.get(f"/clients/{client_id}/next-visit").json()["on"] == in_days(0)


def test_a_visit_that_has_not_been_is_missed_and_another_is_suggested(api: Api, client_id: str) -> None:
    Client.objects.filter(pk=client_id).update(visit_on=in_days(-2), visit_at="10:00")
    found = api.get(f"/clients/{client_id}/next-visit").json()
    assert (found["on"], found["at"], found["missed"]) == (None, None, in_days(-2))
    assert planned(api, client_id, 3, "09:00").json()["missed"] is None


def test_the_hand_out_says_when_the_next_visit_is(api: Api, client_id: str) -> None:
    assert api.post(f"/clients/{client_id}/programmes", {"context": "home", "minutes": 15}).status_code == 201
    page = f"/clients/{client_id}/papers/hand-out"
    assert "Next visit" not in api.get(page).content.decode()
    planned(api, client_id, 5, "10:00")
    on = timezone.localdate() + timedelta(days=5)
    assert f"{on:%A}, {on.day} {on:%B} {on.year}, 10:00" in api.get(page).content.decode()


def test_how_the_day_after_was_is_asked_on_no_earlier_day(api: Api, client_id: str) -> None:
    assert api.post(f"/clients/{client_id}/programmes", {"context": "home", "minutes": 15}).status_code == 201
    log, sheet = f"/clients/{client_id}/visits", f"/clients/{client_id}/run-sheet"
    before = api.get(sheet).json()["last"]
    assert api.post(log, {"visit": logged("today")}).status_code == 201
    assert api.get(sheet).json()["last"] == before
    assert api.post(log, {"visit": {**logged("yesterday"), "on": in_days(-1)}}).status_code == 201
    assert api.get(sheet).json()["last"] == {"id": "next-visit-yesterday", "on": in_days(-1), "told": False}


def test_what_is_told_later_of_an_old_visit_leaves_what_is_planned(api: Api, client_id: str) -> None:
    log = f"/clients/{client_id}/visits"
    assert api.post(log, {"visit": logged("early")}).status_code == 201
    planned(api, client_id, 0, "17:00")
    assert api.post(log, {"visit": {**logged("early"), "effort_0_to_10": 4}}).json()["version"] == 2
    assert api.get(f"/clients/{client_id}/next-visit").json()["on"] == in_days(0)
