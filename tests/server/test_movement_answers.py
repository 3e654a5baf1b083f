"""What the server says of a step: motion, steadiness, how it is taught; and what it refuses."""

import json

import pytest

from amvel.movements import find
from amvel.screening import test_library as library_of_tests
from clients.casework import question_on
from clients.models import Client
from jobs.asking import known_entry
from jobs.models import Work
from tests.server.conftest import Api

pytestmark = pytest.mark.django_db


def tried(api, client_id: str, ref: str, side: str = "left", **values):
    return api.post(
        f"/clients/{client_id}/try/{ref}", {"side": side, "context": "visit", "values": values}
    ).json()


def test_a_quick_try_shows_the_pose_and_allows_nothing(api, client_id: str) -> None:
    answer = api.post(
        f"/clients/{client_id}/try/sit_to_stand/two_legs",
        {"side": "both", "context": "visit", "values": {"seat_cm": 50}, "quick": True},
    ).json()
    assert answer["verdict"] is None
    assert answer["svg"].startswith("<svg")
    assert answer["profile"]["values"]["seat_cm"] == 50


def test_a_movie_has_frames_in_one_box_and_starts_where_the_figure_starts(api, client_id: str) -> None:
    answer = api.post(f"/clients/{client_id}/movie/knee_fold/single_fold", {"side": "left"})
    movie = answer.json()
    assert answer.status_code == 200
    boxes = {frame.split('viewBox="')[1].split('"')[0] for frame in movie["frames"]}
    assert len(movie["frames"]) == 7
    assert len(boxes) == 1
    assert {b["frame"] for b in movie["beats"]} == set(range(7))
    assert {b["breath"] for b in movie["beats"]} == {"in", "out", "on"}


def test_the_pacer_follows_the_school_of_this_client(api, client_id: str) -> None:
    revision = api.get(f"/clients/{client_id}").json()["revision"]
    api.patch(
        f"/clients/{client_id}",
        {"base_revision": revision, "sections": {"schools": {"breath": "continuous"}}, "reason": "choice"},
    )
    movie = api.post(f"/clients/{client_id}/movie/knee_fold/single_fold", {"side": "left"}).json()
    assert {b["breath"] for b in movie["beats"] if 0 < b["frame"] < 6} == {"out"}


def test_a_pose_that_this_body_cannot_take_has_no_movie(api, client_id: str) -> None:
    answer = api.post(
        f"/clients/{client_id}/movie/sit_back_rest/on_the_floor", {"side": "both", "values": {"back_cm": 30}}
    )
    assert answer.status_code == 422
    assert answer.json()["title"] == "No figure"


def test_an_unknown_step_is_named(api, client_id: str) -> None:
    answer = api.post(f"/clients/{client_id}/movie/knee_fold/no_such", {"side": "left"})
    assert answer.status_code == 404
    assert "no_such" in answer.json()["detail"]


def test_a_tried_step_says_how_steady_it_is_and_how_it_is_taught(api, client_id: str) -> None:
    answer = tried(api, client_id, "wall_plank/forearms", "both")
    assert {s["frame"] for s in answer["steady"]} == {"forearms on the wall"}
    assert answer["steady"][0]["friction_needed"] > 0
    assert "out" in answer["lines"]["breath"]
    assert answer["hold"] is None


def test_a_measured_hold_gives_a_suggested_one(api, client_id: str) -> None:
    revision = api.get(f"/clients/{client_id}").json()["revision"]
    on = api.get(f"/clients/{client_id}").json()["case"]["as_of"]
    result = {"test": "plank_hold", "on": on, "seconds": 40}
    assert (
        api.post(f"/clients/{client_id}/tests", {"base_revision": revision, "result": result}).status_code
        == 200
    )
    hold = tried(api, client_id, "counter_plank/lower", "both")["hold"]
    assert hold["low_s"] <= hold["high_s"]
    assert 0 < hold["suggested_s"] <= hold["low_s"]
    assert hold["shown_by"] == library_of_tests()["plank_hold"].title


def test_schools_are_kept_through_the_case_and_a_wrong_answer_is_refused_by_name(api, client_id: str) -> None:
    revision = api.get(f"/clients/{client_id}").json()["revision"]
    wrong = api.patch(
        f"/clients/{client_id}",
        {"base_revision": revision, "sections": {"schools": {"low_back": "hollow"}}, "reason": "teaching"},
    )
    assert wrong.status_code == 422
    assert "hollow" in wrong.content.decode()
    kept = api.patch(
        f"/clients/{client_id}",
        {"base_revision": revision, "sections": {"schools": {"breath": "continuous"}}, "reason": "teaching"},
    )
    assert kept.status_code == 200
    questions = {q["id"]: q for q in api.get(f"/clients/{client_id}/schools").json()["questions"]}
    assert questions["breath"]["chosen"] == "continuous"
    assert "both phases" in tried(api, client_id, "knee_fold/single_fold")["lines"]["breath"]


def test_another_house_sees_nothing_of_it(stranger, client_id: str) -> None:
    assert stranger.get(f"/clients/{client_id}/schools").status_code == 404
    assert (
        stranger.post(f"/clients/{client_id}/movie/knee_fold/single_fold", {"side": "left"}).status_code == 404
    )


def along(api, client_id: str, ref: str, parameter: str, at: list[float], side: str = "both", **more):
    body = {"side": side, "context": "visit", "parameter": parameter, "at": at, **more}
    return api.post(f"/clients/{client_id}/along/{ref}", body)


def test_a_stop_of_a_slider_says_what_the_step_says_when_it_is_tried_there(api, client_id: str) -> None:
    stops = along(api, client_id, "sit_to_stand/two_legs", "seat_cm", [36, 44, 58]).json()["stops"]
    assert [s["value"] for s in stops] == [36, 44, 58]
    for stop in stops:
        there = tried(api, client_id, "sit_to_stand/two_legs", "both", seat_cm=stop["value"])
        assert stop["peaks"] == there["profile"]["peaks"]
        assert stop["fault"] == there["profile"]["fault"]
        assert stop["svg"] == there["svg"]
        stands = there["verdict"]["verdict"] == "as_is"
        assert (stop["verdict"]["verdict"] == "as_is") == stands
        assert stop["verdict"]["reasons"] == there["verdict"]["reasons"]


def test_a_stop_is_never_changed_for_the_better(api, client_id: str) -> None:
    """What a slider shows is the pose at that very value: a change that would help comes only when it rests."""
    stops = along(api, client_id, "seated_twist/with_weight", "turn_deg", [5, 25, 45], "left").json()["stops"]
    assert stops[-1]["verdict"]["verdict"] == "excluded"
    assert all(s["verdict"]["changes"] == [] for s in stops)
    assert all(s["verdict"]["values"] == s["verdict"]["original_values"] for s in stops)


def test_quick_stops_are_posed_and_not_judged(api, client_id: str) -> None:
    stops = along(api, client_id, "wall_plank/forearms", "wall_cm", [40, 60], quick=True).json()["stops"]
    assert [s["verdict"] for s in stops] == [None, None]
    assert all(s["svg"].startswith("<svg") and s["peaks"] for s in stops)


def test_where_the_other_sliders_stand_counts_for_a_stop(api, client_id: str) -> None:
    low, high = (
        along(api, client_id, "sit_to_stand/two_legs", "arms_deg", [30], values={"seat_cm": seat}).json()[
            "stops"
        ]
        for seat in (44, 58)
    )
    assert low[0]["peaks"]["left.hip_flexion_deg"] > high[0]["peaks"]["left.hip_flexion_deg"]


@pytest.mark.parametrize(
    ("parameter", "at", "says"),
    [("knob", [1], "knob"), ("seat_cm", [], "at"), ("seat_cm", [40] * 13, "at")],
)
def test_stops_that_cannot_be_are_refused_by_name(api, client_id: str, parameter, at, says: str) -> None:
    answer = along(api, client_id, "sit_to_stand/two_legs", parameter, at)
    assert answer.status_code == 422
    assert says in answer.content.decode()


def test_another_house_gets_no_stops(stranger, client_id: str) -> None:
    assert along(stranger, client_id, "sit_to_stand/two_legs", "seat_cm", [45]).status_code == 404


def faults_of(api, client_id: str, ref: str, side: str = "both", **values):
    return api.post(f"/clients/{client_id}/faults/{ref}", {"side": side, "values": values})


def test_every_fault_of_a_step_has_its_place_in_the_answer_with_a_picture_or_none(api, client_id: str) -> None:
    pictures = faults_of(api, client_id, "bridge/three_quarters").json()["pictures"]
    declared = find("bridge/three_quarters")[1].faults
    assert len(pictures) == len(declared)
    assert all(p.startswith("<svg") if f.looks else p == "" for p, f in zip(pictures, declared, strict=True))
    assert any(p for p in pictures)


def test_a_fault_is_drawn_for_the_measures_that_stand(api, client_id: str) -> None:
    low, high = (faults_of(api, client_id, "tall_hinge/hands_on_thighs", seat_cm=x).json()["pictures"] for x in (42, 56))
    assert low != high


def test_no_fault_is_drawn_of_a_pose_that_cannot_be_nor_for_another_house(api, stranger, client_id: str) -> None:
    assert faults_of(api, client_id, "knee_fold/no_such_step").status_code == 404
    assert faults_of(stranger, client_id, "bridge/three_quarters").status_code == 404


def test_the_list_is_put_into_words_once_a_language_and_anew_for_another_case(api: Api, client_id: str, monkeypatch) -> None:
    path = f"/api/v1/clients/{client_id}/verdicts"

    def asked(language: str) -> dict:
        return api.browser.get(path, headers={"Accept-Language": language}).json()

    english, german = asked("en"), asked("de")
    assert english["digest"] == german["digest"] and english["verdicts"] != german["verdicts"]
    with monkeypatch.context() as held:
        held.setattr("api.movements.worked_out", lambda *a: pytest.fail("it was there"))
        assert asked("en") == english and asked("de") == german
    tolerates = {**api.get(f"/clients/{client_id}").json()["case"]["tolerates"], "floor": "no"}
    assert api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": {"tolerates": tolerates}}).status_code == 200
    after = asked("en")
    assert after["revision"] == 2 and after["verdicts"] != english["verdicts"]


def test_one_verdict_is_found_without_the_list(api: Api, client_id: str) -> None:
    for wanted in api.get(f"/clients/{client_id}/verdicts").json()["verdicts"][::60]:
        question = question_on(Client.objects.get(pk=client_id).latest(), Work.VERDICTS)
        place = {k: wanted[k] for k in ("family", "step", "side", "context", "original_values")}
        assert json.loads(json.dumps(known_entry(question, place))) == wanted
        assert known_entry(question, {**place, "side": "nowhere"}) is None
