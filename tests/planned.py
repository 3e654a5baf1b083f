"""Programme problems made from one real pool: any few of its steps, any time and any budgets."""

from collections.abc import Iterator
from dataclasses import replace
from functools import lru_cache
from itertools import product

from hypothesis import strategies as st

from amvel.engine import Engine
from amvel.planning.choices import Choice, choices
from amvel.planning.problem import Problem, broken, meets, worth
from amvel.planning.programme import problem_for, setting_of
from tests.conftest import demo
from tests.engines import engine_of


@lru_cache(maxsize=4)
def engine(name: str) -> Engine:
    return engine_of(demo(name))


@lru_cache(maxsize=4)
def pool(name: str, context: str = "home") -> tuple[Choice, ...]:
    e = engine(name)
    return tuple(choices(setting_of(e, context), e.verdicts)[0])


def problem(name: str, minutes: int = 25, locked: tuple[str, ...] = ()) -> Problem:
    return problem_for(engine(name), pool(name), minutes, locked)


def every_way(p: Problem) -> Iterator[list[list[Choice]]]:
    """Every way of sharing the pool out: each step in none, some or all of the sessions."""
    for pattern in product(range(2**p.sessions), repeat=len(p.pool)):
        yield [[c for c, own in zip(p.pool, pattern, strict=True) if own >> k & 1] for k in range(p.sessions)]


def best_by_hand(p: Problem, must_meet: tuple[int, ...] = ()) -> int | None:
    """The highest worth among all of them that break nothing; None when there is none."""
    found = [
        worth(p, sessions)
        for sessions in every_way(p)
        if not broken(p, sessions)
        and all(any(meets(chosen, p.obligations[i]) for chosen in sessions) for i in must_meet)
    ]
    return max(found, default=None)


@st.composite
def small_problems(draw: st.DrawFn, name: str = "low-bone-mass", sessions: int = 1) -> Problem:
    """At most eight steps for one session, four for two, with any time, effort, load, changes, novelty, dislikes and locks."""
    whole = problem(name)
    size = 8 // sessions
    steps = draw(st.lists(st.sampled_from(whole.pool), min_size=1, max_size=size, unique_by=lambda c: c.ref))
    refs = [c.ref for c in steps]
    previous = draw(st.frozensets(st.sampled_from(refs)))
    return replace(
        whole,
        pool=tuple(steps),
        sessions=sessions,
        days=draw(st.integers(sessions, 7)),
        rests=draw(st.booleans()),
        backwards=draw(st.booleans()),
        seconds=60 * draw(st.integers(2, 40)),
        effort=draw(st.sampled_from([1.5, 2.5, 3.5, 6.0])),
        load_seconds=60 * draw(st.integers(1, 40)),
        most_changes=draw(st.integers(0, 4)),
        most_new=draw(st.sampled_from([None, 0, 1])),
        previous=previous,
        dislikes=draw(st.frozensets(st.sampled_from(refs), max_size=2)),
        locked=tuple(draw(st.lists(st.sampled_from(refs), max_size=2, unique=True))),
        near=draw(st.frozensets(st.sampled_from(refs), max_size=2)),
        tasks=tuple(
            draw(
                st.lists(
                    st.frozensets(st.sampled_from([r.split("/")[0] for r in refs]), min_size=1, max_size=2),
                    max_size=2,
                )
            )
        ),
    )
