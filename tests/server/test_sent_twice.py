"""What is sent twice is done once."""

import json

import pytest

from clients.models import Answered, Client
from tests.server.conftest import Api, logged_in, today_case, user_of

pytestmark = pytest.mark.django_db


def post(api: Api, path: str, body: dict, key: str):
    headers = {"X-CSRFToken": api.token, "Idempotency-Key": key}
    return api.browser.post(f"/api/v1{path}", json.dumps(body), content_type="application/json", headers=headers)


def test_a_client_that_is_sent_twice_is_there_once(api: Api) -> None:
    body = {"case": today_case("fused-spine")}
    first, second = (post(api, "/clients", body, "tap") for _ in range(2))
    assert (first.status_code, second.status_code) == (201, 201)
    assert first.json() == second.json()
    assert Client.objects.count() == 1
    assert post(api, "/clients", body, "another tap").json() != first.json()


def test_a_test_result_that_is_sent_twice_makes_one_revision(api: Api, client_id: str) -> None:
    view = api.get(f"/clients/{client_id}").json()
    result = {"test": "timed_up_and_go", "on": view["case"]["as_of"], "seconds": 9.5}
    for _ in range(2):
        answer = post(api, f"/clients/{client_id}/tests", {"base_revision": 1, "result": result}, "once")
        assert answer.status_code == 200
        assert answer.json()["revision"] == 2


def test_a_refusal_is_repeated_too(api: Api, client_id: str) -> None:
    for _ in range(2):
        answer = post(api, f"/clients/{client_id}/tests", {"base_revision": 1, "result": {"test": "no such"}}, "bad")
        assert answer.status_code == 422
        assert answer.headers["Content-Type"] == "application/problem+json"


def test_a_key_stands_for_one_request_of_one_person(api: Api, user, client_id: str) -> None:
    result = {"test": "timed_up_and_go", "on": "2020-01-01", "seconds": 9.5}
    post(api, f"/clients/{client_id}/tests", {"base_revision": 1, "result": result}, "k")
    other = post(api, f"/clients/{client_id}/tests", {"base_revision": 2, "result": result}, "k")
    assert other.status_code == 422
    user_of("bea", "specialist", user.organisation)
    assert post(logged_in("bea"), f"/clients/{client_id}/tests", {"base_revision": 2, "result": result}, "k").status_code == 200


def test_what_is_under_way_is_not_begun_again(api: Api, user) -> None:
    from clients.sent_twice import hashlib

    body = {"case": today_case("fused-spine")}
    asked = hashlib.sha256(b"/api/v1/clients?" + b"\0" + json.dumps(body).encode()).hexdigest()
    Answered.objects.create(user=user, key="slow", asked=asked)
    assert post(api, "/clients", body, "slow").status_code == 409
    assert Client.objects.count() == 0
