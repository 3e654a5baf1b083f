"""Columns that combine others are what their definitions say, read off every frame of the library with plain arithmetic."""

import numpy as np
import pytest

from amvel.movements.columns import Columns
from tests.bodies import library_profiles, profiler

SIDES = ("left", "right")
WEIGHT_N = 9.81 * float(profiler().skeleton.mass_kg.sum())


def every(name: str) -> np.ndarray:
    """One column over all frames of all movements, one after the other."""
    return np.concatenate([p.columns[name] for p in library_profiles() if not p.fault])


def both(name: str) -> np.ndarray:
    return np.array([every(f"{side}.{name}") for side in SIDES])


def parts_of(kind: str) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    lumbar, lower, upper = (both(f"{region}_{kind}_deg") for region in ("lumbar", "lower_thoracic", "upper_thoracic"))
    return lumbar, lower, upper


def test_what_bends_under_load_is_the_bend_while_something_presses_and_the_rest_is_unloaded() -> None:
    trunk, strained = every("trunk_flexion_deg"), (every("loaded") > 0) | (every("legs_in_the_hands") > 0)
    assert 0 < strained.mean() < 1
    assert np.array_equal(every("loaded_trunk_flexion_deg"), trunk * strained)
    assert np.array_equal(every("unloaded_trunk_flexion_deg"), trunk * ~strained)
    assert np.array_equal(every("held_trunk_flexion_deg"), trunk * (every("hold_s") > 3.0))
    assert np.array_equal(every("seated_rounding_deg"), every("lumbar_flexion_deg") * (every("sitting") > 0))
    turn = both("trunk_rotation_deg").max(axis=0)
    assert np.array_equal(every("flexion_with_rotation_deg"), np.minimum(trunk, turn))


@pytest.mark.parametrize("kind", ["side_bend", "rotation"])
def test_parts_of_the_spine_count_while_it_is_loaded(kind: str) -> None:
    loaded = every("loaded") > 0
    lumbar, lower, upper = parts_of(kind)
    assert both(f"loaded_lumbar_{kind}_deg") == pytest.approx(lumbar * loaded)
    assert both(f"loaded_thoracic_{kind}_deg") == pytest.approx((lower + upper) * loaded)
    assert both(f"loaded_trunk_{kind}_deg") == pytest.approx(both(f"trunk_{kind}_deg") * loaded)
    # What bends to the left in one part and to the right in another is the difference of both for the trunk.
    signed = lumbar[0] - lumbar[1] + lower[0] - lower[1] + upper[0] - upper[1]
    assert both(f"trunk_{kind}_deg") == pytest.approx(np.array([np.maximum(signed, 0.0), np.maximum(-signed, 0.0)]), abs=1e-9)


def test_the_line_of_the_nerve_is_hip_less_knee_with_foot_trunk_and_neck() -> None:
    trunk = every("trunk_flexion_deg") - every("trunk_extension_deg")
    neck = every("neck_flexion_deg") - every("neck_extension_deg")
    leg = both("hip_flexion_deg") - both("hip_extension_deg") - both("knee_flexion_deg") + both("ankle_dorsiflexion_deg")
    assert both("neural_line_deg") == pytest.approx(leg + trunk + neck)
    assert both("front_thigh_line_deg") == pytest.approx(both("hip_extension_deg") + both("knee_flexion_deg"))


def test_a_hip_that_bends_counts_by_the_larger_of_its_two_angles() -> None:
    assert np.array_equal(both("hip_bend_deg"), np.maximum(both("hip_flexion_deg"), both("thigh_trunk_deg")))
    assert np.array_equal(both("hip_adduction_in_flexion_deg"), both("hip_adduction_deg") * (both("hip_flexion_deg") > 45.0))
    bent = both("hip_flexion_deg") - both("hip_extension_deg")
    assert every("hip_difference_deg") == pytest.approx(abs(bent[0] - bent[1]))
    assert every("hip_spread_deg") == pytest.approx(both("hip_abduction_deg").sum(axis=0))


def test_limbs_carry_what_their_parts_carry() -> None:
    foot, knee, hand, forearm, shoulder = (both(f"{p}_support_percent_bw") for p in ("foot", "knee", "hand", "forearm", "shoulder"))
    assert both("leg_support_percent_bw") == pytest.approx(foot + knee)
    assert both("arm_support_percent_bw") == pytest.approx(hand + forearm + shoulder)
    assert np.array_equal(both("loaded_wrist_extension_deg"), both("wrist_extension_deg") * (hand > 2.0))
    assert np.array_equal(both("loaded_knee_flexion_deg"), both("knee_flexion_deg") * (foot > 25.0))
    assert np.array_equal(every("feet_supporting"), (foot > 5.0).sum(axis=0))
    assert np.array_equal(every("one_leg_stance"), (every("standing") > 0) & ((foot > 5.0).sum(axis=0) < 2))
    assert np.array_equal(every("kneeling"), (knee.sum(axis=0) > 5.0) & (every("face_down") < 1))
    assert every("leg_load_difference_percent_bw") == pytest.approx(abs(np.subtract(*(foot + knee))))


def test_cuts_say_the_same_in_newtons_and_per_cent_and_of_either_way_at_most_one() -> None:
    pressed = []
    for cut in ("t7_t8", "t12_l1", "l4_l5"):
        pressed.append(every(f"compression_{cut}_n"))
        assert every(f"compression_{cut}_percent_bw") == pytest.approx(100 * pressed[-1] / WEIGHT_N)
        assert not (every(f"bending_moment_{cut}_nm") * every(f"arching_moment_{cut}_nm")).any()
        for way in ("side", "turning"):
            assert not both(f"{way}_moment_{cut}_nm").prod(axis=0).any()
    assert (np.max(pressed, axis=0)[every("loaded") < 1] <= 0.82 * WEIGHT_N).all()  # what leans on a rest presses no more and is none


def test_a_head_that_lies_down_bends_no_loaded_neck() -> None:
    bend = every("neck_flexion_deg") + every("neck_extension_deg")
    assert np.array_equal(every("loaded_neck_bend_deg"), bend * (every("head_support_percent_bw") <= 1.0))
    above = every("head_above_heart_cm")
    assert np.array_equal(every("head_below_heart_cm"), np.where(above < -1.0, -above, 0.0))


def test_what_pulls_on_a_hand_makes_every_bend_of_the_trunk_a_weighted_one() -> None:
    bends = np.vstack([every("trunk_flexion_deg"), *both("trunk_side_bend_deg"), *both("trunk_rotation_deg")])
    pulled = both("hand_pull_n").max(axis=0) > 1.0
    assert 0 < pulled.mean() < 1
    assert np.array_equal(every("weighted_trunk_deg"), bends.max(axis=0) * pulled)


def test_so_many_times_as_much_is_said_of_these_columns_alone_and_of_a_copy() -> None:
    own = Columns({"a": 0, "b": 1}, np.array([[1.0, 2.0], [3.0, np.nan]]))
    more = own.times(2.0, ("b",))
    assert more["a"].tolist() == [1.0, 2.0] and more["b"][0] == 6.0 and np.isnan(more["b"][1])
    assert own["b"][0] == 3.0
