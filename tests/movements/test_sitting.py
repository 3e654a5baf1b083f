"""What teaching says of work on a seat (common practice, no source, unless named)."""

import numpy as np
import pytest

from tests.seen import see

each_size = pytest.mark.parametrize("size", ("middle", "small", "heavy"))
FEET_FLAT = ("tall_sitting/unsupported", "tall_hinge/hands_on_thighs", "tall_turn/hands_on_ribs", "balanced_lean_back/lean", "shoulder_blade_draw/band_row")
TALL = ("tall_sitting/unsupported", "tall_turn/hands_on_ribs", "seated_march/foot_lifts", "seated_leg_reach/heel_slides", "band_press_out_seated/press", "shoulder_blade_draw/hands_on_thighs", "seated_knee_opening/one_knee")


@each_size
@pytest.mark.parametrize("ref", FEET_FLAT)
def test_both_feet_stay_flat(ref: str, size: str) -> None:
    s = see(ref, size)
    for side in ("left", "right"):
        for row in range(len(s.profile.rows)):
            assert s.up(f"{side}.heel", row) == pytest.approx(0, abs=0.6)
            assert s.up(f"{side}.ball", row) == pytest.approx(0, abs=0.6)


@each_size
@pytest.mark.parametrize("ref", TALL)
def test_tall_is_tall(ref: str, size: str) -> None:
    """The trunk upright, the low back no rounder than tall sitting makes it, both sit bones carrying."""
    s = see(ref, size)
    assert s.peak("seated_rounding_deg") < 4
    assert s.of("trunk_inclination_deg") < 12
    for side in ("left", "right"):
        assert s.of(f"{side}.sit_bone_support_percent_bw") > 20


@each_size
def test_on_the_own_seat_the_thighs_are_level_and_the_knees_square(size: str) -> None:
    s = see("tall_sitting/unsupported", size)
    thigh = s.cm("left.knee") - s.cm("left.hip")
    assert abs(np.degrees(np.arctan2(thigh[2], np.hypot(*thigh[:2])))) < 12
    assert s.deg("left.knee.flexion") == pytest.approx(90, abs=12)


@each_size
def test_a_back_behind_takes_part_of_the_load(size: str) -> None:
    """Wilke et al. 1999: leaning on a backrest loads the disc less than sitting free (0.27–0.46 against 0.46–0.55 MPa)."""
    leaning, free = (see(f"tall_sitting/{r}", size).peak("compression_l4_l5_percent_bw") for r in ("back_supported", "unsupported"))
    assert 0.4 < leaning / free < 0.95


@each_size
@pytest.mark.parametrize("ref", ["tall_hinge/hands_on_thighs", "tall_hinge/arms_raised"])
def test_the_hinge_is_from_the_hips_with_a_long_spine(ref: str, size: str) -> None:
    s = see(ref, size)
    assert s.of("trunk_inclination_deg") > s.of("trunk_inclination_deg", 0) + 12
    assert s.changed_deg("lumbar.flexion") < 4 and s.changed_deg("lower_thoracic.flexion") < 4


@each_size
def test_raised_arms_make_the_hinge_harder(size: str) -> None:
    low, high = (see(f"tall_hinge/{r}", size, lean_deg=20).peak("moment_l4_l5_nm") for r in ("hands_on_thighs", "arms_raised"))
    assert high > low


@each_size
def test_the_turn_is_of_the_ribs_over_still_sit_bones(size: str) -> None:
    s = see("tall_turn/hands_on_ribs", size)
    assert max(s.peak("left.trunk_rotation_deg"), s.peak("right.trunk_rotation_deg")) > 8
    assert s.travelled_cm("left.hip_bone") < 1.5 and s.travelled_cm("right.hip_bone") < 1.5
    assert s.peak("flexion_with_rotation_deg") < 5


@each_size
def test_a_lean_back_is_from_the_hips_and_does_not_round(size: str) -> None:
    s = see("balanced_lean_back/lean", size)
    assert s.cm("upper_back")[0] < s.cm("upper_back", 0)[0]
    assert s.peak("seated_rounding_deg") < 4


@each_size
@pytest.mark.parametrize(("rung", "long"), [("one_leg_long", ("left",)), ("both_legs_long", ("left", "right"))])
def test_a_leg_that_gets_long_hangs_on_its_own_knee(rung: str, long: tuple[str, ...], size: str) -> None:
    """The thigh stays on the seat; the shin is a lever of its own (weight of shank and foot times their distance: 5–20 N·m)."""
    s = see(f"balanced_lean_back/{rung}", size)
    for side in long:
        assert s.deg(f"{side}.knee.flexion") < 40
        assert 4 < s.of(f"{side}.knee_moment_nm") < 25
        assert s.of(f"{side}.foot_support_percent_bw") == 0


@each_size
@pytest.mark.parametrize(("rung", "low", "high"), [("foot_lifts", 0.5, 3), ("knee_high", 6, 60)])
def test_the_march_lifts_the_foot_as_high_as_its_rung(rung: str, low: float, high: float, size: str) -> None:
    s = see(f"seated_march/{rung}", size)
    assert low <= min(s.up("left.heel"), s.up("left.ball")) <= high
    assert s.up("right.heel") == pytest.approx(0, abs=0.6)
    assert s.of("trunk_inclination_deg") < 14  # no lean back


@each_size
def test_the_leg_reaches_until_it_is_long_and_the_pelvis_stays(size: str) -> None:
    s = see("seated_leg_reach/leg_long", size)
    assert s.deg("left.knee.flexion") < 30
    assert s.peak("seated_rounding_deg") < 6
    assert s.peak("left.neural_line_deg") > s.of("left.neural_line_deg", 0) + 30


@each_size
def test_a_firm_raise_bends_the_hips_less_in_long_sitting(size: str) -> None:
    low, high = (see("long_sit/legs_apart", size, raise_cm=r).peak("left.hip_bend_deg") for r in (2, 14))
    assert high < low + 0.5


@each_size
def test_wider_legs_are_wider(size: str) -> None:
    near, far = (see(f"long_sit/{r}", size).peak("left.hip_abduction_deg") for r in ("legs_apart", "wider"))
    assert far > near + 4


@each_size
@pytest.mark.parametrize("rung", ["with_hands", "two_legs", "staggered"])
def test_a_rise_leans_first_and_ends_tall(rung: str, size: str) -> None:
    s = see(f"sit_to_stand/{rung}", size)
    lean = [s.of("trunk_inclination_deg", i) for i in range(len(s.profile.rows))]
    assert max(lean[1:-1]) > 20
    assert lean[-1] < 10
    assert s.deg("left.knee.flexion") < 20
    assert s.up("left.sit_bone") > s.up("left.sit_bone", 0) + 20


@each_size
def test_hands_take_weight_off_the_knees(size: str) -> None:
    """A push of the arms lowers the knee moment of rising (chair-rise studies, e.g. Schultz et al. 1992, from memory)."""
    hands, none = (see(f"sit_to_stand/{r}", size).peak("left.knee_moment_nm") for r in ("with_hands", "two_legs"))
    assert hands < none


@each_size
def test_a_higher_seat_is_easier(size: str) -> None:
    """Rodosky et al. 1989 (from memory): moments at the knee fall with the height of the chair."""
    low, high = (see("sit_to_stand/two_legs", size, seat_cm=h).peak("left.knee_moment_nm") for h in (44, 56))
    assert high < low
    bend_low, bend_high = (see("sit_to_stand/two_legs", size, seat_cm=h).peak("left.hip_bend_deg") for h in (44, 56))
    assert bend_high < bend_low


@each_size
def test_the_back_leg_works_in_a_staggered_rise(size: str) -> None:
    s = see("sit_to_stand/staggered", size)
    assert s.peak("right.foot_support_percent_bw") > s.peak("left.foot_support_percent_bw") - 5


@each_size
def test_leaning_on_a_table_unloads_the_back(size: str) -> None:
    """What leans on something is carried by it: less at L4/5 than the same lean held free."""
    table = see("table_lean_rest/forearms", size)
    lean = table.of("trunk_inclination_deg")
    free = see("tall_hinge/hands_on_thighs", size, lean_deg=min(45.0, max(5.0, round(lean / 5) * 5)))
    assert table.of("compression_l4_l5_percent_bw") < free.of("compression_l4_l5_percent_bw")


@each_size
def test_the_weight_goes_to_one_sit_bone_and_the_trunk_stays_long(size: str) -> None:
    s = see("seated_weight_shift/shift", size)
    loads = [s.of(f"{side}.sit_bone_support_percent_bw") for side in ("left", "right")]
    assert abs(loads[0] - loads[1]) > 15
    assert s.peak("trunk_flexion_deg") < 5


@each_size
def test_the_seated_press_out_holds_against_turning(size: str) -> None:
    s = see("band_press_out_seated/press", size)
    assert max(s.peak("left.turning_moment_l4_l5_nm"), s.peak("right.turning_moment_l4_l5_nm")) > 3
    assert s.peak("left.trunk_rotation_deg") < 2
