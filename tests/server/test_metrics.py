"""Figures for whoever watches: readable by an independent parser, only with the token, and nothing of anybody's data.

Format: Prometheus text exposition, read by `prometheus_client.parser`, which is not ours.
"""

from datetime import timedelta

import pytest
from django.test import Client as Browser
from django.utils import timezone
from prometheus_client.parser import text_string_to_metric_families

from accounts.models import User
from clients.casework import create_client
from jobs.models import LongAnswer, Work
from tests.server.conftest import today_case

pytestmark = pytest.mark.django_db
TOKEN = "only-for-the-test"


def asked(token: str = TOKEN):
    return Browser().get("/metrics", headers={"Authorization": f"Bearer {token}"})


def figures() -> dict[tuple[str, str], float]:
    text = asked().content.decode()
    return {(s.name, next(iter(s.labels.values()), "")): s.value for family in text_string_to_metric_families(text) for s in family.samples}


@pytest.mark.parametrize(("setting", "token"), [("", ""), ("", TOKEN), (TOKEN, ""), (TOKEN, "wrong")])
def test_without_the_token_there_is_no_such_page(settings, setting: str, token: str) -> None:
    settings.METRICS_TOKEN = setting
    assert asked(token).status_code == 404


def test_what_waits_and_what_is_lost_is_counted(settings, user: User) -> None:
    settings.METRICS_TOKEN = TOKEN
    LongAnswer.objects.all().delete()
    now = timezone.now()
    for digest, more in (("a", {}), ("b", {"beat_at": now - timedelta(days=1)}), ("c", {"done_at": now}), ("d", {"failed": "why"})):
        LongAnswer.objects.create(organisation=user.organisation, work=Work.PLAN, digest=digest, **more)
    LongAnswer.objects.filter(digest="a").update(asked_at=now - timedelta(hours=1))
    found = figures()
    assert found["amvel_questions_waiting", "plan"] == 2
    assert found["amvel_questions_oldest_seconds", "plan"] == pytest.approx(3600, abs=60)
    assert (found["amvel_questions_lost", ""], found["amvel_questions_failed", ""], found["amvel_answers_kept", ""]) == (1, 1, 1)


def test_nothing_of_anybody_is_in_it(settings, user: User) -> None:
    settings.METRICS_TOKEN = TOKEN
    client = create_client(user, today_case("stroke"))
    client.refresh_from_db()
    text = asked().content.decode()
    assert "amvel_clients 1.0" in text and "amvel_database_bytes" in text
    assert client.name not in text and user.username not in text and user.organisation.name not in text and str(client.pk) not in text
