"""Who may do what: every endpoint × role × own and other organisation × logged out; what loosens, and by whom."""

import re
from datetime import timedelta

import pytest
from django.test import Client as Browser
from django.utils import timezone
from ninja.operation import PathView

from accounts.models import User
from accounts.roles import MAY, Action, Role, may
from api.access import Needs
from api.root import api as ninja_api
from clients.casework import create_client
from clients.models import Client
from tests.server.conftest import Api, logged_in, today_case, user_of

pytestmark = pytest.mark.django_db
OPEN = {("GET", "/session"), ("POST", "/login"), ("POST", "/password/forgotten"), ("POST", "/password/new"), ("GET", "/home/{code}"), ("POST", "/home/{code}/visits"), ("POST", "/home/{code}/visits/{key}/next-day")}  # to whoever comes
ANY_ROLE = {
    ("POST", "/logout"),
    ("POST", "/password"),
    ("GET", "/own"),
    ("POST", "/sessions/end-others"),
    ("POST", "/sessions/{session_id}/end"),
    ("POST", "/second-factor"),
    ("POST", "/second-factor/confirm"),
    ("POST", "/second-factor/remove"),
}  # to whoever is logged in
VALUES = {"name": "tests", "kind": "hand-out", "first": "2026-11-01", "second": "2026-11-02", "level": "1", "seed": "1", "code": "aaaa-bbbb-cccc-dddd", "family_id": "bridge", "step_id": "small_lift", "view": "side", "key": "hand_out.greeting", "index": "0", "session_id": "00000000-0000-0000-0000-000000000000", "batch_id": "none", "change_id": "00000000-0000-0000-0000-000000000000", "person_id": "00000000-0000-0000-0000-000000000000"}
TODAY = timezone.localdate()


def operations() -> list[tuple[str, str, Needs | None]]:
    """Every operation of the API: method, path, and what it needs."""
    found = []
    for prefix, router in ninja_api._routers:
        for path, view in router.path_operations.items():
            assert isinstance(view, PathView)
            for operation in view.operations:
                needs = next((a for a in operation.auth_callbacks if isinstance(a, Needs)), None)
                found += [(m, f"{prefix}{path}", needs) for m in operation.methods]
    return found


OPERATIONS = operations()


def address(path: str, client_id: str) -> str:
    return re.sub(r"\{(\w+)\}", lambda m: client_id if m[1] == "client_id" else VALUES[m[1]], path)


def asked(api: Api, method: str, path: str):
    return api.get(path) if method == "GET" else api.send(method.lower(), path, {})


@pytest.fixture
def people(db) -> dict[str, Api]:
    first = user_of("specialist")
    for role in Role:
        if role != Role.SPECIALIST:
            user_of(role.value, role.value, first.organisation)
    return {role.value: logged_in(role.value) for role in Role}


@pytest.fixture
def shared_client(people) -> str:
    return str(create_client(User.objects.get(username="specialist"), today_case("low-bone-mass")).pk)


def test_every_endpoint_behind_the_log_in_says_what_it_needs() -> None:
    silent = {(m, p) for m, p, needs in OPERATIONS if needs is None}
    assert silent == OPEN | ANY_ROLE


def test_every_action_is_somebodys_and_nobody_has_all_of_them() -> None:
    assert all(MAY.values())
    for role in Role:
        assert not all(may(role, a) for a in Action)
    assert not may("", Action.SEE_CLIENTS) and not may("nonsense", Action.READ_RULES)


@pytest.mark.parametrize("role", list(Role))
def test_a_role_is_let_in_where_it_may_and_nowhere_else(people, shared_client: str, role: Role) -> None:
    for method, path, needs in OPERATIONS:
        if needs is None or path.endswith(".pdf"):
            continue
        answer = asked(people[role], method, address(path, shared_client))
        closed = answer.status_code == 403 and answer.json()["title"] == "Not for this role"
        assert closed is not may(role, needs.action), (role, method, path, answer.status_code)
        assert answer.status_code < 500, (method, path, answer.content[:200])


@pytest.mark.parametrize("role", list(Role))
def test_no_role_of_another_organisation_reaches_a_client(shared_client: str, role: Role) -> None:
    user_of("stranger", role.value)
    api = logged_in("stranger")
    for method, path, needs in OPERATIONS:
        if needs is None or "{client_id}" not in path:
            continue
        answer = asked(api, method, address(path, shared_client))
        # What is asked of the body may be refused first; the client itself is never found.
        assert answer.status_code in (403, 404, 422), (method, path, answer.status_code)
        assert shared_client not in answer.content.decode(errors="replace")


def test_logged_out_nothing_answers(shared_client: str) -> None:
    api = Api(Browser(enforce_csrf_checks=True))
    for method, path, needs in OPERATIONS:
        if needs is None and (method, path) in OPEN:
            continue
        answer = asked(api, method, address(path, shared_client))
        assert answer.status_code == 401, (method, path, answer.status_code)


def test_an_administrator_sees_no_health_data_and_no_care_role_manages_people() -> None:
    for action in (Action.SEE_CLIENTS, Action.SCREEN, Action.PRINT, Action.SEE_AUDIT):
        assert not may(Role.ADMINISTRATOR, action)
    for role in (Role.ASSISTANT, Role.SPECIALIST, Role.CLINICIAN):
        assert not may(role, Action.MANAGE_PEOPLE)


# Stricter and looser


def patched(api: Api, client_id: str, sections: dict):
    revision = Client.objects.get(pk=client_id).latest().number
    return api.patch(f"/clients/{client_id}", {"base_revision": revision, "sections": sections})


OWN = {"quantity": "hold_s", "bound": 5, "reason": "tired today", "by": "Pelle", "on": TODAY.isoformat()}


def test_an_assistant_sets_stop_signs_and_stricter_limits_and_nothing_else(people, shared_client: str) -> None:
    api = people["assistant"]
    case = api.get(f"/clients/{shared_client}").json()["case"]
    assert patched(api, shared_client, {"own_limits": [*case["own_limits"], OWN]}).status_code == 200
    assert patched(api, shared_client, {"own_limits": []}).status_code == 422
    assert patched(api, shared_client, {"conditions": []}).status_code == 403
    assert patched(api, shared_client, {"wishes": {"minutes": 40}}).status_code == 403
    sign = {"asked_on": TODAY.isoformat(), "present": ["chest_pain"]}
    assert patched(api, shared_client, {"stop_signs": sign}).status_code == 200
    lifted = patched(api, shared_client, {"stop_signs": {**sign, "present": []}})
    assert lifted.status_code == 403
    assert "specialist" in lifted.json()["detail"]
    assert patched(people["specialist"], shared_client, {"stop_signs": {**sign, "present": []}}).status_code == 200


CLEARS = {
    "kind": "clears",
    "name": "Dr. Wend",
    "role": "physician",
    "profession": "physician",
    "on": TODAY.isoformat(),
    "clears": "low_bone_mass",
    "document": "letter of Monday",
}


def words(api: Api, client_id: str) -> list[dict]:
    return api.get(f"/clients/{client_id}").json()["case"]["clinician_words"]


def send_word(api: Api, client_id: str, **more):
    return patched(api, client_id, {"clinician_words": [*words(api, client_id), {**CLEARS, **more}]})


def test_a_specialists_clearing_is_only_reported_until_a_second_person_confirms_it(people, shared_client: str) -> None:
    specialist = people["specialist"]
    sneaked = send_word(specialist, shared_client, reported=False, confirmed_by="somebody", confirmed_on=TODAY.isoformat(), recorded_by="somebody")
    assert sneaked.status_code == 200, sneaked.content
    [word] = words(specialist, shared_client)
    assert (word["reported"], word["confirmed_by"], word["recorded_by"]) == (True, "", "specialist")
    path = f"/clients/{shared_client}/words/0/confirm"
    base = {"base_revision": sneaked.json()["revision"]}
    assert specialist.post(path, base).status_code == 403
    assert people["assistant"].post(path, base).status_code == 403
    assert people["clinician"].post(path, base).status_code == 200
    assert words(specialist, shared_client)[0]["confirmed_by"] == "clinician"
    again = {"base_revision": base["base_revision"] + 1}
    assert people["clinician"].post(path, again).status_code == 403


def test_a_reported_clearing_without_a_document_is_refused(people, shared_client: str) -> None:
    answer = send_word(people["specialist"], shared_client, document="")
    assert answer.status_code == 422
    assert "document" in answer.json()["detail"]


def test_a_clinicians_own_clearing_counts_at_once(people, shared_client: str) -> None:
    assert send_word(people["clinician"], shared_client, document="").status_code == 200
    assert words(people["clinician"], shared_client)[0]["reported"] is False


def test_what_was_said_is_neither_changed_nor_taken_out_but_withdrawn(people, shared_client: str) -> None:
    specialist, clinician = people["specialist"], people["clinician"]
    limit = {"kind": "limits", "quantity": "hold_s", "bound": 4, "clears": ""}
    assert send_word(clinician, shared_client, **limit).status_code == 200
    assert patched(specialist, shared_client, {"clinician_words": []}).status_code == 422
    looser = [{**words(specialist, shared_client)[0], "bound": 60}]
    assert patched(specialist, shared_client, {"clinician_words": looser}).status_code == 422
    base = {"base_revision": Client.objects.get(pk=shared_client).latest().number}
    path = f"/clients/{shared_client}/words/0/withdraw"
    assert specialist.post(path, base).status_code == 403
    assert clinician.post(path, base).status_code == 200
    assert words(specialist, shared_client)[0]["withdrawn_on"] == TODAY.isoformat()
    assert clinician.post(f"/clients/{shared_client}/words/7/withdraw", base).status_code == 404


def wanted(client_id: str, limit: str, days: int = 30) -> dict:
    return {
        "base_revision": Client.objects.get(pk=client_id).latest().number,
        "limit_id": limit,
        "step": "curl_family/legs_straight",
        "side": "both",
        "reason": "seen to be safe today",
        "expires_on": (TODAY + timedelta(days=days)).isoformat(),
    }


def test_only_a_clinician_lifts_what_is_forbidden_and_ninety_days_is_the_longest(people, shared_client: str) -> None:
    path = f"/clients/{shared_client}/overrides"
    view = people["specialist"].get(f"/clients/{shared_client}").json()
    forbidden = next(x["id"] for x in view["screen"]["limits"] if x["strength"] == "forbidden")
    plain = next(x["id"] for x in view["screen"]["limits"] if x["strength"] == "limit")
    assert people["specialist"].post(path, wanted(shared_client, forbidden)).status_code == 403
    assert people["assistant"].post(path, wanted(shared_client, plain)).status_code == 403
    assert people["specialist"].post(path, wanted(shared_client, plain, days=91)).status_code == 422
    assert people["specialist"].post(path, {**wanted(shared_client, plain), "reason": "       "}).status_code == 422
    assert people["specialist"].post(path, wanted(shared_client, plain)).status_code == 200
    assert people["clinician"].post(path, wanted(shared_client, forbidden)).status_code == 200
    kept = people["specialist"].get(f"/clients/{shared_client}").json()["case"]["overrides"]
    assert [(o["by"], o["role"]) for o in kept] == [("specialist", "specialist"), ("clinician", "clinician")]


def test_an_override_is_withdrawn_by_anybody_in_care_and_stays_in_the_record(people, shared_client: str) -> None:
    view = people["specialist"].get(f"/clients/{shared_client}").json()
    plain = next(x["id"] for x in view["screen"]["limits"] if x["strength"] == "limit")
    made = people["specialist"].post(f"/clients/{shared_client}/overrides", wanted(shared_client, plain)).json()
    path = f"/clients/{shared_client}/overrides/0/withdraw"
    assert people["assistant"].post(path, {"base_revision": made["revision"]}).status_code == 200
    [kept] = people["specialist"].get(f"/clients/{shared_client}").json()["case"]["overrides"]
    assert (kept["withdrawn_on"], kept["withdrawn_by"]) == (TODAY.isoformat(), "assistant")


@pytest.mark.parametrize(("days", "shown"), [(7, True), (8, False)])
def test_an_override_that_ends_within_a_week_shows_on_the_day(people, days: int, shown: bool) -> None:
    case = today_case("fused-spine")
    client_id = str(create_client(User.objects.get(username="specialist"), case).pk)
    view = people["specialist"].get(f"/clients/{client_id}").json()
    plain = next(x["id"] for x in view["screen"]["limits"] if x["strength"] == "limit")
    assert people["specialist"].post(f"/clients/{client_id}/overrides", wanted(client_id, plain, days)).status_code == 200
    [line] = people["specialist"].get("/day").json()["lines"]
    assert line["action"].startswith("An override ends on") is shown


def test_the_trail_of_a_client_is_read_and_taken_out_by_a_clinician(people, shared_client: str) -> None:
    people["specialist"].get(f"/clients/{shared_client}")
    patched(people["specialist"], shared_client, {"wishes": {"minutes": 33}})
    trail = people["clinician"].get(f"/clients/{shared_client}/audit").json()
    told = [(e["by"], e["action"]) for e in trail["entries"]]
    assert ("specialist", "client opened") in told and ("specialist", "case changed") in told
    assert told[0] == ("clinician", "audit trail read")
    table = people["clinician"].get(f"/clients/{shared_client}/audit.csv")
    assert table.headers["Content-Type"].startswith("text/csv")
    assert "case changed" in table.content.decode()
    assert people["specialist"].get(f"/clients/{shared_client}/audit").status_code == 403


def test_the_table_in_the_documents_is_the_one_that_is_enforced() -> None:
    from accounts.role_table import role_table
    from tests.conftest import ROOT

    assert role_table() in (ROOT / "docs" / "security.md").read_text(encoding="utf-8")
