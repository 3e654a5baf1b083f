"""The drill: back up, lose everything, restore, and find it all; what is damaged or for somebody else changes nothing."""

import os
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path

import psycopg
import pytest
from django.conf import settings

from tests.server.test_database_roles import PORT, secret

pytestmark = pytest.mark.long
SERVER = Path(__file__).parents[2] / "server"
NAME = "drill"


def superuser(database: str = "postgres") -> psycopg.Connection:
    return psycopg.connect(host="127.0.0.1", port=PORT, dbname=database, user="amvel", password=secret("amvel"), autocommit=True)


def manage(*command: str) -> subprocess.CompletedProcess[str]:
    who = {"AMVEL_DB_USER": "amvel_owner", "AMVEL_DB_PASSWORD": secret("amvel_owner"), "AMVEL_DB_NAME": NAME}
    env = {**os.environ, **who, "DJANGO_SETTINGS_MODULE": "config.settings"}
    return subprocess.run([sys.executable, "manage.py", *command], cwd=SERVER, env=env, capture_output=True, text=True)


def done(*command: str) -> str:
    answer = manage(*command)
    assert answer.returncode == 0, answer.stderr
    return answer.stdout.strip()


def empty() -> None:
    """A database with nothing in it."""
    with superuser() as db:
        db.execute(f"DROP DATABASE IF EXISTS {NAME} WITH (FORCE)")
        db.execute(f"CREATE DATABASE {NAME} OWNER amvel_owner")
    with superuser(NAME) as db:
        db.execute("ALTER SCHEMA public OWNER TO amvel_owner")
        db.execute("GRANT USAGE ON SCHEMA public TO amvel_app")
        for what in ("SELECT, INSERT, UPDATE, DELETE ON TABLES", "USAGE, SELECT ON SEQUENCES"):  # as tools/postgres.py sets them up
            db.execute(f"ALTER DEFAULT PRIVILEGES FOR ROLE amvel_owner IN SCHEMA public GRANT {what} TO amvel_app")


def everything() -> list[tuple]:
    """Every revision, programme and line of the audit trail, as text."""
    with superuser(NAME) as db:
        tables = ("clients_client", "clients_caserevision", "programmes_programme", "clients_auditentry", "accounts_user")
        return [row for t in tables for row in db.execute(f"SELECT x::text FROM {t} x ORDER BY 1").fetchall()]


@pytest.fixture(scope="module")
def backup(tmp_path_factory) -> Iterator[tuple[Path, Path]]:
    """A practice with its clients, and its backup with the key that reads it."""
    folder = tmp_path_factory.mktemp("drill")
    empty()
    done("migrate", "-v", "0")
    done("load_demo")
    file, key = folder / "night.age", folder / "key"
    done("backup", str(file), "--to", done("backup", "--new-key", str(key)))
    yield file, key
    with superuser() as db:
        db.execute(f"DROP DATABASE IF EXISTS {NAME} WITH (FORCE)")


def test_everything_comes_back_after_everything_was_lost(backup) -> None:
    file, key = backup
    before = everything()
    assert len(before) > 30
    empty()
    assert "rows" in done("restore", str(file), "--key", str(key), "--replace-everything")
    assert everything() == before
    assert done("migrate", "--check") == ""


def test_what_came_after_the_backup_goes_with_a_restore(backup) -> None:
    file, key = backup
    before = everything()
    with superuser(NAME) as db:
        db.execute("UPDATE clients_client SET visit_at = '04:44'")
    assert everything() != before
    done("restore", str(file), "--key", str(key), "--replace-everything")
    assert everything() == before


def test_the_application_may_still_do_what_it_may_and_no_more(backup) -> None:
    file, key = backup
    done("restore", str(file), "--key", str(key), "--replace-everything")
    with psycopg.connect(host="127.0.0.1", port=PORT, dbname=NAME, user="amvel_app", password=secret("amvel_app"), autocommit=True) as db:
        assert db.execute("SELECT count(*) FROM clients_client").fetchone()[0] > 5
        with pytest.raises(psycopg.errors.InsufficientPrivilege):
            db.execute("TRUNCATE clients_auditentry")


def test_nothing_in_the_file_can_be_read_without_the_key(backup) -> None:
    file, _ = backup
    data = file.read_bytes()
    for word in (b"Okafor", b"conditions", b"PGDMP", b"amvel backup"):
        assert word not in data
    assert file.stat().st_mode & 0o077 == 0


@pytest.mark.parametrize("fault", ["cut", "flipped", "foreign", "no key", "other key", "not said"])
def test_a_backup_that_cannot_be_trusted_changes_nothing(backup, tmp_path: Path, fault: str) -> None:
    file, key = backup
    before, data = everything(), file.read_bytes()
    bad, say = tmp_path / "bad.age", ["--replace-everything"]
    bad.write_bytes(data)
    if fault == "cut":
        bad.write_bytes(data[: len(data) // 2])
    if fault == "flipped":
        middle = len(data) // 2
        bad.write_bytes(data[:middle] + bytes([data[middle] ^ 1]) + data[middle + 1 :])
    if fault == "foreign":
        bad.write_bytes(b"some other file")
    if fault == "no key":
        key = tmp_path / "nowhere"
    if fault == "other key":
        key = tmp_path / "other"
        done("backup", "--new-key", str(key))
    if fault == "not said":
        say = []
    answer = manage("restore", str(bad), "--key", str(key), *say)
    assert answer.returncode == 1
    assert answer.stderr.startswith("CommandError: ") and "Traceback" not in answer.stderr
    assert everything() == before


def test_a_backup_never_writes_over_another(backup) -> None:
    file, _ = backup
    data = file.read_bytes()
    answer = manage("backup", str(file), "--to", "age1nothing")
    assert answer.returncode == 1 and "public key" in answer.stderr
    assert file.read_bytes() == data
    assert settings.DATABASES["default"]["NAME"] != NAME
