"""Limits over the API: reviews, words, overrides, what another device hears, the rule-book on trial."""

from datetime import timedelta

import pytest
from django.utils import timezone

from clients.casework import create_client
from clients.models import AuditEntry, CaseRevision
from tests.server.conftest import Api, logged_in, today_case, user_of

pytestmark = pytest.mark.django_db
CURL = "curl_family/legs_straight"


def override(**more: object) -> dict:
    until = timezone.localdate() + timedelta(days=14)
    return {
        "base_revision": 1,
        "step": CURL,
        "side": "both",
        "reason": "seen and agreed",
        "expires_on": str(until),
        **more,
    }


@pytest.fixture
def sciatica(user) -> str:
    return str(create_client(user, today_case("sciatica")).pk)


def test_a_specialists_override_carries_the_name_of_who_is_logged_in(api: Api, sciatica: str) -> None:
    answer = api.post(f"/clients/{sciatica}/overrides", override(limit_id="flexion_sciatica.loaded_flexion_0"))
    assert answer.status_code == 200
    stored = answer.json()["case"]["overrides"][0]
    assert (stored["by"], stored["role"], stored["step"]) == ("ann", "specialist", CURL)


def test_what_is_forbidden_opens_only_by_a_clinician(api: Api, user, client_id: str) -> None:
    wanted = override(limit_id="low_bone_mass.loaded_flexion")
    refused = api.post(f"/clients/{client_id}/overrides", wanted)
    assert refused.status_code == 403
    assert "forbidden" in refused.json()["detail"]
    user_of("wend", "clinician", user.organisation)
    given = logged_in("wend").post(f"/clients/{client_id}/overrides", wanted)
    assert given.status_code == 200
    stored = given.json()["case"]["overrides"][0]
    assert (stored["by"], stored["role"]) == ("wend", "clinician")


def test_overrides_cannot_slip_in_with_other_changes(api: Api, client_id: str) -> None:
    sneaked = {
        "limit_id": "low_bone_mass.loaded_flexion",
        "step": CURL,
        "side": "both",
        "by": "Nobody",
        "role": "clinician",
        "reason": "because so",
        "on": "2026-01-01",
        "expires_on": "2027-01-01",
    }
    answer = api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": {"overrides": [sneaked]}})
    assert answer.status_code == 422
    assert answer.json()["faults"] == [{"path": "$.sections.overrides", "reason": "is not replaced as a whole"}]
    assert api.get(f"/clients/{client_id}").json()["case"]["overrides"] == []


def test_an_unknown_limit_or_step_is_not_found(api: Api, client_id: str) -> None:
    assert api.post(f"/clients/{client_id}/overrides", override(limit_id="nothing")).status_code == 404
    wrong = override(limit_id="low_bone_mass.unloaded_flexion", step="no/step")
    assert api.post(f"/clients/{client_id}/overrides", wrong).status_code == 404


def test_another_device_hears_of_a_stop_sign(api: Api, client_id: str) -> None:
    before = api.get(f"/clients/{client_id}/pulse").json()
    assert before == {"revision": 1, "stop_signs": []}
    today = str(timezone.localdate())
    signs = {"stop_signs": {"asked_on": today, "present": ["chest_pain"]}}
    api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": signs})
    assert api.get(f"/clients/{client_id}/pulse").json() == {"revision": 2, "stop_signs": ["chest_pain"]}


def test_nothing_is_tested_while_a_stop_sign_stands_but_vital_signs_are(api: Api, client_id: str) -> None:
    today = str(timezone.localdate())
    signs = {"stop_signs": {"asked_on": today, "present": ["chest_pain"]}}
    api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": signs})
    walk = {"test": "timed_up_and_go", "on": today, "seconds": 9}
    refused = api.post(f"/clients/{client_id}/tests", {"base_revision": 2, "result": walk})
    assert refused.status_code == 409
    pulse = {"test": "pulse_and_saturation", "on": today, "pulse_per_min": 80}
    assert api.post(f"/clients/{client_id}/tests", {"base_revision": 2, "result": pulse}).status_code == 200


def test_a_condition_brings_its_own_stop_signs(api: Api, client_id: str) -> None:
    conditions = [{"kind": "spinal_cord_injury", "level": "T4"}]
    answer = api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": {"conditions": conditions}})
    screen = answer.json()["screen"]
    assert "autonomic_dysreflexia" in screen["stop_questions"]
    assert [s["id"] for s in screen["stop_signs"]] == ["not_asked"]


def test_a_passed_review_moves_one_grade_and_the_history_says_so(api: Api, sciatica: str) -> None:
    review = {
        "rule": "flexion_sciatica",
        "on": str(timezone.localdate()),
        "done_strongly": True,
        "confidence_0_to_10": 9,
        "next_day_flare": False,
    }
    api.patch(
        f"/clients/{sciatica}", {"base_revision": 1, "sections": {"reviews": [review]}, "reason": "review"}
    )
    entry = api.get(f"/clients/{sciatica}/history").json()["entries"][0]
    assert entry["reason"] == "review"
    moved = {m["id"]: (m["was"], m["says"]) for m in entry["limits"]}
    assert moved["flexion_sciatica.unloaded_flexion_0"] == (
        "rounding without load at most 10°",
        "rounding without load at most 20°",
    )
    assert "flexion_sciatica.loaded_flexion_0" not in moved


def test_effects_say_what_each_limit_closes(api: Api, client_id: str) -> None:
    found = api.get(f"/clients/{client_id}/limits/effects").json()["effects"]
    assert CURL in found["low_bone_mass.loaded_flexion"]["closes"]
    assert found["low_bone_mass.rolling"]["closes"] == [
        "legs_overhead/onto_the_shoulders",
        "rolling_back/like_a_ball",
        "rolling_back/open_legs",
    ]


@pytest.mark.parametrize("view", ["side", "front", "above"])
def test_the_ranges_are_drawn(api: Api, client_id: str, view: str) -> None:
    answer = api.get(f"/clients/{client_id}/ranges/{view}")
    assert answer["Content-Type"] == "image/svg+xml"
    assert b"data-fan" in answer.content
    assert api.get(f"/clients/{client_id}/ranges/inside").status_code == 422


def test_the_rule_book_on_trial_touches_only_whom_it_concerns(
    api: Api, client_id: str, sciatica: str, stranger: Api
) -> None:
    line = {"rule": "low_bone_mass", "number": "loaded_flexion_deg", "value": 35}
    body = {"lines": [line]}
    found = api.post("/rulebook/dry-run", body).json()
    assert [c["name"] for c in found["clients"]] == ["Orla Brandt"]
    assert found["untouched"] == 1
    assert "round_and_lengthen/small" in found["clients"][0]["opens"]
    assert CURL not in found["clients"][0]["opens"]  # curls also wait to be shown
    assert stranger.post("/rulebook/dry-run", body).json() == {"clients": [], "untouched": 0, "unreadable": []}
    assert api.post("/rulebook/dry-run", {"lines": [{**line, "number": "magic"}]}).status_code == 404
    assert AuditEntry.objects.filter(action="rule-book tried").count() == 2


def test_a_stranger_sees_none_of_it(stranger: Api, client_id: str) -> None:
    for path in ("pulse", "history", "limits/effects", "ranges/side"):
        assert stranger.get(f"/clients/{client_id}/{path}").status_code == 404
    assert stranger.post(f"/clients/{client_id}/overrides", override(limit_id="x")).status_code == 404


def test_a_number_is_tried_on_everybody_else_where_one_case_cannot_be_read(api: Api, user, client_id: str) -> None:
    other = create_client(user, today_case("painful-wrist"))
    first = other.latest()  # and then one that no rule of ours would have let in
    broken = {**first.data, "person": {**first.data["person"], "mass_kg": -1}}
    CaseRevision.objects.create(client=other, number=first.number + 1, data=broken, reason="damaged")
    found = api.post("/rulebook/dry-run", {"lines": [{"rule": "low_bone_mass", "number": "loaded_flexion_deg", "value": 5}]}).json()
    assert [u["id"] for u in found["unreadable"]] == [str(other.pk)]
    assert [c["id"] for c in found["clients"]] == [client_id]


def test_postures_follow_the_case_and_are_said_in_the_language_of_who_asks(api: Api, stranger: Api, client_id: str) -> None:
    first = api.get(f"/clients/{client_id}/postures").json()
    assert (first["client"], first["revision"]) == (client_id, 1)
    flat = next(p for p in first["postures"] if p["id"] == "flat_on_the_back")
    assert {o["on"]: o["state"] for o in flat["on"]} == {"floor": "open", "bed": "open"}
    view = api.get(f"/clients/{client_id}").json()
    tolerates = {**view["case"]["tolerates"], "lying_flat": "no"}
    assert api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": {"tolerates": tolerates}}).status_code == 200
    second = api.get(f"/clients/{client_id}/postures").json()
    assert second["revision"] == 2
    flat = next(p for p in second["postures"] if p["id"] == "flat_on_the_back")
    assert {o["state"] for o in flat["on"]} == {"closed"}
    assert all("flat" in c["reason"] for o in flat["on"] for c in o["closed_by"])
    german = api.browser.get(f"/api/v1/clients/{client_id}/postures", headers={"Accept-Language": "de"}).json()
    assert [p["title"] for p in german["postures"]][:3] == ["stehend", "auf einem Bein", "sitzend"]
    assert stranger.get(f"/clients/{client_id}/postures").status_code == 404


def test_the_rule_book_is_in_the_language_of_who_asks(api: Api) -> None:
    english, german = (api.browser.get("/api/v1/rulebook/lines", headers={"Accept-Language": x}).json()["lines"] for x in ("en", "de"))
    assert [x["digest"] for x in english] == [x["digest"] for x in german]  # what is signed does not depend on who reads
    same = [e["says"] for e, g in zip(english, german, strict=True) if e["says"] == g["says"]]
    assert not same, same
    assert any("übliche Praxis" in x["source"] for x in german)
