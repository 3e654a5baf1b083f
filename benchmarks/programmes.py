"""What building a programme costs, and how much better it is than a simple greedy builder; what pictures cost in a PDF."""

import statistics
from collections.abc import Sequence
from dataclasses import replace
from time import perf_counter

from amvel.case import read_case
from amvel.engine import Engine
from amvel.planning.choices import Choice, choices
from amvel.planning.problem import Problem, broken, worth
from amvel.planning.programme import problem_for, setting_of
from amvel.planning.solve import solve_problem
from clients import demo_clients, generated_clients

CLIENTS = 60


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


def asked_of(engine: Engine) -> Problem:
    """What a programme at home asks for this client."""
    pool = choices(setting_of(engine, "home"), engine.judge(contexts=("home",)))[0]
    return problem_for(engine, pool, engine.case.wishes.minutes)


def timed(problem: Problem) -> tuple[float, float, bool]:
    """Seconds to the proven optimum, its worth against the greedy one, and whether it was proven."""
    start = perf_counter()
    found = solve_problem(problem)
    took = perf_counter() - start
    simple = worth(problem, greedy(problem))
    return took, found.worth / simple if simple > 0 else 1.0, found.optimal


def programme_lines(count: int = CLIENTS) -> Sequence[str]:
    """The lines that ./bench prints."""
    whole = whole_library()
    made = [timed(asked_of(e)) for e in generated_clients(count)]
    shown = [timed(asked_of(e)) for e in demo_clients()]
    times = [r[0] for r in made]
    middle, first = statistics.median(times), timed(whole)
    return (
        _worth_line(f"{count} generated clients", made),
        _worth_line(f"{len(shown)} demo clients", shown),
        f"programme: worst / median time to the proven best               {max(times) / middle:6.2f}  (median {middle:.2f} s here, worst {max(times):.2f} s)",
        f"programme: whole library / median client                        {first[0] / middle:6.2f}  ({len(whole.pool)} steps open)",
    )


def _worth_line(who: str, rows: list[tuple[float, float, bool]]) -> str:
    ratios = [r[1] for r in rows]
    proven = sum(r[2] for r in rows)
    return (
        f"programme: worth of the solver / of a greedy builder            {statistics.median(ratios):6.2f}"
        f"  ({who}: median; least {min(ratios):.2f}, most {max(ratios):.2f}; {proven} of {len(rows)} proven best)"
    )
