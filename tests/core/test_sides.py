"""Left and right of names, and what a mirror makes of an angle."""

import numpy as np
import pytest

from amvel.body import JOINT_INDEX, JOINTS, MIRROR_SIGN, SEGMENT_OF, other_side, side_of
from amvel.body.capacities import DAILY_DEG, HEALTHY_DEG, cautious, healthy
from tests.bodies import profiler


@pytest.mark.parametrize(
    ("name", "other", "side"),
    [
        ("left.hip.flexion", "right.hip.flexion", "left"),
        ("right.foot", "left.foot", "right"),
        ("lumbar.flexion", "lumbar.flexion", ""),
        ("head_side_left", "head_side_right", ""),
        ("leftover", "leftover", ""),
        ("left", "left", ""),
    ],
)
def test_the_other_side_of_a_name(name: str, other: str, side: str) -> None:
    assert other_side(name) == other
    assert other_side(other) == name
    assert side_of(name) == side


def test_what_has_a_side_moves_a_segment_of_that_side() -> None:
    assert {side_of(name) == side_of(segment) for name, segment in SEGMENT_OF.items()} == {True}


@pytest.mark.parametrize("name", [name for name, _, _ in JOINTS])
def test_a_mirror_turns_just_the_angles_that_it_is_said_to_turn(name: str) -> None:
    """By geometry alone: a body with one joint bent, and one with its mirror joint bent by what is said, are mirror images."""
    skeleton = profiler().skeleton
    bent = np.zeros((2, len(JOINTS)))
    bent[0, JOINT_INDEX[name]] = 0.3
    bent[1, JOINT_INDEX[other_side(name)]] = 0.3 * MIRROR_SIGN[name]
    points = skeleton.points(skeleton.place(np.zeros((2, 3)), np.tile(np.eye(3), (2, 1, 1)), bent))
    index = skeleton.landmarks.index
    pairs = [(i, index[other_side(mark)]) for mark, i in index.items() if mark.partition(".")[0] != "com"]
    here, there = (list(x) for x in zip(*pairs, strict=True))
    assert points[0, here] == pytest.approx(points[1, there] * [1, -1, 1], abs=1e-9)


def test_only_limbs_that_nobody_tested_are_let_go_of() -> None:
    """Trunk and neck stay at what is assumed of them, and so do ankles."""
    loose = cautious({}).loosened()
    for name, deg in cautious({}).range_deg.items():
        base = name.partition(".")[2] if side_of(name) else name
        free = base in DAILY_DEG and base not in ("ankle_dorsiflexion", "ankle_plantarflexion")
        assert loose.range_deg[name] == (max(deg, HEALTHY_DEG[base]) if free else deg), name
    assert healthy().loosened().range_deg == healthy().range_deg
