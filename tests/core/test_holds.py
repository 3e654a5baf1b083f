"""How long a position is held: half of what was timed, reckoned to the load of the step."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from amvel.body.endurance import as_long_at_full, hold_s
from amvel.engine import Engine
from amvel.movements import Request, all_steps, find
from amvel.movements.dosing import dose_parameters
from amvel.planning.dose import at_dose, doses_of
from amvel.safety import check
from tests.engines import engine_of
from tests.generated import TODAY, base


@given(st.floats(0.1, 0.95), st.floats(0.1, 1.0))
def test_a_hold_reckoned_to_the_full_load_tires_as_much(share: float, ratio: float) -> None:
    """Frey Law & Avin 2010 (from memory): the share of the time to failure is the same at both loads."""
    at_the_full_load, at_less = hold_s(share), hold_s(share * ratio)
    reckoned = float(as_long_at_full(0.5 * at_less, np.array(ratio)))
    assert reckoned == pytest.approx(0.5 * at_the_full_load)


def engine(*tests: dict) -> Engine:
    return engine_of(base("1990-05-01", "female", [], [{"on": TODAY.isoformat(), **t} for t in tests]))


def breaks(e: Engine, ref: str, hold: float) -> set[str]:
    family, step = find(ref)
    side = "left" if step.sides else "both"
    held = at_dose(e.profiler.profile(Request(family, step, side, e.values(family, step))), 3, 1, hold)
    return {b.limit.id for b in check(held, e.envelope_in("visit"), "visit").breaches if b.limit.id.startswith("holds.")}


@pytest.mark.parametrize(("timed_s", "opened_s", "closed_s"), [(None, 15, 60), (60, 30, 60), (120, 50, 90)])
def test_a_full_plank_is_held_for_half_of_what_was_timed(timed_s: float | None, opened_s: float, closed_s: float) -> None:
    e = engine(*([{"test": "plank_hold", "seconds": timed_s, "down": "feet"}] if timed_s else []))
    assert not breaks(e, "floor_plank/full_length", opened_s)
    assert breaks(e, "floor_plank/full_length", closed_s) == {"holds.arching"}


def test_a_lighter_pose_of_the_same_kind_is_held_longer() -> None:
    e = engine({"test": "plank_hold", "seconds": 60, "down": "feet"})
    assert breaks(e, "floor_plank/full_length", 45)
    assert not breaks(e, "wall_plank/forearms", 45)


def test_who_held_longer_may_hold_longer() -> None:
    short, long = (engine({"test": "plank_hold", "seconds": s, "down": "feet"}) for s in (30, 90))
    for hold in (10, 20, 30, 40, 60):
        assert breaks(long, "floor_plank/full_length", hold) <= breaks(short, "floor_plank/full_length", hold)


HIGH_PRESSURE = {"test": "blood_pressure", "systolic_lying_mmhg": 150, "diastolic_lying_mmhg": 92}
PLANK = {"test": "plank_hold", "seconds": 60, "down": "feet"}


def test_a_hold_that_is_too_long_is_shortened_instead_of_closing_the_step() -> None:
    [v] = engine(HIGH_PRESSURE, PLANK).judge("floor_plank", "on_knees", contexts=("visit",))
    assert v.verdict == "modified"
    assert [(c.parameter.id, c.before, c.after) for c in v.changes] == [("hold_s", 20, 10)]
    assert v.profile.peak("hold_s") == 10


def test_more_minutes_than_are_tolerated_become_fewer_repetitions() -> None:
    data = base("1966-05-01", "female", [], [], tolerates={"standing_minutes": 1})
    e = engine_of(data)
    found = e.judge("one_leg_hinge", "hand_down", contexts=("visit",))
    assert {v.verdict for v in found} == {"modified"}
    for v in found:
        assert [(c.parameter.id, c.before, c.after) for c in v.changes] == [("repetitions", 8, 7)]
        assert v.profile.peak("time_standing_min") <= 1.0 + 0.05


def test_a_dose_that_would_be_a_sliver_stays_out() -> None:
    e = engine({**HIGH_PRESSURE, "systolic_lying_mmhg": 150}, PLANK)
    step = find("floor_plank/full_length")[1]
    shortest = min(p.low for p in dose_parameters(step) if p.id == "hold_s")
    assert shortest >= step.dose.hold_s / 3
    assert all(v.profile.peak("hold_s") >= shortest for v in e.judge("floor_plank", "full_length") if v.allowed)


def test_the_programme_does_what_was_judged() -> None:
    e = engine(HIGH_PRESSURE, PLANK)
    step = find("floor_plank/on_knees")[1]
    [v] = e.judge("floor_plank", "on_knees", contexts=("visit",))
    (dose,) = doses_of(e.case, step, {"both": v.profile.request.values})
    assert dose.hold_s == 10 and dose.why


@given(st.sampled_from([f"{f.id}/{s.id}" for f, s in all_steps() if len(dose_parameters(s)) == 2]), st.integers(0, 10), st.integers(0, 10))
@settings(max_examples=60, deadline=None)
def test_less_of_a_dose_never_asks_for_more(ref: str, fewer: int, shorter: int) -> None:
    family, step = find(ref)
    e = engine()
    side = "left" if step.sides else "both"
    values = e.values(family, step)
    repetitions, hold = (next(p for p in dose_parameters(step) if p.id == k) for k in ("repetitions", "hold_s"))
    asked = {"repetitions": max(repetitions.low, repetitions.high - fewer), "hold_s": max(hold.low, hold.high - shorter)}
    whole = e.profiler.profile(Request(family, step, side, values))
    less = e.profiler.profile(Request(family, step, side, {**values, **asked}))
    for name in whole.columns:
        assert not (less.columns[name] > whole.columns[name] + 1e-9).any(), name
