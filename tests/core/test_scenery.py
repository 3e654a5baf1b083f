"""Furniture as solids: where it stands, that it carries what lies on it, and that only faces towards the viewer are drawn."""

import numpy as np
import pytest

from amvel.body.view import camera
from amvel.movements import Profile, Request, find
from amvel.movements.held import grips_of
from amvel.movements.scenery import Solid, box, prism, scenery
from tests.bodies import profiler


def posed(ref: str, **values: float | str) -> Profile:
    family, step = find(ref)
    p = profiler()
    found = p.posed(p.sketches([Request(family, step, "left" if step.sides else "both", {**step.defaults(p.body), **values})])[0])
    assert not found.fault
    return found


def solids(profile: Profile) -> list[Solid]:
    return scenery(profiler().skeleton, profile)


def test_a_box_has_six_faces_that_look_outwards() -> None:
    block = box((0, 0, 0), (10, 20, 30))
    middle = np.array([5.0, 10.0, 15.0])
    assert len(block.faces) == 6
    assert all((points.mean(axis=0) - middle) @ looks > 0 for points, looks in block.faces)
    assert np.allclose(sorted(np.abs(looks).argmax() for _, looks in block.faces), [0, 0, 1, 1, 2, 2])


def test_a_wedge_has_a_face_that_slopes() -> None:
    wedge = prism([(0, 0), (10, 0), (10, 5)], -3, 3)
    slopes = [looks for _, looks in wedge.faces if 0.1 < abs(looks[2]) < 0.99]
    assert len(slopes) == 1
    assert slopes[0][2] == pytest.approx(10 / np.hypot(10, 5))


def test_a_viewer_in_front_sees_three_faces_of_a_box_at_most() -> None:
    assert box((0, 0, 0), (10, 10, 10)).svg(camera(40, 20)).count("<path") == 3
    assert box((0, 0, 0), (10, 10, 10)).svg(camera(0, 0)).count("<path") == 1


@pytest.mark.parametrize("seat_cm", [42.0, 52.0])
def test_a_chair_is_as_high_as_its_seat_and_has_a_back(seat_cm: float) -> None:
    tops = [s.corners[:, 2].max() for s in solids(posed("tall_sitting/unsupported", seat_cm=seat_cm))]
    assert any(abs(t - seat_cm) < 1e-6 for t in tops)
    assert max(tops) > seat_cm + 35


def test_a_low_seat_is_a_block_and_no_chair() -> None:
    profile = posed("long_sit/legs_apart")
    tops = [s.corners[:, 2].max() for s in solids(profile)]
    assert max(tops) == pytest.approx(float(profile.request.values["raise_cm"]), abs=0.6)


def test_the_floor_reaches_under_the_whole_body_in_every_frame() -> None:
    profile = posed("leg_reach/lower")
    floor = solids(profile)[0].corners
    assert profile.posed is not None
    points = 100 * profile.posed.points[list(profile.rows)].reshape(-1, 3)
    assert (floor[:, :2].min(axis=0) <= points[:, :2].min(axis=0)).all()
    assert (floor[:, :2].max(axis=0) >= points[:, :2].max(axis=0)).all()


def test_a_bed_is_as_long_in_the_first_frame_as_in_the_last() -> None:
    profile = posed("side_to_sitting/all_the_way")
    assert [s.corners.tolist() for s in solids(profile)] == [s.corners.tolist() for s in solids(profile)]
    assert profile.posed is not None
    lying = profile.posed.points[profile.rows[0]] * 100
    longest = max(solids(profile)[1:], key=lambda s: float(np.ptp(s.corners[:, 0])))
    assert np.ptp(longest.corners[:, 0]) >= np.ptp(lying[:, 0])


def test_hands_close_round_what_they_hold_and_lie_flat_on_what_they_press() -> None:
    held = {ref: grips_of(p.frames[p.rows[0]].props) for ref in ("band_leg_press/press", "one_side_carry/stand_tall", "squeeze_and_push/squeeze") for p in (posed(ref),)}
    assert held == {
        "band_leg_press/press": {"left", "right"},
        "one_side_carry/stand_tall": {"left"},
        "squeeze_and_push/squeeze": frozenset(),
    }
