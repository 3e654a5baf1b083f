"""Every sentence in which a programme says why a movement is in it and why another is not.

All of them stand here, each a whole sentence with names that a person knows.
"""

from collections.abc import Sequence

from amvel.languages import said, said_together, term
from amvel.movements import Position
from amvel.movements.session_part import SessionPart
from amvel.planning.choices import Choice
from amvel.planning.item import CHANGE_S
from amvel.planning.problem import Problem, Sessions, changes_of, different, serves, spent_seconds
from amvel.planning.purposes import COVERS, words

_PARTS = {
    SessionPart.SETTLES: said("It settles breath and belly before anything is loaded."),
    SessionPart.RESTS: said("It is a rest between the others."),
    SessionPart.CARRIES_OVER: said("It takes the practice into daily life."),
}
_MOST_BECAUSE = 2


def why_in(problem: Problem, c: Choice) -> str:
    """Why a movement is in: what it works on and because of what, what it counts for, where it stands on its way up."""
    mine = sorted(c.step.purposes, key=lambda p: -c.step.purposes[p] * _weight(problem, p))[:2]
    obliged = [o.title for o in problem.obligations if serves(c, o)]
    because = [b for p in mine for b in (problem.needs[p].because if p in problem.needs else ()) if b not in obliged]
    lines = [
        _PARTS.get(c.family.part, ""),
        said("It comes nearest to what the goal itself asks.") if any(c.family.id in t for t in problem.tasks) else "",
        _works_on(mine, list(dict.fromkeys(because))[:_MOST_BECAUSE]),
        said("It is liked.") if {c.family.id, c.ref} & problem.likes else "",
        said("It counts for: {what}.", what=said_together(obliged, "; ")) if obliged else "",
        *(_sentence(why) for why in dict.fromkeys(why for d in c.doses for why in d.why)),
        _sentence(c.ready.why),
    ]
    return said_together((x for x in lines if x), " ")


def _works_on(purposes: Sequence[str], because: Sequence[str]) -> str:
    what = said_together((words(p) for p in purposes), said(" and "))
    if not because:
        return said("It works on {what}.", what=what)
    return said("It works on {what}, because of {why}.", what=what, why=said_together(because, "; "))


def _weight(problem: Problem, purpose: str) -> int:
    return problem.needs[purpose].weight if purpose in problem.needs else 0


def _sentence(text: str) -> str:
    return said_together((said(text).opening(), "."))


def served_by(c: Choice, chosen: Sequence[Choice]) -> Choice | None:
    """The movement of the programme that serves what this one serves most, at least as far as it would, or in full."""
    main = _main(c)
    rivals = [o for o in chosen if o.purposes.get(main, 0.0) >= min(c.purposes[main], COVERS)]
    return max(rivals, key=lambda o: (o.purposes[main], o.ref), default=None)


def _main(c: Choice) -> str:
    return max(c.purposes, key=lambda p: c.purposes[p])


def why_left_out(problem: Problem, c: Choice, chosen: Sequence[Choice]) -> str:
    """Why an admissible movement was not chosen."""
    same = next((o for o in chosen if o.family.id == c.family.id), None)
    if same is not None:
        return said("{title} of the same kind is in.", title=term(same.step.title))
    if problem.is_new(c) and any(problem.is_new(o) for o in chosen):
        return said("One new movement a week is enough, and another one is in.")
    if {c.family.id, c.ref} & problem.dislikes:
        return said("It is not liked.")
    if c.family.part is SessionPart.RESTS and any(o.family.part is SessionPart.RESTS for o in chosen):
        return said("Another rest is in.")
    if c.family.part is SessionPart.CARRIES_OVER and sum(o.family.part is SessionPart.CARRIES_OVER for o in chosen) >= problem.sessions:
        return said("Each session ends with one task of daily life, and others are in.")
    rival = served_by(c, chosen)
    if rival is not None:
        return said("{what} is served by {title}.", what=said(words(_main(c))).opening(), title=term(rival.family.title))
    if len(chosen) >= problem.most_movements:
        return said("More than {most_movements} movements are too many to learn at a time.", most_movements=term(problem.most_movements))
    return said("{what} counts less here than what is in.", what=said(words(_main(c))).opening())


def positions_left(problem: Problem, sessions: Sessions) -> dict[Position, str]:
    """Positions in which something could be done and nothing is, with why."""
    used = {c.family.position for chosen in sessions for c in chosen}
    left = {c.family.position for c in problem.pool} - used
    shortest = {p: min(c.seconds for c in problem.pool if c.family.position == p) for p in left}
    return {p: _why_not_there(problem, sessions, shortest[p]) for p in problem.way() if p in left}


def _why_not_there(problem: Problem, sessions: Sessions, seconds: int) -> str:
    reasons = []
    if all(spent_seconds(s) + seconds + CHANGE_S > problem.seconds for s in sessions):
        reasons.append(said("every session is full"))
    if all(changes_of(s) >= problem.most_changes for s in sessions):
        reasons.append(said("no session changes position oftener than {most_changes} times", most_changes=term(problem.most_changes)))
    if len(different(sessions)) >= problem.most_movements:
        reasons.append(said("more than {most_movements} movements are too many to learn at a time", most_movements=term(problem.most_movements)))
    return _sentence(said_together(reasons, said(" and "))) if reasons else said("What it serves is served in other positions.")


__all__ = ["positions_left", "served_by", "why_in", "why_left_out"]
