"""What teaching says of standing, of the worktop and of the wall (common practice, no source, unless named)."""

import numpy as np
import pytest

from tests.seen import see

each_size = pytest.mark.parametrize("size", ("middle", "small", "heavy"))
SUPPORTS = ("firm_hand", "fingertips", "hands_hover")


def off_the_line_cm(s, high: str, middle: str, low: str) -> float:
    """How far the middle point is from the straight line between the others."""
    a, m, b = s.cm(high), s.cm(middle), s.cm(low)
    along = (b - a) / np.linalg.norm(b - a)
    return float(np.linalg.norm((m - a) - np.dot(m - a, along) * along))


@each_size
def test_standing_carries_half_on_each_foot(size: str) -> None:
    s = see("standing_breath/free_standing", size)
    for side in ("left", "right"):
        assert s.of(f"{side}.foot_support_percent_bw") == pytest.approx(50, abs=1)
    assert s.lowest_margin() > 3


@each_size
@pytest.mark.parametrize("family", ["heel_raise", "tandem_stand", "standing_leg_to_the_side", "step_and_reach"])
def test_less_hand_is_less_hand(family: str, size: str) -> None:
    levels = [see(f"{family}/{r}", size).profile.lowest("hand_support_level") for r in SUPPORTS]
    assert levels == sorted(levels, reverse=True) and levels[0] > levels[-1]
    loads = [see(f"{family}/{r}", size) for r in SUPPORTS]
    assert max(loads[-1].peak(f"{x}.hand_support_percent_bw") for x in ("left", "right")) < 0.5


@each_size
@pytest.mark.parametrize("support", SUPPORTS)
def test_a_heel_raise_lifts_both_heels_over_still_toes(support: str, size: str) -> None:
    s = see(f"heel_raise/{support}", size)
    for side in ("left", "right"):
        assert s.up(f"{side}.heel") > 2
        assert s.up(f"{side}.ball") == pytest.approx(0, abs=0.8)
    assert s.peak("left.ankle_plantarflexion_deg") > 8


@each_size
def test_heel_to_toe_is_one_line(size: str) -> None:
    s = see("tandem_stand/fingertips", size)
    assert abs(s.cm("left.ankle")[1] - s.cm("right.ankle")[1]) < 1
    ahead = s.cm("left.heel_back")[0] - s.cm("right.toe_tip")[0]
    assert abs(ahead) < 5


@each_size
def test_a_narrow_base_is_narrow(size: str) -> None:
    wide, narrow = see("standing_breath/free_standing", size), see("tandem_stand/hands_hover", size)
    assert narrow.lowest_margin() < wide.lowest_margin()


@each_size
@pytest.mark.parametrize("support", SUPPORTS)
def test_the_leg_goes_out_and_the_trunk_does_not_lean_away(support: str, size: str) -> None:
    s = see(f"standing_leg_to_the_side/{support}", size)
    assert s.peak("left.hip_abduction_deg") > 8
    assert s.of("left.foot_support_percent_bw") == 0
    assert max(s.peak("left.trunk_side_bend_deg"), s.peak("right.trunk_side_bend_deg")) < 6
    assert abs(s.up("left.hip") - s.up("right.hip")) < 2  # no hip hitch


@each_size
def test_standing_on_one_leg_asks_for_the_side_of_the_hip(size: str) -> None:
    """Statics of a one-leg stance: the hip abductors hold about 0.6 to 1.1 N·m per kg (Pauwels; from memory)."""
    s = see("standing_leg_to_the_side/hands_hover", size)
    mass = {"middle": 62, "small": 48, "heavy": 105}[size]
    assert 0.4 < s.peak("right.hip_side_moment_nm") / mass < 1.4


@each_size
@pytest.mark.parametrize("rung", ["leg_back", "opposite_arm", "fingertips", "hands_hover"])
def test_the_leg_goes_back_from_the_hip_and_the_low_back_does_not_arch(rung: str, size: str) -> None:
    s = see(f"standing_reach/{rung}", size)
    assert s.cm("left.heel")[0] < s.cm("left.heel", 0)[0] - 4
    assert s.peak("lumbar_extension_deg") < 6
    assert abs(s.up("left.hip") - s.up("right.hip")) < 2.5


@each_size
@pytest.mark.parametrize("rung", ["both_legs", "one_leg", "one_hand", "hand_down"])
def test_the_hinge_keeps_one_line_and_bends_at_the_hip(rung: str, size: str) -> None:
    s = see(f"one_leg_hinge/{rung}", size)
    assert s.of("trunk_inclination_deg") > s.of("trunk_inclination_deg", 0) + 10
    assert s.changed_deg("lumbar.flexion") < 6 and s.changed_deg("lower_thoracic.flexion") < 6


@each_size
@pytest.mark.parametrize("ref", ["wall_plank/forearms", "counter_plank/short", "counter_plank/lower"])
def test_a_plank_has_no_sag_and_no_pike(ref: str, size: str) -> None:
    s = see(ref, size)
    assert off_the_line_cm(s, "left.shoulder", "left.hip", "left.ankle") < 0.06 * s.stature_cm


@each_size
def test_further_from_the_wall_is_harder(size: str) -> None:
    """Statics: the lean puts more of the body's weight on the arms and a longer lever on the belly."""
    near, far = (see("wall_plank/forearms", size, wall_cm=w) for w in (40, 70))
    for quantity in ("left.forearm_support_percent_bw", "moment_l4_l5_nm"):
        assert far.peak(quantity) > near.peak(quantity)


@each_size
@pytest.mark.parametrize("rung", ["one_foot_light", "one_foot_lifted"])
def test_the_pelvis_does_not_drop_at_the_wall(rung: str, size: str) -> None:
    """The stripe across the back of the waistband stays level."""
    s = see(f"wall_plank/{rung}", size)
    assert abs(s.up("left.hip_bone") - s.up("right.hip_bone")) < 2


@each_size
def test_a_deeper_wall_sit_is_harder_for_the_knees(size: str) -> None:
    high, low = (see("wall_sit/both_feet", size, knee_deg=k).peak("left.knee_moment_nm") for k in (30, 60))
    assert low > 1.3 * high


@each_size
def test_a_wall_does_not_carry_the_trunk(size: str) -> None:
    """Upright, the weight above a level passes through it: friction of a wall does not hang it up."""
    free = see("standing_breath/free_standing", size).peak("compression_l4_l5_percent_bw")
    wall = see("standing_breath/back_to_the_wall", size).peak("compression_l4_l5_percent_bw")
    assert 0.5 * free < wall < 1.1 * free


@each_size
@pytest.mark.parametrize("rung", ["stand_tall", "slow_steps"])
def test_a_bag_on_one_side_makes_no_lean(rung: str, size: str) -> None:
    s = see(f"one_side_carry/{rung}", size)
    assert max(s.peak("left.trunk_side_bend_deg"), s.peak("right.trunk_side_bend_deg")) < 3
    assert max(s.peak("left.side_moment_l4_l5_nm"), s.peak("right.side_moment_l4_l5_nm")) > 1
    assert s.peak("left.hand_pull_n") > 10


@each_size
@pytest.mark.parametrize("rung", ["from_a_stool", "from_the_floor"])
def test_a_bag_is_lifted_by_a_hinge(rung: str, size: str) -> None:
    s = see(f"bag_from_the_floor/{rung}", size)
    assert s.peak("lumbar_flexion_deg") < 15
    assert s.peak("left.hip_bend_deg") > 45


@each_size
def test_the_floor_is_lower_than_a_stool(size: str) -> None:
    stool, floor = (see(f"bag_from_the_floor/{r}", size).peak("left.hip_bend_deg") for r in ("from_a_stool", "from_the_floor"))
    assert floor > stool


@each_size
def test_a_jar_overhead_loads_the_shoulder_that_holds_it(size: str) -> None:
    s = see("reach_to_a_shelf/with_a_jar", size)
    assert s.peak("left.shoulder_moment_nm") > s.peak("right.shoulder_moment_nm")
    assert s.up("left.knuckles") > s.up("eyes")


@each_size
@pytest.mark.parametrize("support", SUPPORTS)
def test_a_step_lands_and_the_opposite_arm_reaches(support: str, size: str) -> None:
    s = see(f"step_and_reach/{support}", size)
    assert s.cm("left.ankle")[0] > s.cm("right.ankle")[0] + 15
    assert s.peak("right.shoulder_elevation_deg") > 60
    assert s.up("left.heel") == pytest.approx(0, abs=0.8)


@each_size
def test_the_standing_press_out_holds_against_turning(size: str) -> None:
    s = see("band_press_out_standing/press", size)
    assert max(s.peak("left.turning_moment_l4_l5_nm"), s.peak("right.turning_moment_l4_l5_nm")) > 3
    assert s.peak("left.trunk_rotation_deg") < 2 and s.peak("right.trunk_rotation_deg") < 2


@each_size
def test_what_is_usually_screened_out_is_loaded_bending(size: str) -> None:
    """Fast toe touching and the side bend with a bag: the mechanism that bone limits name."""
    assert see("toe_touching/fast", size).peak("loaded_trunk_flexion_deg") > 30
    bend = see("loaded_side_bend/with_bag", size)
    assert max(bend.peak(f"{side}.loaded_trunk_side_bend_deg") for side in ("left", "right")) > 10
