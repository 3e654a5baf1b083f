"""Practice over the API: the answers stay at the server until somebody has judged; attempts say what is due."""

import json

import pytest

from accounts.models import User
from practice.models import Attempt
from tests.server.conftest import Api, logged_in, user_of

pytestmark = pytest.mark.django_db


def test_a_case_is_shown_without_its_answers(api: Api) -> None:
    shown = api.get("/practice/1/5").json()["exercise"]
    assert len(shown["steps"]) == 6
    assert shown["facts"]
    assert all(s["picture"] for s in shown["steps"])
    assert "answer" not in json.dumps([{k: v for k, v in s.items() if k != "picture"} for s in shown["steps"]])
    assert api.get("/practice/1/5").json()["exercise"] == shown


def test_judging_it_shows_the_answers_and_keeps_the_attempt(api: Api, user: User) -> None:
    shown = api.get("/practice/1/5").json()["exercise"]
    answer = api.post("/practice/1/5", {"steps": {s["ref"]: "out" for s in shown["steps"]}})
    assert answer.status_code == 200
    found = answer.json()
    assert {s["answer"] for s in found["truth"]["steps"]} >= {"out", "as_it_is"}
    assert found["errors"].get("too_lax", 0) == 0
    assert found["errors"]["too_strict"] > 0
    for s in found["truth"]["steps"]:
        assert s["answer"] == "as_it_is" or s["reasons"] or s["changes"]
    [kept] = Attempt.objects.filter(user=user)
    assert (kept.right, kept.asked) == (found["right"], found["asked"])
    right = {s["ref"]: s["answer"] for s in found["truth"]["steps"]}
    offered = shown["referrals"]
    due = [offered.index(r) for r in found["truth"]["referrals"]]
    again = api.post("/practice/1/5", {"steps": right, "test": (found["truth"]["best_tests"] or [""])[0], "referrals": due}).json()
    assert (again["right"], again["errors"]) == (again["asked"], {})


def test_a_first_session_is_offered_without_its_answers_and_compared(api: Api, user: User) -> None:
    path = "/practice/1/5/session"
    offer = api.get(path).json()["offer"]
    assert offer["minutes"] > 0 and offer["owed"]
    assert not any({"standing", "why", "serves", "place"} & o.keys() for o in offer["offers"])
    everything = api.post(path, {"chosen": [o["ref"] for o in offer["offers"]]}).json()
    assert everything["errors"]["too_lax"] == 3
    own = api.post(path, {"chosen": everything["truth"]["planned"]}).json()
    assert (own["right"], own["errors"]) == (own["asked"], {})
    assert all(own["built"]["met"].values()) and own["built"]["in_order"]
    assert Attempt.objects.filter(user=user).count() == 2


def test_what_was_missed_is_due_first_and_nobody_sees_another_s(api: Api, user: User) -> None:
    truth = api.post("/practice/1/5", {"steps": {}}).json()["truth"]
    standing = api.get("/practice").json()
    assert standing["attempts"] == 1
    assert standing["due"][0]["kind"] == truth["conditions"][0]
    user_of("other", house=user.organisation)
    assert logged_in("other").get("/practice").json()["attempts"] == 0


@pytest.mark.parametrize("path", ["/practice/9/1", "/practice/1/99999999", "/practice/1/1?about=no_such_thing"])
def test_what_does_not_exist_is_refused(api: Api, path: str) -> None:
    assert api.get(path).status_code == 422


def test_whoever_sees_no_clients_practises_nothing(user: User) -> None:
    user_of("office", "administrator", user.organisation)
    assert logged_in("office").get("/practice").status_code == 403
