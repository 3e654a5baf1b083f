"""Light, heavy, small and tall people do the same movement: what is lifted is lifted, what lies lies, whatever the build."""

import math
import os
from functools import lru_cache

import numpy as np
import pytest

from amvel.body import JOINT_INDEX, Measures, healthy, measure
from amvel.movements import Profile, Profiler, Request, find
from amvel.movements.back_shape import own_head_pad_cm
from amvel.safety import sides_of
from tests.bodies import posed, steps_under_test

# As kg/m²: 23.5 for whom the others are held against, then 16.5, 43, 51 and 16.6.
USUAL = Measures(1.65, 64, "female")
BUILDS = [Measures(1.65, 45, "female"), Measures(1.60, 110, "female"), Measures(1.40, 100, "male"), Measures(1.90, 60, "male")]
LEAST_CM = 3.0  # less is no way that could be told from a give


@lru_cache(maxsize=2)  # the usual build, and the one that is held against it
def everything(measures: Measures) -> dict[str, Profile]:
    p = Profiler(measure(measures), healthy())
    requests = [Request(f, s, sides_of(s)[0], s.defaults(p.body)) for f, s in steps_under_test()]
    return {q.request.label: q for q in posed(p, requests)}


def way_cm(measures: Measures, label: str) -> np.ndarray:
    """Where what a step's arrow shows is at the end, from where it began (x, y, z); at the end is where it is furthest off."""
    profile = everything(measures)[label]
    own = Profiler(measure(measures), healthy()).skeleton.landmarks.index[profile.request.step.arrow]
    went = 100 * (profile.posed.points[:, own] - profile.posed.points[0, own])
    return went[int(np.linalg.norm(went, axis=1).argmax())]


@pytest.mark.parametrize("measures", BUILDS, ids=str)
def test_what_moves_goes_the_same_way_and_about_as_far(measures: Measures) -> None:
    """A bridge of somebody with a thick pelvis once ended lower than it began: the hip bend at the top was everybody's."""
    wrong = {}
    for family, step in steps_under_test():
        usual = way_cm(USUAL, family.ref(step)) if step.arrow else np.zeros(3)
        if np.linalg.norm(usual) >= LEAST_CM:
            share = float(way_cm(measures, family.ref(step)) @ usual / (usual @ usual))
            if not 1 / 3 <= share <= 3:
                wrong[family.ref(step)] = round(share, 2)
    assert wrong == {}


@pytest.mark.parametrize("mass", [38, 55, 65, 80, 95, 110, 125])
def test_a_small_bridge_lifts_and_a_larger_one_lifts_more(mass: int) -> None:
    """By hand: the pelvis has to come off the floor by a finger at least, and further the further the hips open."""
    p = Profiler(measure(Measures(1.66, mass, "female")), healthy())
    sacrum = p.skeleton.landmarks.index["sacrum"]
    small, larger = (_at_its_height(p, f"bridge/{step}", sacrum) for step in ("small_lift", "three_quarters"))
    assert 2.0 <= small <= 8.0
    assert larger >= small + 2.0


def _at_its_height(p: Profiler, ref: str, mark: int) -> float:
    [profile] = posed(p, [Request(*find(ref), "both", find(ref)[1].defaults(p.body))])
    assert not profile.fault
    return float(100 * profile.posed.points[:, mark, 2].max())


def test_a_bridge_that_would_not_lift_is_none() -> None:
    """Hips that open by nothing lift nothing: the value is refused, and not posed with the pelvis in the floor."""
    p = Profiler(measure(Measures(1.60, 110, "female")), healthy())
    family, step = find("bridge/small_lift")
    assert p.profile(Request(family, step, "both", {**step.defaults(p.body), "hip_deg": 35.0})).fault


@pytest.mark.parametrize("extra_deg", [0, 15, 30])
@pytest.mark.parametrize("mass", [40, 50, 62, 80, 100])
def test_a_head_on_its_pad_has_a_straight_neck(mass: int, extra_deg: int) -> None:
    """The pad is what the shape of the back leaves under the head, so that the neck neither bends nor arches on it; somebody
    whose head comes to the mat by itself gets none, and is bent by what the pelvis is thicker than the chest (by hand: some
    10° at most)."""
    body = measure(Measures(1.62, mass, "female", kyphosis_extra_rad=math.radians(extra_deg)))
    p = Profiler(body, healthy())
    [profile] = posed(p, [Request(*find("bent_knee_fall_out/small"), "left", find("bent_knee_fall_out/small")[1].defaults(body))])
    neck_deg = np.degrees(profile.posed.angles[0, JOINT_INDEX["neck.flexion"]])
    if own_head_pad_cm(body):
        assert abs(neck_deg) < 1.0
    else:
        assert -5.0 < neck_deg < 10.0


@pytest.mark.parametrize("measures", [USUAL, *BUILDS], ids=str)
def test_the_lower_arm_of_somebody_on_the_side_lies(measures: Measures) -> None:
    """It hovered by a hand: whoever lies on the side lets the arm lie ahead, and its weight is the floor's."""
    index = Profiler(measure(measures), healthy()).skeleton.landmarks.index
    arm, shoulder = [index["right.elbow_tip"], index["right.wrist"]], index["right.shoulder_side"]
    hovers_cm = {}
    for label, profile in everything(measures).items():
        if any(t.landmark == "right.shoulder_side" and t.places for t in profile.frames[0].touches):
            height_m = profile.posed.points[0, :, 2]
            hovers_cm[label] = round(float(100 * (height_m[arm].max() - height_m[shoulder])), 1)
    assert len(hovers_cm) > 12 or os.environ.get("AMVEL_ONLY_FAMILY")
    assert {label: cm for label, cm in hovers_cm.items() if cm > 1.0} == {}
