"""The pose solver: an answer does not depend on its neighbours, and joints end where they end."""

from concurrent.futures import ThreadPoolExecutor

import numpy as np
import pytest

from amvel.body import JOINTS, healthy, solve
from amvel.movements import Profiler, Request, find
from amvel.safety import sides_of
from tests.bodies import body, profiler


def _specs(*refs: str) -> list:
    p, out = profiler("middle"), []
    for ref in refs:
        family, step = find(ref)
        side = "left" if step.sides else "both"
        out += p.profile(Request(family, step, side, step.defaults(p.body))).specs
    return out


REFS = ("knee_fold/single_fold", "sit_to_stand/two_legs", "clam/small_opening", "wall_plank/forearms")


def test_a_pose_is_solved_alike_alone_and_among_others() -> None:
    """Other lengths, other free joints beside it: the same angles to a thousandth of a degree."""
    p = profiler("middle")
    specs, stops = _specs(*REFS), p.capacities.stops_rad()
    together = solve(p.skeleton, specs, stops)
    for i in range(0, len(specs), 7):
        alone = solve(p.skeleton, [specs[i]], stops)
        assert np.degrees(alone.angles[0]) == pytest.approx(np.degrees(together.angles[i]), abs=1e-3)
        assert alone.root_position[0] == pytest.approx(together.root_position[i], abs=1e-5)


def test_an_answer_is_the_same_alone_in_a_batch_and_in_another_order() -> None:
    """Whole profiles: every quantity to the last digit, since each pose is solved by itself."""
    requests = []
    for ref in REFS:
        family, step = find(ref)
        for side in sides_of(step):
            requests.append(Request(family, step, side, step.defaults(profiler("middle").body)))

    def fresh() -> Profiler:
        return Profiler(body("middle"), healthy())

    together = fresh().profiles(requests)
    backwards = fresh().profiles(requests[::-1])[::-1]
    for request, a, b in zip(requests, together, backwards, strict=True):
        alone = fresh().profile(request)
        for other in (b, alone):
            assert other.fault == a.fault
            assert (other.columns.table == a.columns.table).all(), request.label


def test_threads_do_not_change_an_answer() -> None:
    requests = [Request(*find(ref), "left" if find(ref)[1].sides else "both", find(ref)[1].defaults(body())) for ref in REFS]
    with ThreadPoolExecutor(4) as pool:
        found = list(pool.map(lambda r: Profiler(body("middle"), healthy()).profile(r).columns.table, requests))
    for request, table in zip(requests, found, strict=True):
        assert (table == profiler("middle").profile(request).columns.table).all()


def test_free_joints_stop_at_the_end_of_the_range_and_others_never_move() -> None:
    p = profiler("middle")
    stops = p.capacities.stops_rad()
    specs = _specs(*REFS)
    solved = solve(p.skeleton, specs, stops)
    for i, spec in enumerate(specs):
        for j, (name, _, _) in enumerate(JOINTS):
            if name in spec.free:
                low, high = stops.get(name, (-np.inf, np.inf))
                assert low - 1e-9 <= solved.angles[i, j] <= high + 1e-9, (spec.name, name)
            else:
                assert solved.angles[i, j] == spec.angles_rad.get(name, 0.0), (spec.name, name)
