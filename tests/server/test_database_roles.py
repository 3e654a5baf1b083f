"""The database lets nobody in without a password, and the application's role reads and writes rows and no more."""

import os
import subprocess
import sys
from pathlib import Path

import psycopg
import pytest
from django.conf import settings

ROOT = Path(__file__).parents[2]
SECRETS = Path(os.environ.get("AMVEL_DB_SECRETS", ROOT / "no-secrets"))
PORT = int(settings.DATABASES["default"]["PORT"])


def secret(role: str) -> str:
    return (SECRETS / role).read_text()


@pytest.fixture(scope="module")
def migrated() -> None:
    """The real database, brought up to date by its owner as ./start does."""
    who = {"AMVEL_DB_USER": "amvel_owner", "AMVEL_DB_PASSWORD": secret("amvel_owner"), "AMVEL_DB_NAME": "amvel"}
    command = [sys.executable, "manage.py", "migrate", "-v", "0"]
    env = {**os.environ, **who, "DJANGO_SETTINGS_MODULE": "config.settings"}
    done = subprocess.run(command, cwd=ROOT / "server", env=env, capture_output=True, text=True)
    assert done.returncode == 0, done.stderr


def app() -> psycopg.Connection:
    return psycopg.connect(host="127.0.0.1", port=PORT, dbname="amvel", user="amvel_app", password=secret("amvel_app"), autocommit=True)


def test_nobody_gets_in_without_a_password() -> None:
    for user in ("amvel", "amvel_owner", "amvel_app", "postgres", "root"):
        for password in (None, "", "amvel", "wrong"):
            with pytest.raises(psycopg.OperationalError):
                psycopg.connect(host="127.0.0.1", port=PORT, dbname="amvel", user=user, password=password)


def test_the_passwords_are_readable_by_nobody_else() -> None:
    assert SECRETS.stat().st_mode & 0o077 == 0
    for role in ("amvel", "amvel_owner", "amvel_app"):
        assert (SECRETS / role).stat().st_mode & 0o077 == 0
        assert len(secret(role)) >= 32


def test_the_application_owns_nothing_and_rules_nothing(migrated) -> None:
    with app() as db:
        row = db.execute("SELECT rolsuper, rolcreatedb, rolcreaterole, rolbypassrls, rolreplication FROM pg_roles WHERE rolname = 'amvel_app'").fetchone()
        assert row == (False,) * 5
        assert db.execute("SELECT count(*) FROM pg_class c JOIN pg_roles r ON r.oid = c.relowner WHERE r.rolname = 'amvel_app'").fetchone() == (0,)


@pytest.mark.parametrize(
    "statement",
    [
        "TRUNCATE clients_auditentry",
        "TRUNCATE clients_caserevision CASCADE",
        "DROP TABLE clients_auditentry",
        "ALTER TABLE clients_auditentry DISABLE TRIGGER ALL",
        "DROP TRIGGER append_only ON clients_auditentry",
        "CREATE TABLE mine (x int)",
        "CREATE FUNCTION mine() RETURNS int LANGUAGE sql AS 'SELECT 1'",
        "CREATE ROLE mine",
        "ALTER ROLE amvel_app SUPERUSER",
        "SET ROLE amvel_owner",
        "SET session_replication_role = replica",
        "COPY clients_client TO PROGRAM 'cat'",
        "SELECT pg_read_file('/etc/passwd')",
    ],
)
def test_the_application_can_neither_rewrite_the_record_nor_the_tables(migrated, statement: str) -> None:
    with app() as db, pytest.raises((psycopg.errors.InsufficientPrivilege, psycopg.errors.InvalidParameterValue)):
        db.execute(statement)


def test_the_application_reads_and_writes_rows(migrated) -> None:
    with app() as db:
        key = db.execute("INSERT INTO accounts_organisation (id, name) VALUES (gen_random_uuid(), 'A house') RETURNING id").fetchone()
        assert db.execute("SELECT name FROM accounts_organisation WHERE id = %s", key).fetchone() == ("A house",)
        db.execute("DELETE FROM accounts_organisation WHERE id = %s", key)
