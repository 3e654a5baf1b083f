"""The sheet that a session is run from: what goes first, what is offered in its place, how the breath is paced."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.answers.run_sheet import SERVES, leaving_order, run_sheet
from amvel.engine import Engine
from amvel.movements import Request, find
from amvel.planning import plan
from amvel.planning.item import Item, SetUp
from amvel.safety.judge import sides_of
from tests.conftest import demo
from tests.engines import engine_of
from tests.generated import TODAY
from tests.visits import done, visit

CONTEXT = "visit"


def engine_with(**more) -> Engine:
    return engine_of({**demo("fit-seventy"), "as_of": TODAY.isoformat(), **more})


def by_hand(engine: Engine, ref: str) -> Item:
    """A step with every side at its defaults, whatever the verdict: what goes first does not depend on it."""
    family, step = find(ref)
    values = step.defaults(engine.profiler.body)
    set_ups = tuple(SetUp(side, values, 8) for side in sides_of(step))
    return Item(ref, family.position, set_ups, 3.0, "")


def sheet_of(engine: Engine, *refs: str):
    return run_sheet(engine, [by_hand(engine, r) for r in refs], CONTEXT, "A")


SIDE_BRIDGE = "side_bridge/light_hip"


@pytest.mark.parametrize("hitched", ["left", "right"])
def test_the_hitching_side_lies_down_first(hitched: str) -> None:
    """job.md, side bridge: the side that usually hitches goes down first."""
    tests = [*demo("fit-seventy")["tests"], {"test": "posture", "on": TODAY.isoformat(), "hitch": hitched}]
    engine = engine_with(tests=tests)
    [movement] = sheet_of(engine, SIDE_BRIDGE)["movements"]
    own = Request(*find(SIDE_BRIDGE), movement["sides"][0]["side"], find(SIDE_BRIDGE)[1].defaults(engine.profiler.body))
    assert engine.profiler.posed(engine.profiler.profile(own)).frames[0].facts.side_down == hitched
    # The same where the body was solved by another process, which hands over figures and no frames.
    again = engine_with(tests=tests)
    again.profiler.take_over(engine.profiler.pack())
    [taken_over] = sheet_of(again, SIDE_BRIDGE)["movements"]
    assert [s["side"] for s in taken_over["sides"]] == [s["side"] for s in movement["sides"]]


def test_the_side_that_was_worse_goes_first_and_breathes_out_for_longer() -> None:
    ref = "bent_knee_fall_out/small"
    worse = [visit(3, done(ref, left=8, right=5))]
    engine = engine_with(visits=worse)
    [movement] = sheet_of(engine, ref)["movements"]
    assert [s["side"] for s in movement["sides"]] == ["right", "left"]
    out = [sum(b["seconds"] for b in s["beats"] if b["breath"] == "out") for s in movement["sides"]]
    assert out[0] > out[1]


def test_the_cue_that_worked_comes_first_the_next_time() -> None:
    ref = "bent_knee_fall_out/small"
    [plain] = sheet_of(engine_with(visits=[]), ref)["movements"]
    last = len(plain["cues"]) - 1
    engine = engine_with(visits=[visit(3, done(ref, cues=[{"cue": 0, "worked": False}, {"cue": last, "worked": True}]))])
    [movement] = sheet_of(engine, ref)["movements"]
    assert [c["index"] for c in movement["cues"]] == [last, *range(last)]
    assert [c["worked_last"] for c in movement["cues"]] == [True, *[False] * last]


def test_what_is_offered_in_place_of_a_movement_is_open_and_serves_the_same() -> None:
    engine, refs = engine_with(), ("knee_fold/single_fold", "bridge/small_lift")
    open_now = {v.ref for v in engine.verdicts if v.context == CONTEXT and v.allowed}
    offered = 0
    for movement in sheet_of(engine, *refs)["movements"]:
        own = find(movement["ref"])[1].purposes
        for other in movement["instead"]:
            offered += 1
            assert other["ref"] in open_now and other["ref"] not in refs
            theirs = find(other["ref"])[1].purposes
            shared = sum(min(w, theirs.get(p, 0.0)) for p, w in own.items()) / sum(own.values())
            assert shared >= SERVES
            assert other["beats"] and other["picture"] and other["sides"]
        rungs = [r["ref"] for r in (movement["easier"], movement["harder"]) if r]
        assert all(r in open_now for r in rungs)
    assert offered


def test_a_session_holds_its_own_movements_and_the_ways_between_them() -> None:
    data = demo("fit-seventy")
    engine = engine_of({**data, "stop_signs": {"asked_on": data["as_of"], "present": []}})
    programme = plan(engine, CONTEXT, 20)
    for session in programme.sessions:
        sheet = run_sheet(engine, programme.movements, CONTEXT, session.id)
        assert [m["ref"] for m in sheet["movements"]] == [i.ref for i in programme.movements if session.id in i.sessions]
        assert all(s["frames"] and s["beats"] for m in sheet["movements"] for s in m["sides"])


def test_what_nothing_hangs_on_leaves_first_and_of_those_the_last() -> None:
    assert leaving_order(["a", "b", "c", "d"], []) == ["d", "c", "b", "a"]
    # b alone covers one obligation; a and c share another.
    assert leaving_order(["a", "b", "c", "d"], [["b"], ["a", "c"]]) == ["d", "c", "a", "b"]


MOVEMENTS = ["a", "b", "c", "d", "e", "f"]


@given(st.lists(st.lists(st.sampled_from(MOVEMENTS), min_size=1, max_size=4, unique=True), max_size=5))
def test_what_an_obligation_hangs_on_alone_never_leaves_before_what_nothing_hangs_on(covered_by: list[list[str]]) -> None:
    order = leaving_order(MOVEMENTS, covered_by)
    assert sorted(order) == MOVEMENTS
    alone = {refs[0] for refs in covered_by if len(refs) == 1}
    free = set(MOVEMENTS) - {r for refs in covered_by for r in refs}
    assert all(order.index(f) < order.index(a) for f in free for a in alone)


def test_the_sheet_says_the_order_by_what_the_programme_owes() -> None:
    engine, refs = engine_with(), ("knee_fold/single_fold", "bridge/small_lift")
    items = [by_hand(engine, r) for r in refs]
    for owed, order in ((refs[0], [1, 0]), (refs[1], [0, 1])):
        sheet = run_sheet(engine, items, CONTEXT, "A", [[owed]])
        assert [m["leaves_as"] for m in sheet["movements"]] == order
