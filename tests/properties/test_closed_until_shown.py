"""Closed until shown, on generated people with one to five conditions and any tests: what must hold whoever it is.

Profiles of one body are solved once; findings are generated, so that thousands of envelopes meet the same poses.
"""

import copy
import pkgutil

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from amvel.case import read_case
from amvel.movements.levels import HIGHEST, Way
from amvel.safety import CONTEXTS, capacity, check, envelope
from amvel.safety.limits import Origin
from amvel.screening import find_out, test_library
from tests import bodies
from tests.generated import TODAY, accepted, base, conditions, people, results
from tests.visits import once, visit

MANY = settings(
    max_examples=400,
    deadline=None,
    derandomize=True,
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.filter_too_much, HealthCheck.data_too_large],
)
# Every line of the base envelope.
CAPACITY = {m.name for m in pkgutil.iter_modules(capacity.__path__)}
SOME = settings(MANY, max_examples=200)
test_library.__test__ = False
_GOOD = {
    "toe_float_clean": {"cm": 0.5, "gives": "nothing"},
    "fall_out_clean": {"deg": 45, "gives": "nothing"},
    "leg_reach_clean": {"hip_deg": 20, "gives": "nothing"},
    "limb_lift_clean": {"repetitions": 8, "gives": "nothing"},
    "active_leg_raise": {"score": 0},
    "wall_plank_drop": {"drop_cm": 0.0, "gives": "nothing"},
    "side_bridge_hold": {"seconds": 60, "down": "feet"},
    "one_leg_stance": {"seconds": 30},
    "plank_hold": {"seconds": 60, "down": "feet"},
    "back_extensor_hold": {"seconds": 100},
    "breath_directions": {"reaches": ["front", "left_side", "right_side", "back"]},
    "chair_stand_30s": {"count": 20},
    "floor_rise": {"result": "alone"},
}


def bounds_of(data: dict):
    return envelope(find_out(read_case(data)))


def home_levels(data: dict) -> dict[str, float]:
    """Per quantity the level that nothing has closed at home; one above the highest where nothing binds."""
    found = {f"{w.value}_level": HIGHEST + 1.0 for w in Way} | {"rise_level": 6.0, "stance_level": 4.0}
    for x in bounds_of(data).limits:
        if x.quantity in found and not x.only_step:
            found[x.quantity] = min(found[x.quantity], x.bound)
    return found


def with_result(data: dict, test: str, result: dict) -> dict:
    """The same person with only this result of the test, on both sides where it has sides."""
    sides = ("left", "right") if test_library()[test].per_side else (None,)
    kept = [t for t in data["tests"] if t["test"] != test]
    added = [{"test": test, "on": TODAY.isoformat(), **({"side": s} if s else {}), **result} for s in sides]
    return {**data, "tests": [*kept, *added]}


@MANY
@given(people, st.sampled_from(sorted(_GOOD)))
def test_more_shown_never_closes(data: dict, test: str) -> None:
    without = {**data, "tests": [t for t in data["tests"] if t["test"] != test]}
    less, more = home_levels(without), home_levels(with_result(data, test, _GOOD[test]))
    for quantity, bound in less.items():
        assert more[quantity] >= bound, quantity


@SOME
@given(people, st.sampled_from(sorted(_GOOD)), st.data())
def test_a_worse_result_never_opens_more_than_the_best(data: dict, test: str, draw: st.DataObject) -> None:
    worse = draw.draw(results(test))
    result = {k: v for k, v in worse.items() if k not in ("test", "on", "side", "trials")}
    other = with_result(data, test, result)
    if not accepted(other):
        return
    best, found = home_levels(with_result(data, test, _GOOD[test])), home_levels(other)
    for quantity, bound in found.items():
        assert bound <= best[quantity], quantity


@MANY
@given(people, conditions())
def test_another_condition_never_opens_a_level(data: dict, extra: dict) -> None:
    more = copy.deepcopy(data)
    more["conditions"] = [*data["conditions"], extra]
    if not accepted(more):
        return
    before, after = home_levels(data), home_levels(more)
    for quantity, bound in after.items():
        assert bound <= before[quantity], quantity


@MANY
@given(people)
def test_home_is_never_wider_than_the_visit(data: dict) -> None:
    bounds = bounds_of(data)
    for profile in bodies.library_profiles()[::5]:
        if check(profile, bounds, "home").allowed:
            assert check(profile, bounds, "visit").allowed, profile.request.label


@MANY
@given(people)
def test_every_exclusion_has_a_limit_and_what_only_waits_says_so(data: dict) -> None:
    bounds = bounds_of(data)
    for context in CONTEXTS:
        for profile in bodies.library_profiles()[::7]:
            answer = check(profile, bounds, context)
            assert answer.allowed or answer.breaches or answer.fault
            for b in answer.breaches:
                assert b.limit.reason
                if b.limit.origin is Origin.NOT_SHOWN:
                    assert b.limit.id.partition(".")[0] in CAPACITY


@SOME
@given(people, st.integers(1, 30))
def test_a_clean_session_never_closes_and_a_bad_one_never_opens(data: dict, days: int) -> None:
    held = "knee_fold/both_held"
    for clean in (8, 2):
        logged = {**data, "visits": [visit(days, once(held, clean), by="specialist")]}
        assert home_levels(logged) == home_levels(data), "one session alone shows nothing"
    two = [visit(d, once(held), by="specialist") for d in (days, days + 1)]
    before, after = home_levels(data), home_levels({**data, "visits": two})
    assert all(after[q] >= b for q, b in before.items())


def healthy_and_screened(birth: str) -> dict:
    data = base(birth, "female", [], [], tolerates={"floor": "yes", "kneeling": "yes", "lying_flat": "yes", "face_down": "yes"})
    for test in test_library().values():
        result = _GOOD.get(test.id, test.outcomes[0].result)
        data = with_result(data, test.id, result)
    return data


@pytest.mark.parametrize("birth", ["1996-03-01", "1971-03-01", "1956-03-01", "1944-03-01"])
def test_healthy_and_fully_screened_keeps_the_library_at_any_age(birth: str) -> None:
    """30, 55, 70 and 82: at least 95 % of the steps as they are, at home too."""
    bounds = bounds_of(healthy_and_screened(birth))
    profiles = [p for p in bodies.library_profiles() if not p.fault]
    for context in CONTEXTS:
        out = {p.request.label for p in profiles if not check(p, bounds, context).allowed}
        everything = {p.request.label for p in profiles}
        assert len(out) <= 0.05 * len(everything), sorted(out)
