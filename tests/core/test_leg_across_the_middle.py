"""Across the middle of the body: a leg that crosses it, and a foot that only stands under the weight."""

import math

import pytest

from amvel.body.anthropometry import HIP_HALF_WIDTH
from amvel.engine import Engine
from tests.bodies import body, library_profiles
from tests.engines import engine_of
from tests.generated import TODAY, base


def across_cm(ref: str) -> float:
    own = [p for p in library_profiles() if p.request.label == ref]
    return max(p.peak(f"{side}.leg_past_middle_cm") for p in own for side in ("left", "right"))


@pytest.mark.parametrize("ref", ["standing_leg_to_the_side/firm_hand", "standing_reach/leg_back", "tandem_stand/firm_hand", "walking_practice/firm_hand"])
def test_a_foot_under_the_weight_has_not_crossed_the_middle(ref: str) -> None:
    """On one leg the hip leans in by about 7° so that the foot is under the weight; nobody calls that crossing the legs."""
    assert across_cm(ref) <= 0.5


@pytest.mark.parametrize("ref", ["sit_to_stand/one_leg", "side_bridge/knees_bent", "double_leg_circles/full_range"])
def test_a_knee_that_passes_the_other_hip_has_crossed_it(ref: str) -> None:
    assert across_cm(ref) > 1.0


def test_the_knee_crosses_by_what_the_thigh_reaches_beyond_half_the_distance_of_the_hips() -> None:
    """By hand: thigh × sin(adduction) less half the distance of the hips; the shin of a straight leg goes on as far again."""
    profile = next(p for p in library_profiles() if p.request.label == "double_leg_circles/full_range")
    inward = math.radians(profile.peak("left.hip_adduction_deg"))
    frame = int(profile.columns["left.hip_adduction_deg"].argmax())
    b = body()
    leg_cm = 100 * (b.lengths_m["thigh"] + b.lengths_m["shank"])
    ankle_cm = leg_cm * math.sin(inward) - 100 * HIP_HALF_WIDTH * b.stature_m - 5
    assert float(profile.columns["left.leg_past_middle_cm"][frame]) == pytest.approx(ankle_cm, abs=1.5)


def _new_hip(*tests: dict) -> Engine:
    hip = {"kind": "hip_replacement", "side": "left", "on": "2026-11-01", "noted_on": "2026-11-20", "approach": "posterior"}
    return engine_of(base("1955-05-01", "female", [hip], list(tests)))


def test_a_new_hip_walks_along_a_worktop_and_crosses_nothing() -> None:
    steady = {"test": "four_stage_balance", "on": TODAY.isoformat(), "side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 10, "one_leg_s": 10}
    stands = {"test": "chair_stand_30s", "on": TODAY.isoformat(), "count": 14}
    engine = _new_hip(steady, stands)
    walking = [v for v in engine.judge("walking_practice", "firm_hand", contexts=("visit",))]
    assert all(v.allowed for v in walking), [b.limit.id for v in walking for b in v.reasons]
    circles = [v for v in engine.judge("double_leg_circles", contexts=("visit",))]
    assert not any(v.allowed for v in circles)
    assert "hip_replacement.posterior_across_0" in {b.limit.id for v in circles for b in v.reasons}
