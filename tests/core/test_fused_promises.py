"""What a test of the trunk promises somebody with fused levels is what comes when its outcome is entered: those levels share out
their part among the others, whose ends the outcome moves."""

import json

import pytest

from amvel.case import amended, read_case
from amvel.engine import Engine
from amvel.movements import Profiler, Request
from amvel.planning.next_test import due_tests
from amvel.safety import CONTEXTS, Envelope, Table
from amvel.screening import test_library as every_test
from tests.conftest import ROOT


def _open(profiler: Profiler, envelope: Envelope, requests: list[Request]) -> dict[str, list[bool]]:
    table = Table(profiler.profiles(requests))
    return {c: table.allowed(envelope, c).tolist() for c in CONTEXTS}


@pytest.mark.parametrize("name", ["trunk_flexion", "trunk_side_bend"])
def test_an_outcome_changes_just_what_it_promised(name: str) -> None:
    engine = Engine(read_case(json.loads((ROOT / "demo" / "cases" / "fused-spine.json").read_text())))
    assert engine.findings.capacities.mobile
    requests, today, test = engine.requests(), engine.case.as_of.isoformat(), every_test()[name]
    [due] = [d for d in due_tests(engine) if d.test.id == name]
    before = _open(engine.profiler, engine.envelope, requests)
    sides = ({"side": "left"}, {"side": "right"}) if test.per_side else ({},)
    seen = 0
    for outcome, promise in zip(test.outcomes, due.promises, strict=True):
        added = [{"test": name, "on": today, **side, **outcome.result} for side in sides]
        found = Engine(amended(engine.case, {"tests": [*engine.case.tests, *added]}))
        # By a profiler of its own, which has nothing to take over.
        after = _open(Profiler(engine.profiler.body, found.findings.capacities), found.envelope, requests)
        changed = {r.label for c in CONTEXTS for r, was, now in zip(requests, before[c], after[c], strict=True) if was != now}
        assert changed == set(promise.steps), outcome.says
        seen += len(changed)
    assert seen, "this looked at nothing"
