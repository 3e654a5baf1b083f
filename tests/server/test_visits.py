"""Visits over the API: opened as a sheet, logged once whatever happens, decided on; home by a private link."""

import json
import re
import threading
from datetime import timedelta

import pytest
from django.db import IntegrityError, connection
from django.db.migrations.executor import MigrationExecutor
from django.test import Client as Browser
from django.utils import timezone

from accounts.models import User
from clients.casework import create_client
from clients.models import Client
from tests.server.conftest import Api, logged_in, today_case, user_of
from visits.links import VALID
from visits.models import HomeLink, LoggedVisit

pytestmark = pytest.mark.django_db
STEP = "toe_float/finger_high"


def a_visit(key: str = "device-1-0001", days_ago: int = 1, **more) -> dict:
    day = (timezone.localdate() - timedelta(days=days_ago)).isoformat()
    sets = [{"side": s, "target": 8, "clean": 8, "ended_by": "target"} for s in ("left", "right")]
    return {"id": key, "on": day, "context": "home", "by": "specialist", "effort_0_to_10": 2, "movements": [{"step": STEP, "sets": sets}], **more}


@pytest.fixture
def client(user: User) -> Client:
    data = today_case("low-bone-mass")
    data.pop("visits")
    return create_client(user, data)


@pytest.fixture
def programme(api: Api, client: Client) -> dict:
    answer = api.post(f"/clients/{client.pk}/programmes", {"context": "home", "minutes": 20})
    assert answer.status_code == 201, answer.content
    return answer.json()


class TestLogging:
    def test_a_visit_is_kept_and_counts_in_the_case(self, api: Api, client: Client) -> None:
        answer = api.post(f"/clients/{client.pk}/visits", {"visit": a_visit()})
        assert (answer.status_code, answer.json()["new"]) == (201, True)
        course = api.get(f"/clients/{client.pk}/course").json()["course"]
        assert [v["id"] for v in course["visits"]] == ["device-1-0001"]
        assert course["visits"][0]["movements"][0]["sides"] == [{"side": s, "clean": 8, "target": 8} for s in ("left", "right")]

    def test_sent_twice_it_is_kept_once(self, api: Api, client: Client) -> None:
        for _ in range(2):
            answer = api.post(f"/clients/{client.pk}/visits", {"visit": a_visit()})
        assert (answer.status_code, answer.json()["new"]) == (200, False)
        assert LoggedVisit.objects.count() == 1

    def test_what_is_told_later_is_another_version_and_the_first_stays(self, api: Api, client: Client) -> None:
        api.post(f"/clients/{client.pk}/visits", {"visit": a_visit()})
        told = {"told_on": timezone.localdate().isoformat(), "soreness_0_to_10": 3, "flare": True}
        answer = api.post(f"/clients/{client.pk}/visits/device-1-0001/next-day", {"next_day": told})
        assert answer.json()["version"] == 2
        assert api.post(f"/clients/{client.pk}/visits/device-1-0001/next-day", {"next_day": told}).json()["new"] is False
        assert api.post(f"/clients/{client.pk}/visits/device-9-0009/next-day", {"next_day": told}).status_code == 404
        [shown] = api.get(f"/clients/{client.pk}/course").json()["course"]["visits"]
        assert shown["flare"] is True
        assert LoggedVisit.objects.count() == 2

    def test_the_order_of_delivery_changes_nothing(self, api: Api, client: Client) -> None:
        for key, ago in (("device-1-0003", 1), ("device-1-0001", 5), ("device-1-0002", 3)):
            api.post(f"/clients/{client.pk}/visits", {"visit": a_visit(key, ago)})
        shown = api.get(f"/clients/{client.pk}/course").json()["course"]["visits"]
        assert [v["id"] for v in shown] == ["device-1-0001", "device-1-0002", "device-1-0003"]

    def test_a_change_of_the_case_loses_no_visit(self, api: Api, client: Client) -> None:
        api.post(f"/clients/{client.pk}/visits", {"visit": a_visit()})
        base = api.get(f"/clients/{client.pk}").json()["revision"]
        assert api.patch(f"/clients/{client.pk}", {"base_revision": base, "sections": {"wishes": {"minutes": 15}}}).status_code == 200
        assert len(api.get(f"/clients/{client.pk}/course").json()["course"]["visits"]) == 1

    def test_a_case_with_visits_brings_them_along_and_stores_each_once(self, api: Api, user: User) -> None:
        other = create_client(user, {**today_case("low-bone-mass"), "visits": [a_visit()]})
        assert [v.key for v in other.visits.all()] == ["device-1-0001"]
        assert "visits" not in other.latest().data

    @pytest.mark.parametrize(
        ("wrong", "path"),
        [
            ({"movements": [{"step": "no/such", "skipped": "time"}]}, "$.visit.movements[0].step"),
            ({"on": (timezone.localdate() + timedelta(days=1)).isoformat()}, "$.visit.on"),
            ({"effort_0_to_10": 11}, "$.visit.effort_0_to_10"),
            ({"movements": [{"step": STEP, "sets": [{"side": "left", "target": 8, "clean": 3, "ended_by": "form", "faults": [{"fault": "sings", "repetition": 4}]}]}]}, "$.visit.movements[0].sets[0].faults[0].fault"),
        ],
    )
    def test_what_cannot_be_read_is_refused_with_its_field_and_nothing_is_kept(self, api: Api, client: Client, wrong: dict, path: str) -> None:
        answer = api.post(f"/clients/{client.pk}/visits", {"visit": a_visit(**wrong)})
        assert answer.status_code == 422
        assert answer.json()["faults"][0]["path"] == path
        assert LoggedVisit.objects.count() == 0

    def test_a_stop_sign_keeps_nothing_out_that_was_done(self, api: Api, client: Client) -> None:
        base = api.get(f"/clients/{client.pk}").json()["revision"]
        signs = {"asked_on": timezone.localdate().isoformat(), "present": ["chest_pain"]}
        api.patch(f"/clients/{client.pk}", {"base_revision": base, "sections": {"stop_signs": signs}})
        assert api.post(f"/clients/{client.pk}/visits", {"visit": a_visit()}).status_code == 201

    def test_the_database_refuses_to_change_what_was_logged(self, api: Api, client: Client) -> None:
        api.post(f"/clients/{client.pk}/visits", {"visit": a_visit()})
        with pytest.raises(Exception, match="append-only"), connection.cursor() as cursor:
            cursor.execute("UPDATE visits_loggedvisit SET key = 'other'")

    def test_nobody_of_another_house_logs_or_looks(self, client: Client) -> None:
        user_of("stranger")
        stranger = logged_in("stranger")
        assert stranger.post(f"/clients/{client.pk}/visits", {"visit": a_visit()}).status_code == 404
        assert stranger.get(f"/clients/{client.pk}/course").status_code == 404


@pytest.mark.django_db(transaction=True)
def test_two_devices_at_once_keep_the_same_visit_once(user: User) -> None:
    client = create_client(user, {k: v for k, v in today_case("low-bone-mass").items() if k != "visits"})
    apis = [logged_in("ann") for _ in range(4)]
    found: list[int] = []

    def send(api: Api) -> None:
        found.append(api.post(f"/clients/{client.pk}/visits", {"visit": a_visit()}).status_code)
        connection.close()

    threads = [threading.Thread(target=send, args=(api,)) for api in apis]
    [t.start() for t in threads]
    [t.join() for t in threads]
    assert sorted(found) == [200, 200, 200, 201]
    assert LoggedVisit.objects.filter(client=client).count() == 1


class TestSheet:
    def test_a_session_comes_with_all_that_running_it_needs(self, api: Api, client: Client, programme: dict) -> None:
        answer = api.get(f"/clients/{client.pk}/run-sheet")
        assert answer.status_code == 200, answer.content
        found = answer.json()
        sheet = found["sheet"]
        assert found["sessions"][0] == sheet["session"] == "A"
        assert sheet["stop_signs"]
        assert [b["breath"] for b in sheet["settling"]] == ["in", "out", "in", "out", "on"]
        for m in sheet["movements"]:
            assert m["do"] and m["setup"] and m["cues"] and m["faults"], m["ref"]
            assert all(s["frames"] and s["beats"] for s in m["sides"]), m["ref"]
            assert {f["id"] for f in m["faults"]} >= {"breath_held", "moves_before_the_breath"}
        assert any(f["picture"] for m in sheet["movements"] for f in m["faults"])

    def test_sessions_take_turns_by_what_was_logged(self, api: Api, client: Client, programme: dict) -> None:
        sessions = api.get(f"/clients/{client.pk}/run-sheet").json()["sessions"]
        api.post(f"/clients/{client.pk}/visits", {"visit": a_visit()})
        assert api.get(f"/clients/{client.pk}/run-sheet").json()["sheet"]["session"] == sessions[1 % len(sessions)]

    def test_it_does_not_open_while_a_stop_sign_stands(self, api: Api, client: Client, programme: dict) -> None:
        base = api.get(f"/clients/{client.pk}").json()["revision"]
        signs = {"asked_on": timezone.localdate().isoformat(), "present": ["chest_pain"]}
        api.patch(f"/clients/{client.pk}", {"base_revision": base, "sections": {"stop_signs": signs}})
        assert api.get(f"/clients/{client.pk}/run-sheet").status_code == 409

    def test_a_new_limit_closes_the_session_and_says_which(self, api: Api, client: Client, programme: dict) -> None:
        base = api.get(f"/clients/{client.pk}").json()["revision"]
        limit = {"quantity": "standing", "bound": 0, "reason": "ankle sprained today", "by": "ann", "on": timezone.localdate().isoformat()}
        api.patch(f"/clients/{client.pk}", {"base_revision": base, "sections": {"own_limits": [limit]}})
        answer = api.get(f"/clients/{client.pk}/run-sheet")
        assert answer.status_code == 409
        assert "stand" in answer.json()["detail"]

    def test_the_cue_that_worked_last_time_comes_first(self, api: Api, client: Client, programme: dict) -> None:
        first = api.get(f"/clients/{client.pk}/run-sheet?session=A").json()["sheet"]["movements"]
        m = next(m for m in first if len(m["cues"]) > 1)
        sides = [{"side": s["side"], "target": 8, "clean": 8, "ended_by": "target"} for s in m["sides"]]
        tried = [{"cue": 0, "worked": False}, {"cue": 1, "worked": True}]
        api.post(f"/clients/{client.pk}/visits", {"visit": a_visit(movements=[{"step": m["ref"], "sets": sides, "cues": tried}])})
        again = api.get(f"/clients/{client.pk}/run-sheet?session=A").json()["sheet"]["movements"]
        assert next(x for x in again if x["ref"] == m["ref"])["cues"][0]["index"] == 1


class TestDeciding:
    @pytest.fixture
    def ready(self, api: Api, client: Client, programme: dict) -> dict:
        """Two clean sessions of everything in the programme."""
        done = [
            {"step": m["ref"], "sets": [{"side": s["side"], "target": 8, "clean": 8, "ended_by": "target"} for s in m["set_ups"]]}
            for m in programme["answer"]["movements"]
        ]
        for i, ago in enumerate((12, 9)):
            told = {"told_on": timezone.localdate().isoformat(), "soreness_0_to_10": 0, "flare": False}
            answer = api.post(f"/clients/{client.pk}/visits", {"visit": a_visit(f"device-1-000{i}", ago, movements=done, next_day=told)})
            assert answer.status_code == 201, answer.content
        found = api.get(f"/clients/{client.pk}/proposals").json()["proposals"]
        return next(p for p in found if p["kind"] == "step_up" and not p["waits"])

    def decide(self, api: Api, client: Client, p: dict, answer: str, reason: str = ""):
        base = api.get(f"/clients/{client.pk}").json()["revision"]
        number = api.get(f"/clients/{client.pk}/programmes/latest").json()["number"]
        return api.post(f"/clients/{client.pk}/decisions", {"base_revision": base, "number": number, "proposal": p["id"], "answer": answer, "reason": reason})

    def test_an_accepted_step_up_takes_the_place_of_the_step(self, api: Api, client: Client, ready: dict) -> None:
        assert self.decide(api, client, ready, "accepted").status_code == 200
        refs = [m["ref"] for m in api.get(f"/clients/{client.pk}/programmes/latest").json()["answer"]["movements"]]
        assert ready["to"] in refs and ready["step"] not in refs

    def test_a_declined_one_needs_a_reason_and_stays_away(self, api: Api, client: Client, ready: dict) -> None:
        assert self.decide(api, client, ready, "declined").status_code == 422
        assert self.decide(api, client, ready, "declined", "wants to keep it for now").status_code == 200
        found = api.get(f"/clients/{client.pk}/proposals").json()["proposals"]
        assert ready["id"] not in [p["id"] for p in found]

    def test_what_is_not_proposed_is_not_decided(self, api: Api, client: Client, ready: dict) -> None:
        assert self.decide(api, client, {**ready, "id": "step_up:all"}, "accepted").status_code == 409

    def test_an_assistant_logs_and_does_not_decide(self, user: User, client: Client, ready: dict) -> None:
        user_of("pelle", "assistant", user.organisation)
        assistant = logged_in("pelle")
        assert assistant.post(f"/clients/{client.pk}/visits", {"visit": a_visit("device-2-0001")}).status_code == 201
        assert self.decide(assistant, client, ready, "accepted").status_code == 403


def test_the_course_is_a_paper_in_the_client_s_language(api: Api, client: Client, programme: dict) -> None:
    api.post(f"/clients/{client.pk}/visits", {"visit": a_visit("device-1-0001", 9)})
    sets = [{"side": s, "target": 8, "clean": c, "ended_by": "form"} for s, c in (("left", 8), ("right", 3))]
    api.post(f"/clients/{client.pk}/visits", {"visit": a_visit("device-1-0002", 2, movements=[{"step": STEP, "sets": sets}])})
    page = api.get(f"/clients/{client.pk}/papers/course").content.decode()
    assert "8/8" in page and "right 3/8" in page
    base = api.get(f"/clients/{client.pk}").json()["revision"]
    api.patch(f"/clients/{client.pk}", {"base_revision": base, "sections": {"understanding": {"language": "de"}}})
    assert "rechts 3/8" in api.get(f"/clients/{client.pk}/papers/course").content.decode()
    assert api.get(f"/clients/{client.pk}/papers/course.pdf").content.startswith(b"%PDF")


class TestHomeLink:
    @pytest.fixture
    def code(self, api: Api, client: Client, programme: dict) -> str:
        made = api.post(f"/clients/{client.pk}/home-link", {})
        assert made.status_code == 201
        return made.json()["code"]

    def get(self, code: str):
        return Browser().get(f"/api/v1/home/{code}")

    def log(self, code: str, visit: dict):
        return Browser().post(f"/api/v1/home/{code}/visits", json.dumps({"visit": visit}), content_type="application/json")

    def test_it_opens_todays_session_of_this_client_and_no_more(self, client: Client, code: str) -> None:
        found = self.get(code).json()
        assert found["sheet"]["context"] == "home"
        assert found["first_name"] and " " not in found["first_name"]
        assert "conditions" not in json.dumps(found)
        assert self.get(code.upper().replace("-", " ")).status_code == 200, "typed from paper"

    def test_only_a_fingerprint_is_kept(self, code: str) -> None:
        assert code.replace("-", "") not in HomeLink.objects.get().fingerprint

    def test_it_ends_by_its_day_and_when_it_is_taken_back(self, api: Api, client: Client, code: str) -> None:
        HomeLink.objects.update(expires_on=timezone.localdate() - timedelta(days=1))
        assert self.get(code).status_code == 404
        HomeLink.objects.update(expires_on=timezone.localdate() + VALID)
        assert self.get(code).status_code == 200
        assert api.browser.delete(f"/api/v1/clients/{client.pk}/home-link", headers={"X-CSRFToken": api.token}).status_code == 200
        assert self.get(code).status_code == 404

    def test_a_new_link_ends_the_one_before(self, api: Api, client: Client, code: str) -> None:
        other = api.post(f"/clients/{client.pk}/home-link", {}).json()["code"]
        assert (self.get(code).status_code, self.get(other).status_code) == (404, 200)

    def test_a_guess_opens_nothing(self, code: str) -> None:
        assert self.get("aaaa-bbbb-cccc-dddd").status_code == 404
        assert self.log("aaaa-bbbb-cccc-dddd", a_visit(by="client")).status_code == 404

    def test_a_carer_logs_once_and_says_so(self, client: Client, code: str) -> None:
        assert self.log(code, a_visit(by="carer")).status_code == 201
        assert self.log(code, a_visit(by="carer")).status_code == 200
        assert LoggedVisit.objects.get(client=client).data["by"] == "carer"

    def test_nobody_at_home_changes_what_the_practice_logged_or_takes_a_flare_back(self, api: Api, client: Client, code: str) -> None:
        api.post(f"/clients/{client.pk}/visits", {"visit": a_visit()})
        assert self.log(code, a_visit(by="client", effort_0_to_10=9)).status_code == 422
        told = {"told_on": timezone.localdate().isoformat(), "soreness_0_to_10": 6, "flare": True}
        api.post(f"/clients/{client.pk}/visits/device-1-0001/next-day", {"next_day": told})
        away = {"next_day": {**told, "flare": False}}
        answer = Browser().post(f"/api/v1/home/{code}/visits/device-1-0001/next-day", json.dumps(away), content_type="application/json")
        assert answer.status_code == 422
        [kept] = api.get(f"/clients/{client.pk}/course").json()["course"]["visits"]
        assert (kept["flare"], kept["by"], kept["effort"]) == (True, "specialist", 2)

    def test_nobody_at_home_logs_as_a_specialist(self, code: str) -> None:
        assert self.log(code, a_visit(by="specialist")).status_code == 422

    def test_a_flare_pauses_what_was_done_and_comes_to_the_day(self, api: Api, client: Client, code: str) -> None:
        told = {"told_on": timezone.localdate().isoformat(), "soreness_0_to_10": 6, "flare": True}
        self.log(code, a_visit(by="client"))
        answer = Browser().post(f"/api/v1/home/{code}/visits/device-1-0001/next-day", json.dumps({"next_day": told}), content_type="application/json")
        assert answer.status_code == 201
        assert self.get(code).json()["paused"] == [STEP]
        line = api.get("/day").json()["lines"][0]
        assert (line["station"], line["tone"]) == ("course", "due")


@pytest.mark.django_db
def test_a_clients_visits_are_looked_up_in_one_part_of_the_log(user: User) -> None:
    client = create_client(user, today_case("low-bone-mass"))
    rows = LoggedVisit.objects.filter(client=client, key="a-visit-1").order_by("-version")
    assert len(re.findall(r"on visits_loggedvisit_\d+", rows.explain())) == 1
    assert len(re.findall(r"on visits_loggedvisit_\d+", LoggedVisit.objects.order_by().explain())) == 16


@pytest.mark.django_db(transaction=True)
def test_the_log_goes_into_parts_and_back_without_a_loss(user: User) -> None:
    client = create_client(user, {k: v for k, v in today_case("low-bone-mass").items() if k != "visits"})
    api = logged_in(user.username)
    for n in range(3):
        assert api.post(f"/clients/{client.pk}/visits", {"visit": a_visit(f"visit-number-{n}")}).status_code == 201
    before = list(LoggedVisit.objects.order_by("key").values())
    try:
        MigrationExecutor(connection).migrate([("visits", "0003_when_it_came_about")])
        assert list(LoggedVisit.objects.order_by("key").values()) == before
    finally:
        MigrationExecutor(connection).migrate([("visits", "0004_partitioned")])
    assert list(LoggedVisit.objects.order_by("key").values()) == before
    again = api.post(f"/clients/{client.pk}/visits", {"visit": a_visit("visit-number-0")})
    assert again.status_code == 200 and not again.json()["new"]
    with pytest.raises(Exception, match="append-only"), connection.cursor() as cursor:
        cursor.execute("DELETE FROM visits_loggedvisit")
    with pytest.raises(IntegrityError):
        LoggedVisit.objects.create(client=client, key="visit-number-0", version=1, on=before[0]["on"], data={})
