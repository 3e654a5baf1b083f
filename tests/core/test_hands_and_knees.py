"""On hands and knees with the hands raised: the trunk slopes, it never comes to stand, and the palms stay flat."""

import math

import numpy as np
import pytest

from amvel.body import Skeleton
from amvel.body.anthropometry import SHOULDER
from amvel.movements import Profile, Request, find
from amvel.movements.positions import hands_ahead_cm
from tests.bodies import SIZES, body, profiler

HEIGHTS = (0.0, 5.0, 10.0, 15.0, 20.0, 30.0, 40.0)


def raised(size: str, height_cm: float, ref: str = "belly_lift/with_the_breath", **values: object) -> Profile:
    p = profiler(size)
    family, step = find(ref)
    side = "left" if step.sides else "both"
    return p.profile(
        Request(family, step, side, {**step.defaults(p.body), "hands_raised_cm": height_cm, **values})
    )


def at(skeleton: Skeleton, profile: Profile, name: str, frame: int = 0) -> np.ndarray:
    return profile.posed.points[frame, skeleton.landmarks.index[name]]


def slope_deg(skeleton: Skeleton, profile: Profile) -> float:
    """The line from hip to shoulder against level."""
    line = at(skeleton, profile, "left.shoulder") - at(skeleton, profile, "left.hip")
    return math.degrees(math.atan2(line[2], math.hypot(line[0], line[1])))


@pytest.mark.parametrize("size", SIZES)
def test_hands_on_the_floor_are_under_the_shoulders(size: str) -> None:
    assert hands_ahead_cm(body(size), "flat", 0.0)[0] == 0.0


@pytest.mark.parametrize("hand", ["flat", "fists", "forearms"])
def test_the_higher_the_hands_the_further_ahead_of_the_shoulders(hand: str) -> None:
    ahead = [hands_ahead_cm(body(), hand, h)[0] for h in HEIGHTS]
    assert ahead == sorted(ahead) and ahead[0] == 0.0 and ahead[-1] > 15.0


@pytest.mark.parametrize("size", SIZES)
def test_from_a_hands_length_on_the_arms_are_square_to_the_trunk(size: str) -> None:
    """By plane geometry: hip above the knee, straight trunk, straight arm, a right angle between the two."""
    own = body(size)
    trunk, arm = SHOULDER[1] * own.stature_m, own.lengths_m["upper_arm"] + own.lengths_m["forearm"]
    for height in HEIGHTS[3:]:
        ahead, along = (x / 100 for x in hands_ahead_cm(own, "flat", height))
        from_hip = along, height / 100 - own.lengths_m["thigh"]
        assert math.hypot(*from_hip) == pytest.approx(math.hypot(trunk, arm), abs=1e-6)
        assert ahead < along


@pytest.mark.parametrize("size", SIZES)
def test_the_trunk_slopes_more_with_every_block_and_never_stands(size: str) -> None:
    skeleton = profiler(size).skeleton
    slopes = [slope_deg(skeleton, raised(size, h)) for h in HEIGHTS]
    assert all(a < b + 0.5 for a, b in zip(slopes, slopes[1:], strict=False)), slopes
    assert slopes[-1] < 60.0


@pytest.mark.parametrize("size", SIZES)
def test_the_thighs_stay_upright_and_the_palms_flat(size: str) -> None:
    skeleton = profiler(size).skeleton
    for height in HEIGHTS:
        profile = raised(size, height)
        assert not profile.fault
        thigh = at(skeleton, profile, "left.hip") - at(skeleton, profile, "left.knee")
        assert thigh[2] / np.linalg.norm(thigh) > math.cos(math.radians(12)), (height, thigh)
        hand = at(skeleton, profile, "left.fingertips") - at(skeleton, profile, "left.palm")
        assert abs(hand[2]) < 0.03, (height, hand)


def test_raised_hands_bend_the_wrist_back_less() -> None:
    """Why a block helps a sore wrist: the arm comes from behind (common practice, no source)."""
    bends = [raised("middle", h).peak("left.wrist_extension_deg") for h in HEIGHTS]
    assert all(a >= b - 0.5 for a, b in zip(bends, bends[1:], strict=False)), bends
    assert bends[0] - bends[-1] > 25.0


def test_raised_hands_carry_less() -> None:
    """Steeper is lighter, as with press-ups: regular 64 %, hands on 30 cm 55 %, on 61 cm 41 % (Ebben et al. 2011, ordering only)."""
    loads = [raised("middle", h).peak("left.hand_support_percent_bw") for h in (0.0, 20.0, 40.0)]
    assert loads[0] > loads[1] > loads[2]


@pytest.mark.parametrize("size", SIZES)
def test_a_leg_stays_long_as_high_as_its_step_lets_the_hands_go(size: str) -> None:
    step = find("arm_or_leg_slide/leg_lift")[1]
    high = next(p.high for p in step.parameters if p.id == "hands_raised_cm")
    profile = raised(size, high, "arm_or_leg_slide/leg_lift")
    assert not profile.fault
    assert profile.columns["left.knee_flexion_deg"][-1] < 30.0
