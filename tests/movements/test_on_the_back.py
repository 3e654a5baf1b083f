"""What teaching says of work on the back, seen on bodies of several sizes (common practice, no source, unless named)."""

import numpy as np
import pytest

from tests.seen import see

SIZES = ("middle", "small", "heavy")
each_size = pytest.mark.parametrize("size", SIZES)
PELVIS_STAYS = (
    "knee_tip/one_side",
    "bent_knee_fall_out/small",
    "bent_knee_fall_out/larger",
    "toe_float/finger_high",
    "knee_fold/single_fold",
    "knee_fold/heel_further",
    "supported_heel_slide/on_a_box",
    "supported_heel_slide/on_the_floor",
    "leg_reach/long_and_back",
    "opposite_arm_and_leg_supine/arms_only",
    "opposite_arm_and_leg_supine/short_reach",
    "band_leg_press/press",
)


@each_size
@pytest.mark.parametrize("ref", PELVIS_STAYS)
def test_the_pelvis_stays_where_it_is(ref: str, size: str) -> None:
    """Neither turned nor lifted: the front hip bones move by less than a finger's breadth."""
    s = see(ref, size)
    for side in ("left", "right"):
        assert s.travelled_cm(f"{side}.hip_bone") < 1.5, side
    assert s.travelled_cm("sacrum") < 1.5


@each_size
@pytest.mark.parametrize("ref", PELVIS_STAYS)
def test_the_low_back_keeps_its_curve(ref: str, size: str) -> None:
    """Natural curve: neither pressed flat nor arched by more than the model can tell from standing still."""
    s = see(ref, size)
    assert s.changed_deg("lumbar.flexion") < 3.0
    assert s.changed_deg("lumbar.rotation") < 3.0


@each_size
@pytest.mark.parametrize("ref", ["knee_tip/one_side", "bent_knee_fall_out/small", "bent_knee_fall_out/larger"])
def test_the_knee_leans_out_while_its_heel_stays_and_the_other_leg_is_still(ref: str, size: str) -> None:
    s = see(ref, size)
    assert s.cm("left.knee")[1] > s.cm("left.knee", 0)[1] + 3
    assert s.up("left.heel") == pytest.approx(0.0, abs=1.0)
    assert s.travelled_cm("right.knee") < 2.0 and s.travelled_cm("right.heel") < 1.0


@each_size
def test_a_larger_fall_out_goes_further_and_asks_no_more_of_the_back(size: str) -> None:
    small, larger = see("bent_knee_fall_out/small", size), see("bent_knee_fall_out/larger", size)
    assert larger.peak("left.hip_abduction_deg") > small.peak("left.hip_abduction_deg") + 5
    assert larger.peak("lumbar_flexion_deg") < 3 and small.peak("lumbar_flexion_deg") < 3


@each_size
@pytest.mark.parametrize(("rung", "lift_cm"), [("finger_high", 2.5), ("half_as_high", 1.5), ("paper_thin", 0.5)])
def test_the_foot_floats_as_high_as_its_rung_says_and_nothing_else_moves(rung: str, lift_cm: float, size: str) -> None:
    s = see(f"toe_float/{rung}", size)
    lowest = min(s.up(f"left.{p}") for p in ("heel", "ball"))
    assert lowest == pytest.approx(lift_cm, abs=0.6)
    assert s.travelled_cm("right.heel") < 0.5
    assert s.peak("right.foot_support_percent_bw") < 12


@each_size
def test_the_knee_angle_stays_while_the_leg_folds(size: str) -> None:
    """Knee angle stays, hip moves; at the top hip and knee are square."""
    s = see("knee_fold/single_fold", size)
    assert s.deg("left.hip.flexion") == pytest.approx(90, abs=1)
    assert s.deg("left.knee.flexion") == pytest.approx(s.deg("left.knee.flexion", 0), abs=16)
    assert s.up("left.knee") > s.up("left.knee", 0)


@each_size
def test_marching_has_one_leg_coming_down_as_the_other_goes_up(size: str) -> None:
    s = see("knee_fold/marching", size)
    heights = [(s.up("left.heel", i), s.up("right.heel", i)) for i in range(len(s.profile.rows))]
    assert heights[0][0] > heights[0][1] + 10 and heights[-1][1] > heights[-1][0] + 10
    assert min(min(h) for h in heights) > -1.0


@each_size
def test_the_other_leg_is_let_alone_at_square(size: str) -> None:
    s = see("knee_fold/both_held", size)
    assert abs(s.up("left.knee") - s.up("right.knee")) < 1.0
    assert s.of("left.foot_support_percent_bw") == 0 and s.of("right.foot_support_percent_bw") == 0


@each_size
def test_both_lowered_go_down_by_two_to_five_centimetres(size: str) -> None:
    s = see("knee_fold/both_lowered", size)
    for side in ("left", "right"):
        # The heel goes a little further than the toes, which come nearest to the floor.
        assert 2 <= s.up(f"{side}.heel", 0) - s.up(f"{side}.heel") <= 6.5


@each_size
@pytest.mark.parametrize("where", ["on_a_box", "on_the_floor"])
def test_the_heel_slides_and_never_lifts(where: str, size: str) -> None:
    s = see(f"supported_heel_slide/{where}", size)
    height = [s.up("left.heel_back" if where == "on_a_box" else "left.heel", i) for i in range(len(s.profile.rows))]
    assert np.ptp(height) < 1.0
    assert s.moved_cm("left.heel") > 8


@each_size
def test_calves_on_a_seat_make_hips_and_knees_square_with_the_tailbone_down(size: str) -> None:
    s = see("breathing_rest/calves_on_seat", size)
    for side in ("left", "right"):
        assert s.deg(f"{side}.hip.flexion") == pytest.approx(90, abs=8)
        assert s.deg(f"{side}.knee.flexion") == pytest.approx(90, abs=8)
    assert s.up("sacrum") == pytest.approx(0, abs=0.5)


@each_size
@pytest.mark.parametrize("ref", ["breathing_rest/knees_bent", "deep_abdominal_set/draw_on_breath_out", "squeeze_and_push/squeeze"])
def test_a_body_at_rest_holds_nothing(ref: str, size: str) -> None:
    s = see(ref, size)
    assert s.peak("loaded") == 0
    assert s.peak("moment_l4_l5_nm") < 8
    assert s.peak("head_support_percent_bw") < 8  # a resting head weighs about 7 % (de Leva 1996)


@each_size
def test_the_bridge_folds_at_the_hips_only(size: str) -> None:
    s = see("bridge/three_quarters", size)
    assert s.up("sacrum") > s.up("sacrum", 0) + 6
    assert s.changed_deg("lumbar.flexion") < 6
    assert s.up("upper_back") == pytest.approx(0, abs=1)
    for side in ("left", "right"):
        assert s.travelled_cm(f"{side}.heel") < 2


@each_size
def test_a_higher_bridge_lifts_the_pelvis_further(size: str) -> None:
    lifts = [see(ref, size).up("sacrum") for ref in ("bridge/small_lift", "bridge/three_quarters")]
    assert lifts[1] > lifts[0] + 2


@each_size
def test_one_leg_level_keeps_the_thighs_level_and_the_pelvis_square(size: str) -> None:
    s = see("bridge/one_leg_level", size)
    slope = [np.degrees(np.arctan2(*(s.cm(f"{side}.knee") - s.cm(f"{side}.hip"))[[2, 0]])) for side in ("left", "right")]
    assert slope[0] == pytest.approx(slope[1], abs=6)
    assert abs(s.up("left.hip_bone") - s.up("right.hip_bone")) < 1.5


@each_size
@pytest.mark.parametrize("ref", ["two_knee_roll/arms_wide", "two_knee_roll/arms_crossed"])
def test_both_knees_roll_together_and_the_far_hip_lifts_on_purpose(ref: str, size: str) -> None:
    s = see(ref, size)
    apart = [np.linalg.norm(s.cm("left.knee", i) - s.cm("right.knee", i)) for i in (0, -1)]
    assert apart[1] == pytest.approx(apart[0], abs=6)
    hips = s.up("left.hip"), s.up("right.hip")
    assert abs(hips[0] - hips[1]) > 2
    assert s.up("upper_back") < 4


def test_knees_rolling_one_way_are_trunk_rotation_the_other_way() -> None:
    """Thorax relative to pelvis (safety.md §1)."""
    s = see("two_knee_roll/arms_wide")
    to_the_left = s.cm("left.knee")[1] > s.cm("left.knee", 0)[1]
    turned = "right" if to_the_left else "left"
    other = "left" if to_the_left else "right"
    assert s.peak(f"{turned}.trunk_rotation_deg") > 5 > s.peak(f"{other}.trunk_rotation_deg")


@each_size
def test_a_curl_lifts_head_and_shoulder_blades_and_leaves_the_pelvis(size: str) -> None:
    s = see("curl_family/one_knee_bent", size)
    assert s.up("occiput") > s.up("occiput", 0) + 8
    assert s.peak("loaded_trunk_flexion_deg") > 15
    assert s.travelled_cm("sacrum") < 3.5


@each_size
def test_the_band_is_longer_when_the_leg_is_pressed_away(size: str) -> None:
    s = see("band_leg_press/press", size)
    length = [np.linalg.norm(s.cm("left.heel", i) - s.cm("left.palm", i)) for i in (0, -1)]
    assert length[1] > length[0] + 10


@each_size
def test_arms_rise_without_the_ribs(size: str) -> None:
    s = see("opposite_arm_and_leg_supine/arms_only", size)
    assert s.changed_deg("lower_thoracic.flexion") < 3 and s.changed_deg("upper_thoracic.flexion") < 3
    assert s.peak("left.shoulder_elevation_deg") > 100 or s.peak("right.shoulder_elevation_deg") > 100


@each_size
def test_the_further_leg_is_the_harder_one(size: str) -> None:
    order = ("opposite_arm_and_leg_supine/short_reach", "opposite_arm_and_leg_supine/full_reach")
    easier, harder = (see(r, size).peak("pelvic_flexion_moment_nm") for r in order)
    assert harder > easier


@each_size
def test_a_small_tilt_moves_the_pelvis_and_not_the_feet(size: str) -> None:
    s = see("pelvic_tilt_clock/find_the_middle", size)
    assert 3 < s.changed_deg("lumbar.flexion") < 40
    for side in ("left", "right"):
        assert s.travelled_cm(f"{side}.heel") < 2.5


@each_size
def test_the_knee_hug_brings_the_thigh_beyond_square_and_the_hands_to_the_shin(size: str) -> None:
    s = see("knee_hug/one_knee", size)
    assert s.peak("left.hip_bend_deg") > 100
    assert np.linalg.norm(s.cm("left.palm") - s.cm("left.shin")) < 12
    assert s.deg("right.hip.flexion") < 70
