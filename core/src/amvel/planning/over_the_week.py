"""What to choose for the week as a whole, before it is shared out over the sessions.

The same question as in `solve.py` with the sessions added up: how many of them a step is done in, not which.  Every bound
is that of one session times their number, so that no sharing-out can be worth more than what is found here.
"""

from collections import defaultdict
from collections.abc import Iterable

from ortools.sat.python import cp_model

from amvel.languages import said, term
from amvel.movements.session_part import SessionPart
from amvel.planning.item import CHANGE_S
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

Linear = cp_model.LinearExpr | int


class OverTheWeek:
    """The model: per step whether it is chosen, and in how many sessions."""

    def __init__(self, problem: Problem) -> None:
        self.m, self.problem, self.pool = cp_model.CpModel(), problem, problem.pool
        self.u = [self.m.new_bool_var(c.ref) for c in self.pool]
        self.n = [self.m.new_int_var(0, problem.sessions, said("sessions with {ref}", ref=term(c.ref))) for c in self.pool]
        for u, n in zip(self.u, self.n, strict=True):
            self.m.add(n >= u)
            self.m.add(n <= problem.sessions * u)
        self.places = self._places()
        self._bounds()
        self._families()
        self._settled()
        self.m.maximize(self._worth())

    def _total(self, variables: list[cp_model.IntVar], numbers: Iterable[int]) -> cp_model.LinearExpr:
        return cp_model.LinearExpr.weighted_sum(variables, list(numbers))

    def _rows(self, part: SessionPart) -> list[int]:
        return [i for i, c in enumerate(self.pool) if c.family.part is part]

    def _places(self) -> dict[str, cp_model.IntVar]:
        """In how many sessions each position is used."""
        rows: dict[str, list[int]] = defaultdict(list)
        for i, c in enumerate(self.pool):
            rows[c.family.position].append(i)
        out = {}
        for position, own in rows.items():
            out[position] = self.m.new_int_var(0, self.problem.sessions, f"sessions {position}")
            for i in own:
                self.m.add(self.n[i] <= out[position])
        return out

    def _bounds(self) -> None:
        p, pool = self.problem, self.pool
        all_places, times = sum(self.places.values()), p.sessions
        seconds = self._total(self.n, [c.seconds for c in pool]) + CHANGE_S * all_places
        self.m.add(seconds <= times * (p.seconds + CHANGE_S))
        self.m.add(all_places <= times * (p.most_changes + 1))
        self.m.add(self._total(self.n, [effort_surplus(p, c) for c in pool]) <= 0)
        self.m.add(self._total(self.n, [c.load_seconds for c in pool]) <= times * p.load_seconds)
        self.m.add(sum(self.n) <= times * max(MOST_MOVEMENTS, len(p.locked)))
        self.m.add(sum(self.u) <= p.most_movements)
        if p.most_new is not None:
            self.m.add(self._total(self.u, [int(p.is_new(c)) for c in pool]) <= p.most_new)
        for part in (SessionPart.RESTS, SessionPart.CARRIES_OVER):
            rows = [i for i in self._rows(part) if pool[i].ref not in p.locked]
            self.m.add(sum(self.n[i] for i in rows) <= times)

    def _families(self) -> None:
        rows: dict[str, list[int]] = defaultdict(list)
        for i, c in enumerate(self.pool):
            rows[c.family.id].append(i)
        for own in rows.values():
            fixed = sum(self.pool[i].ref in self.problem.locked for i in own)
            self.m.add(sum(self.u[i] for i in own) <= max(1, fixed))
        there = {c.ref: i for i, c in enumerate(self.pool)}
        for ref in self.problem.locked:
            self.m.add(self.u[there[ref]] == 1) if ref in there else self.m.add_bool_or([])

    def _settled(self) -> None:
        """Whatever is done comes after something that settles, in the same position or an earlier one."""
        if not self.problem.settling:
            return
        way, cold = self.problem.way(), self.problem.may_begin_cold
        for i, c in enumerate(self.pool):
            if c.ref not in self.problem.locked and not cold:
                at = way.index(c.family.position)
                before = [j for j in self._rows(SessionPart.SETTLES) if way.index(self.pool[j].family.position) <= at]
                self.m.add(self.n[i] <= sum(self.n[j] for j in before))

    def _at_most(self, rows: Iterable[int], variables: list[cp_model.IntVar], most: int) -> cp_model.IntVar:
        got = self.m.new_int_var(0, most, "got")
        self.m.add(got <= sum(variables[i] for i in rows))
        return got

    def _any(self, rows: Iterable[int]) -> cp_model.IntVar:
        """At least whether one of them is chosen: it costs, so that it is no more."""
        used = self.m.new_bool_var("any")
        for i in rows:
            self.m.add(used >= self.u[i])
        return used

    def _worth(self) -> Linear:
        p, share = self.problem, FULL // self.problem.sessions
        value: Linear = FULL // 2 * self._coverage(self.u, MOST_IN_A_WEEK)
        value += share // 2 * self._coverage(self.n, p.sessions * MOST)
        value -= share * CHANGE * self._changes()
        for part, points in ((SessionPart.CARRIES_OVER, ENDS), (SessionPart.SETTLES, SETTLED), (SessionPart.RESTS, REST if p.rests else 0)):
            value += share * points * self._at_most(self._rows(part), self.n, p.sessions)
        value += sum(self._obligation(o) for o in p.obligations)
        value += FULL * TASK * sum(self._at_most([i for i, c in enumerate(self.pool) if c.family.id in t], self.u, 1) for t in p.tasks)
        value += FULL * self._total(self.u, [taste(p, c) for c in self.pool])
        for purpose in p.needs:
            rows = [i for i, c in enumerate(self.pool) if trains_it(c, purpose)]
            value += FULL * FUNCTION * self._at_most(rows, self.u, 1)
        for position in self.places:
            rows = [i for i, c in enumerate(self.pool) if c.family.position == position]
            value += FULL * POSITION * self._at_most(rows, self.u, 1)
        for prop in sorted(frozenset().union(*(c.props for c in self.pool))):
            value -= FULL * PROP * self._any(i for i, c in enumerate(self.pool) if prop in c.props)
        return value

    def _changes(self) -> cp_model.IntVar:
        changes = self.m.new_int_var(0, self.problem.sessions * len(self.places), "changes")
        self.m.add(changes >= sum(self.places.values()) - self.problem.sessions)
        return changes

    def _coverage(self, variables: list[cp_model.IntVar], most: int) -> Linear:
        total: Linear = 0
        for purpose, need in self.problem.needs.items():
            got = self.m.new_int_var(0, most, purpose)
            self.m.add(got <= self._total(variables, [hundredths(c, purpose) for c in self.pool]))
            total += need.weight * got
        return total

    def _obligation(self, o: Obligation) -> Linear:
        often = self.problem.sessions_for(o)
        rows = [i for i, c in enumerate(self.pool) if serves(c, o)]
        met = self._at_most(rows, self.n, often)
        least = round(60 * o.minutes)
        self.m.add(self._total(self.n, [c.working_seconds if serves(c, o) else 0 for c in self.pool]) >= least * met)
        well = self._at_most([i for i in rows if serves_well(self.pool[i], o)], self.u, 1)
        return FULL * OBLIGED // often * met + FULL * WELL * well


__all__ = ["Linear", "OverTheWeek"]
