"""Clients over the API against a real PostgreSQL."""

import pytest

from clients.models import CaseRevision
from jobs.models import LongAnswer
from tests.server.conftest import Api

pytestmark = pytest.mark.django_db
PERSON = {"name": "Nell Arden", "birth_date": "1951-06-02", "sex": "female", "stature_cm": 163, "mass_kg": 61}


def test_a_new_client_begins_with_consent_and_stop_signs(api: Api) -> None:
    made = api.post("/clients", {"case": {"person": PERSON}})
    assert made.status_code == 201
    line = api.get("/day").json()["lines"][0]
    assert (line["name"], line["station"]) == ("Nell Arden", "story")
    view = api.get(f"/clients/{made.json()['id']}").json()
    assert {s["id"] for s in view["screen"]["stop_signs"]} == {"not_asked", "no_consent"}


def test_a_refused_case_names_every_field_and_stores_nothing(api: Api) -> None:
    answer = api.post("/clients", {"case": {"person": {**PERSON, "stature_cm": 1600, "mass_kg": 2}}})
    assert answer.status_code == 422
    assert {f["path"] for f in answer.json()["faults"]} == {"$.person.stature_cm", "$.person.mass_kg"}
    assert CaseRevision.objects.count() == 0


def test_a_change_is_a_new_revision(api: Api, client_id: str) -> None:
    answer = api.patch(
        f"/clients/{client_id}",
        {"base_revision": 1, "sections": {"wishes": {"minutes": 15}}, "reason": "less time"},
    )
    assert answer.status_code == 200
    assert answer.json()["revision"] == 2
    assert [r.reason for r in CaseRevision.objects.filter(client_id=client_id).order_by("number")] == [
        "first entry",
        "less time",
    ]


def test_a_stale_change_gets_both_versions(api: Api, client_id: str) -> None:
    assert (
        api.patch(
            f"/clients/{client_id}", {"base_revision": 1, "sections": {"wishes": {"minutes": 15}}}
        ).status_code
        == 200
    )
    answer = api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": {"wishes": {"minutes": 40}}})
    assert answer.status_code == 409
    assert answer.json()["current"]["case"]["wishes"]["minutes"] == 15
    assert answer.json()["current"]["revision"] == 2


def test_a_test_result_is_added_and_read(api: Api, client_id: str) -> None:
    day = api.get(f"/clients/{client_id}").json()["case"]["as_of"]
    answer = api.post(
        f"/clients/{client_id}/tests",
        {"base_revision": 1, "result": {"test": "timed_up_and_go", "on": day, "seconds": 15.2}},
    )
    assert answer.status_code == 200
    assert any("sign of fall risk" in r["text"] for r in answer.json()["screen"]["findings"]["readings"])
    assert any(x["id"] == "falls_and_balance.hand_at_home" for x in answer.json()["screen"]["limits"])


def test_an_impossible_test_is_refused(api: Api, client_id: str) -> None:
    answer = api.post(
        f"/clients/{client_id}/tests",
        {"base_revision": 1, "result": {"test": "timed_up_and_go", "on": "1900-01-01", "seconds": 15}},
    )
    assert answer.status_code == 422
    assert "birth" in answer.json()["detail"]


def test_verdicts_are_the_cores_and_kept_by_digest(api: Api, client_id: str) -> None:
    first = api.get(f"/clients/{client_id}/verdicts").json()["verdicts"]
    curls = [v for v in first if v["family"] == "curl_family" and v["step"] == "legs_straight"]
    assert {v["verdict"] for v in curls} == {"excluded"}
    assert LongAnswer.objects.count() == 1
    assert api.get(f"/clients/{client_id}/verdicts").json()["verdicts"] == first
    assert LongAnswer.objects.count() == 1


def test_trying_a_step_gives_pose_loads_verdict_and_picture(api: Api, client_id: str) -> None:
    answer = api.post(
        f"/clients/{client_id}/try/tall_turn/arms_forward", {"side": "left", "values": {"turn_deg": 20}}
    ).json()
    assert answer["verdict"]["verdict"] == "modified"
    assert answer["profile"]["peaks"]["left.trunk_rotation_deg"] == pytest.approx(20, abs=0.2)
    assert answer["svg"].startswith("<svg")
    assert answer["modified_svg"].startswith("<svg")


def test_unknown_movements_and_ids_are_not_found(api: Api, client_id: str) -> None:
    assert api.get(f"/clients/{client_id}/figure/none/none").status_code == 404
    assert api.get("/clients/not-an-id").status_code == 404
    assert api.get("/clients/00000000-0000-0000-0000-000000000000").status_code == 404


def test_the_api_document_is_what_the_web_client_was_made_from(api: Api) -> None:
    import json

    from api.root import api as ninja
    from tests.conftest import ROOT

    stored = json.loads((ROOT / "web" / "src" / "api" / "openapi.json").read_text())
    assert json.loads(json.dumps(ninja.get_openapi_schema())) == stored, "run tools/openapi.sh"


def test_a_wild_trial_of_before_locks_nobody_out_and_a_new_one_is_refused(api: Api, client_id: str) -> None:
    """A stop-watch pressed twice may have left one: the record stays open, and what was observed stays in it."""
    revision = CaseRevision.objects.get(client_id=client_id)
    wild = {"test": "five_stands", "on": revision.data["tests"][0]["on"], "seconds": 9.0, "trials": [9.0, 1000.0]}
    CaseRevision.objects.create(
        client=revision.client, number=revision.number + 1, author=revision.author, data={**revision.data, "tests": [*revision.data["tests"], wild]}
    )
    client = api.get(f"/clients/{client_id}").json()
    tests = client["case"]["tests"]
    assert tests[-1]["trials"] == [9.0, 1000.0]
    wish = {"base_revision": client["revision"], "sections": {"wishes": {**client["case"]["wishes"], "minutes": 30}}}
    kept = api.patch(f"/clients/{client_id}", wish)
    assert kept.status_code == 200
    again = {"base_revision": kept.json()["revision"], "result": {**wild, "seconds": 8.0, "trials": [8.0, 500.0]}}
    answer = api.post(f"/clients/{client_id}/tests", again)
    assert answer.status_code == 422
    assert [f["path"] for f in answer.json()["faults"]] == [f"$.tests[{len(tests)}].trials[1]"]
