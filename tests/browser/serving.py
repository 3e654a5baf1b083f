"""The product's own server on the database of a test: it can be killed and begun again on its port."""

import os
import signal
import socket
import subprocess
import sys
import urllib.error
import urllib.request
from collections.abc import Iterator
from pathlib import Path

import pytest
from django.db import connection

from tests.patience import PATIENCE_S, until
from tests.server.workers import SERVER, as_in_life


class Served:
    """gunicorn as `./start` runs it, its worker processes in one group with it."""

    def __init__(self) -> None:
        with socket.socket() as free:
            free.bind(("127.0.0.1", 0))
            self.port = free.getsockname()[1]
        self.process: subprocess.Popen[bytes] | None = None

    @property
    def url(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def start(self) -> None:
        environment = {**as_in_life(), "AMVEL_DB_NAME": connection.settings_dict["NAME"], "AMVEL_WORKERS": "0", "PYTHONPATH": str(SERVER.parent / "core" / "src")}
        gunicorn = Path(sys.executable).parent / "gunicorn"
        command = [str(gunicorn), "-c", "config/gunicorn.py", "config.wsgi:application", "-b", f"127.0.0.1:{self.port}"]
        self.process = subprocess.Popen(command, cwd=SERVER, env=environment, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL, start_new_session=True)
        until(self._is_up)

    def kill(self) -> None:
        """As a power cut would: no process of it gets to finish anything."""
        if self.process is not None:
            os.killpg(self.process.pid, signal.SIGKILL)
            self.process.wait(PATIENCE_S)
            self.process = None

    def _is_up(self) -> bool:
        assert self.process is not None and self.process.poll() is None, "the server ended"
        try:
            with urllib.request.urlopen(f"{self.url}/readyz", timeout=PATIENCE_S):
                return True
        except (urllib.error.URLError, OSError):
            return False


@pytest.fixture
def served(transactional_db) -> Iterator[Served]:
    it = Served()
    it.start()
    yield it
    it.kill()
