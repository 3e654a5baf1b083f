"""The same question is worked out once in a test process: an answer's digest names everything that could change it.

What is handed to a worker is worked out there, as in life; where the working out itself is looked at, the marker
`worked_out_anew` puts nothing by.
"""

import copy
from collections.abc import Callable
from typing import Any

import pytest

_KNOWN: dict[tuple[str, str], Any] = {}


@pytest.fixture(autouse=True)
def answers_once(request: pytest.FixtureRequest, monkeypatch: pytest.MonkeyPatch) -> None:
    if request.node.get_closest_marker("worked_out_anew"):
        return
    from jobs import asking
    from jobs.models import LongAnswer, Work

    about_a_case = {w.value for w in Work} - {Work.DRY_RUN.value, Work.PAPERS.value}
    work_out: Callable[[LongAnswer], Any] = asking.answered

    def answered(row: LongAnswer) -> Any:
        if row.work not in about_a_case:
            return work_out(row)
        key = (row.work, row.digest)
        if key not in _KNOWN:
            _KNOWN[key] = work_out(row)
        return copy.deepcopy(_KNOWN[key])

    monkeypatch.setattr(asking, "answered", answered)
