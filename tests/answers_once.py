"""The same question is worked out once in a test run, and the same picture drawn once, by whichever of its processes meets it
first: a digest names everything that could change them.

What is handed to a worker is worked out there, as in life; where the working out itself is looked at, the marker
`worked_out_anew` puts nothing by.
"""

import os
import pickle
from collections.abc import Callable
from pathlib import Path
from typing import Any
from uuid import uuid4

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
            _put(kept, work_out(row))
        return pickle.loads(kept.read_bytes())

    monkeypatch.setattr(asking, "answered", answered)
    _drawn_once(monkeypatch, put_by)


def _drawn_once(monkeypatch: pytest.MonkeyPatch, put_by: Path) -> None:
    """The database keeps what it keeps in life; what another test has drawn is found there as if it were this one's."""
    from jobs.kept_pictures import KeptPictures, digest_of

    find, keep = KeptPictures.find, KeptPictures.keep

    def found(self: KeptPictures, body: str, name: str) -> list[str] | None:
        drawn = find(self, body, name)
        elsewhere = put_by / f"drawn-{digest_of(body, name)}"
        if drawn is None and elsewhere.exists():
            drawn = pickle.loads(elsewhere.read_bytes())
            keep(self, body, name, drawn)
        return drawn

    def kept(self: KeptPictures, body: str, name: str, drawn: list[str]) -> None:
        keep(self, body, name, drawn)
        _put(put_by / f"drawn-{digest_of(body, name)}", drawn)

    monkeypatch.setattr(KeptPictures, "find", found)
    monkeypatch.setattr(KeptPictures, "keep", kept)


def _put(place: Path, answer: Any) -> None:
    """Whole or not at all, for whoever looks meanwhile."""
    begun = place.with_suffix(f".{uuid4().hex}")
    begun.write_bytes(pickle.dumps(answer))
    begun.replace(place)
