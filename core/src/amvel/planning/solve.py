"""The programme problem for CP-SAT.  Deterministic: one worker, a fixed seed, a deterministic work limit, no clock."""

from collections import defaultdict
from collections.abc import Callable
from dataclasses import dataclass

from ortools.sat.python import cp_model

from amvel.planning.choices import Choice
from amvel.planning.problem import (
    CHANGE,
    CHANGE_S,
    MOST,
    OBLIGED,
    PROP,
    TASK,
    WELL,
    Problem,
    effort_surplus,
    hundredths,
    serves,
    serves_well,
    taste,
)

WORK_LIMIT = 20.0
SEED = 7


@dataclass(frozen=True)
class Solved:
    """Rows of the pool that were chosen; `feasible` is False when the wishes contradict each other."""

    chosen: tuple[int, ...]
    worth: int
    optimal: bool
    gap: float
    feasible: bool = True


def solve_problem(
    problem: Problem, given_up: frozenset[str] = frozenset(), must_meet: tuple[int, ...] = ()
) -> Solved:
    """The best choice.  Wishes in `given_up` do not bind; obligations in `must_meet` (rows) have to be met."""
    model = _Model(problem, given_up, must_meet)
    solver = cp_model.CpSolver()
    p = solver.parameters
    p.num_workers, p.random_seed, p.max_deterministic_time = 1, SEED, WORK_LIMIT
    status = solver.solve(model.m)
    if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return Solved((), 0, status == cp_model.INFEASIBLE, 0.0, feasible=False)
    value, bound = solver.objective_value, solver.best_objective_bound
    return Solved(
        tuple(i for i, x in enumerate(model.x) if solver.value(x)),
        int(round(value)),
        status == cp_model.OPTIMAL,
        round(abs(bound - value) / max(1.0, abs(value)), 4),
    )


class _Model:
    def __init__(self, problem: Problem, given_up: frozenset[str], must_meet: tuple[int, ...]) -> None:
        self.m, self.problem, self.given_up = cp_model.CpModel(), problem, given_up
        self.x = [self.m.new_bool_var(c.ref) for c in problem.pool]
        self._families()
        changes = self._changes()
        self._bounds(changes)
        met = [self._met(serves, o.purposes, i in must_meet) for i, o in enumerate(problem.obligations)]
        well = [self._met(serves_well, o.purposes, False) for o in problem.obligations]
        tasks = [self._task(families) for families in problem.tasks]
        own = sum(taste(problem, c) * x for c, x in zip(problem.pool, self.x, strict=True))
        self.m.maximize(
            self._coverage()
            + own
            - CHANGE * changes
            - PROP * self._props()
            + OBLIGED * sum(met)
            + WELL * sum(well)
            + TASK * sum(tasks)
        )

    def _sum(self, numbers: list[int]) -> cp_model.LinearExpr:
        return cp_model.LinearExpr.weighted_sum(self.x, numbers)

    def _families(self) -> None:
        rows: dict[str, list[int]] = defaultdict(list)
        for i, c in enumerate(self.problem.pool):
            rows[c.family.id].append(i)
        for own in rows.values():
            fixed = sum(self.problem.pool[i].ref in self.problem.locked for i in own)
            self.m.add(sum(self.x[i] for i in own) <= max(1, fixed))
        there = {c.ref: i for i, c in enumerate(self.problem.pool)}
        for ref in self.problem.locked:
            if f"locked:{ref}" not in self.given_up:
                self.m.add(self.x[there[ref]] == 1) if ref in there else self.m.add_bool_or([])

    def _any(self, rows: list[int], name: str) -> cp_model.IntVar:
        used = self.m.new_bool_var(name)
        self.m.add_max_equality(used, [self.x[i] for i in rows])
        return used

    def _changes(self) -> cp_model.LinearExpr | int:
        """Positions used but one; none when nothing is chosen."""
        rows: dict[str, list[int]] = defaultdict(list)
        for i, c in enumerate(self.problem.pool):
            rows[c.family.position].append(i)
        if not rows:
            return 0
        used = [self._any(own, f"in {position}") for position, own in rows.items()]
        changes = self.m.new_int_var(0, len(used), "changes")
        self.m.add_max_equality(changes, [sum(used) - 1, 0])
        return changes

    def _props(self) -> cp_model.LinearExpr | int:
        rows: dict[str, list[int]] = defaultdict(list)
        for i, c in enumerate(self.problem.pool):
            for prop in c.props:
                rows[prop].append(i)
        return sum(self._any(own, f"fetch {prop}") for prop, own in sorted(rows.items()))

    def _bounds(self, changes: cp_model.LinearExpr | int) -> None:
        p, pool = self.problem, self.problem.pool
        bounds = {
            "minutes": self._sum([c.seconds for c in pool]) + CHANGE_S * changes <= p.seconds,
            "changes": changes <= p.most_changes,
            "effort": self._sum([effort_surplus(p, c) for c in pool]) <= 0,
            "load": self._sum([c.load_seconds for c in pool]) <= p.load_seconds,
            "movements": self._sum([1] * len(pool)) <= p.most_movements,
        }
        if p.most_new is not None:
            bounds["new"] = self._sum([int(p.is_new(c)) for c in pool]) <= p.most_new
        for name, bound in bounds.items():
            if name not in self.given_up and not isinstance(bound, bool):
                self.m.add(bound)

    def _coverage(self) -> cp_model.LinearExpr | int:
        total: cp_model.LinearExpr | int = 0
        for purpose, need in self.problem.needs.items():
            got = self.m.new_int_var(0, MOST, purpose)
            self.m.add(got <= self._sum([hundredths(c, purpose) for c in self.problem.pool]))
            total += need.weight * got
        return total

    def _task(self, families: frozenset[str]) -> cp_model.IntVar | int:
        """Whether one of a goal's own families is in."""
        rows = [i for i, c in enumerate(self.problem.pool) if c.family.id in families]
        return self._any(rows, "+".join(sorted(families))) if rows else 0

    def _met(
        self, counts: Callable[[Choice, tuple[str, ...]], bool], purposes: tuple[str, ...], must: bool
    ) -> cp_model.IntVar:
        met = self.m.new_bool_var("+".join(purposes))
        rows = [i for i, c in enumerate(self.problem.pool) if counts(c, purposes)]
        self.m.add(met <= sum(self.x[i] for i in rows)) if rows else self.m.add(met == 0)
        if must:
            self.m.add(met == 1)
        return met


__all__ = ["SEED", "WORK_LIMIT", "Solved", "solve_problem"]
