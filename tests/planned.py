"""Programme problems made from one real pool: any few of its steps, any time and any budgets."""

from dataclasses import replace
from functools import lru_cache
from itertools import combinations

from hypothesis import strategies as st

from amvel.case import read_case
from amvel.engine import Engine
from amvel.planning.choices import Choice, choices
from amvel.planning.problem import Problem, broken, worth
from amvel.planning.programme import problem_for, setting_of
from tests.conftest import demo


@lru_cache(maxsize=4)
def engine(name: str) -> Engine:
    return Engine(read_case(demo(name)))


@lru_cache(maxsize=4)
def pool(name: str, context: str = "home") -> tuple[Choice, ...]:
    e = engine(name)
    return tuple(choices(setting_of(e, context), e.verdicts)[0])


def problem(name: str, minutes: int = 25, locked: tuple[str, ...] = ()) -> Problem:
    return problem_for(engine(name), pool(name), minutes, locked)


def best_by_hand(p: Problem, must_meet: tuple[int, ...] = ()) -> int | None:
    """The highest worth among every subset that breaks nothing; None when there is none."""
    from amvel.planning.problem import serves

    found = [
        worth(p, chosen)
        for size in range(len(p.pool) + 1)
        for chosen in combinations(p.pool, size)
        if not broken(p, chosen)
        and all(any(serves(c, p.obligations[i].purposes) for c in chosen) for i in must_meet)
    ]
    return max(found, default=None)


@st.composite
def small_problems(draw: st.DrawFn, name: str = "low-bone-mass") -> Problem:
    """At most eight steps with any time, effort, load, changes, novelty, dislikes and locks."""
    whole = problem(name)
    steps = draw(st.lists(st.sampled_from(whole.pool), min_size=1, max_size=8, unique_by=lambda c: c.ref))
    refs = [c.ref for c in steps]
    previous = draw(st.frozensets(st.sampled_from(refs)))
    return replace(
        whole,
        pool=tuple(steps),
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
