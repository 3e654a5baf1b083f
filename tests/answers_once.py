"""The same question is worked out once in a test run, by whichever of its processes meets it first: an answer's digest names
everything that could change it.

What is handed to a worker is worked out there, as in life; where the working out itself is looked at, the marker
`worked_out_anew` puts nothing by.
"""

import os
import pickle
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest


@pytest.fixture(scope="session")
def put_by(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """Where the processes of one run leave answers for each other; it goes with the run."""
    own = tmp_path_factory.getbasetemp()
    folder = (own.parent if "PYTEST_XDIST_WORKER" in os.environ else own) / "answers"
    folder.mkdir(exist_ok=True)
    return folder


@pytest.fixture(autouse=True)
def answers_once(request: pytest.FixtureRequest, monkeypatch: pytest.MonkeyPatch, put_by: Path) -> None:
    if request.node.get_closest_marker("worked_out_anew"):
        return
    from jobs import asking
    from jobs.models import LongAnswer, Work

    about_a_case = {w.value for w in Work} - {Work.DRY_RUN.value, Work.PAPERS.value}
    work_out: Callable[[LongAnswer], Any] = asking.answered

    def answered(row: LongAnswer) -> Any:
        if row.work not in about_a_case:
            return work_out(row)
        kept = put_by / f"{row.work}-{row.digest}"
        if not kept.exists():
            begun = kept.with_suffix(f".{os.getpid()}-{id(row)}")
            begun.write_bytes(pickle.dumps(work_out(row)))
            begun.replace(kept)  # whole or not at all, for whoever looks meanwhile
        return pickle.loads(kept.read_bytes())

    monkeypatch.setattr(asking, "answered", answered)
