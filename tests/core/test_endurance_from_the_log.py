"""How long the trunk holds: from timed tests, moved by what was seen in sessions."""

from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.body.endurance import LEAST_THAT_TIRES, estimated_capacity, hold_s
from amvel.engine import Engine
from amvel.movements.levels import Way
from amvel.planning.holds import IN_A_ROW, Capacity, Held, endurance, estimated_holds, shown_by
from tests.engines import engine_of
from tests.generated import TODAY, base

FIRST = date(2026, 3, 2)


def held(seconds: float, day: int = 0, failed: bool = True, test: str = "", nm: float = 50.0) -> Held:
    return Held(Way.ARCHING, "both", FIRST + timedelta(days=day), seconds, nm, test=test, step="" if test else "floor_plank/on_knees", failed=failed)


TIMED = held(60, test="plank_hold", nm=85)


def test_a_set_that_ends_at_its_target_shows_no_end() -> None:
    assert shown_by([held(10, 1, failed=False), held(10, 2, failed=False)]) is None


def test_the_first_failure_is_an_estimate_where_nothing_was_timed() -> None:
    assert shown_by([held(10, 1, failed=False), held(25, 2)]) == held(25, 2)


def test_a_clean_hold_that_proves_more_counts_at_once() -> None:
    longer = held(90, 5, failed=False, nm=85)
    assert shown_by([TIMED, longer]) == longer
    assert shown_by([TIMED, held(20, 5, failed=False, nm=85)]) == TIMED


def test_one_bad_day_lowers_nothing_and_three_in_a_row_do() -> None:
    worse = [held(s, 5 + k, nm=85) for k, s in enumerate((20, 25, 15))]
    assert shown_by([TIMED, *worse[:2]]) == TIMED
    assert shown_by([TIMED, *worse]) == worse[1]
    between = held(30, 6, failed=False, nm=85)
    assert shown_by([TIMED, worse[0], between, *worse[1:]]) == TIMED


def test_a_new_test_is_believed_whatever_was_logged() -> None:
    again = held(40, 60, test="plank_hold", nm=85)
    assert shown_by([TIMED, held(100, 5, failed=False, nm=85), again]) == again


holds = st.lists(st.tuples(st.floats(3, 200), st.booleans(), st.floats(10, 120)), max_size=12)


@given(holds)
def test_the_estimate_is_never_below_the_least_that_was_shown_nor_above_the_most(found: list[tuple[float, bool, float]]) -> None:
    known = [TIMED, *(held(s, k + 1, failed, nm=nm) for k, (s, failed, nm) in enumerate(found))]
    best = shown_by(known)
    assert best is not None
    assert best.capacity_nm <= max(h.capacity_nm for h in known)
    proven = [h.capacity_nm for h in known[-IN_A_ROW:] if not h.failed]
    assert not proven or len(known) <= IN_A_ROW or best.capacity_nm >= max(proven) - 1e-9


@given(holds, st.floats(1.05, 3))
def test_who_held_longer_every_time_is_never_estimated_lower(found: list[tuple[float, bool, float]], more: float) -> None:
    def of(factor: float) -> float:
        known = [TIMED, *(held(s * factor, k + 1, failed, nm=nm) for k, (s, failed, nm) in enumerate(found))]
        best = shown_by(known)
        assert best is not None
        return best.capacity_nm

    assert of(more) >= of(1.0) - 1e-9


def engine(tests: list[dict], visits: list[dict] | None = None) -> Engine:
    data = base("1990-05-01", "female", [], [{"on": (TODAY - timedelta(days=60)).isoformat(), **t} for t in tests])
    return engine_of({**data, "visits": visits or []})


def visit(day: int, seconds: float, ended_by: str, by: str = "specialist", step: str = "floor_plank/on_knees") -> dict:
    sets = [{"target": 3, "clean": 1, "held_s": seconds, "ended_by": ended_by}]
    on = (TODAY - timedelta(days=day)).isoformat()
    return {"id": f"hold-{day:04d}", "on": on, "context": "visit", "by": by, "movements": [{"step": step, "sets": sets}]}


def front(e: Engine) -> Capacity:
    [found] = [c for c in endurance(e) if c.shown_by.way is Way.ARCHING]
    return found


PLANK = {"test": "plank_hold", "seconds": 60, "down": "feet"}


def test_a_minute_on_the_knees_is_no_minute_on_the_feet() -> None:
    """Hand calculation: the same time at less load is a smaller largest moment, by the ratio of the loads."""
    feet, knees = (front(engine([{**PLANK, "down": down}])) for down in ("feet", "knees"))
    assert knees.capacity_nm / feet.capacity_nm == pytest.approx(knees.shown_by.demand_nm / feet.shown_by.demand_nm)
    assert knees.shown_by.demand_nm < 0.7 * feet.shown_by.demand_nm
    assert knees.whole and feet.whole and knees.whole.seconds < 30 < feet.whole.seconds
    assert front(engine([{**PLANK, "down": "unknown"}])).capacity_nm == knees.capacity_nm


def test_the_pose_that_was_timed_is_held_as_long_as_it_was() -> None:
    found = front(engine([PLANK]))
    assert found.whole and found.whole.seconds == pytest.approx(60, rel=0.01)
    assert found.capacity_nm == pytest.approx(estimated_capacity(found.shown_by.demand_nm, 60))


def test_what_is_seen_in_sessions_moves_it() -> None:
    longer = front(engine([PLANK], [visit(20, 110, "target", step="floor_plank/full_length")]))
    assert longer.whole and longer.whole.seconds == pytest.approx(110, rel=0.01)
    tired = [visit(d, 12, "form", step="floor_plank/full_length") for d in (20, 15, 10)]
    lowered = front(engine([PLANK], tired))
    assert lowered.whole and lowered.whole.seconds == pytest.approx(12, rel=0.01)
    assert lowered.logged == 3


def test_a_short_hold_is_suggested_for_a_short_test() -> None:
    """Half of the low end of what was timed: 12 s / 1.6 / 2."""
    [found] = [c for c in estimated_holds(engine([{**PLANK, "seconds": 12}]), "floor_plank/full_length")]
    assert [h.suggested_s for h in found.holds] == [round(12 / 1.6 / 2)]


def test_what_nobody_of_the_trade_saw_moves_nothing() -> None:
    told = [visit(d, 12, "form", by="client", step="floor_plank/full_length") for d in (20, 15, 10)]
    assert front(engine([PLANK], told)).shown_by.test == "plank_hold"


def test_the_order_in_which_sessions_arrive_says_nothing() -> None:
    visits = [visit(30, 100, "target"), visit(20, 12, "form"), visit(10, 14, "form")]
    assert front(engine([PLANK], visits)) == front(engine([PLANK], visits[::-1]))


def test_only_what_the_wall_itself_holds_follows_from_it() -> None:
    """Rohmert 1960 (from memory): below 15 % of the maximum a hold has no end of its own."""
    [found] = [c for c in estimated_holds(engine([PLANK])) if c.shown_by.way is Way.ARCHING]
    refs = {h.ref for h in found.holds}
    assert {"floor_plank/full_length", "floor_plank/on_knees", "hover/for_time"} <= refs
    assert not {"one_side_carry/stand_tall", "tandem_stand/firm_hand", "wall_sit/both_feet", "side_bridge/full_length"} & refs
    for h in found.holds:
        assert h.demand_nm >= LEAST_THAT_TIRES * found.capacity_nm
        assert h.estimate.seconds == pytest.approx(min(120.0, hold_s(h.demand_nm / found.capacity_nm)))
