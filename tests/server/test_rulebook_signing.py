"""Lines of the rule-book are signed off for one organisation, never rewritten, and asked again when they change."""

import pytest
from django.db import DatabaseError, connection, transaction

from amvel.safety.lines import lines
from clients.models import AuditEntry
from rulebook_signing.models import LineSignature
from tests.server.conftest import Api, user_of

pytestmark = pytest.mark.django_db


@pytest.fixture
def user(db):
    """Lines are signed off by a clinician."""
    return user_of("ann", "clinician")
LINE = next(x for x in lines() if x.owner == "stenosis" and x.number == "extension_deg")
SAID = {
    "rule": LINE.owner,
    "number": LINE.number,
    "digest": LINE.digest,
    "name": "Mira Holt",
    "profession": "surgeon",
}


def signature(api: Api) -> dict | None:
    found = api.get("/rulebook/lines").json()["lines"]
    return next(x for x in found if (x["rule"], x["number"]) == (LINE.owner, LINE.number))["signature"]


def test_a_line_is_agreed_with_by_name_and_only_in_this_house(api: Api, stranger: Api) -> None:
    assert signature(api) is None
    answer = api.post("/rulebook/lines", {**SAID, "agrees": True})
    assert answer.status_code == 200
    kept = signature(api)
    assert kept is not None
    assert (kept["agrees"], kept["name"], kept["profession"], kept["still_the_same"]) == (
        True,
        "Mira Holt",
        "surgeon",
        True,
    )
    assert signature(stranger) is None
    assert AuditEntry.objects.filter(action="rule-book line signed", detail__contains="Mira Holt").count() == 1


def test_an_objection_says_why_and_the_newest_word_counts_while_the_older_stays(api: Api) -> None:
    refused = api.post("/rulebook/lines", {**SAID, "agrees": False, "remark": " no "})
    assert refused.status_code == 422
    assert "remark" in refused.json()["detail"]
    api.post("/rulebook/lines", {**SAID, "agrees": True})
    api.post("/rulebook/lines", {**SAID, "agrees": False, "remark": "ten degrees is common here"})
    kept = signature(api)
    assert kept is not None and not kept["agrees"] and kept["remark"] == "ten degrees is common here"
    assert LineSignature.objects.count() == 2


@pytest.mark.parametrize("field", ["name", "profession"])
def test_nobody_signs_without_a_name_and_a_profession(api: Api, field: str) -> None:
    refused = api.post("/rulebook/lines", {**SAID, "agrees": True, field: "  "})
    assert refused.status_code == 422
    assert field in refused.json()["detail"]


def test_a_line_that_changed_since_it_was_opened_is_not_signed(api: Api) -> None:
    refused = api.post("/rulebook/lines", {**SAID, "agrees": True, "digest": "0" * 16})
    assert refused.status_code == 409
    assert "look at it again" in refused.json()["detail"]
    assert api.post("/rulebook/lines", {**SAID, "agrees": True, "number": "magic"}).status_code == 404


def test_a_signature_on_an_older_text_is_shown_as_such(api: Api, user) -> None:
    LineSignature.objects.create(
        organisation=user.organisation, owner=LINE.owner, number=LINE.number, digest="older", agrees=True,
        name="Mira Holt", profession="surgeon", entered_by=user,
    )  # fmt: skip
    kept = signature(api)
    assert kept is not None and not kept["still_the_same"]


def test_the_database_refuses_to_rewrite_a_signature(api: Api) -> None:
    api.post("/rulebook/lines", {**SAID, "agrees": True})
    for statement in (
        "UPDATE rulebook_signing_linesignature SET agrees = false",
        "DELETE FROM rulebook_signing_linesignature",
    ):
        with pytest.raises(DatabaseError), transaction.atomic(), connection.cursor() as cursor:
            cursor.execute(statement)


def test_what_a_test_decides_by_stands_in_the_rule_book_and_can_be_tried(api: Api, client_id: str) -> None:
    rules = {r["id"]: r for r in api.get("/reference").json()["rules"]}
    assert {n["id"] for n in rules["test.timed_up_and_go"]["numbers"]} == {"at_risk_s"}
    assert rules["low_bone_mass"]["sources"][0]["authors"].startswith("Brooke-Wavell")
    tried = api.post(
        "/rulebook/dry-run", {"lines": [{"rule": "screening.bone_status", "number": "t_osteoporosis", "value": -3.9}]}
    )
    assert tried.status_code == 200


def test_nobody_reads_it_without_log_in(api: Api) -> None:
    api.browser.logout()
    assert api.get("/rulebook/lines").status_code == 401
