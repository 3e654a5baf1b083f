"""What takes long to read is read by those processes that need it, and before anybody asks."""

import ast
import os
import subprocess
import sys
from collections.abc import Iterator

from tests.conftest import ROOT

CORE, SERVER = ROOT / "core" / "src", ROOT / "server"
_SETTINGS = {"PYTHONPATH": str(CORE), "DJANGO_SETTINGS_MODULE": "config.settings", "AMVEL_SECRET_KEY": "only-for-tests", "AMVEL_HTTPS": "0"}


def modules_after(code: str) -> set[str]:
    """What a process has read after these lines."""
    say = f"{code}; import sys; print(*sys.modules)"
    told = subprocess.run([sys.executable, "-c", say], cwd=SERVER, capture_output=True, text=True, env={**os.environ, **_SETTINGS})
    assert told.returncode == 0, told.stderr
    return set(told.stdout.split())


def read_where_used() -> Iterator[str]:
    """The packages from outside that some function of the core reads itself, and not the file that it stands in."""
    for file in CORE.rglob("*.py"):
        for function in ast.walk(ast.parse(file.read_text(encoding="utf-8"))):
            if isinstance(function, ast.FunctionDef):
                for node in ast.walk(function):
                    if isinstance(node, ast.ImportFrom) and node.module and not node.module.startswith("amvel."):
                        yield node.module


def test_a_process_that_serves_pages_has_read_what_answers_need() -> None:
    """What is read where it is used, so that other processes start sooner, must not wait for the first who asks."""
    found = set(read_where_used())
    assert found
    assert found <= modules_after("from config.gunicorn import post_worker_init as begin; begin(None)")


def test_a_worker_has_read_what_answers_need_before_its_first_question() -> None:
    found = modules_after("import django; django.setup(); from jobs.management.commands.work import made_ready; made_ready()")
    assert set(read_where_used()) | {"jobs.in_parts", "jobs.working", "papers.reminders"} <= found


def test_the_database_is_saved_and_brought_back_without_a_body_model() -> None:
    """It has to work when something else here does not."""
    commands = "import operation.management.commands.backup, operation.management.commands.restore"
    assert modules_after(f"import django; django.setup(); {commands}").isdisjoint({"numba", "amvel.body", "amvel.case", "config.urls"})


def test_a_process_that_gives_no_answers_reads_none_of_it() -> None:
    assert modules_after("import amvel.cli").isdisjoint({"ortools.sat.python", "pandas", "scipy.optimize"})
