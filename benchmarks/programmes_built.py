"""What building a programme costs, and how much better it is than a simple greedy builder; what pictures cost in a PDF."""

import statistics
from collections.abc import Sequence
from time import perf_counter

from people import demo_clients, generated_clients

from amvel.case import read_case
from amvel.engine import Engine
from amvel.movements import all_steps
from amvel.planning.choices import Choice, choices
from amvel.planning.problem import Problem, broken, worth
from amvel.planning.programme import problem_for, setting_of
from amvel.planning.solve import solve_problem


def greedy(problem: Problem) -> list[list[Choice]]:
    """Put in what adds most for its time, again and again, as long as nothing breaks: what one would do by hand."""
    sessions: list[list[Choice]] = [[] for _ in range(problem.sessions)]
    while True:
        now, best = worth(problem, sessions), (0.0, "", sessions)
        for k, c in ((k, c) for k in range(problem.sessions) for c in problem.pool if c not in sessions[k]):
            more = [[*s, c] if i == k else s for i, s in enumerate(sessions)]
            if not broken(problem, more):
                best = max(best, ((worth(problem, more) - now) / c.seconds, c.ref, more), key=lambda g: g[:2])
        if best[0] <= 0:
            return sessions
        sessions = best[2]


def whole_library() -> Problem:
    """The largest question: a healthy person of 60 to whom nearly everything is open, ready for every rung."""
    from datetime import date

    from amvel.planning.reach import healthy_case

    case = read_case(healthy_case(date(2026, 11, 24), date(1966, 3, 1), []))
    done = tuple(f.ref(s) for f, s in all_steps() if not f.asked_for)
    engine = Engine(case.model_copy(update={"previous_steps": done}))
    pool = choices(setting_of(engine, "visit"), engine.judge(contexts=("visit",)))[0]
    return problem_for(engine, pool, 30)


def asked_of(engine: Engine) -> Problem:
    """What a programme at home asks for this client."""
    pool = choices(setting_of(engine, "home"), engine.judge(contexts=("home",)))[0]
    return problem_for(engine, pool, engine.case.wishes.minutes)


def timed(problem: Problem) -> tuple[float, float, float]:
    """Seconds, worth against the greedy programme, and the gap that is left to the best."""
    start = perf_counter()
    found = solve_problem(problem)
    took = perf_counter() - start
    simple = worth(problem, greedy(problem))
    return took, found.worth / simple if simple > 0 else 1.0, found.gap


def programme_lines(count: int) -> Sequence[str]:
    """The lines that ./bench prints."""
    whole = whole_library()
    made = [timed(asked_of(e)) for e in generated_clients(count)]
    shown = [timed(asked_of(e)) for e in demo_clients()]
    times = [r[0] for r in made]
    middle, first = statistics.median(times), timed(whole)
    return (
        _worth_line(f"{count} generated clients", made),
        _worth_line(f"{len(shown)} demo clients", shown),
        f"programme: worst / median time                                  {max(times) / middle:6.2f}  (median {middle:.2f} s here, worst {max(times):.2f} s)",
        f"programme: whole library / median client                        {first[0] / middle:6.2f}  ({len(whole.pool)} steps open)",
    )


def _worth_line(who: str, rows: list[tuple[float, float, float]]) -> str:
    ratios = [r[1] for r in rows]
    gaps = [r[2] for r in rows]
    return (
        f"programme: worth of the solver / of a greedy builder            {statistics.median(ratios):6.2f}"
        f"  ({who}: median; least {min(ratios):.2f}, most {max(ratios):.2f}; short of the best by at most {100 * statistics.median(gaps):.1f} %, worst {100 * max(gaps):.1f} %)"
    )
