"""Bad input names the field and the reason, is answered as problem details, and hurts nobody else."""

import json
import re
from urllib.parse import urlencode

import pytest
from django.utils import timezone

from clients.casework import create_client
from clients.models import CaseRevision, Client
from tests.server.conftest import Api, today_case

pytestmark = pytest.mark.django_db
TODAY = timezone.localdate().isoformat()
WORD = {"kind": "limits", "name": "Dr. Wend", "role": "surgeon", "profession": "surgeon", "on": TODAY}


def is_problem(answer, status: int) -> dict:
    assert answer.status_code == status, (answer.status_code, answer.content[:300])
    assert answer.headers["Content-Type"] == "application/problem+json"
    return answer.json()


def patched(api: Api, client_id: str, sections: dict):
    return api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": sections})


def test_a_method_that_an_address_does_not_have_is_refused(api: Api) -> None:
    for path in api.get("/openapi.json").json()["paths"]:
        is_problem(api.browser.trace(re.sub(r"\{[^}]*\}", "nobody", path)), 405)


@pytest.mark.parametrize(
    ("sections", "path"),
    [
        ({"clinician_words": [{**WORD, "quantity": "nonsense", "bound": 3}]}, "$.clinician_words[0].quantity"),
        ({"clinician_words": [{**WORD, "kind": "forbids", "step": "no/such"}]}, "$.clinician_words[0].step"),
        ({"clinician_words": [{**WORD, "kind": "clears", "clears": "nonsense", "document": "a letter"}]}, "$.clinician_words[0].clears"),
        ({"clinician_words": [{**WORD, "quantity": "hold_s", "side": "left", "bound": 3}]}, "$.clinician_words[0].side"),
        ({"own_limits": [{"quantity": "nonsense", "bound": 3, "reason": "so it is", "by": "Ann", "on": TODAY}]}, "$.own_limits[0].quantity"),
        ({"reviews": [{"rule": "nonsense", "on": TODAY, "done_strongly": True, "confidence_0_to_10": 9, "next_day_flare": False}]}, "$.reviews[0].rule"),
    ],
)
def test_what_is_named_and_does_not_exist_is_refused_with_its_field(api: Api, client_id: str, sections: dict, path: str) -> None:
    body = is_problem(patched(api, client_id, sections), 422)
    assert [f["path"] for f in body["faults"]] == [path]
    assert Client.objects.get(pk=client_id).latest().number == 1


@pytest.mark.parametrize(
    "sections",
    [
        {"consent": {"on": "9999-12-31", "given_by": "client", "capacity_confirmed": True}},
        {"consent": {"on": "0001-01-01", "given_by": "client", "capacity_confirmed": True}},
        {"clinician_words": [{**WORD, "quantity": "hold_s", "bound": 3, "valid_until": "9999-12-31"}]},
        {"clinician_words": [{**WORD, "quantity": "hold_s", "bound": 3, "valid_until": "0001-01-01"}]},
        {"person": {"birth_date": "9999-12-31", "sex": "female", "stature_cm": 160, "mass_kg": 60}},
        {"person": {"birth_date": "0001-01-01", "sex": "female", "stature_cm": 160, "mass_kg": 60}},
    ],
)
def test_impossible_dates_are_refused(api: Api, client_id: str, sections: dict) -> None:
    is_problem(patched(api, client_id, sections), 422)
    assert Client.objects.get(pk=client_id).latest().number == 1


def test_what_changes_nothing_makes_no_revision(api: Api, client_id: str) -> None:
    for sections in ({}, {"wishes": api.get(f"/clients/{client_id}").json()["case"]["wishes"]}):
        answer = patched(api, client_id, sections)
        assert answer.status_code == 200
        assert answer.json()["revision"] == 1


@pytest.mark.parametrize("section", ["tests", "overrides", "visits", "decisions", "as_of", "nonsense"])
def test_a_change_cannot_go_round_the_rules_of_tests_and_overrides(api: Api, client_id: str, section: str) -> None:
    body = is_problem(patched(api, client_id, {section: []}), 422)
    assert body["faults"][0]["path"] == f"$.sections.{section}"


def nested(levels: int) -> dict:
    inner: dict = {}
    for _ in range(levels):
        inner = {"x": inner}
    return inner


@pytest.mark.parametrize(
    ("body", "path"),
    [
        ({"sections": {}}, "$.base_revision"),
        ({"base_revision": "x", "sections": {}}, "$.base_revision"),
        ({"base_revision": 1, "sections": 3}, "$.sections"),
    ],
)
def test_a_body_that_is_not_what_it_should_be_is_refused_where_it_was_sent(api: Api, client_id: str, body: object, path: str) -> None:
    found = is_problem(api.patch(f"/clients/{client_id}", body), 422)
    assert [f["path"] for f in found["faults"]] == [path]


def test_an_entry_of_a_list_is_named_by_its_number(api: Api) -> None:
    wish = {"kind": "hand-out", "clients": ["0" * 36, 7]}
    assert "$.clients[1]" in [f["path"] for f in is_problem(api.post("/papers/batches", wish), 422)["faults"]]


@pytest.mark.parametrize(
    "reason",
    ["a\0b", "a\ud800b"],
)
def test_what_no_database_can_keep_is_refused(api: Api, client_id: str, reason: str) -> None:
    body = is_problem(api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": {}, "reason": reason}), 422)
    assert "$.reason" in body["detail"]


@pytest.mark.parametrize(
    ("raw", "status"),
    [
        (b"{", 400),
        (b"\xff\xfe", 400),
        (b"[" * 100_000 + b"]" * 100_000, 400),
        (json.dumps({"base_revision": 1, "sections": nested(500)}).encode(), 422),
        (b'{"base_revision": 1, "sections": {"person": {"name": "' + b"x" * 10_000_000 + b'"}}}', 413),
        (b"[]", 422),
        (b"null", 422),
        (b'{"base_revision": 1e999, "sections": {}}', 422),
    ],
    ids=["cut off", "not utf-8", "deep brackets", "500 deep", "10 MB", "a list", "null", "infinite"],
)
def test_broken_bodies_are_answered_as_problems(api: Api, client_id: str, raw: bytes, status: int) -> None:
    answer = api.browser.patch(f"/api/v1/clients/{client_id}", raw, content_type="application/json", headers={"X-CSRFToken": api.token})
    is_problem(answer, status)


@pytest.mark.parametrize("path", ["/day?find=a%00b", "/day?page=0", "/day?page=99999999999999999999", "/day?find=" + "x" * 200])
def test_broken_addresses_are_answered_as_problems(api: Api, path: str) -> None:
    is_problem(api.get(path), 422)


def test_nothing_of_the_api_is_html(api: Api, client_id: str) -> None:
    for path in ("/nonsense", f"/clients/{client_id}/nonsense", "/clients/not-an-id"):
        is_problem(api.get(path), 404)
    is_problem(api.send("post", "/logout", {}, token="wrong"), 403)


def test_one_entry_that_cannot_be_read_hides_nobody_and_says_what_to_do(api: Api, user, client_id: str) -> None:
    spoilt = create_client(user, today_case("scoliosis-growing"))
    data = {**spoilt.latest().data, "conditions": [{"kind": "no_such_condition"}]}
    CaseRevision.objects.create(client=spoilt, number=2, data=data, reason="by another version", author=user)
    Client.objects.filter(pk=spoilt.pk).update(summed_up_on=None)
    lines = {x["id"]: x for x in api.get("/day").json()["lines"]}
    assert lines[client_id]["action"]
    assert lines[str(spoilt.pk)]["tone"] == "stop"
    assert "cannot be read" in lines[str(spoilt.pk)]["action"]
    body = is_problem(api.get(f"/clients/{spoilt.pk}"), 422)
    assert body["faults"]


def test_the_day_is_searched_and_paged_in_the_database(api: Api, user, django_assert_max_num_queries) -> None:
    case = today_case("fit-seventy")
    for i in range(3):
        case["person"]["name"] = f"Ada Number {i}"
        create_client(user, case)
    case["person"]["name"] = "Berta Other"
    create_client(user, case)
    assert {x["name"] for x in api.get("/day?find=ada n").json()["lines"]} == {f"Ada Number {i}" for i in range(3)}
    nobody = api.get("/day?find=nobody").json()
    assert (nobody["lines"], nobody["more"]) == ([], False)
    with django_assert_max_num_queries(6):
        api.get("/day")


@pytest.mark.parametrize(
    ("typed", "found"),
    [
        ("st", True),
        ("anne o'brü", True),
        ("BRÜ ann", True),
        ("lisbeth", True),
        ("beth", False),  # the beginnings of words, not any part of them
        ("anne berg", False),  # every word, not one of them
        ("o'br | berg", False),  # what means something to the database means nothing here
        ("...", False),
        ("  ", True),
    ],
)
def test_a_name_is_found_by_the_beginnings_of_its_words(api: Api, user, typed: str, found: bool) -> None:
    case = today_case("fit-seventy")
    case["person"]["name"] = "Anna-Lisbeth St.Anne O'Brünn"
    create_client(user, case)
    lines = api.get("/day?" + urlencode({"find": typed})).json()["lines"]
    assert [x["name"] for x in lines] == ([case["person"]["name"]] if found else [])


def test_more_clients_than_a_page_come_page_by_page(api: Api, user) -> None:
    Client.objects.bulk_create(
        Client(organisation=user.organisation, name=f"N{i:03}", summed_up_on=timezone.localdate(), summed_up_by=_rules(), station="story")
        for i in range(120)
    )
    pages = [api.get(f"/day?page={n}").json() for n in (1, 2, 3)]
    assert [len(p["lines"]) for p in pages] == [50, 50, 20]
    assert [p["more"] for p in pages] == [True, True, False]
    assert len({x["id"] for p in pages for x in p["lines"]}) == 120


def _rules() -> str:
    from amvel.safety import RULEBOOK_VERSION

    return RULEBOOK_VERSION


def test_a_new_morning_sums_up_only_what_is_looked_at(api: Api, user, client_id: str) -> None:
    Client.objects.filter(pk=client_id).update(summed_up_on="2020-01-01", action="stale")
    assert api.get("/day").json()["lines"][0]["action"] != "stale"
    assert Client.objects.get(pk=client_id).summed_up_on == timezone.localdate()
