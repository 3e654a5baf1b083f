"""A client taken out and brought in again: the same limits, verdicts, programme and course; nothing in a file is trusted."""

import csv
import io
import json
from copy import deepcopy
from datetime import timedelta
from io import StringIO
from zipfile import ZipFile

import pytest
from django.core.management import CommandError, call_command
from django.db import DatabaseError, connection
from django.utils import timezone
from hypothesis import HealthCheck, given
from hypothesis import settings as examples
from hypothesis import strategies as st

from amvel.answers.course import course
from clients.casework import create_client
from clients.engines import engine_of
from clients.models import AuditEntry, Client
from clients.summary import summary_of
from exchange.client_file import taken_out
from exchange.erasing import kept_until
from programmes.building import build
from tests.server.conftest import Api, logged_in, today_case, user_of

pytestmark = pytest.mark.django_db
WORD = {"kind": "clears", "name": "Dr. Wend", "role": "surgeon", "profession": "surgeon", "clears": "sternotomy"}


@pytest.fixture
def taken(user) -> dict:
    """A client with visits, a changed story and a programme, as a file."""
    client = create_client(user, today_case("stroke"))
    build(client, user, "home", 15)
    return json.loads(taken_out(client).model_dump_json())


def elsewhere(role: str = "specialist") -> Api:
    """Somebody of another organisation."""
    user_of("bela", role)
    return logged_in("bela")


def test_what_is_brought_in_is_the_same_client(api: Api, user, client_id: str) -> None:
    own = Client.objects.get(pk=client_id)
    changed = api.patch(f"/clients/{client_id}", {"base_revision": 1, "sections": {"wishes": {"minutes": 22}}, "reason": "less time"})
    assert changed.json()["revision"] == 2
    build(own, user, "home", 15)
    file = api.get(f"/clients/{client_id}/file").json()
    answer = elsewhere().post("/client-files", {"file": file})
    assert answer.status_code == 201, answer.json()
    assert answer.json()["left_out"] == []
    other = Client.objects.get(pk=answer.json()["id"])
    assert other.organisation != own.organisation
    mine, theirs = engine_of(own.latest()), engine_of(other.latest())
    assert theirs.digest == mine.digest and theirs.verdicts_digest == mine.verdicts_digest
    assert theirs.envelope.limits == mine.envelope.limits
    assert course(theirs) == course(mine)
    assert other.programmes.get().answer == own.programmes.get().answer
    assert [(r.number, r.created_at) for r in other.revisions.order_by("number")] == [(r.number, r.created_at) for r in own.revisions.order_by("number")]


def test_the_visit_that_is_planned_comes_along(api: Api, client_id: str) -> None:
    on = (timezone.localdate() + timedelta(days=6)).isoformat()
    assert api.send("put", f"/clients/{client_id}/next-visit", {"on": on, "at": "10:15"}).status_code == 200
    file = api.get(f"/clients/{client_id}/file").json()
    assert file["planned_visit"] == {"on": on, "at": "10:15:00"}
    there = elsewhere()
    other = Client.objects.get(pk=there.post("/client-files", {"file": file}).json()["id"])
    assert (str(other.visit_on), f"{other.visit_at:%H:%M}") == (on, "10:15")
    assert there.post("/client-files", {"file": {**file, "planned_visit": {"on": "soon"}}}).status_code == 422


def test_taken_out_again_it_is_the_same_file(taken: dict) -> None:
    api = elsewhere()
    client = Client.objects.get(pk=api.post("/client-files", {"file": taken}).json()["id"])
    again = json.loads(taken_out(client).model_dump_json())
    for part in ("visits", "programmes", "revisions"):
        for before, after in zip(taken[part], again[part], strict=True):
            unlike = {k for k in before if before[k] != after[k]}
            assert unlike <= {"by", "reason"}, (part, unlike)  # who entered it elsewhere is nobody here, and is named in the reason


def test_what_loosens_waits_for_somebody_here(taken: dict) -> None:
    on = taken["revisions"][-1]["at"][:10]
    case = taken["revisions"][-1]["case"]
    confirmed = {"recorded_by": "x", "reported": True, "confirmed_by": "y", "confirmed_on": on}
    case["clinician_words"] = [{**WORD, "on": on, "document": "letter of Monday", **confirmed}, {**WORD, "on": on}]
    case["overrides"] = [{"step": "bridge/small_lift", "limit": "x", "reason": "so it was", "by": "somebody", "on": on, "expires_on": on}]
    api = elsewhere()
    answer = api.post("/client-files", {"file": taken}).json()
    last = f"$.revisions[{len(taken['revisions']) - 1}].case"
    assert [f["path"] for f in answer["left_out"]] == [f"{last}.clinician_words[1]", f"{last}.overrides[0]"]
    kept = engine_of(Client.objects.get(pk=answer["id"]).latest()).case
    assert not kept.overrides
    assert [w.waits_for_confirmation for w in kept.clinician_words] == [True]


def test_a_new_client_brings_no_clearing_and_nothing_opened(api: Api) -> None:
    case = today_case("heart-operation")
    on = case["consent"]["on"]
    case["clinician_words"] = [{**WORD, "on": on, "document": "letter of Monday", "confirmed_by": "y", "confirmed_on": on}]
    created = api.post("/clients", {"case": case})
    assert created.status_code == 201, created.json()
    kept = engine_of(Client.objects.get(pk=created.json()["id"]).latest()).case
    assert [w.waits_for_confirmation for w in kept.clinician_words] == [True]
    case["overrides"] = [{"step": "bridge/small_lift", "limit": "x", "reason": "so it was", "by": "somebody", "on": on, "expires_on": on}]
    refused = api.post("/clients", {"case": case})
    assert refused.status_code == 422
    assert [f["path"] for f in refused.json()["faults"]] == ["$.overrides[0]"]


def test_what_cannot_be_taken_is_listed_and_the_rest_is_kept(taken: dict) -> None:
    taken["visits"][0]["visit"]["movements"][0]["step"] = "nothing/known"
    taken["visits"][1]["key"] = "another-id"
    taken["programmes"][0]["answer"]["movements"][0]["ref"] = "nothing/known"
    answer = elsewhere().post("/client-files", {"file": taken})
    assert answer.status_code == 201
    paths = [f["path"] for f in answer.json()["left_out"]]
    assert paths == ["$.visits[0].visit.movements[0].step", "$.visits[1].key", "$.programmes[0].answer"]
    client = Client.objects.get(pk=answer.json()["id"])
    assert client.visits.count() == len(taken["visits"]) - 2
    assert not client.programmes.exists()


def test_a_newest_case_that_is_refused_makes_no_client(taken: dict) -> None:
    taken["revisions"][-1]["case"]["person"]["stature_cm"] = 400
    before = Client.objects.count()
    answer = elsewhere().post("/client-files", {"file": taken})
    assert answer.status_code == 422
    assert answer.json()["faults"][0]["path"] == f"$.revisions[{len(taken['revisions']) - 1}].case.person.stature_cm"
    assert Client.objects.count() == before


def test_nothing_comes_about_in_the_future(taken: dict) -> None:
    taken["visits"][-1]["at"] = "2999-01-01T00:00:00Z"
    client = Client.objects.get(pk=elsewhere().post("/client-files", {"file": taken}).json()["id"])
    assert client.visits.order_by("-created_at")[0].created_at.year < 2999


def test_it_is_written_down_that_a_client_was_taken_out(api: Api, client_id: str) -> None:
    api.get(f"/clients/{client_id}/file")
    with connection.cursor() as cursor:
        cursor.execute("SELECT count(*) FROM clients_auditentry WHERE client_id = %s AND action = 'client taken out'", [client_id])
        assert cursor.fetchone() == (1,)
    user_of("aide", "assistant", Client.objects.get(pk=client_id).organisation)
    assert logged_in("aide").get(f"/clients/{client_id}/file").status_code == 403
    assert elsewhere().get(f"/clients/{client_id}/file").status_code == 404


JUNK = st.recursive(st.none() | st.booleans() | st.integers(-3, 3) | st.text(max_size=5), lambda x: st.lists(x, max_size=3) | st.dictionaries(st.text(max_size=5), x, max_size=3), max_leaves=6)


@examples(max_examples=60, deadline=None, suppress_health_check=list(HealthCheck))
@given(data=st.data())
def test_a_spoilt_file_is_refused_or_taken_in_part_and_never_breaks(taken: dict, data: st.DataObject) -> None:
    """Any one place of the file replaced by anything: an answer with 201 or 422, and the client that came of it opens."""
    spoilt = deepcopy(taken)
    at, key = spoilt, data.draw(st.sampled_from(["revisions", "visits", "programmes"]))
    for _ in range(data.draw(st.integers(1, 6))):
        if isinstance(at[key], dict) and at[key]:
            at, key = at[key], data.draw(st.sampled_from(sorted(at[key])))
        elif isinstance(at[key], list) and at[key]:
            at, key = at[key], data.draw(st.integers(0, len(at[key]) - 1))
    at[key] = data.draw(JUNK)
    api = logged_in("ann")
    answer = api.post("/client-files", {"file": spoilt})
    assert answer.status_code in (201, 422, 429), answer.content
    if answer.status_code == 201:
        assert api.get(f"/clients/{answer.json()['id']}").status_code == 200


def test_a_fhir_bundle_of_this_client_makes_a_client_with_the_same_limits(api: Api, client_id: str) -> None:
    """Without consent, stop signs, room and visits, which FHIR has no places for, and without what loosens."""
    sent = api.get(f"/clients/{client_id}/fhir")
    assert sent["Content-Type"].startswith("application/fhir+json")
    answer = elsewhere().post("/client-bundles", {"bundle": sent.json()})
    assert answer.status_code == 201, answer.json()
    mine, theirs = (engine_of(Client.objects.get(pk=k).latest()) for k in (client_id, answer.json()["id"]))
    assert theirs.case.conditions == mine.case.conditions
    assert {x.id for x in theirs.envelope.limits} >= {x.id for x in mine.envelope.limits if x.set_by == "rule"} - {x.id for x in mine.envelope.limits if x.valid_until}
    assert {f["path"] for f in answer.json()["left_out"]}


def test_a_bundle_that_lacks_what_a_client_needs_names_it(api: Api) -> None:
    person = {"resourceType": "Patient", "birthDate": "1950-03-02", "gender": "female"}
    answer = api.post("/client-bundles", {"bundle": {"resourceType": "Bundle", "type": "collection", "entry": [{"resource": person}]}})
    assert answer.status_code == 422
    assert {f["path"] for f in answer.json()["faults"]} == {"$.person.stature_cm", "$.person.mass_kg"}
    assert not Client.objects.filter(name="").exists()


def test_tests_go_out_as_a_table_and_come_in_once(api: Api, client_id: str) -> None:
    table = api.get(f"/clients/{client_id}/tables/tests.csv").content.decode()
    empty = api.post("/clients", {"case": {**today_case("low-bone-mass"), "tests": []}}).json()["id"]
    before = len(engine_of(Client.objects.get(pk=client_id).latest()).case.tests)
    taken = api.post(f"/clients/{empty}/tables/tests", {"base_revision": 1, "table": table + "x,,nonsense,,,\r\n"}).json()
    assert taken["taken"] == before and taken["left_out"][0]["path"].startswith("line ")
    again = api.post(f"/clients/{empty}/tables/tests", {"base_revision": 2, "table": table}).json()
    assert again == {"taken": 0, "left_out": []}


def test_no_table_adds_a_test_of_today_while_a_stop_sign_stands(api: Api, client_id: str) -> None:
    case = today_case("low-bone-mass")
    case["stop_signs"]["present"] = ["chest_pain"]
    stopped = api.post("/clients", {"case": case}).json()["id"]
    row = "1,{on},timed_up_and_go,seconds,11,s\r\n"
    head = "result,on,test,field,value,unit\r\n"
    today_s = engine_of(Client.objects.get(pk=stopped).latest()).case.as_of
    refused = api.post(f"/clients/{stopped}/tables/tests", {"base_revision": 1, "table": head + row.format(on=today_s)})
    assert refused.status_code == 409
    earlier = api.post(f"/clients/{stopped}/tables/tests", {"base_revision": 1, "table": head + row.format(on="2026-01-15")})
    assert earlier.json()["taken"] == 1


def test_visits_go_out_as_a_table_with_a_dictionary(api: Api, user) -> None:
    client = create_client(user, today_case("stroke"))
    table = api.get(f"/clients/{client.pk}/tables/visits.csv").content.decode().splitlines()
    assert len(table) > len(engine_of(client.latest()).case.visits)
    columns = {line.split(",")[1] for line in api.get("/tables/dictionary.csv").content.decode().splitlines() if line.startswith("visits,")}
    assert set(table[0].split(",")) == columns


def test_visits_come_in_from_a_table_once_and_change_nothing_that_is_here(api: Api, user) -> None:
    client = create_client(user, today_case("stroke"))
    table = api.get(f"/clients/{client.pk}/tables/visits.csv").content.decode()
    logged = len(engine_of(client.latest()).case.visits)
    empty = create_client(user, {**today_case("stroke"), "visits": []})
    address = f"/clients/{empty.pk}/tables/visits"
    assert api.post(address, {"table": table}).json() == {"taken": logged, "left_out": []}
    assert len(engine_of(empty.latest()).case.visits) == logged
    assert api.get(f"/clients/{empty.pk}/tables/visits.csv").content.decode() == table
    assert api.post(address, {"table": table}).json() == {"taken": 0, "left_out": []}
    # Another effort under an id that is here: named, and not taken; the visits here stay as they are.
    changed = [dict(row) for row in csv.DictReader(io.StringIO(table))]
    first = changed[0]["visit"]
    for row in changed:
        row["effort_0_to_10"] = "9" if row["visit"] == first else row["effort_0_to_10"]
    refused = api.post(address, {"table": written(changed)}).json()
    assert refused["taken"] == 0 and [f["path"] for f in refused["left_out"]] == [first]
    assert api.get(f"/clients/{empty.pk}/tables/visits.csv").content.decode() == table


def test_a_client_is_summed_up_once_for_all_visits_of_a_table(api: Api, user, monkeypatch) -> None:
    """Summing up reckons the whole client; one visit after the other it was most of what a table took."""
    client = create_client(user, today_case("stroke"))
    table = api.get(f"/clients/{client.pk}/tables/visits.csv").content.decode()
    empty = create_client(user, {**today_case("stroke"), "visits": []})
    reckoned = []
    monkeypatch.setattr("visits.log.engine_of", lambda revision: reckoned.append(1) or engine_of(revision))
    assert api.post(f"/clients/{empty.pk}/tables/visits", {"table": table}).json()["taken"] > 1
    assert len(reckoned) == 1
    told = summary_of(engine_of(empty.latest()), False)
    assert Client.objects.filter(pk=empty.pk).values(*told).get() == told


def test_a_visit_of_a_table_that_cannot_be_is_named_and_the_others_are_taken(api: Api, user) -> None:
    client = create_client(user, today_case("stroke"))
    rows = [dict(row) for row in csv.DictReader(io.StringIO(api.get(f"/clients/{client.pk}/tables/visits.csv").content.decode()))]
    ids = list(dict.fromkeys(row["visit"] for row in rows))
    for row in rows:
        if row["visit"] == ids[0]:
            row["on"] = "2199-01-01"
        elif row["visit"] == ids[1] and row["step"]:
            row["step"] = "no_such/step"
    empty = create_client(user, {**today_case("stroke"), "visits": []})
    found = api.post(f"/clients/{empty.pk}/tables/visits", {"table": written(rows)}).json()
    assert found["taken"] == len(ids) - 2
    assert {f["path"].split(",")[0] for f in found["left_out"]} == set(ids[:2])
    assert elsewhere().post(f"/clients/{empty.pk}/tables/visits", {"table": written(rows)}).status_code == 404


def written(rows: list[dict]) -> str:
    out = io.StringIO()
    table = csv.DictWriter(out, list(rows[0]), lineterminator="\r\n")
    table.writeheader()
    table.writerows(rows)
    return out.getvalue()


def test_a_whole_organisation_goes_into_one_archive(user, tmp_path) -> None:
    clients = [create_client(user, today_case(name)) for name in ("stroke", "low-bone-mass")]
    stranger = create_client(user_of("bela"), today_case("sciatica"))
    call_command("export_organisation", user.organisation.name, tmp_path / "all.zip", stdout=StringIO())
    assert (tmp_path / "all.zip").stat().st_mode & 0o077 == 0
    with ZipFile(tmp_path / "all.zip") as archive:
        names = archive.namelist()
        assert {n.split("/")[1] for n in names if n.startswith("clients/")} == {str(c.pk) for c in clients}
        assert not any(str(stranger.pk) in n for n in names)
        assert "password" not in archive.read("people.json").decode()
        whole = json.loads(archive.read(f"clients/{clients[0].pk}/client.json"))
    answer = logged_in("bela").post("/client-files", {"file": whole})
    assert answer.status_code == 201 and answer.json()["left_out"] == []
    with pytest.raises(CommandError, match="file"):
        call_command("export_organisation", user.organisation.name, tmp_path / "all.zip")
    with pytest.raises(CommandError, match="name"):
        call_command("export_organisation", "nobody's", tmp_path / "other.zip")


@pytest.mark.django_db(transaction=True)
def test_records_are_erased_only_when_they_are_old_enough_or_with_a_reason(user) -> None:
    client, other = (create_client(user, today_case("stroke")) for _ in range(2))
    build(client, user, "home", 15)
    key = client.pk
    with pytest.raises(CommandError, match="has to be kept until"):
        call_command("erase_client", str(key))
    assert Client.objects.filter(pk=key).exists()
    call_command("erase_client", str(key), "--reason", "asked for by the client", stdout=StringIO())
    assert not Client.objects.filter(pk=key).exists()
    assert Client.objects.filter(pk=other.pk).exists() and other.revisions.exists()
    [entry] = AuditEntry.objects.filter(action="client erased")
    assert (entry.detail, entry.client, entry.organisation) == ("asked for by the client", None, user.organisation)
    assert not AuditEntry.objects.filter(client=key).exists()
    with connection.cursor() as cursor, pytest.raises(DatabaseError, match="append-only"):
        cursor.execute("DELETE FROM clients_caserevision")  # the guard stands again


def test_records_that_are_old_enough_are_erased_without_a_reason(taken: dict, settings) -> None:
    settings.KEEP_YEARS = 0
    client = Client.objects.get(pk=elsewhere().post("/client-files", {"file": taken}).json()["id"])
    assert kept_until(client) <= timezone.now()


def test_a_programme_that_no_longer_fits_is_not_sent_to_anybody(api: Api, user) -> None:
    """Whatever is closed today leaves in no form: the care plan goes with the first limit that it breaks."""
    client = create_client(user, today_case("stroke"))
    build(client, user, "home", 15)

    def plans() -> int:
        return [e["resource"]["resourceType"] for e in api.get(f"/clients/{client.pk}/fhir").json()["entry"]].count("CarePlan")

    assert plans() == 1
    word = {"kind": "forbids", "name": "Dr. Wend", "role": "surgeon", "profession": "surgeon", "on": today_case("stroke")["consent"]["on"]}
    movements = client.programmes.get().answer["movements"]
    forbidden = {**word, "step": movements[0]["ref"].partition("/")[0]}
    changed = api.patch(f"/clients/{client.pk}", {"base_revision": 1, "sections": {"clinician_words": [forbidden]}, "reason": "a letter"})
    assert changed.status_code == 200, changed.json()
    assert plans() == 0
