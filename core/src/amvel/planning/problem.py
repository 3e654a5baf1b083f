"""The question a programme answers: which steps in which of its sessions, what they are worth, and what must hold.

A programme is one to three sessions that alternate over the week.  `worth` and `broken` say so in plain arithmetic; the
solver's model says the same in its own terms, and the tests hold the two against each other on every small instance.
"""

from collections.abc import Collection, Iterable, Sequence
from dataclasses import dataclass, field

from amvel.languages import said, term
from amvel.movements.session_part import SessionPart
from amvel.planning.choices import Choice
from amvel.planning.item import CHANGE_S, UPRIGHT, way_through
from amvel.planning.needs import Need
from amvel.planning.obligations import counts_for
from amvel.planning.purposes import COVERS, COVERS_WELL
from amvel.planning.variation import variation
from amvel.safety import Obligation
from amvel.sources import ours

MOST_MOVEMENTS = 8  # in a session
MORE_A_SESSION = 3  # different movements that each further session may bring (our choice)
# In points; a fully covered need is worth 100 times its weight (all our choice).
CHANGE, DISLIKE, LIKE, NEW, OBLIGED, PROP, CHANGED, RUNG, NEAR, WELL, TASK = 120, 1500, 800, 15, 5000, 12, 10, 20, 180, 1500, 1200
POSITION, ENDS, REST, SETTLED, FUNCTION = 300, 200, 120, 150, 600
MOST = 120  # a need counts at most so much in a session; 100 covers it
MOST_IN_A_WEEK = 160  # and so much over all sessions: the second movement for it still counts
FULL = 12  # worth is reckoned in twelfths, so that two and three sessions share it without rest
WEIGHTS = ours("weights of the programme's aims")
Sessions = Sequence[Collection[Choice]]


@dataclass(frozen=True)
class Wish:
    """Something asked for that could be given up: how it reads, and what giving it up would mean."""

    id: str
    says: str
    relax: str


@dataclass(frozen=True)
class Problem:
    """One programme to be found.  Times in seconds, for each session; `most_new` is None when nothing came before.

    Steps in `near` are kept where they do as well: nobody wants another session for five minutes less.  `tasks` are the
    families of each goal's own task, one of which is wanted.  `days` a week are given; `person` tells equals apart.
    """

    pool: tuple[Choice, ...]
    needs: dict[str, Need] = field(hash=False)
    obligations: tuple[Obligation, ...]
    seconds: int
    effort: float
    load_seconds: int
    most_changes: int
    most_new: int | None
    previous: frozenset[str]
    dislikes: frozenset[str]
    likes: frozenset[str] = frozenset()
    locked: tuple[str, ...] = ()
    near: frozenset[str] = frozenset()
    tasks: tuple[frozenset[str], ...] = ()
    sessions: int = 1
    days: int = 7
    rests: bool = False
    backwards: bool = False  # from standing to lying
    person: str = ""

    def wishes(self) -> list[Wish]:
        """Everything that was asked for and that limits the choice, in the order in which one would give way."""
        out = [
            Wish("minutes", said("{minutes} minutes", minutes=self.seconds // 60), said("more minutes")),
            Wish("changes", said("at most {most_changes} changes of position", most_changes=term(self.most_changes)), said("one more change of position")),
            Wish("effort", said("mean effort of {effort} at most", effort=float(self.effort)), said("a higher effort")),
            Wish("load", said("a lumbar load of {what} standing minutes", what=round(self.load_seconds / 60)), said("a higher lumbar load")),
            Wish("movements", said("at most {most_movements} movements", most_movements=term(self.most_movements)), said("more movements")),
        ]
        if self.most_new is not None:
            movements = said("at most {most_new} new movement{what1}", most_new=term(self.most_new), what1=term('s' if self.most_new != 1 else ''))
            out.append(Wish("new", movements, "another new movement"))
        return out + [
            Wish(f"locked:{r}", said("{what} stays in", what=term(r.replace('/', ': ').replace('_', ' '))), said("letting it go"))
            for r in self.locked
        ]

    @property
    def most_movements(self) -> int:
        """Different ones in all sessions together."""
        return max(MOST_MOVEMENTS + MORE_A_SESSION * (self.sessions - 1), len(self.locked))

    def is_new(self, c: Choice) -> bool:
        return self.most_new is not None and c.ref not in self.previous

    def sessions_for(self, o: Obligation) -> int:
        """In how many of the sessions an obligation has to be met."""
        return sessions_to_meet(o, self.sessions, self.days)

    def way(self) -> list[str]:
        """The positions in the order in which a session goes through them."""
        return list(way_through(self.backwards))

    @property
    def may_begin_cold(self) -> frozenset[str]:
        """Positions that may come first with nothing that settles: on the feet, for who must begin there and has nothing."""
        settles = any(c.family.part is SessionPart.SETTLES and c.family.position in UPRIGHT for c in self.pool)
        return frozenset(UPRIGHT) if self.backwards and not settles else frozenset()

    @property
    def settling(self) -> bool:
        """Whether anything here settles, so that a session can begin with it."""
        return any(c.family.part is SessionPart.SETTLES for c in self.pool)


def sessions_to_meet(o: Obligation, sessions: int, days: int) -> int:
    """In how many of the sessions, so that it comes to its days among those that are given."""
    return max(1, min(sessions, -(-o.days_per_week * sessions // days)))


def serves(c: Choice, o: Obligation) -> bool:
    """Whether a step counts for an obligation; what has to be alike on both sides is done on both."""
    return counts_for(c.step, len(c.verdicts), o)


def serves_well(c: Choice, o: Obligation) -> bool:
    """Whether the version that is allowed serves it in full."""
    return serves(c, o) and any(w >= COVERS_WELL for p, w in c.purposes.items() if p in o.purposes)


def meets(chosen: Iterable[Choice], o: Obligation) -> bool:
    """Whether one session meets an obligation, with the working minutes that it asks."""
    own = [c for c in chosen if serves(c, o)]
    return bool(own) and sum(c.working_seconds for c in own) >= round(60 * o.minutes)


def trains_it(c: Choice, purpose: str) -> bool:
    """Whether a step is work for this function, and not only beside it."""
    return c.step.purposes.get(purpose, 0.0) >= COVERS


def hundredths(c: Choice, purpose: str) -> int:
    """How far one step covers a need, in hundredths."""
    return int(100 * c.purposes.get(purpose, 0.0) + 1e-6)


def taste(problem: Problem, c: Choice) -> int:
    """What one step adds or costs by itself: new, disliked, changed, how high on its ladder, and what tells equals apart."""
    score = -NEW if problem.previous and c.ref not in problem.previous else 0
    score += NEAR if c.ref in problem.near else 0
    score -= DISLIKE if {c.family.id, c.ref} & problem.dislikes else 0
    score += LIKE if {c.family.id, c.ref} & problem.likes else 0
    ready = [o.rung for o in problem.pool if o.family.id == c.family.id]
    score += RUNG * ready.index(c.rung) if c.rung in ready else 0
    score += variation(problem.person, c.family.id)
    return score - CHANGED * sum(v.verdict == "modified" for v in c.verdicts)


def spent_seconds(chosen: Collection[Choice]) -> int:
    """Set-up, work and changes of position of one session."""
    return sum(c.seconds for c in chosen) + CHANGE_S * changes_of(chosen)


def changes_of(chosen: Collection[Choice]) -> int:
    return max(0, len({c.family.position for c in chosen}) - 1)


def different(sessions: Sessions) -> list[Choice]:
    """Every step of any session, once."""
    return list({c.ref: c for chosen in sessions for c in chosen}.values())


def covered(chosen: Collection[Choice], purpose: str, most: int = MOST) -> int:
    """How far a need is covered, in hundredths."""
    return min(most, sum(hundredths(c, purpose) for c in chosen))


def ends_with_a_task(problem: Problem, chosen: Collection[Choice]) -> bool:
    """Whether the last position of a session holds a task of daily life."""
    used = [p for p in problem.way() if p in {c.family.position for c in chosen}]
    return bool(used) and any(c.family.part is SessionPart.CARRIES_OVER and c.family.position == used[-1] for c in chosen)


def worth(problem: Problem, sessions: Sessions) -> int:
    """The points of a choice, in twelfths; more is better.  What is done in every session counts as much as in one of one."""
    own, share = different(sessions), FULL // problem.sessions
    total = FULL // 2 * sum(n.weight * covered(own, p, MOST_IN_A_WEEK) for p, n in problem.needs.items())
    for chosen in sessions:
        total += share // 2 * sum(n.weight * covered(chosen, p) for p, n in problem.needs.items())
        total -= share * CHANGE * changes_of(chosen)
        total += share * ENDS * ends_with_a_task(problem, chosen)
        total += share * REST * (problem.rests and any(c.family.part is SessionPart.RESTS for c in chosen))
        total += share * SETTLED * any(c.family.part is SessionPart.SETTLES for c in chosen)
    for o in problem.obligations:
        often = problem.sessions_for(o)
        total += FULL * OBLIGED // often * min(often, sum(meets(chosen, o) for chosen in sessions))
        total += FULL * WELL * any(serves_well(c, o) for c in own)
    total += FULL * TASK * sum(any(c.family.id in t for c in own) for t in problem.tasks)
    total += FULL * sum(taste(problem, c) for c in own)
    total += FULL * FUNCTION * sum(any(trains_it(c, p) for c in own) for p in problem.needs)
    total += FULL * POSITION * len({c.family.position for c in own})
    return total - FULL * PROP * len(frozenset().union(*(c.props for c in own)))


def broken(problem: Problem, sessions: Sessions) -> list[str]:
    """The ids of every wish that a choice breaks, 'family' when one ladder stands twice, 'begin' when a session begins cold,
    'rest' when it rests twice, 'tasks' when it has two tasks of daily life; empty when it holds."""
    own = different(sessions)
    out = [fault for chosen in sessions for fault in _broken_by(problem, chosen)]
    if len(own) > problem.most_movements:
        out.append("movements")
    if problem.most_new is not None and sum(problem.is_new(c) for c in own) > problem.most_new:
        out.append("new")
    refs = {c.ref for c in own}
    out += [f"locked:{r}" for r in problem.locked if r not in refs]
    families = [c.family.id for c in own]
    for f in sorted(set(families)):
        kept = sum(c.family.id == f and c.ref in problem.locked for c in own)
        if families.count(f) > max(1, kept):
            out.append("family")
    return list(dict.fromkeys(out))


def _broken_by(problem: Problem, chosen: Collection[Choice]) -> list[str]:
    """What one session breaks."""
    free = [c for c in chosen if c.ref not in problem.locked]
    tests = {
        "minutes": spent_seconds(chosen) > problem.seconds,
        "changes": changes_of(chosen) > problem.most_changes,
        "effort": sum(effort_surplus(problem, c) for c in chosen) > 0,
        "load": sum(c.load_seconds for c in chosen) > problem.load_seconds,
        "movements": len(chosen) > max(MOST_MOVEMENTS, len(problem.locked)),
        "begin": begins_cold(problem, chosen),
        "rest": sum(c.family.part is SessionPart.RESTS for c in free) > 1,
        "tasks": sum(c.family.part is SessionPart.CARRIES_OVER for c in free) > 1,
    }
    return [name for name, broke in tests.items() if broke]


def begins_cold(problem: Problem, chosen: Collection[Choice]) -> bool:
    """Whether the first position of a session holds nothing that settles, though something here would; locked steps bind nothing."""
    free = [c for c in chosen if c.ref not in problem.locked]
    if not free or not problem.settling:
        return False
    first = next(p for p in problem.way() if p in {c.family.position for c in free})
    if first in problem.may_begin_cold:
        return False
    return not any(c.family.part is SessionPart.SETTLES and c.family.position == first for c in chosen)


def effort_surplus(problem: Problem, c: Choice) -> int:
    """How far one step lies above the mean effort that was chosen, weighted by its time."""
    return int(round(10 * (c.step.effort - problem.effort))) * c.seconds


__all__ = [
    "CHANGE",
    "ENDS",
    "FULL",
    "FUNCTION",
    "MOST",
    "MOST_IN_A_WEEK",
    "MOST_MOVEMENTS",
    "OBLIGED",
    "POSITION",
    "PROP",
    "REST",
    "SETTLED",
    "TASK",
    "WEIGHTS",
    "WELL",
    "Problem",
    "Sessions",
    "Wish",
    "begins_cold",
    "broken",
    "changes_of",
    "covered",
    "different",
    "effort_surplus",
    "ends_with_a_task",
    "hundredths",
    "meets",
    "serves",
    "serves_well",
    "sessions_to_meet",
    "spent_seconds",
    "taste",
    "trains_it",
    "worth",
]
