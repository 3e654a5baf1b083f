"""Stretch bands: the pull grows with the length, nothing pulls when slack, a loop pulls both ends alike."""

import numpy as np
import pytest

from amvel.body import BandPull, PoseError
from amvel.body.pose import SLACK_SHARE
from amvel.movements import Request, find
from tests.bodies import profiler

INDEX = {"a": 0, "b": 1}


def at(distance: float) -> np.ndarray:
    return np.array([[0.0, 0, 0], [distance, 0, 0]])


def test_at_the_start_it_pulls_as_declared_towards_its_other_end() -> None:
    band = BandPull("a", 30.0, to="b", start_m=0.6)
    assert band.force_at(at(0.6), INDEX) == pytest.approx([30.0, 0, 0])


def test_twice_the_stretch_is_twice_the_pull() -> None:
    band = BandPull("a", 30.0, to="b", start_m=0.6)
    slack = SLACK_SHARE * 0.6
    assert band.force_at(at(slack + 2 * (0.6 - slack)), INDEX)[0] == pytest.approx(60.0)


@pytest.mark.parametrize("distance", [0.1, 0.399])
def test_slack_pulls_nothing(distance: float) -> None:
    assert not BandPull("a", 30.0, to="b", start_m=0.6).force_at(at(distance), INDEX).any()


def test_a_band_whose_start_is_unknown_raises() -> None:
    with pytest.raises(PoseError, match="length at the start"):
        BandPull("a", 30.0, to="b").force_at(at(0.5), INDEX)


@pytest.mark.parametrize(
    "ref",
    [
        "band_press_out_standing/press",
        "shoulder_blade_draw/band_row",
        "clam/band_above_knees",
        "band_leg_press/press",
    ],
)
def test_the_pull_of_a_step_grows_on_the_way(ref: str) -> None:
    p = profiler()
    family, step = find(ref)
    profile = p.profile(Request(family, step, "left" if step.sides else "both", step.defaults(p.body)))
    assert profile.posed is not None
    index = p.skeleton.landmarks.index
    first, last = (
        sum(np.linalg.norm(load.force_at(profile.posed.points[r], index)) for load in profile.specs[r].loads)
        for r in (profile.rows[0], profile.rows[-1])
    )
    assert last > 1.05 * first


def test_a_loop_is_an_internal_force() -> None:
    p = profiler()
    family, step = find("clam/band_above_knees")
    profile = p.profile(Request(family, step, "left", step.defaults(p.body)))
    assert profile.posed is not None
    row = profile.rows[-1]
    total = sum(
        load.force_at(profile.posed.points[row], p.skeleton.landmarks.index)
        for load in profile.specs[row].loads
    )
    assert np.abs(total).max() < 1e-9
