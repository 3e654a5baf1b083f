"""The search for a change gives up early where nothing helps; it must not miss what a search of the whole grid finds.

A sample of steps that a client may not do as they are: every candidate with one or two measures moved is profiled in full,
and the nearest admissible one of them is no nearer than what the engine found.  Where one measure is enough, two are not
moved, however little: one change is simpler to set up.
"""

import random
from dataclasses import replace

import pytest

from amvel.engine import Engine
from amvel.movements import Request
from amvel.safety import Verdict
from amvel.safety.judge import judge_one
from amvel.safety.limits import Limit
from amvel.safety.modification import candidates, distance
from amvel.safety.verdict import check
from amvel.sources import COMMON_PRACTICE
from tests.conftest import demo
from tests.engines import engine_of

SAMPLE = 20


def nearest_of_the_grid(engine: Engine, verdict: Verdict) -> float | None:
    """Distance of the nearest admissible candidate, of those with the fewest measures moved; None when the grid holds none."""
    original = verdict.original.request
    requests = [
        Request(original.family, original.step, original.side, values)
        for values in candidates(original.step, original.values)
    ]
    fine = [
        (sum(p.request.values[k] != v for k, v in original.values.items()), distance(original.step, original.values, p.request.values))
        for p in engine.profiler.profiles(requests)
        if check(p, engine.envelope_in(verdict.context), verdict.context).allowed
    ]
    return min(fine)[1] if fine else None


@pytest.mark.parametrize("name", ["knee-and-shoulder", "low-bone-mass", "heart-operation"])
def test_the_nearest_change_is_found(name: str) -> None:
    engine = engine_of(demo(name))
    closed = [v for v in engine.judge(contexts=("home",)) if v.verdict in ("modified", "excluded") and v.original.request.step.parameters]
    for verdict in random.Random(7).sample(closed, min(SAMPLE, len(closed))):
        best = nearest_of_the_grid(engine, verdict)
        if best is None:
            continue
        assert verdict.verdict == "modified", (verdict.ref, verdict.side, best)
        own = distance(verdict.original.request.step, verdict.original.request.values, verdict.profile.request.values)
        assert own <= best + 1e-9, (verdict.ref, own, best)


EXTRA = (("lying_flat", 0.0), ("floor_transfer", 0.0), ("left.hip_bend_deg", 60.0), ("trunk_flexion_deg", 5.0))


@pytest.mark.parametrize(("quantity", "bound"), EXTRA)
def test_one_limit_more_never_opens_what_no_change_could_open(quantity: str, bound: float) -> None:
    """Which versions are tried must not widen with what is broken: an added finding never makes a pose more allowed."""
    engine = engine_of(demo("knee-and-shoulder"))
    more = Limit("try.more", quantity, bound, "one finding more", COMMON_PRACTICE)
    stricter = replace(engine.envelope, limits=(*engine.envelope.limits, more), by_id={})
    closed = [v for v in engine.judge(contexts=("visit",)) if v.verdict == "excluded" and v.original.request.step.parameters]
    assert closed
    for v in closed:
        again = judge_one(engine.case, engine.findings, stricter, engine.profiler, v.original, "visit")
        assert again.verdict == "excluded", (v.ref, v.side, again.changes)


@pytest.mark.parametrize("name", ["new-hip", "low-bone-mass", "tall-man-low-chair"])
def test_no_number_is_moved_further_than_it_has_to_be(name: str) -> None:
    """One step of its grid back towards what was declared, with everything else as it was found, breaks a limit."""
    engine = engine_of(demo(name))
    moved = [(v, c) for v in engine.judge(contexts=("visit",)) if v.verdict == "modified" for c in v.changes if not c.parameter.choices]
    looked_at = 0
    for verdict, change in random.Random(11).sample(moved, min(SAMPLE, len(moved))):
        p, found = change.parameter, verdict.profile.request
        path = p.candidates(change.before)
        at = path.index(change.after)
        if at == 0:
            continue
        looked_at += 1
        nearer = Request(found.family, found.step, found.side, {**found.values, p.id: path[at - 1]})
        answer = check(engine.profiler.profile(nearer), engine.envelope_in("visit"), "visit")
        assert not answer.allowed, (verdict.ref, verdict.side, p.id, change.after, path[at - 1])
    assert looked_at >= 5
