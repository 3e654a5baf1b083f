"""Rooms over the API: fits with pictures, refusals, and faults that name the field."""

import pytest

from tests.server.conftest import Api

pytestmark = pytest.mark.django_db
KITCHEN = {
    "name": "kitchen",
    "seats": [{"name": "chair", "height_cm": 44, "depth_cm": 42}],
    "wall": True,
    "props": ["towel"],
}


def test_a_room_is_tried_without_being_kept(api: Api, client_id: str) -> None:
    answer = api.post(f"/clients/{client_id}/fits", {"room": KITCHEN})
    assert answer.status_code == 200, answer.content
    found = {f["id"]: f for f in answer.json()["fits"]}
    assert {
        "seat",
        "calf_support",
        "head_side",
        "wall",
        "grip",
        "spacer",
        "belt",
        "free_floor",
        "hands_level",
        "over_chair",
    } <= set(found)
    assert found["seat"]["svg"].startswith("<svg")
    assert all(f["low"] - 0.5 <= f["value"] <= f["high"] + 0.5 or not f["fits"] for f in found.values())
    assert api.get(f"/clients/{client_id}").json()["revision"] == 1


def test_unsafe_furniture_is_refused_with_the_reason(api: Api, client_id: str) -> None:
    room = {
        "seats": [
            {"name": "office chair", "height_cm": 48, "castors": True},
            {"name": "sofa", "height_cm": 44, "firmness": "soft"},
            {"name": "footstool", "height_cm": 22},
        ]
    }
    found = api.post(f"/clients/{client_id}/fits", {"room": room}).json()["refused"]
    reasons = {r["what"]: r["reason"] for r in found}
    assert "castors" in reasons["office chair"]
    assert "soft" in reasons["sofa"]
    assert "too low" in reasons["footstool"]


def test_a_wrong_room_names_the_field(api: Api, client_id: str) -> None:
    answer = api.post(f"/clients/{client_id}/fits", {"room": {"props": ["trampoline"]}})
    assert answer.status_code == 422
    assert "trampoline" in answer.json()["faults"][0]["reason"]
    answer = api.post(f"/clients/{client_id}/fits", {"room": {"seats": [{"name": "x", "height_cm": 500}]}})
    assert "height_cm" in answer.json()["faults"][0]["path"]


def test_every_prop_has_a_title_and_all_but_the_band_a_stand_in(api: Api) -> None:
    props = api.get("/props").json()["props"]
    assert [p["kind"] for p in props if not p["stand_in"]] == ["band"]
    assert all(p["title"] for p in props)


def test_two_rooms_are_kept_and_each_context_uses_its_own(api: Api, client_id: str) -> None:
    view = api.get(f"/clients/{client_id}").json()
    centre = {
        "name": "centre",
        "used_for": "visit",
        "seats": [{"name": "plinth", "height_cm": 52}],
        "props": ["band"],
    }
    answer = api.patch(
        f"/clients/{client_id}", {"base_revision": view["revision"], "sections": {"other_rooms": [centre]}}
    )
    assert answer.status_code == 200, answer.content
    tried = {
        context: api.post(
            f"/clients/{client_id}/try/sit_to_stand/two_legs",
            {"side": "both", "context": context, "quick": True},
        ).json()["profile"]["values"]["seat_cm"]
        for context in ("home", "visit")
    }
    assert tried["visit"] == 52
    assert tried["home"] < 50
