"""The kernels against libraries that know nothing of them: numpy, scipy and shapely."""

import ast
from functools import lru_cache
from pathlib import Path

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st
from numba.core.errors import NumbaError
from scipy.linalg import polar
from scipy.spatial.transform import Rotation
from shapely.geometry import MultiPoint, Point

from amvel.body import JOINTS, compiled, flatten
from amvel.body.between import _nearest_rotation
from amvel.body.cholesky import solve_in_place
from amvel.body.compiled import inner_kernel, kernel
from amvel.body.descent import Body, _com_arms, _residual, _row, refresh
from amvel.body.flat import CENTRE
from amvel.body.tree import place, turn_of
from amvel.body.wish import Wish, part_of, room_for, wish_of
from amvel.movements import Profile
from tests.bodies import library_profiles, profiler

SAMPLE = (
    "knee_fold/single_fold",
    "arm_or_leg_slide/opposite_lift",
    "sit_to_stand/two_legs",
    "tandem_stand/fingertips",
    "side_bridge/knees_bent",
    "wall_plank/one_foot_lifted",
)
WEIGHED = ("sit_to_stand/two_legs", "tandem_stand/fingertips", "standing_breath/free_standing")


@lru_cache(maxsize=16)
def step(ref: str) -> Profile:
    return next(p for p in library_profiles("middle") if p.request.label == ref and not p.fault)


@settings(deadline=None, max_examples=200)
@given(st.integers(1, 12), st.integers(0, 10_000))
def test_a_symmetric_system_is_solved_as_numpy_solves_it(size: int, seed: int) -> None:
    random = np.random.default_rng(seed)
    root = random.normal(size=(size, size))
    system, right = root @ root.T + 0.1 * np.eye(size), random.normal(size=size)
    answer, work = right.copy(), np.full((size + 3, size + 3), np.nan)
    work[:size, :size] = system
    work[np.triu_indices(size + 3, 1)] = np.nan  # only the lower half is read, and nothing beyond the first rows
    solve_in_place(work, answer, size)
    assert answer == pytest.approx(np.linalg.solve(system, right), rel=1e-6, abs=1e-8)


@settings(deadline=None, max_examples=200)
@given(st.tuples(*[st.floats(-3, 3)] * 3))
def test_a_small_turn_is_the_rotation_of_its_vector(vector: tuple[float, float, float]) -> None:
    out = np.zeros((3, 3))
    turn_of(np.array(vector), out)
    assert out == pytest.approx(Rotation.from_rotvec(vector).as_matrix(), abs=1e-9)


@settings(deadline=None, max_examples=200)
@given(st.tuples(*[st.floats(-3, 3)] * 3), st.tuples(*[st.floats(-3, 3)] * 3), st.floats(0.02, 0.98))
def test_half_way_between_two_turns_is_the_rotation_nearest_to_their_blend(
    one: tuple[float, float, float], other: tuple[float, float, float], share: float
) -> None:
    """By scipy: the orthogonal factor of the polar decomposition.  Where both face nearly opposite ways none is near."""
    a, b = (Rotation.from_rotvec(v) for v in (one, other))
    assume((a.inv() * b).magnitude() < np.radians(175))
    blend = (1 - share) * a.as_matrix() + share * b.as_matrix()
    wanted = polar(blend)[0]
    _nearest_rotation(blend, a.as_matrix())
    assert blend == pytest.approx(wanted, abs=1e-9)


def test_between_two_that_face_exactly_opposite_ways_it_stays_as_it_began() -> None:
    begin = np.eye(3)
    blend = 0.5 * begin + 0.5 * np.diag([1.0, -1.0, -1.0])
    _nearest_rotation(blend, begin)
    assert blend == pytest.approx(begin)


def test_a_kernel_that_would_make_an_array_is_refused() -> None:
    """Counting who still uses an array costs more than the arithmetic on it: numba says so when it compiles."""

    def doubled(values: np.ndarray) -> float:
        return float((2.0 * values).sum())

    def total(values: np.ndarray) -> float:
        out = 0.0
        for k in range(len(values)):
            out += 2.0 * values[k]
        return out

    assert kernel(total)(np.ones(3)) == 6.0
    with pytest.raises(NumbaError):
        kernel(doubled)(np.ones(3))


def test_an_inner_kernel_works_in_kernels_and_tells_whoever_else_calls_it() -> None:
    @inner_kernel
    def doubled(value: float) -> float:
        return 2.0 * value

    def total(values: np.ndarray) -> float:
        out = 0.0
        for k in range(len(values)):
            out += doubled(values[k])
        return out

    assert kernel(total)(np.ones(3)) == 6.0
    with pytest.raises(TypeError, match=r"doubled is called by kernels only"):
        doubled(1.0)


def by_scipy(angles: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """Origins and orientations of all segments, by the textbook: parent's frame, offset, then every joint about its axis."""
    tree, axes = profiler().skeleton.tree, {i: np.array(axis) for i, (_, _, axis) in enumerate(JOINTS)}
    origin, turned = np.zeros((len(tree.parent), 3)), np.zeros((len(tree.parent), 3, 3))
    for s, p in enumerate(tree.parent):
        if p < 0:
            turned[s] = np.eye(3)
            continue
        origin[s] = origin[p] + turned[p] @ tree.offset_m[s]
        own = turned[p]
        for j in tree.joint[tree.first[s] : tree.first[s + 1]]:
            own = own @ Rotation.from_rotvec(axes[j] * angles[j]).as_matrix()
        turned[s] = own
    return origin, turned


@settings(deadline=None, max_examples=40)
@given(st.integers(0, 10_000), st.booleans())
def test_a_body_is_placed_as_a_chain_of_rotations_says(seed: int, mostly_straight: bool) -> None:
    random = np.random.default_rng(seed)
    angles = random.uniform(-1.5, 1.5, len(JOINTS))
    if mostly_straight:
        angles[random.random(len(JOINTS)) < 0.8] = 0.0
    tree = profiler().skeleton.tree
    count = len(tree.parent)
    origin, turned = np.zeros((count, 3)), np.zeros((count, 3, 3))
    axis, centre = np.zeros((len(JOINTS), 3)), np.zeros((len(JOINTS), 3))
    place(tree, np.zeros(3), np.eye(3), angles, origin, turned, axis, centre)
    wanted_origin, wanted_turn = by_scipy(angles)
    assert origin == pytest.approx(wanted_origin, abs=1e-9)
    assert turned == pytest.approx(wanted_turn, abs=1e-9)
    assert np.linalg.norm(axis, axis=1) == pytest.approx(1.0, abs=1e-9)


def placed(ref: str):
    """The rows of a step's first frame and its body, somewhat away from where they are met."""
    spec, p = step(ref).specs[-1], profiler()
    flat = flatten(p.skeleton, [spec], [p.stops_rad])
    tree = p.skeleton.tree
    room = room_for(tree, flat, 0)
    wish_of(flat, 0, 0, room)  # fills the room; a kernel hands no arrays out
    wish = part_of.py_func(room, int(flat.rows.first[1]), int((flat.give[0] > 0).sum()), flat.hamstring[0])
    rows, joints, segments = len(wish.a), len(JOINTS), len(tree.parent)
    body = Body(
        flat.position[0] + 0.01,
        flat.rotation[0].copy(),
        flat.angles[0].copy(),
        np.zeros((segments, 3)),
        np.zeros((segments, 3, 3)),
        np.zeros((joints, 3)),
        np.zeros((joints, 3)),
        np.zeros((rows, 3)),
        np.zeros((rows, 3)),
        np.zeros(3),
        np.zeros((len(tree.com), 3)),
        np.zeros((joints, 3)),
        np.full(joints + 2, np.inf),
        np.full(joints + 2, -np.inf),
    )
    refresh(tree, wish, body)
    return tree, wish, body


def slopes(tree, wish: Wish, body: Body) -> np.ndarray:
    """Rows by degrees of freedom, in a row that something else was in before."""
    size = 6 + len(wish.free)
    out, row = np.zeros((len(wish.a), size)), np.full(size + 3, 7.0)
    _com_arms(tree, wish, body)
    for r in range(len(wish.a)):
        _row(tree, wish, body, r, size, row)
        out[r] = row[:size]
    return out


def residual(tree, wish, body) -> np.ndarray:
    out = np.zeros(len(wish.a))
    refresh(tree, wish, body)
    _residual(wish, body, out)
    return out


@pytest.mark.parametrize("ref", SAMPLE)
def test_the_slopes_of_all_rows_are_those_of_small_differences(ref: str) -> None:
    """Central differences of 1e-6 against the analytic Jacobian, for the placement of the pelvis and every free joint."""
    tree, wish, body = placed(ref)
    analytic = slopes(tree, wish, body)
    start = (body.position.copy(), body.rotation.copy(), body.angles.copy())
    step_, turn = 1e-6, np.zeros((3, 3))
    for i in range(analytic.shape[1]):
        sides = []
        for sign in (1.0, -1.0):
            body.position[:], body.rotation[:], body.angles[:] = start
            if i < 3:
                body.position[i] += sign * step_
            elif i < 6:
                vector = np.zeros(3)
                vector[i - 3] = sign * step_
                turn_of(vector, turn)
                body.rotation[:] = turn @ start[1]
            else:
                body.angles[wish.free[i - 6]] += sign * step_
            sides.append(residual(tree, wish, body))
        slope = (sides[0] - sides[1]) / (2 * step_)
        assert slope == pytest.approx(analytic[:, i], abs=1e-3 * max(1.0, np.abs(analytic).max())), i


@pytest.mark.parametrize("ref", WEIGHED)
def test_the_weight_is_where_the_masses_are(ref: str) -> None:
    tree, wish, body = placed(ref)
    assert np.any(wish.a == CENTRE), "a row of this pose speaks of the weight"
    own = np.array([body.origin[tree.segment[m]] + body.turned[tree.segment[m]] @ tree.local_m[m] for m in tree.com])
    assert body.weight_at == pytest.approx(tree.mass_kg @ own / tree.mass_kg.sum(), abs=1e-9)


@pytest.mark.parametrize("ref", ["standing_breath/free_standing", "tandem_stand/hands_hover", "heel_raise/hands_hover"])
def test_the_margin_is_the_way_from_the_weight_to_the_edge_of_the_base(ref: str) -> None:
    """The base by shapely: the hull of all patches that carry upwards; both feet flat or on their balls."""
    q = step(ref)
    p = profiler()
    index = p.skeleton.landmarks.index
    for row, spec in zip(q.rows, (q.specs[i] for i in q.rows), strict=True):
        points = q.posed.points[row]
        corners = [
            (points[index[c.point], 0] + u * c.half_size_m[0], points[index[c.point], 1] + v * c.half_size_m[1])
            for c in spec.contacts
            for u in (-1, 1)
            for v in (-1, 1)
        ]
        masses = p.skeleton.tree.mass_kg
        centre = masses @ points[p.skeleton.tree.com] / masses.sum()
        base = MultiPoint(corners).convex_hull
        inside = base.exterior.distance(Point(centre[:2])) * (1 if base.contains(Point(centre[:2])) else -1)
        assert q.columns["support_margin_cm"][row] == pytest.approx(100 * inside, abs=0.6)


def test_a_kernel_is_made_of_every_file_that_python_says_its_file_imports() -> None:
    """What is read line by line against Python's own reading; another way to import would leave a file out of the fingerprint."""
    room = Path(compiled.__file__).parent
    for path in room.glob("*.py"):
        nodes = [n for n in ast.walk(ast.parse(path.read_text(encoding="utf-8"))) if isinstance(n, ast.Import | ast.ImportFrom)]
        named = [a.name for n in nodes if isinstance(n, ast.Import) for a in n.names]
        froms = [n for n in nodes if isinstance(n, ast.ImportFrom)]
        assert not [m for m in named if m.startswith("amvel.body")] and not [n for n in froms if n.level], path.name
        of_files = {(n.module or "").rpartition(".")[2] for n in froms if (n.module or "").startswith("amvel.body.")}
        whole_files = {a.name for n in froms if n.module == "amvel.body" for a in n.names}
        if path.stem != "__init__":
            assert all((room / f"{name}.py").exists() for name in whole_files), path.name
        assert set(compiled._imported(path.stem)) == of_files | whole_files, path.name
