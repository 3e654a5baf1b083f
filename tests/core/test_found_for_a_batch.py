"""What is found for a whole batch at once is what a plain reading of each movement says."""

from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.body import JOINT_INDEX, but, flatten, healthy
from amvel.body.flat import NOWHERE, PARTS, STRATEGY, row_name
from amvel.fitting import wall_distance_cm
from amvel.movements import Profiler, Request, find
from amvel.movements.columns import Columns
from amvel.movements.pose_of_frame import compile_frame
from amvel.movements.reshaped import Sent
from tests.bodies import body, library_profiles, profiler

VALUES = st.one_of(st.floats(-1e3, 1e3), st.sampled_from([np.nan, np.inf, -np.inf]))


@given(st.lists(st.lists(st.tuples(VALUES, VALUES), min_size=1, max_size=4), min_size=1, max_size=5))
def test_the_worst_of_each_movement_is_the_worst_of_its_own_frames(movements: list[list[tuple[float, float]]]) -> None:
    table = np.array([frame for frames in movements for frame in frames]).T
    ends = np.cumsum([0, *map(len, movements)])
    whole = Columns({"a": 0, "b": 1}, table)
    parts = [whole.part(slice(start, end)) for start, end in pairwise(ends)]
    whole.find_extremes(parts)
    for part, frames in zip(parts, movements, strict=True):
        for name, values in zip("ab", np.array(frames).T, strict=True):
            missing = not np.isfinite(values).all()
            assert part.worst(name) == (np.inf if missing else values.max())
            assert part.worst(name, at_least=True) == (-np.inf if missing else values.min())


def test_the_worst_at_a_place_is_that_of_the_frames_there() -> None:
    columns = Columns({"bend": 0, "there": 1}, np.array([[10.0, 30.0, 20.0], [1.0, 0.0, 1.0]]))
    assert (columns.worst("bend", place="there"), columns.worst("bend", True, "there")) == (20.0, 10.0)
    assert columns.with_({"there": np.zeros(3)}).worst("bend", place="there") is None
    assert columns.with_({"there": np.ones(3)}).worst("bend", place="there") == 30.0


def test_what_was_found_for_the_batch_is_not_taken_for_a_copy_with_other_values() -> None:
    whole = Columns({"bend": 0}, np.array([[10.0, 30.0]]))
    whole.find_extremes([whole])
    assert whole.with_({"bend": np.array([40.0, 50.0])}).worst("bend") == 50.0


def test_joints_of_every_movement_were_sent_as_far_as_its_own_poses_say() -> None:
    placed = [p for p in library_profiles() if p.posed is not None and p.sent is not None]
    assert len(placed) > 300
    for p in placed:
        assert p.posed is not None and p.sent is not None
        assert np.array_equal(p.sent.least, p.posed.least.min(axis=0)) and np.array_equal(p.sent.most, p.posed.most.max(axis=0))
        for side, arm_rad in zip(("left", "right"), p.sent.arms_rad, strict=True):
            ahead, out = (p.posed.angles[:, JOINT_INDEX[f"{side}.shoulder.{way}"]] for way in ("flexion", "abduction"))
            # An arm at its side points down; turned ahead and out, the downward part of a unit vector is the product of cosines.
            assert arm_rad == pytest.approx(np.arccos(np.clip(np.cos(ahead) * np.cos(out), -1, 1)).max())
    first = placed[0].posed
    assert first is not None
    [alone] = Sent.of_each(first.angles, first.least, first.most, [0])
    assert alone == placed[0].sent


def test_arrays_hold_every_demand_and_contact_of_every_pose_in_its_order() -> None:
    own = profiler()
    specs = [s for p in library_profiles()[::5] for s in p.specs]
    flat, at = flatten(own.skeleton, specs, [own.stops_rad] * len(specs)), own.skeleton.landmarks.index
    place = {**at, "centre_of_mass": -2, None: NOWHERE}
    for b, spec in enumerate(specs):
        for r, i in zip(spec.rows, range(*flat.rows.first[b : b + 2]), strict=True):
            assert (row_name(int(flat.rows.id[i])), flat.rows.a[i], flat.rows.b[i]) == (r.name, place[r.point], place[r.origin])
            assert tuple(flat.rows.normal[i]) == tuple(r.normal)
            assert (flat.rows.offset[i], flat.rows.weight[i], bool(flat.rows.must[i])) == (r.offset_m, r.weight, r.must_hold)
        for c, i in zip(spec.contacts, range(*flat.contacts.first[b : b + 2]), strict=True):
            table = flat.contacts
            assert (table.point[i], table.on[i], table.strategy[i]) == (place[c.point], place[c.on], STRATEGY[c.strategy])
            assert (tuple(table.normal[i]), tuple(table.half[i])) == (tuple(c.normal), tuple(c.half_size_m))
            assert (table.stiffness[i], table.friction[i], table.shear[i]) == (c.stiffness_n_per_m, c.friction, c.shear)
            assert (PARTS[table.part[i]] if table.part[i] >= 0 else None) == (c.part if c.part in PARTS else None)
            assert np.isnan(table.plane[i]) if c.plane_m is None else table.plane[i] == c.plane_m
        angles = np.zeros(flat.angles.shape[1])
        angles[[JOINT_INDEX[name] for name in spec.angles_rad]] = list(spec.angles_rad.values())
        assert np.array_equal(flat.angles[b], angles)


def test_a_changed_frame_is_not_taken_for_the_one_it_was_made_of() -> None:
    """What a frame has to do with the world is read off it once; a copy that touches less has less."""
    frame = library_profiles()[0].frames[0]
    before = compile_frame(frame, "of this test", body(), healthy())
    assert before.rows
    bare = compile_frame(but(frame, touches=(), aims=()), "of this test", body(), healthy())
    assert not bare.rows and not bare.contacts
    assert compile_frame(frame, "of this test", body(), healthy()).rows == before.rows


@pytest.mark.parametrize("size", ["small", "middle", "heavy"])
@pytest.mark.parametrize("target", [5.0, 20.0, 35.0])
def test_the_distance_from_the_wall_is_the_last_that_keeps_the_load(size: str, target: float) -> None:
    """Every centimetre looked at by itself: the arms carry no more at the chosen one, and more a centimetre further."""
    own = Profiler(body(size), healthy())
    near = wall_distance_cm(own, target)
    family, step = find("wall_plank/forearms")
    p = step.parameters[0]

    def load(at_cm: float) -> float:
        profile = own.profile(Request(family, step, "both", {p.id: at_cm}))
        return np.inf if profile.fault else sum(profile.peak(f"{s}.forearm_support_percent_bw") for s in ("left", "right"))

    assert p.low <= near <= p.high
    assert near == p.low or load(near) <= target
    assert near + 1 >= p.high or load(near + 1) > target
