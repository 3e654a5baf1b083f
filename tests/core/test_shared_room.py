"""Kernels work in room that all calls share: threads that solve at the same time find what each finds alone."""

from concurrent.futures import ThreadPoolExecutor

import numpy as np

from amvel.body import Measures, healthy, measure
from amvel.movements import Profiler, Request, all_steps
from amvel.safety import sides_of


def solved(stature_m: float) -> list[np.ndarray]:
    """Every tenth step of the library for a new body, in a profiler of its own."""
    own = Profiler(measure(Measures(stature_m, 60.0, "male")), healthy())
    requests = [Request(f, s, sides_of(s)[0], s.defaults(own.body)) for f, s in all_steps()[::10]]
    return [p.columns.table for p in own.profiles(requests)]


def test_bodies_that_are_solved_at_the_same_time_are_as_solved_alone() -> None:
    statures_m = (1.52, 1.66, 1.81, 1.93)
    alone = [solved(m) for m in statures_m]
    with ThreadPoolExecutor(len(statures_m)) as threads:
        at_once = list(threads.map(solved, statures_m))
    for one, other in zip(alone, at_once, strict=True):
        assert all(np.array_equal(a, b, equal_nan=True) for a, b in zip(one, other, strict=True))
