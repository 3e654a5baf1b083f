"""What counts as beyond a bound: no more than the model can tell apart (safety.md §2a: angles 0.5°, loads 1 % of body weight)."""

from datetime import date

import pytest

from amvel.quantities import REGISTRY, quantity
from amvel.safety.limits import Envelope, Limit
from amvel.safety.table import Table
from amvel.safety.verdict import check
from amvel.sources import COMMON_PRACTICE
from tests.bodies import library_profiles
from tests.engines import engine_of
from tests.generated import base


@pytest.mark.parametrize(
    ("name", "bound", "inside", "beyond"),
    [
        ("left.hip_adduction_deg", 0.0, 0.007, 0.3),
        ("left.hip_bend_deg", 85.0, 85.2, 89.65),
        ("trunk_flexion_deg", 10.0, 10.25, 10.26),
        ("left.hand_support_percent_bw", 10.0, 10.5, 10.6),
        ("head_below_heart_cm", 0.0, 0.25, 0.3),
        ("coordination", 2.0, 2.0, 3.0),
        ("hold_s", 10.0, 10.0, 10.5),
        ("lying_flat", 0.0, 0.0, 1.0),
    ],
)
def test_a_value_breaks_a_bound_from_half_of_the_resolution_on(name: str, bound: float, inside: float, beyond: float) -> None:
    assert not quantity(name).breaks(inside, bound)
    assert quantity(name).breaks(beyond, bound)


def test_a_lower_bound_is_the_same_the_other_way_round() -> None:
    q = quantity("back_raised_deg")
    assert not q.breaks(29.8, 30.0, at_least=True)
    assert q.breaks(29.7, 30.0, at_least=True)
    assert quantity("hand_support_level").breaks(1.0, 2.0, at_least=True)


def test_what_is_missing_always_breaks() -> None:
    for name, q in REGISTRY.items():
        assert q.breaks(float("inf"), 1e9), name
        assert q.breaks(float("-inf"), -1e9, at_least=True), name


@pytest.mark.parametrize("over", [0.2, 0.3])
def test_one_and_many_compare_alike(over: float) -> None:
    """A limit set just under a step's own peak: by the verdict and by the table of the whole library."""
    q = next(p for p in library_profiles() if p.request.label == "tall_hinge/hands_on_thighs")
    limit = Limit("x.y", "left.hip_bend_deg", q.peak("left.hip_bend_deg") - over, "try", COMMON_PRACTICE)
    envelope = Envelope((limit,), (), ())
    alone = check(q, envelope, "visit").allowed
    assert alone == (over <= 0.25)
    assert bool(Table([q]).allowed(envelope, "visit")[0]) == alone


def test_a_new_hip_may_stand_with_its_feet_under_it() -> None:
    """Standing hip-wide reads a tenth of a degree past the midline; a surgeon's 'not past the midline' does not mean that."""
    hip = {"kind": "hip_replacement", "side": "left", "on": date(2026, 11, 4).isoformat(), "approach": "posterior"}
    engine = engine_of(base("1955-05-01", "female", [hip], []))
    for verdict in engine.judge("standing_breath", contexts=("visit",)):
        assert not [b for b in verdict.reasons if b.quantity.endswith(("leg_past_middle_cm", "hip_adduction_in_flexion_deg"))], verdict.ref


def test_a_bound_is_judged_by_as_it_is_said() -> None:
    """Half of a range of 22.5° is no 11.25° beside an 11.2°: one number, to the safe side, on every page and in every verdict."""
    upper = Limit("a.b", "trunk_flexion_deg", 11.25, "half of the range", COMMON_PRACTICE)
    lower = Limit("a.b", "back_raised_deg", 30.04, "propped", COMMON_PRACTICE, at_least=True)
    assert upper.bound == 11.2
    assert "11.2°" in upper.says()
    assert lower.bound == 30.1
    assert Limit("a.b", "trunk_flexion_deg", 10.0, "ten", COMMON_PRACTICE).bound == 10.0
