"""Fused levels: they share out their part among the others, whose ends every outcome of a test of the trunk moves, and what they
keep ends in every frame where it ends."""

import json
from dataclasses import replace

import numpy as np
import pytest

from amvel.body import cautious
from amvel.case import amended, read_case
from amvel.engine import Engine
from amvel.movements import Profiler, Request, all_steps
from amvel.planning.next_test import due_tests
from amvel.safety import CONTEXTS, Envelope, Table, sides_of
from amvel.screening import test_library as every_test
from tests.bodies import body
from tests.conftest import ROOT


def _open(profiler: Profiler, envelope: Envelope, requests: list[Request]) -> dict[str, list[bool]]:
    table = Table(profiler.profiles(requests))
    return {c: table.allowed(envelope, c).tolist() for c in CONTEXTS}


@pytest.mark.parametrize("name", ["trunk_flexion", "trunk_side_bend"])
def test_an_outcome_changes_just_what_it_promised(name: str) -> None:
    case = read_case(json.loads((ROOT / "demo" / "cases" / "fused-spine.json").read_text()))
    engine = Engine(amended(case, {"tests": [t for t in case.tests if t.test != name]}))
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


@pytest.mark.parametrize("name", ["trunk_side_bend", "trunk_rotation"])
def test_who_is_not_bent_or_turned_lies_as_before(name: str) -> None:
    """What fused levels do not give of a bend is shared out anew where the others end elsewhere: only where there is a bend."""
    engine = Engine(read_case(json.loads((ROOT / "demo" / "cases" / "fused-spine.json").read_text())))
    old = engine.findings.capacities
    new = replace(old, range_deg={**old.range_deg, **{f"{s}.{name}": old.of(f"{s}.{name}") / 2 for s in ("left", "right")}})
    requests = engine.requests()
    before, anew = engine.profiler.profiles(requests), Profiler(engine.profiler.body, new).profiles(requests)
    stay = [(a, b) for a, b in zip(before, anew, strict=True) if not a.placed_otherwise(old, new)]
    assert 50 < len(stay) < len(requests)
    for a, b in stay:
        assert (a.fault is None) == (b.fault is None), a.request.label
        np.testing.assert_allclose(a.columns.table, b.columns.table, rtol=0, atol=1e-9, err_msg=a.request.label)


_WAYS = {"flexion": ("{}_extension_deg", "{}_flexion_deg"), "side_bend": ("right.{}_side_bend_deg", "left.{}_side_bend_deg"), "rotation": ("right.{}_rotation_deg", "left.{}_rotation_deg")}


def test_a_fused_part_ends_where_its_levels_end_on_the_way_too() -> None:
    """Half of a fused part's stops were forgotten between two declared frames, so that it bent further to one side than to the other."""
    spine = cautious({"left.trunk_side_bend": 14.0, "right.trunk_side_bend": 14.0}, mobile={"lumbar": 0.5, "lower_thoracic": 0.0})
    own = body()
    requests = [Request(f, s, side, s.defaults(own)) for f, s in all_steps() for side in sides_of(s)]
    looked_at = 0
    for profile in Profiler(own, spine).profiles(requests):
        for region in () if profile.fault else spine.mobile:
            for joint, ends in spine.region_deg(region).items():
                for name, end in zip(_WAYS[joint.partition(".")[2]], ends, strict=True):
                    most = profile.columns[name.format(region)].max()
                    assert most <= abs(end) + 0.1, (profile.request.label, profile.request.side, joint, end)
                    looked_at += most > 1.0
    assert looked_at > 20
