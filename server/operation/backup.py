"""The whole database in one encrypted file, and back; whatever can be worked out again is left out.

A backup is written for a public key, so that the machine that writes it cannot read it.  Inside: how many rows each table
has, then the dump.  Both are read to the end and checked before anything in the database is touched.
"""

import json
import os
import shutil
import subprocess
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import pyrage
from django.db import connection
from pyrage.x25519 import Identity, Recipient

# Worked out again, or of no use on another day.
_LEFT_OUT = ("jobs_longanswer", "jobs_solvedbody", "jobs_keptpicture", "procrastinate_jobs", "procrastinate_events", "procrastinate_periodic_defers", "procrastinate_workers", "django_session")
_MARK = b"amvel backup 1\n"


class BackupError(RuntimeError):
    """A backup could not be written or read; the message says why, and nothing was changed."""


def new_key(to: Path) -> str:
    """A new pair of keys: the secret one in a file that only its owner reads; gives the public one."""
    identity = Identity.generate()
    with os.fdopen(os.open(to, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600), "w") as f:
        f.write(f"{identity}\n")
    return str(identity.to_public())


def write(to: Path, public_key: str) -> dict[str, int]:
    """Back up into a new file; gives the rows of each table.  Raises BackupError."""
    try:
        recipient = Recipient.from_str(public_key.strip())
    except pyrage.RecipientError as error:
        raise BackupError(f"public key: {error}") from error
    if to.exists():
        raise BackupError(f"{to} is there already")
    with tempfile.TemporaryDirectory() as folder:
        plain, dump = Path(folder) / "plain", Path(folder) / "dump"
        rows = _dumped(dump)
        with plain.open("wb") as f, dump.open("rb") as source:
            f.write(_MARK + json.dumps(rows).encode() + b"\n")
            shutil.copyfileobj(source, f)
        with plain.open("rb") as source, os.fdopen(os.open(to, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600), "wb") as out:
            pyrage.encrypt_io(source, out, [recipient])
    return rows


def read(source: Path, secret_key: Path) -> dict[str, int]:
    """Put a backup in the place of what the database holds; gives the rows of each table.  Raises BackupError before it
    touches anything, or when what came back is not what was written."""
    with _opened(source, secret_key) as (rows, dump):
        script = dump.with_suffix(".sql")
        _run("pg_restore", "--clean", "--if-exists", "--no-owner", "--no-privileges", "--file", str(script), str(dump))
        _run("psql", "--no-psqlrc", "--quiet", "--single-transaction", "--set=ON_ERROR_STOP=1", "-c", _DROP_PARTS, "-f", str(script), _database())
    connection.close()
    found = _counts(list(rows))
    wrong = sorted(t for t in rows if found[t] != rows[t])
    if wrong:
        raise BackupError(f"other numbers of rows than were written: {', '.join(wrong)}")
    return rows


# What is inherited from a table in parts cannot be dropped part by part, as the script would: such tables go as a whole before it.
_DROP_PARTS = """
DO $$ DECLARE name text; BEGIN
    FOR name IN SELECT oid::regclass FROM pg_class WHERE relkind = 'p' AND relnamespace = 'public'::regnamespace
    LOOP EXECUTE 'DROP TABLE ' || name || ' CASCADE'; END LOOP;
END $$
"""


@contextmanager
def _opened(source: Path, secret_key: Path) -> Iterator[tuple[dict[str, int], Path]]:
    try:
        identity = Identity.from_str(secret_key.read_text().strip())
    except (OSError, pyrage.IdentityError) as error:
        raise BackupError(f"secret key: {error}") from error
    with tempfile.TemporaryDirectory() as folder:
        plain, dump = Path(folder) / "plain", Path(folder) / "dump"
        try:
            with source.open("rb") as f, plain.open("wb") as out:
                pyrage.decrypt_io(f, out, [identity])
        except (OSError, pyrage.DecryptError) as error:
            raise BackupError(f"{source}: cannot be read with this key, or is damaged ({error})") from error
        with plain.open("rb") as f:
            if f.readline() != _MARK:
                raise BackupError(f"{source}: is no backup of this application")
            rows = json.loads(f.readline())
            with dump.open("wb") as out:
                shutil.copyfileobj(f, out)
        plain.unlink()
        yield rows, dump


def _dumped(to: Path) -> dict[str, int]:
    """Rows and dump of one moment."""
    with connection.cursor() as cursor:
        cursor.execute("BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY")
        try:
            cursor.execute("SELECT pg_export_snapshot()")
            [snapshot] = cursor.fetchone()
            rows = _counts([t for t in connection.introspection.table_names(cursor) if t not in _LEFT_OUT])
            left_out = [f"--exclude-table-data={t}" for t in _LEFT_OUT]
            _run("pg_dump", "--format=custom", f"--snapshot={snapshot}", *left_out, "--file", str(to), _database())
        finally:
            cursor.execute("ROLLBACK")
    return rows


def _counts(tables: list[str]) -> dict[str, int]:
    with connection.cursor() as cursor:
        out = {}
        for table in tables:
            cursor.execute(f"SELECT count(*) FROM {connection.ops.quote_name(table)}")
            [out[table]] = cursor.fetchone()
    return out


def _database() -> str:
    return str(connection.settings_dict["NAME"])


def _run(command: str, *args: str) -> None:
    s = connection.settings_dict
    where = {"PGHOST": s["HOST"], "PGPORT": str(s["PORT"]), "PGUSER": s["USER"], "PGPASSWORD": s["PASSWORD"]}
    done = subprocess.run([command, *args], env={**os.environ, **where}, stdout=subprocess.DEVNULL, stderr=subprocess.PIPE, text=True)
    if done.returncode != 0:
        raise BackupError(f"{command}: {(done.stderr.strip().splitlines() or ['no message'])[-1]}")
