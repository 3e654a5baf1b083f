"""When wishes contradict each other: the smallest set of them that cannot stand together, and what to give up.

A limit is never offered: only what was asked for can give way.
"""

from dataclasses import dataclass

from amvel.languages import said, said_together, term
from amvel.planning.problem import Problem, Wish


@dataclass(frozen=True)
class Conflict:
    """Wishes of which at least one has to give way; none are named when only limits stand in the way."""

    wishes: tuple[Wish, ...]

    def says(self) -> str:
        if not self.wishes:
            return ""
        names = [w.says for w in self.wishes]
        asked = said(names[0]) if len(names) == 1 else said("{first} and {last}", first=said_together(map(said, names[:-1]), ", "), last=said(names[-1]))
        return (
            said("{asked} do not go together; {what1} would help", asked=term(asked), what1=said_together(dict.fromkeys(said(w.relax) for w in self.wishes), said(" or ")))
            if len(names) > 1
            else said("{asked} stands in the way; {relax} would help", asked=term(asked), relax=term(self.wishes[0].relax))
        )


def conflict(problem: Problem, must_meet: tuple[int, ...] = ()) -> Conflict | None:
    """The smallest such set by deletion: each wish is given up in turn, and stays given up while that does not help.

    None when there is no conflict.  No single wish of the answer can be left out of it.
    """
    # The solver takes half a second to read, for processes that plan nothing.
    from amvel.planning.solve import possible

    wishes = problem.wishes()
    if possible(problem, frozenset(), must_meet):
        return None
    if not possible(problem, frozenset(w.id for w in wishes), must_meet):
        return Conflict(())
    given_up: set[str] = set()
    for wish in wishes:
        if not possible(problem, frozenset(given_up | {wish.id}), must_meet):
            given_up.add(wish.id)  # it contradicts all the same: this wish is not part of it
    return Conflict(tuple(w for w in wishes if w.id not in given_up))


__all__ = ["Conflict", "conflict"]
