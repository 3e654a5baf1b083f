"""The programme problem for CP-SAT.  Deterministic: one worker, a fixed seed, a deterministic work limit, no clock."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import cached_property

from ortools.sat.python import cp_model

from amvel.languages import said, term
from amvel.movements.session_part import SessionPart
from amvel.planning.item import CHANGE_S
from amvel.planning.over_the_week import Linear, OverTheWeek
from amvel.planning.problem import (
    CHANGE,
    ENDS,
    FULL,
    FUNCTION,
    MOST,
    MOST_IN_A_WEEK,
    MOST_MOVEMENTS,
    OBLIGED,
    POSITION,
    PROP,
    REST,
    SETTLED,
    TASK,
    WELL,
    Problem,
    effort_surplus,
    hundredths,
    serves,
    serves_well,
    taste,
    trains_it,
)
from amvel.safety import Obligation

WORK_LIMIT = 6.0
FAR = 0.05
NEAR_ENOUGH = 0.01  # the choice for the week may be so much short of the best: the gap is said
SEED = 7
_FOUND = (cp_model.OPTIMAL, cp_model.FEASIBLE)


@dataclass(frozen=True)
class Solved:
    """Rows of the pool that were chosen, session by session; `feasible` is False when the wishes contradict each other."""

    sessions: tuple[tuple[int, ...], ...]
    worth: int
    optimal: bool
    gap: float
    feasible: bool = True


def solve_problem(problem: Problem) -> Solved:
    """The best choice for one session; for several, the best for the week shared out as well as can be.

    The gap is against the most that any sharing-out could be worth.
    """
    rows, bound = _for_the_week(problem) if problem.sessions > 1 else (None, 0.0)
    found = _shared_out(problem, rows)
    if not found.feasible and rows is not None:  # what was chosen cannot be shared out: then all at once
        rows, found = None, _shared_out(problem, None)
    if rows is None or not found.feasible:
        return found
    if _gap(found, bound) > FAR:  # a short session is shared out badly: then all at once as well, and the better one
        whole = _shared_out(problem, None)
        bound = min(bound, whole.worth + whole.gap * max(1.0, abs(whole.worth))) if whole.feasible else bound
        found = max(found, whole, key=lambda s: (s.feasible, s.worth))
    gap = _gap(found, bound)
    return replace(found, optimal=gap == 0, gap=gap)


def _gap(found: Solved, bound: float) -> float:
    return round(max(0.0, bound - found.worth) / max(1.0, abs(found.worth)), 4)


def _for_the_week(problem: Problem) -> tuple[tuple[int, ...] | None, float]:
    """Rows of what is chosen for all sessions together and the most it can be worth; None when that is not possible."""
    model = OverTheWeek(problem)
    solver = _solver()
    solver.parameters.relative_gap_limit = NEAR_ENOUGH
    if solver.solve(model.m) not in _FOUND:
        return None, 0.0
    return tuple(i for i, u in enumerate(model.u) if solver.value(u)), solver.best_objective_bound


def _shared_out(problem: Problem, rows: tuple[int, ...] | None) -> Solved:
    model, solver = _Model(problem, rows=rows), _solver()
    status = solver.solve(model.m)
    if status not in _FOUND:
        return Solved((), 0, status == cp_model.INFEASIBLE, 0.0, feasible=False)
    value, bound = solver.objective_value, solver.best_objective_bound
    return Solved(
        tuple(tuple(i for i, x in enumerate(s.x) if solver.value(x)) for s in model.sessions),
        int(round(value)),
        status == cp_model.OPTIMAL,
        round(abs(bound - value) / max(1.0, abs(value)), 4),
    )


def possible(problem: Problem, given_up: frozenset[str] = frozenset(), must_meet: tuple[int, ...] = ()) -> bool:
    """Whether any choice holds.  Wishes in `given_up` do not bind; obligations in `must_meet` (rows) are met in a session."""
    model = _Model(problem, given_up, must_meet)
    model.m.clear_objective()
    return _solver().solve(model.m) in _FOUND


def _solver() -> cp_model.CpSolver:
    solver = cp_model.CpSolver()
    p = solver.parameters
    p.num_workers, p.random_seed, p.max_deterministic_time = 1, SEED, WORK_LIMIT
    p.linearization_level = 2  # mostly sums: what a linear relaxation says prunes best
    return solver


class _Model:
    def __init__(
        self,
        problem: Problem,
        given_up: frozenset[str] = frozenset(),
        must_meet: tuple[int, ...] = (),
        rows: tuple[int, ...] | None = None,
    ) -> None:
        self.m, self.problem, self.given_up = cp_model.CpModel(), problem, given_up
        self.sessions = [_Session(self, k) for k in range(problem.sessions)]
        self.u = self._used()
        if rows is not None:
            self.m.add(sum(u for i, u in enumerate(self.u) if i not in rows) == 0)
        self._families()
        self._all_together()
        share = FULL // problem.sessions
        value: Linear = FULL // 2 * self._coverage(self.u, MOST_IN_A_WEEK, "week")
        value += share * sum(s.value() for s in self.sessions)
        value += share // 2 * sum(self._coverage(s.x, MOST, f"session {s.k}") for s in self.sessions)
        value += sum(self._obligation(o, i in must_meet) for i, o in enumerate(problem.obligations))
        value += FULL * TASK * sum(self._any([i for i, c in enumerate(problem.pool) if c.family.id in t]) for t in problem.tasks)
        value += FULL * self.total(self.u, [taste(problem, c) for c in problem.pool])
        value += FULL * FUNCTION * sum(
            self._any(i for i, c in enumerate(problem.pool) if trains_it(c, p)) for p in problem.needs
        )
        value += FULL * POSITION * sum(self._any(rows) for rows in self.rows_by_position.values())
        value -= FULL * PROP * sum(self._any(rows) for rows in self._rows_by_prop().values())
        self.m.maximize(value)

    @cached_property
    def rows_by_position(self) -> dict[str, list[int]]:
        """Rows of the pool by position, in the order of a session."""
        rows = {p: [i for i, c in enumerate(self.problem.pool) if c.family.position == p] for p in self.problem.way()}
        return {p: own for p, own in rows.items() if own}

    def _rows_by_prop(self) -> dict[str, list[int]]:
        rows: dict[str, list[int]] = defaultdict(list)
        for i, c in enumerate(self.problem.pool):
            for prop in c.props:
                rows[prop].append(i)
        return dict(sorted(rows.items()))

    def total(self, variables: list[cp_model.IntVar], numbers: Iterable[int]) -> cp_model.LinearExpr:
        return cp_model.LinearExpr.weighted_sum(variables, list(numbers))

    def either(self, variables: Iterable[cp_model.IntVar], name: str = "any") -> cp_model.IntVar:
        """Whether one of them is chosen; never when there are none."""
        var = self.m.new_bool_var(name)
        self.m.add_max_equality(var, list(variables) or [self.m.new_constant(0)])
        return var

    def _any(self, rows: Iterable[int]) -> cp_model.IntVar:
        return self.either([self.u[i] for i in rows])

    def _used(self) -> list[cp_model.IntVar]:
        if len(self.sessions) == 1:
            return self.sessions[0].x
        return [self.either([s.x[i] for s in self.sessions], c.ref) for i, c in enumerate(self.problem.pool)]

    def _families(self) -> None:
        rows: dict[str, list[int]] = defaultdict(list)
        for i, c in enumerate(self.problem.pool):
            rows[c.family.id].append(i)
        for own in rows.values():
            fixed = sum(self.problem.pool[i].ref in self.problem.locked for i in own)
            self.m.add(sum(self.u[i] for i in own) <= max(1, fixed))
        there = {c.ref: i for i, c in enumerate(self.problem.pool)}
        for ref in self.problem.locked:
            if f"locked:{ref}" not in self.given_up:
                self.m.add(self.u[there[ref]] == 1) if ref in there else self.m.add_bool_or([])

    def _all_together(self) -> None:
        p = self.problem
        self.bind("movements", sum(self.u) <= p.most_movements)
        if p.most_new is not None:
            self.bind("new", self.total(self.u, [int(p.is_new(c)) for c in p.pool]) <= p.most_new)

    def bind(self, name: str, bound: cp_model.BoundedLinearExpression | bool) -> None:
        """A wish, unless it was given up."""
        if name not in self.given_up and not isinstance(bound, bool):
            self.m.add(bound)

    def _coverage(self, variables: list[cp_model.IntVar], most: int, name: str) -> Linear:
        total: Linear = 0
        for purpose, need in self.problem.needs.items():
            got = self.m.new_int_var(0, most, f"{name} {purpose}")
            self.m.add(got <= self.total(variables, [hundredths(c, purpose) for c in self.problem.pool]))
            total += need.weight * got
        return total

    def _obligation(self, o: Obligation, must: bool) -> Linear:
        pool, often = self.problem.pool, self.problem.sessions_for(o)
        seconds = [c.working_seconds if serves(c, o) else 0 for c in pool]
        least = max(1, round(60 * o.minutes))
        met = [self.m.new_bool_var(f"{o.id} in {s.k}") for s in self.sessions]
        for s, var in zip(self.sessions, met, strict=True):
            self.m.add(self.total(s.x, seconds) >= least * var)
        if must:
            self.m.add_bool_or(met)
        count = self.m.new_int_var(0, often, said("sessions of {id}", id=term(o.id)))
        self.m.add(count <= sum(met))
        return FULL * OBLIGED // often * count + FULL * WELL * self._any(
            i for i, c in enumerate(pool) if serves_well(c, o)
        )


class _Session:
    """One of the sessions: its own variables, bounds and worth."""

    def __init__(self, whole: _Model, k: int) -> None:
        self.whole, self.k, self.m, self.problem = whole, k, whole.m, whole.problem
        self.x = [self.m.new_bool_var(f"{c.ref} in {k}") for c in self.problem.pool]
        self.used = {
            p: whole.either([self.x[i] for i in rows], f"{p} in {k}") for p, rows in whole.rows_by_position.items()
        }
        self.changes = self._changes()
        self._bounds()
        self._begins_settled()

    def _rows(self, part: SessionPart, position: str = "") -> list[int]:
        pool = enumerate(self.problem.pool)
        return [i for i, c in pool if c.family.part is part and position in ("", c.family.position)]

    def _changes(self) -> Linear:
        """Positions used but one; none when nothing is chosen."""
        if not self.used:
            return 0
        changes = self.m.new_int_var(0, len(self.used), said("changes in {k}", k=term(self.k)))
        self.m.add_max_equality(changes, [sum(self.used.values()) - 1, 0])
        return changes

    def _bounds(self) -> None:
        p, pool, whole = self.problem, self.problem.pool, self.whole
        whole.bind("minutes", whole.total(self.x, [c.seconds for c in pool]) + CHANGE_S * self.changes <= p.seconds)
        whole.bind("changes", self.changes <= p.most_changes)
        whole.bind("effort", whole.total(self.x, [effort_surplus(p, c) for c in pool]) <= 0)
        whole.bind("load", whole.total(self.x, [c.load_seconds for c in pool]) <= p.load_seconds)
        whole.bind("movements", sum(self.x) <= max(MOST_MOVEMENTS, len(p.locked)))
        for part in (SessionPart.RESTS, SessionPart.CARRIES_OVER):  # one of each at most
            self.m.add(sum(self.x[i] for i in self._rows(part) if pool[i].ref not in p.locked) <= 1)

    def _begins_settled(self) -> None:
        """A position comes first only with something in it that settles."""
        if not self.problem.settling:
            return
        free: dict[str, cp_model.IntVar] = {}
        for p, rows in self.whole.rows_by_position.items():
            own = [i for i in rows if self.problem.pool[i].ref not in self.problem.locked]
            free[p] = self.whole.either([self.x[i] for i in own], said("free {p} in {k}", p=term(p), k=term(self.k)))
            before = [v for q, v in free.items() if q != p]
            if p in self.problem.may_begin_cold:
                continue
            self.m.add(free[p] <= sum(before) + sum(self.x[i] for i in self._rows(SessionPart.SETTLES, p)))

    def _ends_with_a_task(self) -> Linear:
        """One of the positions holds a task of daily life and no later one is used."""
        ends: list[cp_model.IntVar] = []
        for at, p in enumerate(self.used):
            rows = self._rows(SessionPart.CARRIES_OVER, p)
            if rows:
                var = self.m.new_bool_var(said("task in {p} in {k}", p=term(p), k=term(self.k)))
                self.m.add(var <= sum(self.x[i] for i in rows))
                for later in list(self.used)[at + 1 :]:
                    self.m.add(var + self.used[later] <= 1)
                ends.append(var)
        if not ends:
            return 0
        self.m.add(sum(ends) <= 1)
        return sum(ends)

    def value(self) -> Linear:
        """What the session is worth by itself, beside what it covers."""
        settled = self.whole.either([self.x[i] for i in self._rows(SessionPart.SETTLES)])
        total = SETTLED * settled + ENDS * self._ends_with_a_task() - CHANGE * self.changes
        if self.problem.rests:
            total += REST * self.whole.either([self.x[i] for i in self._rows(SessionPart.RESTS)])
        return total


__all__ = ["SEED", "WORK_LIMIT", "Solved", "possible", "solve_problem"]
