"""The solver against every subset, and what must hold of any programme whatever was asked."""

from dataclasses import replace

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from amvel.planning.choices import Choice
from amvel.planning.conflicts import conflict
from amvel.planning.problem import Problem, broken, worth
from amvel.planning.solve import Solved, possible, solve_problem
from tests.planned import best_by_hand, problem, small_problems

MANY = settings(
    max_examples=60, deadline=None, suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large]
)


def shared(p: Problem, found: Solved) -> list[list[Choice]]:
    return [[p.pool[i] for i in rows] for rows in found.sessions]


@MANY
@given(small_problems())
def test_the_solver_finds_what_trying_every_subset_finds(p: Problem) -> None:
    best, found = best_by_hand(p), solve_problem(p)
    assert found.feasible == (best is not None)
    if best is not None:
        assert found.optimal
        assert found.worth == best


@MANY
@given(small_problems())
def test_what_is_chosen_breaks_nothing_and_is_worth_what_it_says(p: Problem) -> None:
    found = solve_problem(p)
    if found.feasible:
        sessions = shared(p, found)
        assert broken(p, sessions) == []
        assert worth(p, sessions) == found.worth


@settings(MANY, max_examples=40)
@given(small_problems(sessions=2))
def test_two_sessions_hold_and_the_gap_that_is_said_is_no_smaller_than_it_is(p: Problem) -> None:
    best, found = best_by_hand(p), solve_problem(p)
    assert found.feasible == (best is not None)
    if best is None:
        return
    sessions = shared(p, found)
    assert broken(p, sessions) == []
    assert worth(p, sessions) == found.worth <= best
    assert best <= found.worth + found.gap * max(1.0, abs(found.worth)) + 1
    assert not found.optimal or found.worth == best


@MANY
@given(small_problems(), st.integers(1, 15))
def test_more_minutes_are_never_worth_less(p: Problem, more: int) -> None:
    now, then = solve_problem(p), solve_problem(replace(p, seconds=p.seconds + 60 * more))
    if now.feasible:
        assert then.feasible
        assert then.worth >= now.worth


@MANY
@given(small_problems())
def test_the_same_question_has_the_same_answer(p: Problem) -> None:
    assert solve_problem(p) == solve_problem(p)


@MANY
@given(small_problems())
def test_an_obligation_that_must_be_met_is_met_or_said_to_be_impossible(p: Problem) -> None:
    for i in range(len(p.obligations)):
        assert possible(p, must_meet=(i,)) == (best_by_hand(p, (i,)) is not None)


@settings(MANY, max_examples=30)
@given(small_problems())
def test_a_conflict_names_the_smallest_set_of_wishes(p: Problem) -> None:
    found = conflict(p)
    assert (found is None) == solve_problem(p).feasible
    if found is None:
        return
    named = {w.id for w in found.wishes}
    others = frozenset(w.id for w in p.wishes()) - named
    if named:
        assert not possible(p, others), "what is named cannot stand together, alone"
    for one in named:
        assert possible(p, others | {one}), f"giving up {one} alone is enough"


def test_no_conflict_offers_to_give_up_a_limit() -> None:
    p = problem("low-bone-mass")
    heavy = [c.ref for c in sorted(p.pool, key=lambda c: -c.seconds)[:9]]
    found = conflict(replace(p, locked=tuple(heavy), seconds=600))
    assert found is not None
    assert {w.id.split(":")[0] for w in found.wishes} <= {
        "minutes",
        "changes",
        "effort",
        "load",
        "movements",
        "new",
        "locked",
    }
    assert "would help" in found.says()
