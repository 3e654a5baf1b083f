"""What stands stays: a foot that is on the floor before and after a part of a movement is in the same place.

Where the movement is one of the foot itself, or the foot is set elsewhere, the step stands below with the reason.
"""

from functools import lru_cache

import numpy as np
import pytest

from amvel.movements.profile import Profile
from amvel.safety import sides_of
from tests.bodies import library_profiles, profiler, steps_under_test

STAYS_CM = 0.5
SOLE = ("heel", "ball")
FOOT_WORKS = {
    "sit_to_stand/leg_ahead": "the foot is drawn back once the hands carry",
    "sit_to_stand/staggered": "the feet are set once more before the seat is left",
    "sit_to_stand/heel_ahead": "the feet are set once more before the seat is left",
    "foot_gather/lift_the_ball": "the foot turns on its heel",
    "foot_gather/lift_the_heel": "the foot turns on its ball",
    "seated_knee_opening/one_knee": "the foot turns with its thigh",
    "seated_knee_opening/both_with_a_band": "the foot turns with its thigh",
    "seated_leg_reach/heel_slides": "the heel slides out",
    "seated_weight_shift/shift": "the foot of the light side turns a little",
    "seated_weight_shift/reach": "the foot of the light side turns a little",
    "step_and_reach/firm_hand": "the back heel leaves the floor, so that the step grows",
    "step_and_reach/fingertips": "the back heel leaves the floor, so that the step grows",
    "step_and_reach/hands_hover": "the back heel leaves the floor, so that the step grows",
    "walking_practice/firm_hand": "the foot behind turns a little as the weight leaves it",
    "walking_practice/fingertips": "the foot behind turns a little as the weight leaves it",
    "walking_practice/in_reach": "the foot behind turns a little as the weight leaves it",
    "walking_practice/with_a_cup": "the foot behind turns a little as the weight leaves it",
}


UPRIGHT = [(f.ref(s), side) for f, s in steps_under_test() if f.position in ("standing", "wall", "sitting") for side in sides_of(s)]


@lru_cache(maxsize=1)
def upright() -> dict[tuple[str, str], Profile]:
    found = {(p.request.label, p.request.side): p for p in library_profiles("middle")}
    return {key: found[key] for key in UPRIGHT}


def soles(profile: Profile, row: int) -> set[str]:
    frame = profile.frames[row]
    return {
        t.landmark for t in frame.touches if t.gap_cm <= 0 and t.on is None and t.landmark.partition(".")[2] in SOLE
    }


def moved_cm(profile: Profile) -> float:
    """The largest way of a heel or ball against the others that are down, from one declared frame to the next."""
    index = profiler("middle").skeleton.landmarks.index
    rows, largest = profile.rows, 0.0
    for before, after in zip(rows, rows[1:], strict=False):
        down = sorted(soles(profile, before) & soles(profile, after))
        if len(down) < 3:  # one foot alone has nothing that it could slide against
            continue
        at = [index[mark] for mark in down]
        way = 100 * (profile.posed.points[after, at] - profile.posed.points[before, at])
        largest = max(largest, float(np.linalg.norm(way - np.median(way, axis=0), axis=1).max()))
    return largest


@pytest.mark.parametrize(("label", "side"), UPRIGHT)
def test_a_planted_foot_stays_where_it_is(label: str, side: str) -> None:
    profile = upright()[label, side]
    assert not profile.fault
    if profile.request.label not in FOOT_WORKS:
        assert moved_cm(profile) <= STAYS_CM


def test_every_exception_is_one() -> None:
    moving = {p.request.label for p in upright().values() if moved_cm(p) > STAYS_CM}
    assert set(FOOT_WORKS) <= moving, set(FOOT_WORKS) - moving


def test_a_foot_that_stays_flat_while_the_shank_leans_over_it_does_not_rub() -> None:
    rubs = {p.request.label: max(p.peak("left.foot_rubs"), p.peak("right.foot_rubs")) for p in upright().values()}
    assert rubs["sit_to_stand/two_legs"] == 0
    assert rubs["standing_reach/leg_back"] == 0
    assert rubs["one_side_carry/slow_steps"] == 0


def test_a_foot_that_rolls_or_slides_rubs() -> None:
    rubs = {p.request.label: max(p.peak("left.foot_rubs"), p.peak("right.foot_rubs")) for p in upright().values()}
    assert rubs["heel_raise/firm_hand"] == 1
    assert rubs["seated_leg_reach/heel_slides"] == 1
    assert rubs["foot_gather/draw_in_a_cloth"] == 1
