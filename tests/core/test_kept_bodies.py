"""What is solved is kept for whoever asks again, and not without end."""

from collections import OrderedDict

import pytest

import amvel.engine as engine
from amvel.body import Measures, healthy, measure
from amvel.movements import Profiler, Request, find


def body(stature_m: float):
    return measure(Measures(stature_m, 64, "female"))


def ask(profiler: Profiler, *refs: str) -> None:
    steps = [find(ref) for ref in refs]
    profiler.profiles([Request(f, s, "left" if s.sides else "both", s.defaults(profiler.body)) for f, s in steps])


@pytest.fixture
def few(monkeypatch: pytest.MonkeyPatch) -> "OrderedDict[str, Profiler]":
    kept: OrderedDict[str, Profiler] = OrderedDict()
    monkeypatch.setattr(engine, "_profilers", kept)
    monkeypatch.setattr(engine, "_MOST_PROFILES", 3)
    return kept


def test_the_same_body_is_solved_once(few) -> None:
    first = engine.profiler_for(body(1.60), healthy())
    ask(first, "bridge/small_lift")
    again = engine.profiler_for(body(1.60), healthy())
    assert again is first and again.held == 1
    assert engine.profiler_for(body(1.61), healthy()) is not first


def test_who_was_asked_about_longest_ago_goes_first(few) -> None:
    old, middle = (engine.profiler_for(body(m), healthy()) for m in (1.60, 1.61))
    ask(old, "bridge/small_lift", "knee_fold/single_fold")
    ask(middle, "bridge/small_lift", "knee_fold/single_fold")
    assert engine.profiler_for(body(1.60), healthy()) is old  # asked about again: now the other one is older
    new = engine.profiler_for(body(1.62), healthy())
    assert list(few.values()) == [old, new]


def test_one_body_is_never_let_go_while_it_is_asked_about(few) -> None:
    large = engine.profiler_for(body(1.60), healthy())
    ask(large, "bridge/small_lift", "bridge/three_quarters", "knee_fold/single_fold", "knee_fold/marching")
    assert large.held > engine._MOST_PROFILES
    assert engine.profiler_for(body(1.60), healthy()) is large


def test_what_was_let_go_is_solved_anew_and_says_the_same(few) -> None:
    request = Request(*find("bridge/small_lift"), "both", find("bridge/small_lift")[1].defaults(body(1.60)))
    first = engine.profiler_for(body(1.60), healthy())
    told = first.profile(request)
    ask(first, "bridge/three_quarters", "knee_fold/single_fold", "knee_fold/marching")
    engine.profiler_for(body(1.62), healthy())
    anew = engine.profiler_for(body(1.60), healthy())
    assert anew is not first
    assert (anew.profile(request).columns.table == told.columns.table).all()
