"""What takes long to read is read by those processes that need it, and before anybody asks."""

import os
import subprocess
import sys

from tests.conftest import ROOT

CORE, SERVER = ROOT / "core" / "src", ROOT / "server"


def test_a_process_that_serves_pages_has_read_what_answers_need() -> None:
    """What is read where it is used, so that other processes start sooner, must not wait for the first who asks."""
    code = "import sys; from config.gunicorn import post_worker_init as begin; begin(None); print(sorted({'ortools.sat.python.cp_model', 'scipy.optimize'} - set(sys.modules)))"
    told = subprocess.run([sys.executable, "-c", code], cwd=SERVER, capture_output=True, text=True, env={**os.environ, "PYTHONPATH": str(CORE)})
    assert told.stdout.strip() == "[]", told.stderr


def test_a_process_that_gives_no_answers_reads_none_of_it() -> None:
    code = "import sys; import amvel.cli; print(sorted({'ortools', 'pandas', 'scipy.optimize'} & set(sys.modules)))"
    told = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, env={**os.environ, "PYTHONPATH": str(CORE)})
    assert told.stdout.strip() == "[]", told.stderr
