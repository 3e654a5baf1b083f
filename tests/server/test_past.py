"""Earlier days as they stood: the limits, verdicts and programme of that day, and the difference in words."""

from datetime import date, timedelta

import pytest
from django.utils import timezone

from amvel.case import read_case
from amvel.engine import Engine
from clients.engines import case_data, engine_of, today
from clients.management.commands.load_demo import with_a_past
from clients.models import CaseRevision, Client
from programmes.building import build
from tests.server.conftest import Api, today_case

pytestmark = pytest.mark.django_db


def entered(client: Client, number: int, case: dict, days_ago: int) -> CaseRevision:
    at = timezone.now() - timedelta(days=days_ago)
    return CaseRevision.objects.create(client=client, number=number, data=case, reason=f"entry {number}", created_at=at)


@pytest.fixture
def lately_fallen(user) -> Client:
    """Nothing known twenty days ago; a fall and weak bones entered ten days ago."""
    case = read_case({**today_case("fit-seventy"), "as_of": today().isoformat()}).model_dump(mode="json", exclude={"as_of", "visits"})
    early = today() - timedelta(days=20)
    plain = {**case, "conditions": [], "tests": [], "consent": {**case["consent"], "on": str(early)}, "stop_signs": {"asked_on": str(early), "present": []}}
    client = Client.objects.create(organisation=user.organisation, name="Somebody")
    entered(client, 1, plain, 20)
    bones = {"kind": "fracture", "site": "spine", "on": str(today() - timedelta(days=200))}
    entered(client, 2, {**plain, "conditions": [bones]}, 10)
    return client


def between(api: Api, client: Client, first: date, second: date):
    return api.get(f"/clients/{client.pk}/between/{first}/{second}")


def test_the_difference_names_the_limits_that_came(api: Api, lately_fallen: Client) -> None:
    answer = between(api, lately_fallen, today() - timedelta(days=15), today() - timedelta(days=1))
    assert answer.status_code == 200, answer.json()
    found = answer.json()
    assert [found[k]["revision"] for k in ("first", "second")] == [1, 2]
    assert [found[k]["reason"] for k in ("first", "second")] == ["entry 1", "entry 2"]
    before, after = ({x["id"] for x in found[k]["limits"]} for k in ("first", "second"))
    assert {m["id"] for m in found["limits"] if m["change"] == "new"} == after - before != set()
    assert {m["id"] for m in found["limits"] if m["change"] == "gone"} == before - after
    assert found["closed"] and not found["opened"]


def test_a_day_is_judged_by_what_was_known_on_it(api: Api, lately_fallen: Client) -> None:
    """The limits of a day are those of a case that never knew what came later."""
    day = today() - timedelta(days=15)
    found = between(api, lately_fallen, day, day).json()
    [revision, _] = lately_fallen.revisions.order_by("number")
    alone = Engine(read_case({**revision.data, "visits": [], "as_of": day.isoformat()}))
    assert {x["id"] for x in found["first"]["limits"]} == {x.id for x in alone.envelope.limits}
    assert found["limits"] == found["opened"] == found["closed"] == found["came"] == found["went"] == []


def test_a_programme_came_with_its_movements(api: Api, user, client_id: str) -> None:
    client = Client.objects.get(pk=client_id)
    found = between(api, client, today(), today()).json()
    assert found["first"]["programme"] is None
    built = build(client, user, "home", 15)
    found = between(api, client, today(), today()).json()
    assert found["second"]["programme"] == built.number
    assert len(found["second"]["movements"]) == len(built.answer["movements"])


@pytest.mark.parametrize(("first", "second"), [(-400, 0), (0, 1), (0, -1)])
def test_a_day_before_the_first_entry_or_in_the_future_is_not_found(api: Api, client_id: str, first: int, second: int) -> None:
    days = [today() + timedelta(days=d) for d in (first, second)]
    assert between(api, Client.objects.get(pk=client_id), *days).status_code == 404


def test_nobody_sees_an_earlier_day_of_another_house(stranger: Api, client_id: str) -> None:
    assert between(stranger, Client.objects.get(pk=client_id), today(), today()).status_code == 404


def test_a_visit_logged_later_was_not_known_before(user) -> None:
    client = with_a_past(user, today_case("stroke"))
    visits = engine_of(client.latest()).case.visits
    middle = sorted(v.on for v in visits)[len(visits) // 2]
    revision = client.revisions.filter(created_at__date__lte=middle).order_by("-number")[0]
    known = case_data(revision, middle)["visits"]
    assert 0 < len(known) < len(visits)
    assert all(v["on"] <= str(middle) for v in known)


def test_the_demo_has_a_past_that_opens_on_its_days(api: Api, user) -> None:
    for case in ("stroke", "low-bone-mass"):
        client = with_a_past(user, today_case(case))
        first = client.revisions.order_by("number")[0].created_at.date()
        for days in range(0, (today() - first).days, 38):
            answer = between(api, client, first, first + timedelta(days=days))
            assert answer.status_code in (200, 202), answer.json()["detail"]


def test_what_the_day_after_brought_is_not_known_before_it(user) -> None:
    client = with_a_past(user, today_case("low-bone-mass"))
    newest = client.latest()
    told = next(v for v in read_case(case_data(newest)).visits if v.next_day is not None and v.next_day.told_on > v.on)
    assert told.next_day is not None
    for day, known in ((told.on, False), (told.next_day.told_on, True)):
        revision = client.revisions.filter(created_at__date__lte=day).order_by("-number")[0]
        [then] = [v for v in read_case(case_data(revision, day)).visits if v.id == told.id]
        assert (then.next_day is not None) == known
