"""What was stored under an earlier version is read today: the invented cases of every released format, as they were kept."""

import json

import pytest

from amvel.admission import admitted
from amvel.case import Case, CaseError, read_case
from amvel.case.visits import went_clean
from tests.conftest import ROOT

STORED = {p.stem: json.loads(p.read_text(encoding="utf-8")) for p in sorted((ROOT / "tests" / "stored").glob("*.json"))}
CASES = [(form, name) for form, cases in STORED.items() for name in cases]


def test_every_format_that_was_ever_released_is_here() -> None:
    assert list(STORED)[-1] == Case.model_fields["format"].default
    assert list(STORED) == [f"amvel-case-{i + 1}" for i in range(len(STORED))]


@pytest.mark.parametrize(("form", "name"), CASES)
def test_a_stored_case_is_read_and_its_limits_worked_out(form: str, name: str) -> None:
    engine = admitted(read_case(STORED[form][name]))
    assert engine.envelope.limits
    assert read_case(engine.case.model_dump(mode="json")) == engine.case


def test_a_format_of_the_future_is_refused_with_its_field() -> None:
    data = {**STORED["amvel-case-1"]["low-bone-mass"], "format": "amvel-case-99"}
    with pytest.raises(CaseError) as refused:
        read_case(data)
    assert [path for path, _ in refused.value.faults] == ["$.format"]


def test_a_log_of_the_first_format_becomes_visits_that_say_the_same() -> None:
    log = [
        {"on": "2026-11-10", "step": "clam/small_opening", "side": "left", "clean": True},
        {"on": "2026-11-10", "step": "toe_float/finger_high", "clean": False},
        {"on": "2026-11-12", "step": "clam/small_opening", "clean": True},
    ]
    case = read_case({**STORED["amvel-case-1"]["low-bone-mass"], "log": log})
    assert [(v.on.isoformat(), m.step, went_clean(v, m)) for v in case.visits for m in v.movements] == [
        (x["on"], x["step"], x["clean"]) for x in log
    ]


def test_a_log_that_cannot_be_read_is_refused_with_its_field() -> None:
    with pytest.raises(CaseError) as refused:
        read_case({**STORED["amvel-case-1"]["low-bone-mass"], "log": [{"step": "clam/small_opening"}]})
    assert all(path.startswith("$.visits[0]") for path, _ in refused.value.faults)
