"""What movements do between their frames, against the same read off one movement at a time, joint by joint."""

from itertools import pairwise

import numpy as np
import pytest
from scipy.spatial.transform import Rotation

from amvel.body import JOINTS
from amvel.movements import Profile
from amvel.movements.travel import Travel
from tests.bodies import library_profiles, profiler

_LARGE = {"arm": ("shoulder", "elbow"), "leg": ("hip", "knee")}
_WHOLE = {"arm": _LARGE["arm"], "leg": ("hip", "knee", "ankle", "toes")}


def movements() -> list[Profile]:
    """Every seventh step, all positions among them."""
    return [p for p in library_profiles() if not p.fault][::7]


def joints(side: str, parts: tuple[str, ...]) -> list[int]:
    return [i for i, (name, _, _) in enumerate(JOINTS) if any(name.startswith(f"{side}.{part}.") for part in parts)]


def batch(profiles: list[Profile]) -> tuple[Travel, list[range], list[tuple[int, int]]]:
    """These movements as one batch, though each was solved in its own."""
    spans, pairs, at = [], [], 0
    for p in profiles:
        count = len(p.frame_names)
        spans.append(range(at, at + count))
        pairs += [(at + a, at + b) for a, b in pairwise(p.rows)]
        at += count
    posed = profiles[0].posed.part(slice(0, 0))
    for field in ("angles", "root_rotation", "points"):
        setattr(posed, field, np.concatenate([getattr(p.posed, field) for p in profiles]))
    return Travel(profiler().skeleton, posed, spans, pairs), spans, pairs


def test_how_far_each_limb_goes_is_its_joint_that_goes_furthest() -> None:
    travel, _, pairs = batch(movements())
    angles = travel.posed.angles
    for k, (a, b) in enumerate(pairs):
        way = angles[a : b + 1]
        for side in ("left", "right"):
            for limb, parts in _LARGE.items():
                assert travel.furthest_rad(k, (limb, side)) == pytest.approx(np.ptp(way[:, joints(side, parts)], axis=0).max())
            assert travel.furthest_rad(k, ("leg and foot", side)) == pytest.approx(np.ptp(way[:, joints(side, _WHOLE["leg"])], axis=0).max())
            assert travel.furthest_rad(k, ("toes", side)) == pytest.approx(np.ptp(way[:, joints(side, ("toes",))], axis=0).max())


def test_over_a_movement_each_joint_goes_from_its_least_to_its_most() -> None:
    found = movements()
    travel, _, _ = batch(found)
    for k, p in enumerate(found):
        assert travel.whole_rad[k] == pytest.approx(np.ptp(p.posed.angles, axis=0))
        trunk = [
            np.ptp(sum(p.posed.angles[:, i] for i, (n, _, _) in enumerate(JOINTS) if n in [f"{r}.{axis}" for r in ("lumbar", "lower_thoracic", "upper_thoracic")]))
            for axis in ("flexion", "side_bend", "rotation")
        ]
        assert travel.trunk_rad[k] == pytest.approx(max(trunk))


def test_landmarks_went_from_where_they_were() -> None:
    travel, _, pairs = batch(movements())
    for k, (a, b) in enumerate(pairs):
        way = travel.posed.points[b] - travel.posed.points[a]
        assert travel.went_m[k] == pytest.approx(way)
        assert np.sqrt(travel.went_m2[k]) == pytest.approx(np.linalg.norm(way, axis=1), abs=1e-9)


def test_a_pelvis_turns_by_the_angle_of_the_turn_between_its_attitudes() -> None:
    """By scipy."""
    travel, _, pairs = batch(movements())
    for k, (a, b) in enumerate(pairs):
        turn = Rotation.from_matrix(travel.posed.root_rotation[b] @ travel.posed.root_rotation[a].T).magnitude()
        assert travel.turned_rad[k] == pytest.approx(turn, abs=1e-6)


def test_a_sole_rolls_by_the_larger_turn_of_its_two_lines() -> None:
    travel, _, pairs = batch(movements())
    index = travel.skeleton.landmarks.index

    def line(row: int, side: str, begin: str, end: str) -> np.ndarray:
        found = travel.posed.points[row, index[f"{side}.{end}"]] - travel.posed.points[row, index[f"{side}.{begin}"]]
        return found / np.linalg.norm(found)

    for k, (a, b) in enumerate(pairs):
        for n, side in enumerate(("left", "right")):
            lines = (("heel", "ball"), ("foot_outer", "foot_inner"))
            turns = [np.arctan2(np.linalg.norm(np.cross(u, v)), u @ v) for u, v in ((line(a, side, *x), line(b, side, *x)) for x in lines)]
            assert travel.sole_rolled_rad[k][n] == pytest.approx(max(turns), abs=1e-6)


@pytest.mark.parametrize(
    ("ref", "up"),
    [("standing_breath/free_standing", False), ("breathing_rest/knees_bent", False), ("tall_hinge/arms_raised", True), ("floor_arm_slide/arms_slide", False)],
)
def test_an_arm_is_up_when_it_neither_hangs_nor_lies(ref: str, up: bool) -> None:
    """Common practice, no source: standing the arms hang, lying they lie on the floor, raised they are up."""
    p = next(p for p in library_profiles() if p.request.label == ref and not p.fault)
    travel, _, _ = batch([p])
    assert travel.arm_is_up[-1] == [up, up]
