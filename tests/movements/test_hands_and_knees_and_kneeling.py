"""What teaching says of hands and knees and of kneeling (common practice, no source, unless named)."""

import numpy as np
import pytest

from tests.seen import Seen, see

each_size = pytest.mark.parametrize("size", ("middle", "small", "heavy"))
SPINE = ("lumbar.flexion", "lower_thoracic.flexion", "lumbar.rotation", "lower_thoracic.rotation", "lumbar.side_bend")
STILL_SPINE = (
    "belly_lift/with_the_breath",
    "rock_back/a_little",
    "rock_back/further",
    "arm_or_leg_slide/arm_reach",
    "arm_or_leg_slide/leg_slide",
    "arm_or_leg_slide/leg_lift",
    "arm_or_leg_slide/opposite_lift",
    "hover/for_a_breath",
    "hover/one_foot",
)


@each_size
@pytest.mark.parametrize("ref", STILL_SPINE)
def test_the_spine_does_not_change(ref: str, size: str) -> None:
    s = see(ref, size)
    for joint in SPINE:
        assert s.changed_deg(joint) < 6.0, joint


@each_size
def test_hands_lie_under_the_shoulders_and_knees_under_the_hips(size: str) -> None:
    s = see("belly_lift/with_the_breath", size)
    for side in ("left", "right"):
        assert s.cm(f"{side}.wrist")[0] == pytest.approx(s.cm(f"{side}.shoulder")[0], abs=3)
        assert s.cm(f"{side}.knee")[0] == pytest.approx(s.cm(f"{side}.hip")[0], abs=3)


@each_size
def test_the_neck_is_long_and_the_head_in_line(size: str) -> None:
    s = see("arm_or_leg_slide/arm_reach", size)
    assert s.peak("neck_flexion_deg") < 25 and s.peak("neck_extension_deg") < 25


def behind_the_knees_cm(s: Seen, row: int = -1) -> float:
    """How far the seat is behind the knees; where the body as a whole is says nothing."""
    return float(s.cm("left.knee", row)[0] - s.cm("left.sit_bone", row)[0])


@each_size
@pytest.mark.parametrize("ref", ["rock_back/a_little", "rock_back/further"])
def test_rocking_back_brings_the_seat_to_the_heels_over_still_knees(ref: str, size: str) -> None:
    s = see(ref, size)
    assert behind_the_knees_cm(s) > behind_the_knees_cm(s, 0) + 2
    assert s.peak("left.hip_flexion_deg") > s.of("left.hip_flexion_deg", 0) + 4


@each_size
def test_further_back_is_further(size: str) -> None:
    near, far = (behind_the_knees_cm(see(f"rock_back/{r}", size)) for r in ("a_little", "further"))
    assert far > near + 1


@each_size
def test_the_leg_slides_before_it_lifts(size: str) -> None:
    slide, lift = (see(f"arm_or_leg_slide/{r}", size) for r in ("leg_slide", "leg_lift"))
    assert slide.up("left.toe_tip") < 3.0 < lift.up("left.toe_tip")


@each_size
@pytest.mark.parametrize("rung", ["leg_lift", "opposite_lift"])
def test_the_lifted_leg_goes_no_higher_than_the_back(rung: str, size: str) -> None:
    """Hips square, leg not high, push the heel back."""
    s = see(f"arm_or_leg_slide/{rung}", size)
    assert s.up("left.heel") < s.up("left.hip") + 12
    assert abs(s.up("left.hip_bone") - s.up("right.hip_bone")) < 3


@each_size
def test_weight_does_not_shift_far_to_the_standing_side(size: str) -> None:
    s = see("arm_or_leg_slide/leg_lift", size)
    assert s.travelled_cm("sacrum") < 5


@each_size
def test_hovering_knees_are_two_to_five_centimetres_up(size: str) -> None:
    s = see("hover/for_a_breath", size)
    for side in ("left", "right"):
        assert 1.5 <= s.up(f"{side}.knee_front") <= 5.5


@each_size
@pytest.mark.parametrize("rung", ["on_knees", "full_length"])
def test_the_plank_is_one_line_from_shoulder_to_what_carries(rung: str, size: str) -> None:
    s = see(f"floor_plank/{rung}", size)
    high, middle = s.cm("left.shoulder"), s.cm("left.hip")
    low = s.cm("left.knee" if rung == "on_knees" else "left.ankle")
    along = (low - high) / np.linalg.norm(low - high)
    off = (middle - high) - np.dot(middle - high, along) * along
    assert np.linalg.norm(off) < 0.07 * s.stature_cm


@each_size
def test_a_raised_hand_carries_less(size: str) -> None:
    """Ebben et al. 2011: hands raised by 30 cm carry about nine hundredths of body weight less in a press-up."""
    flat, raised = (see("hover/for_a_breath", size, hands_raised_cm=h).peak("left.hand_support_percent_bw") for h in (0, 15))
    assert raised < flat


@each_size
def test_rounding_comes_from_the_upper_back_first(size: str) -> None:
    small, larger = (see(f"round_and_lengthen/{r}", size) for r in ("small", "larger"))
    assert larger.peak("trunk_flexion_deg") > small.peak("trunk_flexion_deg") + 3
    assert small.peak("upper_thoracic_flexion_deg") > 1


@each_size
@pytest.mark.parametrize("ref", ["sit_back_rest/on_the_floor", "sit_back_rest/forearms_on_a_seat"])
def test_the_sit_back_rest_is_a_bend_and_says_so(ref: str, size: str) -> None:
    s = see(ref, size)
    assert s.peak("left.hip_bend_deg") > (85 if ref.endswith("floor") else 60)


@each_size
def test_a_seat_ahead_bends_the_hips_less_than_the_floor(size: str) -> None:
    seat, floor = (see(f"sit_back_rest/{r}", size).peak("left.hip_bend_deg") for r in ("forearms_on_a_seat", "on_the_floor"))
    assert seat < floor


@each_size
@pytest.mark.parametrize("rung", ["knees_wide", "knees_narrow", "half_kneeling"])
def test_the_press_out_keeps_the_trunk_from_turning(rung: str, size: str) -> None:
    s = see(f"band_press_out_kneeling/{rung}", size)
    assert s.peak("left.trunk_rotation_deg") < 2 and s.peak("right.trunk_rotation_deg") < 2
    assert max(s.peak("left.turning_moment_l4_l5_nm"), s.peak("right.turning_moment_l4_l5_nm")) > 3


@each_size
def test_pressing_out_makes_the_lever_longer(size: str) -> None:
    s = see("band_press_out_kneeling/knees_wide", size)
    ahead = [s.cm("left.palm", i)[0] - s.cm("left.shoulder", i)[0] for i in (0, -1)]
    assert ahead[1] > ahead[0] + 10


@each_size
def test_getting_up_by_a_chair_goes_through_half_kneeling(size: str) -> None:
    s = see("floor_by_a_chair/all_the_way_up", size)
    rows = range(len(s.profile.rows))
    one_knee = [min(s.up("left.knee_front", i), s.up("right.knee_front", i)) < 3 < max(s.up("left.knee_front", i), s.up("right.knee_front", i)) for i in rows]
    assert any(one_knee)
    assert s.up("left.knee_front") > 25 and s.up("right.knee_front") > 25
    assert s.peak("left.hand_support_percent_bw") + s.peak("right.hand_support_percent_bw") > 5
