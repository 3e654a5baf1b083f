"""Drawings that are kept: made once for a body and a set-up, whichever process asks and on whatever day."""

from collections import OrderedDict
from datetime import timedelta

import pytest
from django.utils import timezone

from amvel.movements import kept_pictures
from clients.casework import create_client
from clients.models import Client
from jobs import tasks
from jobs.models import KeptPicture, LongAnswer
from tests.server.conftest import Api, today_case

pytestmark = [pytest.mark.django_db, pytest.mark.worked_out_anew]


@pytest.fixture
def client(api: Api, user) -> Client:
    client = create_client(user, today_case("fit-seventy"))
    base = api.get(f"/clients/{client.pk}").json()["revision"]
    signs = {"asked_on": timezone.localdate().isoformat(), "present": []}
    assert api.patch(f"/clients/{client.pk}", {"base_revision": base, "sections": {"stop_signs": signs}}).status_code == 200
    answer = api.post(f"/clients/{client.pk}/programmes", {"context": "home", "minutes": 5})
    assert answer.status_code == 201, answer.content
    return client


@pytest.fixture
def drawn(monkeypatch) -> list[str]:
    """What is drawn, by kind, from here on."""
    found: list[str] = []
    for kind in ("figure", "animation", "fault_figure"):
        draw = getattr(kept_pictures, kind)
        monkeypatch.setattr(kept_pictures, kind, lambda *a, draw=draw, kind=kind: found.append(kind) or draw(*a))
    return found


def as_begun(monkeypatch) -> None:
    """A process that has just begun, with no answer in memory or in the database."""
    monkeypatch.setattr("clients.engines._engines", OrderedDict())
    monkeypatch.setattr("amvel.engine._profilers", OrderedDict())
    LongAnswer.objects.all().delete()


def sheet_of(api: Api, client: Client) -> dict:
    answer = api.get(f"/clients/{client.pk}/run-sheet")
    assert answer.status_code == 200, answer.content
    return answer.json()["sheet"]


def test_a_session_that_was_drawn_is_not_drawn_again(api: Api, client: Client, drawn: list[str], monkeypatch) -> None:
    first = sheet_of(api, client)
    assert {"figure", "animation", "fault_figure"} == set(drawn)
    assert KeptPicture.objects.count() == len(drawn)
    drawn.clear()
    as_begun(monkeypatch)
    assert sheet_of(api, client) == first
    assert not drawn


def test_the_hand_out_takes_what_is_there(api: Api, client: Client, drawn: list[str], monkeypatch) -> None:
    page = api.get(f"/clients/{client.pk}/papers/hand-out").content
    assert set(drawn) == {"figure"}
    drawn.clear()
    as_begun(monkeypatch)
    assert api.get(f"/clients/{client.pk}/papers/hand-out").content == page
    assert not drawn


def test_one_that_cannot_be_read_is_drawn_anew(api: Api, client: Client, drawn: list[str], monkeypatch) -> None:
    first = sheet_of(api, client)
    torn = KeptPicture.objects.first()
    KeptPicture.objects.filter(pk=torn.pk).update(drawn=b"torn")
    drawn.clear()
    as_begun(monkeypatch)
    assert sheet_of(api, client) == first
    assert len(drawn) == 1
    assert bytes(KeptPicture.objects.get(pk=torn.pk).drawn) != b"torn"


def test_nobody_is_named_and_what_nobody_looks_at_goes(api: Api, client: Client, monkeypatch) -> None:
    sheet_of(api, client)
    kept = KeptPicture.objects.all()
    assert not any(str(client.pk) in f"{k.digest}{bytes(k.drawn)!r}" for k in kept)
    today = timezone.localdate()
    kept.update(used_on=today - timedelta(days=80))
    as_begun(monkeypatch)
    sheet_of(api, client)
    assert set(kept.values_list("used_on", flat=True)) == {today}
    for days, left in ((90, True), (91, False)):
        kept.update(used_on=today - timedelta(days=days))
        tasks.drop_unused.func(timestamp=0)
        assert kept.exists() is left


def test_a_session_of_yesterday_is_not_kept(api: Api, client: Client) -> None:
    """Its question holds the day: nobody asks the same again; verdicts are asked for on any day."""
    sheet_of(api, client)
    api.get(f"/clients/{client.pk}/verdicts")
    works = set(LongAnswer.objects.values_list("work", flat=True))
    assert {"run_sheet", "plan", "verdicts"} <= works
    LongAnswer.objects.update(used_on=timezone.localdate() - timedelta(days=1))
    tasks.drop_unused.func(timestamp=0)
    assert set(LongAnswer.objects.values_list("work", flat=True)) == works - {"run_sheet", "plan"}
