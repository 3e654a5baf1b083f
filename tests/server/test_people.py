"""People are invited by mail, choose their own password, and are ended; nobody but an administrator does it."""

import re

import pytest
from django.core import mail
from django.core.cache import cache
from django.test import Client as Browser

from accounts.models import User
from tests.server.conftest import PASSWORD, Api, logged_in, user_of

pytestmark = pytest.mark.django_db
GOOD = "seven-larks-over-the-mill"


@pytest.fixture(autouse=True)
def unhurried() -> None:
    """Nobody has asked for links from here before: what was counted is kept by the process."""
    cache.clear()


@pytest.fixture
def office(db) -> Api:
    user_of("office", "administrator")
    return logged_in("office")


def invite(office: Api, **more):
    body = {"username": "new", "email": "new@house.example", "first_name": "Nora", "last_name": "Ek", "role": "assistant", **more}
    return office.post("/people", body)


def link() -> dict[str, str]:
    found = re.search(r"who=([^&\s]+)&token=(\S+)", mail.outbox[-1].body)
    assert found
    return {"who": found[1], "token": found[2]}


def visitor() -> Api:
    return Api(Browser(enforce_csrf_checks=True))


def test_whoever_is_invited_chooses_a_password_once_and_comes_in(office: Api) -> None:
    assert invite(office).status_code == 201
    assert mail.outbox[-1].to == ["new@house.example"]
    where = link()
    assert visitor().post("/password/new", {**where, "password": GOOD}).status_code == 200
    api = visitor()
    assert api.login("new", GOOD).status_code == 200
    assert api.get("/session").json()["role"] == "assistant"
    again = visitor().post("/password/new", {**where, "password": GOOD + "x"})
    assert again.status_code == 422
    assert "used up" in again.json()["detail"]


@pytest.mark.parametrize("password", ["short", "1234567890123", "password1234", "qwertyuiop", "new@house.example"])
def test_passwords_that_are_guessed_are_refused(office: Api, password: str) -> None:
    invite(office)
    answer = visitor().post("/password/new", {**link(), "password": password})
    assert answer.status_code == 422
    assert not User.objects.get(username="new").has_usable_password()


def test_a_login_that_is_taken_and_an_address_that_is_none_are_refused(office: Api) -> None:
    assert invite(office).status_code == 201
    assert invite(office).status_code == 409
    assert invite(office, username="other", email="nowhere").status_code == 422
    assert invite(office, username="other", role="owner").status_code == 422


# The last two would pass for one: a sign that mail programs take for the end of a line, and that between quotation marks.
@pytest.mark.parametrize("email", ["nowhere", "a@b@c.example", "a b@c.example", "ü@", "a\n@c.example", "\u00fb\u001e~@c.example", '"\u001e"@c.example'])
def test_what_is_no_address_is_refused_by_name(office: Api, email: str) -> None:
    answer = invite(office, email=email)
    assert answer.status_code == 422
    assert "email" in answer.json()["faults"][0]["path"]
    assert not User.objects.filter(username="new").exists()


def test_nobody_is_invited_who_does_not_hear_of_it(office: Api, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(mail.EmailMessage, "send", _no_mail_server)
    answer = invite(office)
    assert answer.status_code == 503
    assert "nobody was invited" in answer.json()["detail"]
    assert not User.objects.filter(username="new").exists()


def test_a_link_that_did_not_go_says_nothing_of_who_works_here(office: Api, monkeypatch: pytest.MonkeyPatch) -> None:
    user_of("ann", "specialist")
    User.objects.filter(username="ann").update(email="ann@house.example")
    monkeypatch.setattr(mail.EmailMessage, "send", _no_mail_server)
    answers = [visitor().post("/password/forgotten", {"username": name}) for name in ("ann", "nobody")]
    assert [(a.status_code, a.json()) for a in answers] == [(200, {"done": True})] * 2


def _no_mail_server(message: mail.EmailMessage) -> None:
    raise ConnectionRefusedError


def test_only_the_own_house_is_seen_and_changed(office: Api) -> None:
    stranger = user_of("stranger", "specialist")
    assert [p["username"] for p in office.get("/people").json()["people"]] == ["office"]
    assert office.patch(f"/people/{stranger.pk}", {"active": False}).status_code == 404
    assert office.patch("/people/none", {"active": False}).status_code == 404


def test_an_ended_login_is_out_at_once(office: Api) -> None:
    house = User.objects.get(username="office").organisation
    ann = user_of("ann", "specialist", house)
    api = logged_in("ann")
    assert api.get("/day").status_code == 200
    assert office.patch(f"/people/{ann.pk}", {"active": False}).status_code == 200
    assert api.get("/day").status_code == 401
    assert visitor().login("ann").status_code == 401


def test_nobody_ends_the_own_login(office: Api) -> None:
    me = User.objects.get(username="office")
    assert office.patch(f"/people/{me.pk}", {"active": False}).status_code == 409
    assert office.patch(f"/people/{me.pk}", {"role": "clinician"}).status_code == 409


def test_a_forgotten_password_is_answered_alike_whether_there_is_such_a_login(db) -> None:
    ann = user_of("ann")
    ann.email = "ann@house.example"
    ann.save()
    known, unknown = (visitor().post("/password/forgotten", {"username": n}) for n in ("ann", "nobody"))
    assert known.json() == unknown.json() == {"done": True}
    assert [m.to for m in mail.outbox] == [["ann@house.example"]]
    assert visitor().post("/password/new", {**link(), "password": GOOD}).status_code == 200
    assert visitor().login("ann", GOOD).status_code == 200


def test_a_new_password_ends_every_other_session(api: Api, user) -> None:
    other = logged_in("ann")
    assert api.post("/password", {"old": "wrong", "new": GOOD}).status_code == 422
    assert api.post("/password", {"old": PASSWORD, "new": GOOD}).status_code == 200
    assert api.get("/day").status_code == 200
    assert other.get("/day").status_code == 401


def test_all_other_sessions_can_be_ended(api: Api, user) -> None:
    other = logged_in("ann")
    assert api.post("/sessions/end-others", {}).status_code == 200
    assert api.get("/day").status_code == 200
    assert other.get("/day").status_code == 401


def test_links_are_not_asked_for_without_end(db) -> None:
    user_of("ann")
    api = visitor()
    answers = [api.post("/password/forgotten", {"username": "ann"}).status_code for _ in range(14)]
    assert 429 in answers
