"""What building a programme costs, and how much better it is than a simple greedy builder; what pictures cost in a PDF."""

import random
import statistics
from collections.abc import Sequence
from dataclasses import replace
from time import perf_counter

from amvel.case import read_case
from amvel.engine import Engine
from amvel.planning.choices import Choice, choices
from amvel.planning.needs import Need
from amvel.planning.problem import Problem, broken, worth
from amvel.planning.programme import problem_for, setting_of
from amvel.planning.solve import solve_problem

CLIENTS = 200


def greedy(problem: Problem) -> list[Choice]:
    """Take what adds most for its time, again and again, as long as nothing breaks: what one would do by hand."""
    chosen: list[Choice] = []
    while True:
        now = worth(problem, chosen)
        fitting = [c for c in problem.pool if c not in chosen and not broken(problem, [*chosen, c])]
        gains = [((worth(problem, [*chosen, c]) - now) / c.seconds, c.ref, c) for c in fitting]
        best = max(gains, default=None, key=lambda g: g[:2])
        if best is None or best[0] <= 0:
            return chosen
        chosen.append(best[2])


def whole_library() -> Problem:
    """The largest question: a healthy person of 60 to whom nearly everything is open, ready for every rung."""
    from datetime import date

    from amvel.planning.reach import healthy_case

    case = read_case(healthy_case(date(2026, 11, 24), date(1966, 3, 1), []))
    every = case.model_copy(update={"previous_steps": ()})
    engine = Engine(every)
    at = setting_of(engine, "visit")
    ready = {ref: replace(r, ready=True) for ref, r in at.ready.items()}
    pool = choices(replace(at, ready=ready), engine.judge(contexts=("visit",)))[0]
    return problem_for(engine, pool, 30)


def generated(whole: Problem, seed: int) -> Problem:
    """A client as the engine would see one: some of the library open, other needs, time, effort, budgets and history."""
    rng = random.Random(seed)
    pool = [c for c in whole.pool if rng.random() < rng.uniform(0.2, 1.0)]
    needs = {p: Need(p, max(1, n.weight + rng.randint(-2, 6)), ()) for p, n in whole.needs.items()}
    previous = frozenset(c.ref for c in pool if rng.random() < 0.06)
    minutes = rng.choice([10, 15, 20, 25, 30, 40])
    return replace(
        whole,
        pool=tuple(pool),
        needs=needs,
        seconds=60 * minutes,
        effort=rng.choice([2.5, 3.5, 4.5, 6.0]),
        load_seconds=60 * rng.choice([12, 18, 25]),
        most_changes=rng.randint(1, 5),
        most_new=rng.choice([None, 1]) if previous else None,
        previous=previous,
    )


def timed(problem: Problem) -> tuple[float, float, bool]:
    """Seconds to the proven optimum, its worth against the greedy one, and whether it was proven."""
    start = perf_counter()
    found = solve_problem(problem)
    took = perf_counter() - start
    simple = worth(problem, greedy(problem))
    return took, found.worth / simple if simple > 0 else 1.0, found.optimal


def programme_lines() -> Sequence[str]:
    """The lines that ./bench prints."""
    whole = whole_library()
    rows = [timed(generated(whole, seed)) for seed in range(CLIENTS)]
    times, ratios, proven = ([r[i] for r in rows] for i in range(3))
    first = timed(whole)
    return (
        f"programme: worth of the solver / of a greedy builder            {statistics.median(ratios):6.2f}  (median of {CLIENTS}; least {min(ratios):.2f}, most {max(ratios):.2f})",
        f"programme: proven best                                          {sum(proven):6d}  of {CLIENTS}",
        f"programme: worst / median time to the proven best               {max(times) / statistics.median(times):6.2f}  (median {statistics.median(times):.2f} s here, worst {max(times):.2f} s)",
        f"programme: whole library / median client                        {first[0] / statistics.median(times):6.2f}  ({len(whole.pool)} steps open)",
    )
