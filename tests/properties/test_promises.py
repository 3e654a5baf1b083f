"""What a parameter in degrees promises, the pose has: over the whole library, at both ends of every range and at its default."""

import numpy as np
import pytest

from amvel.body import ShortOfAsked, cautious, healthy, plain_fault
from amvel.fitting import within_reach
from amvel.movements import DeclarationError, Parameter, Profiler, Request, find
from amvel.movements.promise import TOLERANCE_DEG, joint, kept, reach_deg
from amvel.movements.shown_angles import JointAngle, Reading
from amvel.safety import sides_of
from tests.bodies import body, posed, profiler, steps_under_test

ANGLES = [(f, s, p) for f, s in steps_under_test() for p in s.parameters if p.unit == "deg"]


@pytest.mark.parametrize("size", ["middle", "small", "heavy"])
def test_every_angle_is_what_was_asked_for(size: str) -> None:
    p = profiler(size)
    requests, wanted = [], []
    for family, step, parameter in ANGLES:
        for value in {parameter.low, float(parameter.default_for(p.body)), parameter.high}:
            for side in sides_of(step):
                requests.append(Request(family, step, side, {**step.defaults(p.body), parameter.id: value}))
                wanted.append((parameter, value))
    broken = []
    for request, profile, (parameter, value) in zip(requests, posed(p, requests), wanted, strict=True):
        if isinstance(profile.fault, ShortOfAsked):
            broken.append(profile.fault)
        elif not profile.fault:
            assert profile.posed is not None and parameter.shows is not None and profile.declared is not None
            neutral = profile.declared.neutral
            deg = np.degrees(profile.posed.angles - neutral)
            off = kept(parameter.shows, value, request.side, Reading(p.skeleton, profile.posed, deg), profile.rows)
            assert off <= TOLERANCE_DEG
    # A hip that ends at 120° and hamstrings at 75° cannot take the deepest of everything: those say so.
    assert len(broken) <= 6, broken


def test_an_angle_that_says_nowhere_fails_at_once() -> None:
    with pytest.raises(DeclarationError, match="must say where it shows"):
        Parameter("lean_deg", "lean", "deg", 10, low=0, high=20)
    with pytest.raises(ValueError, match=r"no joint 'left\.hip\.fexion'"):
        JointAngle("left.hip.fexion")


def test_a_shoulder_that_ends_at_eighty_degrees_sets_where_arms_start() -> None:
    short = cautious({**healthy().range_deg, "left.shoulder_elevation": 80.0})
    assert reach_deg(joint("left.shoulder.flexion"), short) == pytest.approx(80.0)
    assert reach_deg(joint("right.shoulder.flexion"), short) == pytest.approx(80.0)  # one measure for both sides
    step = find("step_and_reach/fingertips")[1]
    assert within_reach(step, step.defaults(body()), short)["reach_deg"] == 80.0


def test_what_lies_below_the_smallest_range_is_a_fault_in_words() -> None:
    p = Profiler(body(), cautious({**healthy().range_deg, "left.shoulder_elevation": 60.0, "right.shoulder_elevation": 60.0}))
    family, step = find("opposite_arm_and_leg_supine/arms_only")
    profile = p.profile(Request(family, step, "left", step.defaults(p.body)))
    assert isinstance(profile.fault, ShortOfAsked)
    assert plain_fault(profile.fault).startswith("the joints do not go so far")


@pytest.mark.parametrize("lean", [15.0, 30.0, 45.0])
def test_a_standing_lean_is_as_deep_as_it_says(lean: float) -> None:
    """Measured apart from the engine's own reading: the line from the hips to the upper back against its own line in standing."""
    p = profiler()

    def line_deg(ref: str, row: int, **values: float) -> float:
        family, step = find(ref)
        side = "left" if step.sides else "both"
        profile = p.profile(Request(family, step, side, {**step.defaults(p.body), **values}))
        assert profile.posed is not None and not profile.fault
        index = p.skeleton.landmarks.index
        hips = (profile.posed.points[row, index["left.hip"]] + profile.posed.points[row, index["right.hip"]]) / 2
        way = profile.posed.points[row, index["com.upper_thorax"]] - hips
        return float(np.degrees(np.arctan2(way[0], way[2])))

    standing = line_deg("standing_breath/free_standing", 0)
    assert line_deg("one_leg_hinge/both_legs", -1, lean_deg=lean) - standing == pytest.approx(lean, abs=1.5)
