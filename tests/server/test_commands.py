"""The commands of the project: one clear line when something stands in the way."""

import os
import socket
import subprocess
import sys
import tempfile
from datetime import date, timedelta
from pathlib import Path

import pytest

from clients.management.commands.load_demo import moved
from tests.conftest import ROOT
from tests.patience import PATIENCE_S


def run(command: str, **environment: str) -> subprocess.CompletedProcess[str]:
    return subprocess.run(
        [str(ROOT / command)], capture_output=True, text=True, timeout=PATIENCE_S, env={**os.environ, **environment}
    )


def test_a_taken_port_is_one_clear_line() -> None:
    with socket.socket() as s:
        s.bind(("127.0.0.1", 0))
        s.listen()
        port = s.getsockname()[1]
        answer = run("start", AMVEL_PORT=str(port))
    assert answer.returncode == 1
    assert answer.stderr.strip() == f"amvel: port {port} is taken; choose another: AMVEL_PORT=8322 ./start"


def test_a_port_that_is_no_number_is_one_clear_line() -> None:
    answer = run("start", AMVEL_PORT="kitchen")
    assert answer.returncode == 1
    assert answer.stderr.strip() == "amvel: AMVEL_PORT must be a number, not 'kitchen'"


def test_a_broken_database_is_one_clear_line() -> None:
    folder = Path(tempfile.mkdtemp(dir=ROOT / "var"))
    folder.chmod(0o755)
    (folder / "data").mkdir()
    (folder / "data" / "PG_VERSION").write_text("not a database")
    tool = [sys.executable, str(ROOT / "tools" / "postgres.py")]
    try:
        answer = subprocess.run([*tool, "start", str(folder)], capture_output=True, text=True, timeout=PATIENCE_S)
    finally:
        subprocess.run([*tool, "remove", str(folder)], capture_output=True, timeout=PATIENCE_S)
    assert answer.returncode == 1
    assert len(answer.stderr.strip().splitlines()) == 1
    assert "PostgreSQL did not start" in answer.stderr


def test_ci_calls_the_tests_and_nothing_else() -> None:
    lines = [x for x in (ROOT / ".ci" / "run").read_text().splitlines() if x and not x.startswith("#")]
    assert lines[-1] == "./test"


def test_demo_dates_move_but_birth_dates_stay() -> None:
    data = {
        "birth_date": "1950-01-01",
        "tests": [{"on": "2026-11-24"}],
        "name": "2026 was a year",
        "as_of": "2026-11-24",
    }
    later = moved(data, timedelta(days=10))
    assert later["birth_date"] == "1950-01-01"
    assert later["tests"][0]["on"] == "2026-12-04"
    assert later["name"] == "2026 was a year"


@pytest.mark.django_db
def test_the_demo_practice_loads_once() -> None:
    from django.core.management import call_command
    from django.utils import timezone

    from clients.engines import engine_of
    from clients.models import Client

    call_command("load_demo")
    call_command("load_demo")
    clients = list(Client.objects.all())
    assert len(clients) >= 6
    kinds = {c.kind for client in clients for c in engine_of(client.latest()).case.conditions}
    assert len(kinds) >= 5
    newest = max(date.fromisoformat(t["on"]) for client in clients for t in client.latest().data["tests"])
    assert newest == timezone.localdate()


@pytest.mark.django_db
def test_the_next_action_follows_the_path() -> None:
    from django.core.management import call_command

    from clients.engines import engine_of
    from clients.models import Client
    from clients.stations import next_action, station_states

    call_command("load_demo")
    found = {}
    for client in Client.objects.all():
        engine = engine_of(client.latest())
        found[engine.case.person.name] = next_action(engine, has_programme=False)
        assert {s["id"] for s in station_states(engine, False)} == {
            "story",
            "measure",
            "limits",
            "movements",
            "room",
            "programme",
            "visit",
            "course",
            "papers",
        }
    assert found["Saskia Moreau"] == ("story", "Ask the stop signs", "due")
    assert found["Ada Petrou"][0] == "measure"
    assert found["Tomasz Lindqvist"][:1] == ("limits",)
    assert found["Orla Brandt"] == ("programme", "Build the programme", "ready")
