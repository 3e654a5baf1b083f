"""Programmes over the API: built, swapped, re-checked, printed, and closed by a stop sign."""

import io

import pytest
from pypdf import PdfReader

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
    assert built["answer"]["optimal"]
    assert built["violations"] == []


def test_swap_offers_ranked_choices_and_takes_one(api: Api, client_id: str, built: dict) -> None:
    out = built["answer"]["movements"][0]["ref"]
    choices = api.get(f"/clients/{client_id}/programmes/latest/swaps/{out}").json()["swaps"]
    assert choices[0]["score"] >= choices[-1]["score"]
    answer = api.post(f"/clients/{client_id}/programmes/latest/swap", {"out": out, "into": choices[0]["ref"]})
    assert answer.status_code == 201
    assert answer.json()["number"] == 2
    assert answer.json()["made_by"] == "hand edit"
    assert choices[0]["ref"] in [m["ref"] for m in answer.json()["answer"]["movements"]]


def test_a_hand_edit_to_something_forbidden_is_refused_with_the_limit(
    api: Api, client_id: str, built: dict
) -> None:
    out = built["answer"]["movements"][0]["ref"]
    answer = api.post(
        f"/clients/{client_id}/programmes/latest/swap", {"out": out, "into": "curl_family/legs_straight"}
    )
    assert answer.status_code == 409
    assert "rounding under load" in answer.json()["detail"]
    assert api.get(f"/clients/{client_id}/programmes/latest").json()["number"] == 1


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
    assert "hand support" in latest["violations"][0]["why"]
    assert api.get(f"/clients/{client_id}/programmes/latest/hand-out.pdf").status_code == 409


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
    for path in ("latest", "latest/hand-out.pdf", "latest/hand-out", "latest/swaps/clam/small_opening"):
        answer = api.get(f"/clients/{client_id}/programmes/{path}")
        assert answer.status_code == 409, path
        assert "emergency" in answer.json()["detail"]


def test_the_hand_out_holds_name_doses_measures_and_pictures(api: Api, client_id: str, built: dict) -> None:
    answer = api.get(f"/clients/{client_id}/programmes/latest/hand-out.pdf")
    assert answer.status_code == 200
    reader = PdfReader(io.BytesIO(answer.content))
    text = " ".join(" ".join(page.extract_text() for page in reader.pages).split())
    for word in ("Orla Brandt", "Stop, and ring us", "does not replace your doctor"):
        assert word in text, word
    for m in built["answer"]["movements"]:
        assert m["title"].split(":")[0] in text
    fonts = {f for page in reader.pages for f in page["/Resources"]["/Font"].values()}
    assert all("/FontFile2" in str(f.get_object()) or "/DescendantFonts" in f.get_object() for f in fonts)
    assert 2 <= len(reader.pages) <= 12


def test_the_page_draws_every_movement(api: Api, client_id: str, built: dict) -> None:
    page = api.get(f"/clients/{client_id}/programmes/latest/hand-out").content.decode()
    assert page.count("<svg") == len(built["answer"]["movements"])


def test_no_programme_yet_is_not_found(api: Api, client_id: str) -> None:
    assert api.get(f"/clients/{client_id}/programmes/latest").status_code == 404
