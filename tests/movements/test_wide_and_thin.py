"""Wide and thin bodies, from 1.45 to 1.98 m and 53 to 140 kg, in what a pelvis as thick as theirs, or an arm as long, changes."""

import pytest

from amvel.body import Capacities, Measures, cautious, healthy, measure
from amvel.movements import Profile, Profiler, Request, find
from tests.bodies import profiler

WIDE_AND_THIN = ((1.45, 120.0, "female"), (1.60, 140.0, "male"), (1.68, 125.0, "female"), (1.65, 62.0, "female"), (1.87, 53.0, "male"), (1.98, 140.0, "male"))


@pytest.mark.parametrize("measures", WIDE_AND_THIN, ids=str)
@pytest.mark.parametrize("ranges", [healthy(), cautious({})], ids=["healthy", "untested"])
def test_a_hip_that_is_up_is_off_the_floor_on_every_body(measures: tuple[float, float, str], ranges: Capacities) -> None:
    """One line from shoulder to knee leaves a wide hip on the floor, or under it (common practice, no source: a flat hand passes)."""
    up = _taken("side_bridge/on_the_shoulder", measures, ranges)
    assert _height_cm(up, "right.hip_side", 0) == pytest.approx(0.0, abs=0.5)
    assert _height_cm(up, "right.hip_side", -1) == pytest.approx(3.0, abs=0.5)


@pytest.mark.parametrize("measures", WIDE_AND_THIN, ids=str)
def test_everybody_takes_the_curls_the_slide_and_the_low_reach(measures: tuple[float, float, str]) -> None:
    """A high pelvis on a wide body is no stiff hip, and a long thin arm does not end under the floor."""
    for ref in ("curl_family/one_knee_bent", "curl_family/legs_straight", "curl_with_twist/elbow_to_knee"):
        curled = _taken(ref, measures, healthy())
        assert abs(_height_cm(curled, "sacrum", -1)) < 0.5, ref
    slid = _taken("supported_heel_slide/on_the_floor", measures, healthy())
    assert slid.columns["left.knee_flexion_deg"][-1] > 5.0  # the leg is carried, and not pulled straight
    reached = _taken("over_chair_lift/arm_reached", measures, healthy())
    assert reached.columns["left.shoulder_elevation_deg"][-1] == pytest.approx(130.0, abs=1.0)
    assert _height_cm(reached, "left.fingertips", -1) > -0.5


def _taken(ref: str, measures: tuple[float, float, str], ranges: Capacities) -> Profile:
    own = Profiler(measure(Measures(*measures)), ranges)
    family, step = find(ref)
    found = own.posed(own.profile(Request(family, step, "left" if step.sides else "both", step.defaults(own.body))))
    assert not found.fault, found.fault
    return found


def _height_cm(profile: Profile, mark: str, frame: int) -> float:
    assert profile.posed is not None
    return 100 * float(profile.posed.points[frame, profiler().skeleton.landmarks.index[mark], 2])
