"""Angles and distances between the lines of a body, in poses where plain geometry says them (hand calculation)."""

from math import asin, degrees, radians, sin, tau

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.body import JOINT_INDEX, JOINTS, Measures, Skeleton, measure
from amvel.body.lines import (
    ANKLE_PAST,
    ARM_RAISED,
    HEAD_ABOVE_HEART,
    HEELS_ACROSS,
    HEELS_ALONG,
    KNEE_PAST,
    THIGH_TRUNK,
    TRUNK_INCLINATION,
    foot_cm,
    lines_of,
)
from amvel.body.posing import Posed

SKELETON = Skeleton(measure(Measures(1.68, 64.0, "female")))
LEFT, RIGHT = 0, 1


def lines(angles_deg: dict[str, float], turned: np.ndarray | None = None) -> np.ndarray:
    """Of a body that stands, apart from these joints, and is then turned as a whole."""
    angles = np.zeros((1, len(JOINTS)))
    for name, value in angles_deg.items():
        angles[0, JOINT_INDEX[name]] = radians(value)
    posed = Posed.of_nothing(SKELETON)
    posed.placement = SKELETON.place(np.zeros((1, 3)), np.eye(3)[None] if turned is None else turned[None], angles)
    posed.points = SKELETON.points(posed.placement)
    return lines_of(SKELETON, posed)[0]


def at(mark: str) -> np.ndarray:
    standing = SKELETON.place(np.zeros((1, 3)), np.eye(3)[None], np.zeros((1, len(JOINTS))))
    return SKELETON.points(standing)[0, SKELETON.landmarks.index[mark]]


STANDING = lines({})


@pytest.mark.parametrize("bend", [-10.0, 0.0, 45.0, 90.0, 120.0])
def test_a_thigh_bends_against_the_trunk_by_what_its_hip_does(bend: float) -> None:
    """With the spine straight nothing else adds to it; the leg hangs a little before the line through hip and shoulder."""
    found = lines({"left.hip.flexion": bend})
    assert found[THIGH_TRUNK + LEFT] - STANDING[THIGH_TRUNK + LEFT] == pytest.approx(bend)
    assert found[THIGH_TRUNK + RIGHT] == pytest.approx(STANDING[THIGH_TRUNK + RIGHT])


def test_a_thigh_that_goes_out_to_the_side_does_not_bend() -> None:
    found = lines({"left.hip.abduction": 30.0})
    assert found[THIGH_TRUNK + LEFT] == pytest.approx(STANDING[THIGH_TRUNK + LEFT], abs=0.5)


@pytest.mark.parametrize("raised", [0.0, 30.0, 90.0, 170.0])
def test_an_arm_is_raised_by_what_its_shoulder_does(raised: float) -> None:
    assert lines({"right.shoulder.flexion": raised})[ARM_RAISED : ARM_RAISED + 2] == pytest.approx([0.0, raised])
    assert lines({"right.shoulder.abduction": raised})[ARM_RAISED : ARM_RAISED + 2] == pytest.approx([0.0, raised])


def test_a_leg_passes_the_middle_when_it_swings_further_than_half_the_hips_are_wide() -> None:
    half_cm = 50 * abs(float(at("left.hip")[1] - at("right.hip")[1]))
    thigh_cm = 100 * float(np.linalg.norm(at("left.knee") - at("left.hip")))
    # The knee hangs straight under its hip: it is over the middle from the angle whose sine is half the width over the thigh.
    just = degrees(asin(half_cm / thigh_cm))
    assert STANDING[KNEE_PAST + LEFT] == pytest.approx(-half_cm, abs=0.5)
    found = lines({"left.hip.abduction": -(just + 5.0)})
    assert found[KNEE_PAST + LEFT] == pytest.approx(thigh_cm * sin(radians(just + 5.0)) - half_cm, abs=0.5)
    assert found[KNEE_PAST + RIGHT] == pytest.approx(STANDING[KNEE_PAST + RIGHT])
    assert found[ANKLE_PAST + LEFT] > found[KNEE_PAST + LEFT]


def test_upside_down_the_head_is_as_far_below_the_heart_and_the_trunk_inclined_by_half_a_turn() -> None:
    over = np.diag([1.0, -1.0, -1.0])
    found = lines({}, over)
    assert found[HEAD_ABOVE_HEART] == pytest.approx(-STANDING[HEAD_ABOVE_HEART])
    assert STANDING[HEAD_ABOVE_HEART] == pytest.approx(100 * float((at("com.head") - at("heart"))[2]))
    assert (STANDING[TRUNK_INCLINATION], found[TRUNK_INCLINATION]) == pytest.approx((0.0, 180.0))


@given(st.floats(0.0, tau), st.floats(-60.0, 110.0), st.floats(-20.0, 40.0))
def test_where_a_body_faces_changes_nothing(turn: float, bend: float, out: float) -> None:
    """Turned about the vertical, every line of it keeps its angle to every other."""
    c, s = np.cos(turn), np.sin(turn)
    angles = {"left.hip.flexion": bend, "right.hip.abduction": out, "lumbar.flexion": bend / 4, "left.shoulder.flexion": bend}
    here, there = lines(angles), lines(angles, np.array([[c, -s, 0.0], [s, c, 0.0], [0.0, 0.0, 1.0]]))
    assert there == pytest.approx(here, abs=1e-5)


@pytest.mark.parametrize("bend", [0.0, 10.0, 35.0])
def test_heels_are_apart_by_what_the_hips_do(bend: float) -> None:
    """A straight leg that swings forward takes its heel along a circle about the hip, and stays beside the other one."""
    standing_cm = 100 * abs(at("left.heel")[1] - at("right.heel")[1])
    assert STANDING[[HEELS_ACROSS, HEELS_ALONG]] == pytest.approx([standing_cm, 0.0])
    way = at("left.heel") - at("left.hip")
    ahead_m = way[0] * np.cos(radians(bend)) - way[2] * np.sin(radians(bend)) - way[0]
    assert lines({"left.hip.flexion": bend})[[HEELS_ACROSS, HEELS_ALONG]] == pytest.approx([standing_cm, 100 * abs(ahead_m)])


def test_a_foot_is_as_long_as_that_of_somebody_who_stands() -> None:
    """The foot is 15.2 % of the stature (Drillis & Contini 1966, as in Winter; from memory), its heel pad and toes a little within."""
    assert foot_cm(SKELETON) == pytest.approx(100 * float(np.linalg.norm(at("left.heel") - at("left.toe_tip"))))
    assert 0.85 * 15.2 * 1.68 < foot_cm(SKELETON) < 15.2 * 1.68
