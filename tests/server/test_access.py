"""Log-in, lock-out, CSRF, and the walls between organisations."""

import argon2
import pytest
from django.db import DatabaseError, connection, transaction
from django.test import Client as Browser

from clients.models import AuditEntry, CaseRevision
from tests.server.conftest import Api

pytestmark = pytest.mark.django_db


def test_nothing_is_shown_without_log_in(client_id: str) -> None:
    anyone = Api(Browser())
    for path in (
        "/day",
        "/reference",
        f"/clients/{client_id}",
        f"/clients/{client_id}/papers/hand-out.pdf",
    ):
        answer = anyone.get(path)
        assert answer.status_code == 401
        assert answer.headers["Content-Type"] == "application/problem+json"


def from_address(address: str) -> Api:
    return Api(Browser(enforce_csrf_checks=True, REMOTE_ADDR=address))


def test_a_name_is_not_guessed_at_from_many_addresses(user, settings) -> None:
    """Four failures from each of five addresses: no pair is locked, the name is."""
    tries = [from_address(f"10.0.0.{k}").login("ann", "wrong-password").status_code for k in range(1, 6) for _ in range(4)]
    assert set(tries) == {401} and len(tries) == settings.FAILURES_A_NAME
    assert from_address("10.0.0.99").login("ann").status_code == 429


def test_an_address_does_not_try_every_name_and_nobody_else_is_locked(user, settings) -> None:
    tries = [from_address("10.0.0.7").login(f"name{k}", "wrong-password").status_code for k in range(20) for _ in range(3)]
    assert set(tries) == {401} and len(tries) == settings.FAILURES_AN_ADDRESS
    assert from_address("10.0.0.7").login("ann").status_code == 429
    assert from_address("10.0.0.8").login("ann").status_code == 200


def test_a_wrong_password_is_refused_and_five_lock_the_name(user) -> None:
    api = Api(Browser(enforce_csrf_checks=True))
    codes = [api.login("ann", "wrong-password").status_code for _ in range(6)]
    assert codes[0] == 401
    assert codes[-1] == 429
    assert api.login("ann").status_code == 429


def test_a_change_without_the_token_is_refused(api: Api, client_id: str) -> None:
    answer = api.send("patch", f"/clients/{client_id}", {"base_revision": 1, "sections": {}}, token="nonsense")
    assert answer.status_code == 403
    assert CaseRevision.objects.filter(client_id=client_id).count() == 1


@pytest.mark.parametrize(
    "path",
    [
        "",
        "/verdicts",
        "/next-tests",
        "/programmes/latest",
        "/figure/clam/small_opening",
        "/papers/hand-out.pdf",
    ],
)
def test_another_organisation_sees_nothing(stranger: Api, client_id: str, path: str) -> None:
    assert stranger.get(f"/clients/{client_id}{path}").status_code == 404
    day = stranger.get("/day").json()
    assert (day["lines"], day["more"]) == ([], False)


def test_another_organisation_changes_nothing(stranger: Api, client_id: str) -> None:
    assert (
        stranger.patch(
            f"/clients/{client_id}", {"base_revision": 1, "sections": {"conditions": []}}
        ).status_code
        == 404
    )
    assert stranger.post(f"/clients/{client_id}/programmes", {}).status_code == 404


def test_opening_a_client_leaves_a_trace(api: Api, client_id: str, user) -> None:
    api.get(f"/clients/{client_id}")
    assert AuditEntry.objects.filter(client_id=client_id, user=user, action="client opened").exists()


@pytest.mark.parametrize(
    "statement",
    [
        "UPDATE clients_caserevision SET reason = 'x'",
        "DELETE FROM clients_auditentry",
        "DELETE FROM clients_caserevision",
    ],
)
def test_the_database_refuses_to_rewrite_what_was_recorded(client_id: str, statement: str) -> None:
    with pytest.raises(DatabaseError, match="append-only"), transaction.atomic(), connection.cursor() as cursor:
        cursor.execute(statement)


def test_pages_forbid_foreign_scripts(api: Api) -> None:
    policy = api.get("/session").headers["Content-Security-Policy"]
    assert "default-src 'self'" in policy
    assert api.get("/session").headers["Cache-Control"] == "no-store"


@pytest.mark.dear_passwords
def test_passwords_are_kept_with_argon2_that_costs_who_guesses(user) -> None:
    """At least what OWASP's cheat sheet on password storage asks of Argon2id: 19 MiB, two passes (from memory)."""
    kept = argon2.extract_parameters(user.password.removeprefix("argon2"))
    assert kept.type is argon2.Type.ID
    assert kept.memory_cost >= 19 * 1024 and kept.time_cost >= 2
