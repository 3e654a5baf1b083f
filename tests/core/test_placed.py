"""A pose that was found for one frame is the pose of every other frame that asks for the same, and of no other."""

import gc
from functools import lru_cache
from itertools import pairwise
from weakref import ref

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.body import Capacities, Measures, but, cautious, healthy, measure
from amvel.movements import Family, Profile, Profiler, Request, Step, all_steps, find, placing
from amvel.movements.course import Course
from amvel.movements.frames import Aim, Frame, Prop, Surface, Touch
from amvel.movements.look import Look
from amvel.movements.placed import Content, gathered
from amvel.movements.placing import Movement, placed_frames, same_way_back, with_those_on_the_way
from tests.alike import unlike_columns
from tests.bodies import body

STIFF = cautious({"left.hip_flexion": 70.0, "right.hip_flexion": 95.0, "right.knee_flexion": 80.0, "left.shoulder_elevation": 90.0})
FRAME = Frame(
    "lying",
    np.eye(3),
    angles={"left.hip.flexion": 40.0},
    free={"left.knee.flexion": 1.0},
    touches=(Touch("sacrum", "floor"),),
    surfaces={"floor": Surface("floor", "level", 0.0)},
)
# Each of them is another pose, on the body or on what carries it.
OTHERWISE = {
    "root": but(FRAME, root=np.diag([1.0, -1.0, -1.0])),
    "where the pelvis begins": but(FRAME, root_at_cm=(0.0, 0.0, 12.0)),
    "an angle": but(FRAME, angles={"left.hip.flexion": 41.0}),
    "another joint": but(FRAME, angles={"right.hip.flexion": 40.0}),
    "what gives": but(FRAME, free={"left.knee.flexion": 2.0}),
    "neutral": but(FRAME, neutral={"lumbar.flexion": 3.0}),
    "a touch": FRAME.rest("sacrum"),
    "an aim": FRAME.aim(Aim("left.heel", "z", 30.0)),
    "a weight": FRAME.pull(("left.palm", (0.0, 0.0, -10.0))),
    "a height": but(FRAME, surfaces={"floor": Surface("floor", "level", 45.0)}),
    "softness": but(FRAME, surfaces={"floor": Surface("floor", "level", 0.0, stiffness_n_per_m=5e3)}),
}
# Neither places anything: a name, what is only drawn, what the step declares.
THE_SAME = {
    "name": but(FRAME, name="lying still"),
    "drawn": FRAME.hold(Prop("ball", ("left.palm",))),
    "declared": FRAME.facts_(hold_s=30.0, minutes=4.0, standing=True),
    "built anew": Frame("lying", np.eye(3), **{k: FRAME.__dict__[k] for k in ("angles", "free", "touches", "surfaces")}),
}


@pytest.mark.parametrize("what", OTHERWISE)
def test_a_frame_that_asks_for_another_pose_is_another(what: str) -> None:
    assert Content(OTHERWISE[what]) != Content(FRAME)


@pytest.mark.parametrize("what", THE_SAME)
def test_what_places_nothing_makes_no_other_frame(what: str) -> None:
    assert Content(THE_SAME[what]) == Content(FRAME)
    assert hash(Content(THE_SAME[what])) == hash(Content(FRAME))


def test_every_field_of_a_frame_is_looked_at_or_places_nothing() -> None:
    """A field that comes to frames has to be told of here: else it would be overlooked."""
    looked_at = {"root", "root_at_cm", "angles", "free", "touches", "aims", "loads", "surfaces", "neutral"}
    assert set(FRAME.__dataclass_fields__) == looked_at | {"name", "props", "facts", "bands"}  # bands: see below


def test_what_was_read_off_a_frame_does_not_keep_it() -> None:
    """A process that solves looks for cycles seldom: frames have to go by counting."""
    frame = but(FRAME, name="another")
    Content.of(frame)
    gone = ref(frame)
    gc.disable()
    try:
        del frame
        assert gone() is None
    finally:
        gc.enable()


def _close(got: Profile, want: Profile) -> None:
    assert (got.fault is None) == (want.fault is None), got.request.label
    assert got.frame_names == want.frame_names
    if want.fault is None:
        assert not unlike_columns(got, want), got.request.label


def _requests() -> list[Request]:
    return [Request(f, s, "left" if s.sides else "both", s.defaults(body())) for f, s in all_steps()]


@lru_cache(maxsize=1)
def _library() -> Profiler:
    own = Profiler(body(), healthy())
    own.profiles(_requests())
    return own


MOVED = [(f, s) for f, s in all_steps() if any(not p.choices for p in s.parameters)]


@given(st.sampled_from(MOVED), st.data())
def test_a_version_with_poses_that_are_known_is_the_same_as_alone(movement: tuple[Family, Step], data: st.DataObject) -> None:
    """Worked out by somebody who has placed the whole library, and by somebody who has never placed anything."""
    family, step = movement
    values = step.defaults(body())
    parameter = data.draw(st.sampled_from([p for p in step.parameters if not p.choices]))
    values[parameter.id] = data.draw(st.sampled_from([float(v) for v in parameter.candidates(values[parameter.id])] or [values[parameter.id]]))
    request = Request(family, step, "left" if step.sides else "both", values)
    _close(_library().sketches([request])[0], Profiler(body(), healthy()).sketches([request])[0])
    _close(_library().profile(request), Profiler(body(), healthy()).profile(request))


def test_poses_of_a_library_are_placed_once() -> None:
    """A third of its frames are the pose of another one: movements that begin alike, or end where they began."""
    frames = [frame for r in _requests() for frame in _library().movement(r).frames]
    placed = {id(p) for p in placed_frames([_library().movement(r) for r in _requests()])}
    assert len({Content.of(f) for f in frames if not f.bands}) < 0.8 * len(frames)
    assert len(placed) < 0.85 * len(frames)


@pytest.mark.parametrize("ranges", [STIFF, healthy(), cautious({"left.straight_leg_raise": 45.0})], ids=["stiff", "healthy", "short hamstring"])
def test_other_ranges_take_over_only_poses_that_they_would_take(ranges: Capacities) -> None:
    base = Profiler(body(), cautious({}))
    base.sketches(_requests())
    taking, alone = Profiler(body(), ranges, like=base), Profiler(body(), ranges)
    for got, want in zip(taking.sketches(_requests()), alone.sketches(_requests()), strict=True):
        _close(got, want)
    placed = placed_frames([taking.movement(r) for r in _requests()])
    theirs = {id(p.packed) for p in placed_frames([base.movement(r) for r in _requests()])}
    taken = sum(id(p.packed) in theirs for p in placed)
    assert 0.1 * len(placed) < taken < len(placed)


def test_where_fused_parts_end_elsewhere_nothing_is_taken_over() -> None:
    """What fused levels do not give the others give as far as they go: that changes with their ranges, whoever is at a stop."""
    fused = {"lumbar": 0.5}
    one, other = (cautious({"trunk_flexion": deg}, mobile=fused) for deg in (40.0, 60.0))
    base = Profiler(body(), one)
    base.sketches(_requests())
    for got, want in zip(Profiler(body(), other, like=base).sketches(_requests()), Profiler(body(), other).sketches(_requests()), strict=True):
        _close(got, want)


@pytest.mark.parametrize("ranges", [STIFF, healthy()], ids=["stiff", "healthy"])
def test_other_ranges_go_only_those_ways_anew_that_they_would_go_otherwise(ranges: Capacities, monkeypatch: pytest.MonkeyPatch) -> None:
    """Frames on the way too: taken over where no joint comes to a stop that moves, and the same as gone alone."""
    legs: list[int] = []
    plain = placing._on_the_way
    monkeypatch.setattr(placing, "_on_the_way", lambda course, on, *more: (legs.append(len(on.new)), plain(course, on, *more))[1])
    base = Profiler(body(), cautious({}))
    base.profiles(_requests()[::3])
    legs.clear()
    there = Profiler(body(), ranges, like=base).profiles(_requests()[::3])
    taking = sum(legs)
    legs.clear()
    for got, want in zip(there, Profiler(body(), ranges).profiles(_requests()[::3]), strict=True):
        _close(got, want)
    assert 0 < taking < 0.9 * sum(legs)


def test_who_goes_a_way_again_is_told_what_was_found(monkeypatch: pytest.MonkeyPatch) -> None:
    """Another repetition of frames that are kept: nothing is solved, and every number is the same."""
    own = Profiler(body(), healthy())
    family, step = find("bridge/small_lift")
    request = Request(family, step, "both", step.defaults(body()))
    first = own.profile(request)
    own.kept(Look.WHOLE).clear()
    monkeypatch.setattr(placing, "_on_the_way", None)
    monkeypatch.setattr(placing, "_met_and_measured", None)
    again = own.profile(request)
    assert again is not first and again.posed is not None and first.posed is not None
    assert np.array_equal(again.columns.table, first.columns.table) and np.array_equal(again.posed.angles, first.posed.angles)


def test_the_way_back_is_the_way_there() -> None:
    """Solved from either end, wherever the two are said to be alike."""
    own = _library()
    there, back, seen = [], [], set()
    for r in _requests():
        m = own.movement(r)
        placed = placed_frames([m])
        for (a, b), (p, q) in zip(pairwise(m.frames), pairwise(placed), strict=True):
            both = frozenset((id(p), id(q)))
            if p is not q and both not in seen and not (p.out_of_reach or q.out_of_reach) and same_way_back(p, q):
                seen.add(both)
                there.append((a, b))
                back.append((b, a))
    assert len(there) > 100
    one, other = (_on_the_way(own, ways) for ways in (there, back))
    for (a, b), x, y in zip(there, one, other, strict=True):
        assert np.allclose(x, y[::-1], atol=1e-5), (a.name, b.name)


def _on_the_way(own: Profiler, ways: list[tuple[Frame, Frame]]) -> list[np.ndarray]:
    """The angles of the frames between each two."""
    movements = [Movement(own.placer, (*way,), [way[0].name, way[1].name]) for way in ways]
    names = [name for m in movements for name in m.names]
    placed = placed_frames(movements)
    course = Course([m.frames for m in movements], names, [p.out_of_reach for p in placed], [own.between] * len(ways))
    found = with_those_on_the_way(course, movements, placed, gathered(placed, names)).posed(own.skeleton)
    return [found.angles[span.start : span.stop] for span in course.spans]


BANDED = ["band_leg_press/press", "band_press_out_seated/press"]


@pytest.mark.parametrize("ref", BANDED)
def test_a_band_is_as_long_as_it_was_at_the_start_of_its_own_movement(ref: str) -> None:
    """Between other movements with bands, and alone; its pull at the start is what was declared (hand: F = k·stretch)."""
    family, step = find(ref)
    requests = [Request(f, s, "left" if s.sides else "both", s.defaults(body())) for f, s in map(find, BANDED)]
    request = Request(family, step, "left" if step.sides else "both", step.defaults(body()))
    together = dict(zip(BANDED, Profiler(body(), healthy()).profiles(requests), strict=True))[ref]
    _close(together, Profiler(body(), healthy()).profile(request))
    assert together.posed is not None
    index = _library().skeleton.landmarks.index
    for pull in [load for load in together.specs[0].loads if hasattr(load, "pull_n")]:
        force = pull.force_at(together.posed.points[0], index)
        assert np.linalg.norm(force) == pytest.approx(pull.pull_n, rel=1e-3)  # solved on by less than a millimetre


def test_a_fault_bears_the_name_of_whoever_asks() -> None:
    """Two steps that share a pose which this body cannot take each say so of themselves."""
    small = measure(Measures(1.20, 130.0, "female"))
    own = Profiler(small, STIFF)
    requests = [Request(f, s, "left" if s.sides else "both", s.defaults(small)) for f, s in all_steps()]
    faulty = [p for p in own.sketches(requests) if p.fault]
    assert faulty
    for p in faulty:
        assert p.fault is not None and p.fault.pose.startswith(p.request.label), (p.request.label, p.fault)
