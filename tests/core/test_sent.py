"""Whether another range of a joint would place a pose otherwise: read from how far the solver sent each joint on the way."""

import numpy as np
import pytest

from amvel.body import JOINT_INDEX, JOINTS, Capacities, healthy
from amvel.movements import Profiler, Request, find
from amvel.movements.reshaped import Sent, any_stop_moves
from tests.bodies import body


def with_(**ranges_deg: float) -> Capacities:
    """Healthy joints with some ranges changed; 'left_hip_flexion' means 'left.hip_flexion'."""
    named = {k.replace("left_", "left.").replace("right_", "right."): v for k, v in ranges_deg.items()}
    return Capacities({**healthy().range_deg, **named})


def sent(joint: str = "", to_deg: float = 0.0, over_knee_deg: float = -180.0, arm_deg: float = 0.0) -> Sent:
    least, most = np.zeros(len(JOINTS) + 2), np.zeros(len(JOINTS) + 2)
    most[len(JOINTS) :] = np.radians(over_knee_deg)
    if joint:
        into = most if to_deg > 0 else least
        into[JOINT_INDEX[joint]] = np.radians(to_deg)
    return Sent(least.tolist(), most.tolist(), (float(np.radians(arm_deg)), 0.0))


@pytest.mark.parametrize(
    ("to_deg", "new_deg", "otherwise"),
    [(80, 100, False), (80, 90, False), (89.8, 90, False), (89.95, 90, True), (95, 90, True), (119.95, 130, True), (100, 130, False)],
)
def test_a_hip_is_placed_otherwise_where_it_was_sent_to_the_old_stop_or_beyond_the_new_one(to_deg: float, new_deg: float, otherwise: bool) -> None:
    assert sent("left.hip.flexion", to_deg).otherwise(healthy(), with_(left_hip_flexion=new_deg)) is otherwise


def test_the_other_side_and_the_other_direction_change_nothing() -> None:
    bent = sent("left.hip.flexion", 119.95)
    assert not bent.otherwise(healthy(), with_(right_hip_flexion=60.0))
    assert not bent.otherwise(healthy(), with_(left_hip_extension=5.0))
    assert sent("left.hip.flexion", -19.95).otherwise(healthy(), with_(left_hip_extension=5.0))


def test_a_hamstring_counts_against_the_bend_of_the_knee() -> None:
    """A straight leg raised by 60°: 75° were enough, 50° are not."""
    raised = sent(over_knee_deg=60.0)
    assert raised.otherwise(healthy(), with_(left_straight_leg_raise=50.0, right_straight_leg_raise=50.0))
    assert not raised.otherwise(healthy(), with_(left_straight_leg_raise=65.0, right_straight_leg_raise=65.0))
    assert not sent(over_knee_deg=-30.0).otherwise(healthy(), with_(left_straight_leg_raise=50.0))


def test_an_arm_out_to_the_side_is_as_high_as_one_ahead() -> None:
    """Its height is not the forward joint's alone: that one stood at 0° and the arm was overlooked."""
    out = sent(arm_deg=90.0)
    assert out.otherwise(healthy(), with_(left_shoulder_elevation=80.0))
    assert not out.otherwise(healthy(), with_(left_shoulder_elevation=100.0))
    assert not out.otherwise(healthy(), with_(right_shoulder_elevation=80.0))


def test_ranges_of_the_trunk_place_no_pose() -> None:
    """They are for limits to say; only levels that are fused stop a trunk."""
    assert not any_stop_moves(healthy(), with_(trunk_flexion=40.0, left_trunk_rotation=10.0))
    assert any_stop_moves(healthy(), with_(left_knee_flexion=100.0))
    assert any_stop_moves(healthy(), with_(left_straight_leg_raise=50.0))


@pytest.mark.parametrize("ref", ["knee_fold/single_fold", "rock_back/further", "sit_to_stand/leg_ahead", "hover/one_hand", "arm_or_leg_slide/opposite_slide"])
@pytest.mark.parametrize("ranges", [{"left_hip_flexion": 84.0}, {"right_shoulder_elevation": 80.0}, {"left_straight_leg_raise": 45.0}], ids=str)
def test_what_is_said_to_be_placed_the_same_is_placed_the_same(ref: str, ranges: dict[str, float]) -> None:
    """Solved with both ranges: the poses differ by no more than the solver leaves open wherever nothing was said to move."""
    family, step = find(ref)
    old, new = healthy(), with_(**ranges)
    before, after = (Profiler(body(), c).profile(Request(family, step, "left", step.defaults(body()))) for c in (old, new))
    if before.placed_otherwise(old, new):
        return
    assert after.fault is None and before.posed is not None and after.posed is not None
    assert np.degrees(np.abs(after.posed.angles - before.posed.angles)).max() < 0.05


def fused(**ranges_deg: float) -> Capacities:
    """The same with half of the lumbar spine fused."""
    return Capacities(with_(**ranges_deg).range_deg, mobile={"lumbar": 0.5})


def test_fused_levels_share_out_anew_only_what_is_turned() -> None:
    less = {"left_trunk_rotation": 10.0, "right_trunk_rotation": 10.0}
    assert not sent("left.hip.flexion", 60.0).otherwise(fused(), fused(**less))
    assert sent("upper_thoracic.rotation", 3.0).otherwise(fused(), fused(**less))
    assert sent("lumbar.rotation", -3.0).otherwise(fused(), fused(**less))
    assert not sent("lumbar.side_bend", 3.0).otherwise(fused(), fused(**less))


def test_who_did_not_go_where_nothing_went_may_have_been_asked_to() -> None:
    """No part turned to the left: whether a turn was asked for cannot be seen from where it went."""
    none = fused(left_trunk_rotation=0.0)
    assert sent().otherwise(none, fused())
    assert not sent().otherwise(fused(), none)


def test_rounding_of_a_spine_with_fused_levels_has_no_middle() -> None:
    """A back's own shape counts in: somebody who stands at zero may have been asked to straighten."""
    assert sent().otherwise(fused(), fused(trunk_flexion=40.0))
    assert sent().otherwise(fused(), fused(trunk_extension=10.0))
