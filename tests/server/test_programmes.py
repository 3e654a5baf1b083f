"""Programmes over the API: built, swapped, re-checked, printed, and closed by a stop sign."""

import pytest

from tests.server.conftest import Api

pytestmark = pytest.mark.django_db


@pytest.fixture
def built(api: Api, client_id: str) -> dict:
    answer = api.post(f"/clients/{client_id}/programmes", {"context": "home", "minutes": 25})
    assert answer.status_code == 201, answer.content
    return answer.json()


def test_a_programme_stores_what_made_it(built: dict) -> None:
    assert built["case_digest"]
    assert built["rulebook_version"]
    assert built["answer"]["optimal"] or built["answer"]["gap"] < 0.1
    assert [s["id"] for s in built["answer"]["sessions"]] == ["A", "B"]
    assert {r for s in built["answer"]["sessions"] for r in s["movements"]} == {m["ref"] for m in built["answer"]["movements"]}
    assert built["violations"] == []


def edit(api: Api, client_id: str, base: int, kind: str, **more):
    return api.post(f"/clients/{client_id}/programmes/latest/edit", {"base": base, "kind": kind, **more})


def refs(programme: dict) -> list[str]:
    return [m["ref"] for m in programme["answer"]["movements"]]


def test_swap_offers_ranked_choices_and_takes_one(api: Api, client_id: str, built: dict) -> None:
    out = refs(built)[0]
    choices = api.get(f"/clients/{client_id}/programmes/latest/swaps/{out}").json()["swaps"]
    assert choices[0]["score"] >= choices[-1]["score"]
    answer = edit(api, client_id, 1, "swap", ref=out, into=choices[0]["ref"])
    assert answer.status_code == 201, answer.content
    assert answer.json()["number"] == 2
    assert answer.json()["made_by"] == "hand edit"
    assert refs(answer.json())[0] == choices[0]["ref"]


@pytest.mark.parametrize("kind", ["swap", "add"])
def test_a_hand_edit_to_something_forbidden_is_refused_with_the_limit(
    api: Api, client_id: str, built: dict, kind: str
) -> None:
    forbidden = "curl_family/legs_straight"
    named = {"ref": refs(built)[0], "into": forbidden} if kind == "swap" else {"ref": forbidden}
    answer = edit(api, client_id, 1, kind, **named)
    assert answer.status_code == 409
    assert "rounding under load" in answer.json()["detail"].lower()
    assert api.get(f"/clients/{client_id}/programmes/latest").json()["number"] == 1


def test_order_dose_and_lock_are_kept_and_minutes_reckoned_anew(api: Api, client_id: str, built: dict) -> None:
    turned = list(reversed(refs(built)))
    answer = edit(api, client_id, 1, "order", refs=turned).json()
    assert refs(answer) == turned
    one = answer["answer"]["movements"][0]
    own = one["set_ups"][0]
    more = {"repetitions": own["repetitions"] + 4, "sets": own["sets"], "hold_s": own["hold_s"]}
    answer = edit(api, client_id, 2, "dose", ref=one["ref"], **more).json()
    assert answer["answer"]["movements"][0]["set_ups"][0]["repetitions"] == own["repetitions"] + 4
    for before, after in zip(built["answer"]["sessions"], answer["answer"]["sessions"], strict=True):
        assert (after["minutes"] > before["minutes"]) == (after["id"] in one["sessions"])
    answer = edit(api, client_id, 3, "lock", refs=[one["ref"]]).json()
    assert answer["answer"]["locked"] == [one["ref"]]
    again = api.post(
        f"/clients/{client_id}/programmes", {"context": "home", "minutes": 25, "locked": [one["ref"]]}
    ).json()
    assert one["ref"] in refs(again)


def test_a_longer_session_than_wished_is_said_and_possible(api: Api, client_id: str, built: dict) -> None:
    number = 1
    for one in built["answer"]["movements"]:
        own = one["set_ups"][0]
        more = {"repetitions": own["repetitions"], "sets": own["sets"] + 1, "hold_s": own["hold_s"]}
        answer = edit(api, client_id, number, "dose", ref=one["ref"], **more).json()
        number += 1
    assert any("over the 25" in w for w in answer["answer"]["warnings"])


def test_a_movement_is_put_into_other_sessions_and_never_into_none(api: Api, client_id: str, built: dict) -> None:
    one = next(m for m in built["answer"]["movements"] if m["sessions"] == ["A"])
    answer = edit(api, client_id, 1, "sessions", ref=one["ref"], refs=["A", "B"]).json()
    assert all(one["ref"] in s["movements"] for s in answer["answer"]["sessions"])
    assert edit(api, client_id, 2, "sessions", ref=one["ref"], refs=[]).status_code == 409
    assert edit(api, client_id, 2, "sessions", ref=one["ref"], refs=["C"]).status_code == 409


@pytest.mark.parametrize(
    "more",
    [
        {"kind": "dose", "repetitions": 0, "sets": 1},
        {"kind": "dose", "repetitions": 8, "sets": 1, "hold_s": 90},
        {"kind": "remove", "ref": "clam/pulses"},
        {"kind": "order", "refs": ["clam/pulses"]},
    ],
)
def test_an_edit_that_makes_no_sense_says_why(api: Api, client_id: str, built: dict, more: dict) -> None:
    named = {"ref": refs(built)[0], **more}
    answer = edit(api, client_id, 1, **named)
    assert answer.status_code == 409
    assert answer.json()["detail"]


def test_undo_and_redo_go_back_and_on_and_store_every_version(api: Api, client_id: str, built: dict) -> None:
    path = f"/clients/{client_id}/programmes"
    first = refs(built)
    second = refs(edit(api, client_id, 1, "remove", ref=first[0]).json())
    third = refs(edit(api, client_id, 2, "remove", ref=first[1]).json())
    steps = [("undo", second), ("undo", first), ("redo", second), ("redo", third)]
    for number, (way, expected) in enumerate(steps, 3):
        answer = api.post(f"{path}/latest/{way}", {"base": number})
        assert answer.status_code == 201, (way, answer.content)
        assert refs(answer.json()) == expected
        # What the solver made is the solver's again once an edit is taken back.
        assert answer.json()["answer"].get("by_hand", False) == (expected != first)
    assert api.post(f"{path}/latest/redo", {"base": 7}).status_code == 404
    listed = api.get(path).json()["versions"]
    assert [v["number"] for v in listed] == [7, 6, 5, 4, 3, 2, 1]
    assert len(listed[-1]["only_here"]) == 2


def test_a_change_on_top_of_an_old_version_is_refused_with_the_new_one(
    api: Api, client_id: str, built: dict
) -> None:
    edit(api, client_id, 1, "remove", ref=refs(built)[0])
    answer = edit(api, client_id, 1, "remove", ref=refs(built)[1])
    assert answer.status_code == 409
    assert answer.json()["current"]["number"] == 2


def test_undo_never_brings_back_what_is_no_longer_allowed(api: Api, client_id: str, built: dict) -> None:
    edit(api, client_id, 1, "order", refs=list(reversed(refs(built))))
    view = api.get(f"/clients/{client_id}").json()
    never = [
        {"kind": "forbids", "name": "Dr Quill", "role": "physician", "profession": "physician", "on": view["case"]["as_of"], "quantity": q}
        for q in ("sitting", "standing", "on_the_back")
    ]
    answer = api.patch(
        f"/clients/{client_id}", {"base_revision": view["revision"], "sections": {"clinician_words": never}}
    )
    assert answer.status_code == 200, answer.content
    answer = api.post(f"/clients/{client_id}/programmes/latest/undo", {"base": 2})
    assert answer.status_code == 409
    assert api.get(f"/clients/{client_id}/programmes/latest").json()["number"] == 2


def test_the_day_after_at_most_one_movement_is_new(
    api: Api, client_id: str, built: dict, monkeypatch: pytest.MonkeyPatch
) -> None:
    from datetime import timedelta

    from django.utils import timezone

    from clients.models import Client
    from programmes import building

    client, day = Client.objects.get(pk=client_id), timezone.localdate()
    assert building.previous_steps(client, day) == ()
    done = building.previous_steps(client, day + timedelta(days=1))
    assert list(done) == refs(built)
    monkeypatch.setattr(building, "previous_steps", lambda client, today: done)
    again = api.post(f"/clients/{client_id}/programmes", {"context": "home", "minutes": 25}).json()
    assert len(set(refs(again)) - set(done)) <= 1


def test_what_would_change_names_movements_and_stores_nothing(api: Api, client_id: str, built: dict) -> None:
    found = api.get(f"/clients/{client_id}/programmes/latest/what-if?only=less_time").json()["answers"]
    assert found[0]["worth"] <= 0
    assert found[0]["minutes"] <= 20
    assert api.get(f"/clients/{client_id}/programmes/latest").json()["number"] == 1
    assert api.get(f"/clients/{client_id}/programmes/latest/what-if?only=wings").status_code == 404


def test_the_week_covers_the_obligations_or_says_what_is_short(api: Api, client_id: str, built: dict) -> None:
    week = api.get(f"/clients/{client_id}/programmes/latest/week").json()
    assert week["sessions"]
    short = api.get(f"/clients/{client_id}/programmes/latest/week?days=1").json()["short"]
    assert any("1 of 3 days" in line for line in short.values())
    assert api.get(f"/clients/{client_id}/programmes/latest/week?days=9").status_code == 422


def test_an_old_programme_shows_what_new_findings_forbid_and_is_not_printed(
    api: Api, client_id: str, built: dict
) -> None:
    view = api.get(f"/clients/{client_id}").json()
    slow = {"test": "timed_up_and_go", "on": view["case"]["as_of"], "seconds": 16}
    assert (
        api.post(f"/clients/{client_id}/tests", {"base_revision": view["revision"], "result": slow}).status_code
        == 200
    )
    latest = api.get(f"/clients/{client_id}/programmes/latest").json()
    assert latest["violations"]
    assert any("hand support" in v["why"] for v in latest["violations"])
    assert api.get(f"/clients/{client_id}/papers/hand-out.pdf").status_code == 409


def test_a_stop_sign_closes_everything_downstream(api: Api, client_id: str, built: dict) -> None:
    view = api.get(f"/clients/{client_id}").json()
    stop = {"asked_on": view["case"]["as_of"], "present": ["chest_pain"]}
    assert (
        api.patch(
            f"/clients/{client_id}", {"base_revision": view["revision"], "sections": {"stop_signs": stop}}
        ).status_code
        == 200
    )
    assert api.post(f"/clients/{client_id}/programmes", {}).status_code == 409
    for path in ("programmes/latest", "papers/hand-out.pdf", "papers/hand-out", "programmes/latest/swaps/clam/small_opening"):
        answer = api.get(f"/clients/{client_id}/{path}")
        assert answer.status_code == 409, path
        assert "emergency" in answer.json()["detail"]


def test_no_programme_yet_is_not_found(api: Api, client_id: str) -> None:
    assert api.get(f"/clients/{client_id}/programmes/latest").status_code == 404
