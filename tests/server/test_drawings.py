"""Pictures of steps as the list asks for them, and a step page that says what its list says."""

import pytest

from clients.casework import known_verdicts
from clients.models import Client

pytestmark = pytest.mark.django_db


def picture(api, client_id: str, ref: str, query: str = ""):
    return api.get(f"/clients/{client_id}/figure/{ref}{query}")


def test_a_step_is_drawn_for_this_client(api, client_id: str) -> None:
    answer = picture(api, client_id, "clam/small_opening")
    assert answer.status_code == 200 and answer["Content-Type"] == "image/svg+xml"
    assert answer.content.decode().startswith("<svg")


def test_each_rung_and_each_measure_has_its_own_picture(api, client_id: str) -> None:
    queries = ("", "?values=open_deg:10", "?values=open_deg:40", "?side=right", "?values=lying_on:firm bed")
    drawn = [picture(api, client_id, "clam/small_opening", q).content for q in queries]
    assert len(set(drawn)) == len(queries)
    assert picture(api, client_id, "clam/larger_opening").content not in drawn


def test_the_order_in_which_pictures_are_asked_changes_none(api, client_id: str) -> None:
    refs = ("clam/small_opening", "clam/larger_opening", "knee_fold/single_fold")
    first = [picture(api, client_id, ref).content for ref in refs]
    assert [picture(api, client_id, ref).content for ref in reversed(refs)] == first[::-1]


@pytest.mark.parametrize("values", ["open_deg:wide", "no_such:3", "open_deg", ":", "open_deg:nan"])
def test_what_is_no_measure_is_left_out_of_the_picture(api, client_id: str, values: str) -> None:
    assert picture(api, client_id, "clam/small_opening", f"?values={values}").status_code == 200


def test_a_pose_that_cannot_be_taken_is_refused_in_plain_words(api, client_id: str) -> None:
    answer = picture(api, client_id, "breathing_rest/knees_bent", "?values=heel_distance_cm:22")
    assert answer.status_code == 422
    said = answer.json()
    assert (
        said["title"] == "No figure" and "joints do not reach" in said["detail"] and "mm" not in said["detail"]
    )


def test_an_unknown_side_is_refused_by_name(api, client_id: str) -> None:
    answer = picture(api, client_id, "clam/small_opening", "?side=both")
    assert answer.status_code == 404 and "both" in answer.json()["detail"]


def try_at(api, client_id: str, verdict: dict, values: dict) -> dict:
    path = f"/clients/{client_id}/try/{verdict['family']}/{verdict['step']}"
    body = {"side": verdict["side"], "context": verdict["context"], "values": values}
    return api.post(path, body).json()


def test_a_step_page_says_what_its_list_says_and_seeks_nothing_again(
    api, client_id: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    listed = api.get(f"/clients/{client_id}/verdicts").json()["verdicts"]
    kinds = {v["verdict"]: v for v in listed}
    assert {"as_is", "modified", "excluded"} <= kinds.keys()
    with monkeypatch.context() as held:
        held.setattr("amvel.answers.tried.judge_one", lambda *a: pytest.fail("sought again"))
        for verdict in kinds.values():
            assert try_at(api, client_id, verdict, verdict["original_values"])["verdict"] == verdict
    moved = kinds["modified"]
    again = try_at(api, client_id, moved, moved["values"])["verdict"]
    assert again["verdict"] == "as_is" and again["original_values"] == moved["values"]


def test_another_case_knows_no_verdicts(api, client_id: str) -> None:
    client = Client.objects.get(pk=client_id)
    assert known_verdicts(client.latest()) == []
    listed = api.get(f"/clients/{client_id}/verdicts").json()["verdicts"]
    assert known_verdicts(client.latest()) == listed
    revision = api.get(f"/clients/{client_id}").json()["revision"]
    fallen = {"conditions": [{"kind": "fall", "on": client.latest().data["consent"]["on"], "noted_on": client.latest().data["consent"]["on"]}]}
    changed = api.patch(f"/clients/{client_id}", {"base_revision": revision, "sections": fallen})
    assert changed.status_code == 200, changed.content
    assert known_verdicts(client.latest()) == []
