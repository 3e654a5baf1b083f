"""Push and grip, against blocks worked by hand."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.body import GRAVITY_M_S2, Contact, PoseSpec
from amvel.body.steadiness import FINGERTIP_N, Steadiness, friction_needed, steadiness
from amvel.movements import Request, find
from tests.bodies import profiler


def poses_of(ref: str, **values: float) -> list[tuple[PoseSpec, np.ndarray]]:
    """The declared frames of a step, placed."""
    p = profiler()
    family, step = find(ref)
    profile = p.profile(Request(family, step, "left" if step.sides else "both", {**step.defaults(p.body), **values}))
    assert profile.posed is not None
    return [(profile.specs[r], profile.posed.points[r]) for r in profile.rows]


def of_step(ref: str, **values: float) -> Steadiness:
    """Of its last frame."""
    return steadiness(profiler().skeleton, *poses_of(ref, **values)[-1])


def test_standing_tips_where_the_hand_calculation_says() -> None:
    """Two feet as one rectangle: a push at the chest tips the body when push × height = weight × distance to the edge."""
    p = profiler()
    points = np.zeros((len(p.skeleton.landmarks.index), 3))
    index = p.skeleton.landmarks.index
    points[p.skeleton.com_rows] = (0.0, 0.0, 0.9)
    points[index["heart"]] = (0.0, 0.0, 1.2)
    points[index["left.heel"]] = (0.0, 0.0, 0.0)
    spec = PoseSpec(
        "block", np.eye(3), contacts=(Contact("left.heel", "floor", half_size_m=(0.1, 0.1), friction=0.9),)
    )
    weight = p.skeleton.mass_kg.sum() * GRAVITY_M_S2
    found = steadiness(p.skeleton, spec, points)
    assert found.push_n == pytest.approx(weight * 0.1 / 1.2, rel=0.01)
    assert found.friction_needed == 0.0


def test_a_block_on_a_slippery_floor_slides_before_it_tips() -> None:
    p = profiler()
    points = np.zeros((len(p.skeleton.landmarks.index), 3))
    index = p.skeleton.landmarks.index
    points[p.skeleton.com_rows] = (0.0, 0.0, 0.2)
    points[index["heart"]] = (0.0, 0.0, 0.2)
    spec = PoseSpec(
        "block", np.eye(3), contacts=(Contact("left.heel", "floor", half_size_m=(0.3, 0.3), friction=0.1),)
    )
    weight = p.skeleton.mass_kg.sum() * GRAVITY_M_S2
    assert steadiness(p.skeleton, spec, points).push_n == pytest.approx(0.1 * weight, rel=0.02)


@given(st.floats(1.0, 35.0), st.floats(-180.0, 180.0))
def test_a_block_on_a_slope_needs_the_tangent_of_its_slope(slope_deg: float, towards_deg: float) -> None:
    """Statics of a block on an inclined plane: it slides where the slope is steeper than the angle of friction."""
    p = profiler()
    slope, towards, given_friction = np.radians(slope_deg), np.radians(towards_deg), 0.9
    points = np.zeros((len(p.skeleton.landmarks.index), 3))
    normal = (np.sin(slope) * np.cos(towards), np.sin(slope) * np.sin(towards), np.cos(slope))
    spec = PoseSpec("block", np.eye(3), contacts=(Contact("left.heel", "slope", normal, half_size_m=(0.3, 0.3), friction=given_friction),))
    points[p.skeleton.com_rows] = (0.0, 0.0, 0.1)
    found = friction_needed(p.skeleton, [(spec, points)])
    # From below to a hundredth; the cone of friction has eight sides, so that between two of them it gives a little less.
    assert np.tan(slope) - 1e-6 <= found <= np.tan(slope) / np.cos(np.pi / 8) + given_friction / 2**7 + 1e-6


def test_fingertips_steady_less_than_a_hand_and_more_than_none() -> None:
    hand, tips, none = (
        of_step(f"tandem_stand/{rung}").push_n for rung in ("firm_hand", "fingertips", "hands_hover")
    )
    assert hand > tips > none
    assert tips - none < 4 * FINGERTIP_N


def test_wider_feet_are_steadier() -> None:
    """Common practice, no source."""
    narrow, wide = of_step("tandem_stand/hands_hover").push_n, of_step("standing_breath/free_standing").push_n
    assert wide > narrow


def test_farther_from_the_wall_needs_more_grip() -> None:
    near, far = (of_step("wall_plank/forearms", wall_cm=w).friction_needed for w in (40, 75))
    assert 0 < near < far <= 0.6


def test_standing_tall_needs_no_grip() -> None:
    assert of_step("standing_breath/free_standing").friction_needed == 0.0


@pytest.mark.parametrize("ref", ["wall_plank/forearms", "wall_sit/both_feet", "counter_plank/short", "standing_breath/free_standing"])
def test_the_grip_of_a_movement_is_the_most_that_one_of_its_frames_needs(ref: str) -> None:
    skeleton, poses = profiler().skeleton, poses_of(ref)
    each = [steadiness(skeleton, *pose).friction_needed for pose in poses]
    assert friction_needed(skeleton, poses) == pytest.approx(max(each))
    assert friction_needed(skeleton, reversed(poses)) == pytest.approx(max(each))
    assert friction_needed(skeleton, []) == 0.0


def test_what_comes_to_no_end_is_not_said_to_stand(monkeypatch: pytest.MonkeyPatch) -> None:
    """Nothing shows that the pose holds: no push to spare, and all the grip there is."""

    def endless(*_: object, **__: object) -> None:
        raise RuntimeError("Maximum number of iterations reached.")

    held = of_step("standing_breath/free_standing")
    monkeypatch.setattr("scipy.optimize.nnls", endless)
    found = of_step("standing_breath/free_standing")
    assert held.push_n > 0
    assert found.push_n == 0
    assert found.friction_needed > held.friction_needed
