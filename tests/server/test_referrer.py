"""A referrer's FHIR server, played by the stand-in that ships: found, fetched, sent to; slow, failing, garbled, and lying about its pages."""

from collections.abc import Callable, Iterator

import pytest
from django.conf import settings as configured
from django.core.management import call_command

from accounts.models import Organisation
from clients.models import AuditEntry, Client
from exchange import referrer
from tests.server.conftest import Api, user_of
from tools.referrer_stand_in import Practice, played

pytestmark = pytest.mark.django_db


@pytest.fixture
def practice(settings, user) -> Iterator[Callable[..., Practice]]:
    """Starts the stand-in with a script and sets it up for the organisation of ann; it ends with the test."""
    running: list[Practice] = []

    def start(script: str = "fine", **more) -> Practice:
        running.append(played(script, **more))
        settings.REFERRER_URL, settings.REFERRER_ORGANISATION = running[-1].url, str(user.organisation.pk)
        settings.REFERRER_TOKEN = "only-for-tests"
        return running[-1]

    yield start
    for p in running:
        p.shutdown()
        p.server_close()


def found(api: Api, name: str = "holl") -> list[dict]:
    answer = api.get(f"/referrer/people?name={name}")
    assert answer.status_code == 200, answer.content
    return answer.json()["people"]


def test_people_are_found_over_all_pages_with_our_token(practice, api: Api) -> None:
    there = practice()
    assert [p["name"] for p in found(api)] == ["Agathe Hollin", "Bertram Hollin", "Cosima Hollinger"]
    assert found(api, "quist") == [{"id": "mill-4", "name": "Damian Quist", "birth_date": "1975-01-19"}]
    assert found(api, "nobody") == []
    assert there.asked == 4  # two pages, then one each
    assert set(there.tokens) == {"Bearer only-for-tests"}


def test_somebody_is_fetched_with_all_pages_and_judged_here(practice, api: Api) -> None:
    practice()
    answer = api.post("/referrer/people", {"id": "mill-3"})
    assert answer.status_code == 201, answer.content
    case = api.get(f"/clients/{answer.json()['id']}").json()["case"]
    assert case["person"]["name"] == "Cosima Hollinger"
    assert (case["person"]["stature_cm"], case["person"]["mass_kg"]) == (164.0, 61.5)
    assert [g["words"] for g in case["wishes"]["goals"]] == ["to carry the shopping up to the second floor"]
    assert AuditEntry.objects.filter(action="client fetched from the referrer's server").count() == 1


def test_what_is_sent_twice_is_there_once_and_reads_as_fhir(practice, api: Api, client_id: str) -> None:
    there = practice()
    for _ in range(2):
        assert api.post(f"/clients/{client_id}/referrer", {}).status_code == 200
    assert list(there.sent) == [f"{client_id}-1"]
    (bundle,) = there.sent.values()
    assert bundle["resourceType"] == "Bundle"
    assert "Patient" in {e["resource"]["resourceType"] for e in bundle["entry"]}


def test_a_server_that_fails_now_and_then_is_asked_again(practice, api: Api, client_id: str) -> None:
    there = practice("failing")
    assert len(found(api)) == 3
    assert api.post(f"/clients/{client_id}/referrer", {}).status_code == 200
    assert there.asked > 3


def test_a_slow_server_is_asked_once_and_changes_nothing(practice, api: Api, client_id: str, settings) -> None:
    there = practice("slow", slow_s=3.0)
    settings.REFERRER_WAIT_S = (0.5, 0.5)
    before = Client.objects.count()
    for answer in (api.get("/referrer/people?name=holl"), api.post("/referrer/people", {"id": "mill-1"}), api.post(f"/clients/{client_id}/referrer", {})):
        assert answer.status_code == 503
        assert answer.headers["Retry-After"]
        assert "does not answer" in answer.json()["detail"]
    assert there.asked == 3  # nobody waits a second time for what did not come
    assert Client.objects.count() == before


@pytest.mark.parametrize(("script", "why"), [("garbled", "does not say it in FHIR")])
def test_what_is_no_fhir_is_refused_with_the_reason(practice, api: Api, script: str, why: str) -> None:
    practice(script)
    for answer in (api.get("/referrer/people?name=holl"), api.post("/referrer/people", {"id": "mill-1"})):
        assert answer.status_code == 503
        assert why in answer.json()["detail"]


def test_a_server_that_is_gone_and_somebody_who_is_not_there(practice, api: Api) -> None:
    there = practice()
    assert "refuses it (404)" in api.post("/referrer/people", {"id": "nobody"}).json()["detail"]
    there.shutdown()
    there.server_close()
    assert "does not answer" in api.get("/referrer/people?name=holl").json()["detail"]


def test_a_next_page_elsewhere_is_never_asked_for(practice, api: Api, settings) -> None:
    """Where the next page is said by the other server: it may not send us anywhere else."""
    elsewhere, there = practice(), practice()
    real, there_url = referrer._next, there.url

    def sent_away(page):
        return real({**page, "link": [{"relation": "next", "url": f"{elsewhere.url}/Patient?begins=2"}]})

    assert there_url == settings.REFERRER_URL
    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(referrer, "_next", sent_away)
        assert "not its own" in api.get("/referrer/people?name=holl").json()["detail"]
    assert elsewhere.asked == 0


@pytest.mark.parametrize("id", ["../Patient/mill-1", "mill 1", "", "a" * 65, "mill-1/$everything"])
def test_an_id_that_is_none_is_never_sent_there(practice, api: Api, id: str) -> None:
    there = practice()
    assert api.post("/referrer/people", {"id": id}).status_code == 422
    assert there.asked == 0


def test_another_organisation_and_another_role_have_none(practice, api: Api, stranger: Api, client_id: str) -> None:
    there = practice()
    assert api.get("/referrer").json() == {"set_up": True}
    assert stranger.get("/referrer").json() == {"set_up": False}
    assert stranger.get("/referrer/people?name=holl").status_code == 404
    assert stranger.post("/referrer/people", {"id": "mill-1"}).status_code == 404
    assert stranger.post(f"/clients/{client_id}/referrer", {}).status_code == 404
    assert there.asked == 0


def test_without_an_address_there_is_none(api: Api) -> None:
    assert configured.REFERRER_URL == ""
    assert api.get("/referrer").json() == {"set_up": False}
    assert not referrer.is_set_up(user_of("ann2").organisation)


def test_an_organisation_of_the_same_name_is_another_one(practice, api: Api, stranger: Api, user) -> None:
    practice()
    Organisation.objects.update(name=user.organisation.name)
    assert api.get("/referrer").json() == {"set_up": True}
    assert stranger.get("/referrer/people?name=holl").status_code == 404


def test_more_than_is_read_at_once_is_left_unread(practice, api: Api, monkeypatch) -> None:
    practice()
    monkeypatch.setattr(referrer, "MOST_BYTES", 100)
    assert "more than is read" in api.get("/referrer/people?name=holl").json()["detail"]


def test_the_id_that_settings_ask_for_is_printed(user, capsys) -> None:
    call_command("organisations")
    assert f"{user.organisation.pk}  {user.organisation.name}" in capsys.readouterr().out
