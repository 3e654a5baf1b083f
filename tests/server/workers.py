"""A real worker on the database of a test."""

import os
import signal
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path

import pytest
from django.db import connection

from jobs.queue import ANSWERS
from tests.patience import PATIENCE_S

SERVER = Path(__file__).resolve().parents[2] / "server"


def as_in_life() -> dict[str, str]:
    """The environment of a process that is begun by `./start`: it keeps its connection to the database, and is killed with it."""
    return {k: v for k, v in os.environ.items() if k != "AMVEL_DB_KEEP_S"}


class Worker:
    """A worker process on the database of this test."""

    def __init__(self) -> None:
        self.process: subprocess.Popen | None = None

    def start(self) -> None:
        environment = {**as_in_life(), "AMVEL_DB_NAME": connection.settings_dict["NAME"], "AMVEL_WORKERS": "1"}
        command = [sys.executable, "manage.py", "work", "--queues", ANSWERS]
        self.process = subprocess.Popen(command, cwd=SERVER, env=environment, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)

    def end(self, how: int) -> None:
        if self.process is not None:
            self.process.send_signal(how)
            self.process.wait(PATIENCE_S)
            self.process = None


@pytest.fixture
def worker() -> Iterator[Worker]:
    it = Worker()
    yield it
    it.end(signal.SIGKILL)
