"""Papers of many clients in one file: made by a worker, who has none is named, and nothing is printed that has changed."""

import io

import pytest
from pypdf import PdfReader

from accounts.models import User
from clients.casework import create_client
from clients.models import AuditEntry
from jobs.models import LongAnswer, Work
from tests.server.conftest import Api, logged_in, today_case, user_of

pytestmark = pytest.mark.django_db


def with_a_programme(api: Api, user: User, name: str) -> str:
    client_id = str(create_client(user, today_case(name)).pk)
    answer = api.post(f"/clients/{client_id}/programmes", {"context": "home", "minutes": 15})
    assert answer.status_code == 201, answer.content
    return client_id


@pytest.fixture
def clients(api: Api, user: User) -> list[str]:
    """One with a programme, one without."""
    return [with_a_programme(api, user, "low-bone-mass"), str(create_client(user, today_case("stroke")).pk)]


def asked(api: Api, clients: list[str], kind: str = "fridge"):
    return api.post("/papers/batches", {"kind": kind, "clients": clients})


def pages_of(api: Api, batch: dict) -> PdfReader:
    answer = api.get(f"/papers/batches/{batch['id']}.pdf")
    assert answer.status_code == 200, answer.content
    return PdfReader(io.BytesIO(answer.content))


def test_one_file_holds_every_paper_and_says_who_has_none(api: Api, user: User, clients: list[str]) -> None:
    have = [clients[0], with_a_programme(api, user, "sciatica")]
    batch = asked(api, [*have, clients[1]], "hand-out").json()
    assert [x["why"] for x in batch["left_out"]] == ["There is no programme yet:"]
    assert batch["left_out"][0]["id"] == clients[1]
    reader = pages_of(api, batch)
    assert len(reader.pages) == batch["pages"] >= 4
    text = " ".join(page.extract_text() for page in reader.pages)
    for client_id in have:
        assert api.get(f"/clients/{client_id}").json()["case"]["person"]["name"] in text


def test_it_is_noted_as_printed_only_when_it_was_fetched(api: Api, clients: list[str]) -> None:
    batch = asked(api, clients).json()
    printed = AuditEntry.objects.filter(action="papers printed")
    assert not printed.exists()
    pages_of(api, batch)
    assert {str(e.client_id) for e in printed} == {clients[0]}


def test_the_same_question_is_worked_out_once(api: Api, clients: list[str]) -> None:
    first, again = (asked(api, clients).json()["id"] for _ in range(2))
    assert first == again
    assert LongAnswer.objects.filter(work=Work.PAPERS).count() == 1


def test_a_stop_sign_that_came_later_closes_the_file(api: Api, clients: list[str]) -> None:
    batch = asked(api, clients).json()
    view = api.get(f"/clients/{clients[0]}").json()
    signs = {"asked_on": view["case"]["as_of"], "present": ["chest_pain"]}
    sections = {"stop_signs": signs}
    answer = api.patch(f"/clients/{clients[0]}", {"base_revision": view["revision"], "sections": sections})
    assert answer.status_code == 200, answer.content
    refused = api.get(f"/papers/batches/{batch['id']}.pdf")
    assert refused.status_code == 409
    assert "make them again" in refused.json()["detail"]
    anew = asked(api, clients).json()
    assert {x["id"] for x in anew["left_out"]} == set(clients)


def test_nobody_elses_clients_and_nobody_elses_file(api: Api, clients: list[str]) -> None:
    batch = asked(api, clients).json()
    user_of("bob")
    other = logged_in("bob")
    assert asked(other, clients).status_code == 404
    assert other.get(f"/papers/batches/{batch['id']}.pdf").status_code == 404


@pytest.mark.parametrize("body", [{"kind": "poster", "clients": []}, {"kind": "hand-out", "clients": []}, {"kind": "hand-out", "clients": ["x"]}])
def test_a_wish_that_makes_no_sense_says_which_field(api: Api, body: dict) -> None:
    answer = api.post("/papers/batches", body)
    assert answer.status_code == 422
    assert answer.json()["faults"]
