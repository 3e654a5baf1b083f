"""The question a programme answers: what may be chosen, what it is worth, and what must hold.

`worth` and `broken` say so in plain arithmetic; the solver's model says the same in its own terms, and the tests hold
the two against each other on every small instance.
"""

from collections.abc import Collection
from dataclasses import dataclass, field

from amvel.planning.choices import Choice
from amvel.planning.needs import Need
from amvel.planning.purposes import COVERS, COVERS_WELL
from amvel.safety import Obligation
from amvel.sources import ours

CHANGE_S = 90  # from one position to the next; common practice: a minute or two
MOST_MOVEMENTS = 8
# In points; a fully covered need is worth 100 times its weight (all our choice).
CHANGE, DISLIKE, NEW, OBLIGED, PROP, CHANGED, RUNG, NEAR, WELL, TASK = (
    120,
    250,
    15,
    5000,
    12,
    10,
    20,
    180,
    1500,
    1200,
)
MOST = 120  # a need counts at most so much; 100 covers it
WEIGHTS = ours("weights of the programme's aims")


@dataclass(frozen=True)
class Wish:
    """Something asked for that could be given up: how it reads, and what giving it up would mean."""

    id: str
    says: str
    relax: str


@dataclass(frozen=True)
class Problem:
    """One programme to be found.  Times in seconds; `most_new` is None when nothing came before.

    Steps in `near` are kept where they do as well: nobody wants another session for five minutes less.
    `tasks` are the families of each goal's own task, one of which is wanted.
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
    locked: tuple[str, ...] = ()
    near: frozenset[str] = frozenset()
    tasks: tuple[frozenset[str], ...] = ()

    def wishes(self) -> list[Wish]:
        """Everything that was asked for and that limits the choice, in the order in which one would give way."""
        out = [
            Wish("minutes", f"{self.seconds // 60} minutes", "more minutes"),
            Wish("changes", f"at most {self.most_changes} changes of position", "one more change of position"),
            Wish("effort", f"mean effort of {self.effort:g} at most", "a higher effort"),
            Wish(
                "load",
                f"a lumbar load of {self.load_seconds / 60:.0f} standing minutes",
                "a higher lumbar load",
            ),
            Wish("movements", f"at most {self.most_movements} movements", "more movements"),
        ]
        if self.most_new is not None:
            out.append(
                Wish(
                    "new",
                    f"at most {self.most_new} new movement{'s' if self.most_new != 1 else ''}",
                    "another new movement",
                )
            )
        return out + [
            Wish(f"locked:{r}", f"{r.replace('/', ': ').replace('_', ' ')} stays in", "letting it go")
            for r in self.locked
        ]

    @property
    def most_movements(self) -> int:
        return max(MOST_MOVEMENTS, len(self.locked))

    def is_new(self, c: Choice) -> bool:
        return self.most_new is not None and c.ref not in self.previous


def serves(c: Choice, purposes: Collection[str]) -> bool:
    """Whether a step counts for any of these purposes."""
    return any(c.step.purposes.get(p, 0.0) >= COVERS for p in purposes)


def serves_well(c: Choice, purposes: Collection[str]) -> bool:
    """Whether the version that is allowed serves one of these purposes in full."""
    return any(w >= COVERS_WELL for p, w in c.purposes.items() if p in purposes)


def hundredths(c: Choice, purpose: str) -> int:
    """How far one step covers a need, in hundredths."""
    return int(100 * c.purposes.get(purpose, 0.0) + 1e-6)


def taste(problem: Problem, c: Choice) -> int:
    """What one step adds or costs by itself: new, disliked, changed, and how high on its ladder."""
    score = -NEW if problem.previous and c.ref not in problem.previous else 0
    score += NEAR if c.ref in problem.near else 0
    score -= DISLIKE if {c.family.id, c.ref} & problem.dislikes else 0
    ready = [o.rung for o in problem.pool if o.family.id == c.family.id]
    score += RUNG * ready.index(c.rung) if c.rung in ready else 0
    return score - CHANGED * sum(v.verdict == "modified" for v in c.verdicts)


def spent_seconds(chosen: Collection[Choice]) -> int:
    """Set-up, work and changes of position."""
    return sum(c.seconds for c in chosen) + CHANGE_S * changes_of(chosen)


def changes_of(chosen: Collection[Choice]) -> int:
    return max(0, len({c.family.position for c in chosen}) - 1)


def covered(chosen: Collection[Choice], purpose: str) -> int:
    """How far a need is covered, in hundredths, at most 120."""
    return min(MOST, sum(hundredths(c, purpose) for c in chosen))


def worth(problem: Problem, chosen: Collection[Choice]) -> int:
    """The points of a choice; more is better."""
    total = sum(n.weight * covered(chosen, p) for p, n in problem.needs.items())
    total += OBLIGED * sum(any(serves(c, o.purposes) for c in chosen) for o in problem.obligations)
    total += WELL * sum(any(serves_well(c, o.purposes) for c in chosen) for o in problem.obligations)
    total += TASK * sum(any(c.family.id in t for c in chosen) for t in problem.tasks)
    total += sum(taste(problem, c) for c in chosen)
    total -= PROP * len(frozenset().union(*(c.props for c in chosen)))
    return total - CHANGE * changes_of(chosen)


def broken(problem: Problem, chosen: Collection[Choice]) -> list[str]:
    """The ids of every wish that a choice breaks, and 'family' when one ladder stands twice; empty when it holds."""
    out = []
    if spent_seconds(chosen) > problem.seconds:
        out.append("minutes")
    if changes_of(chosen) > problem.most_changes:
        out.append("changes")
    if sum(effort_surplus(problem, c) for c in chosen) > 0:
        out.append("effort")
    if sum(c.load_seconds for c in chosen) > problem.load_seconds:
        out.append("load")
    if len(chosen) > problem.most_movements:
        out.append("movements")
    if problem.most_new is not None and sum(problem.is_new(c) for c in chosen) > problem.most_new:
        out.append("new")
    refs = {c.ref for c in chosen}
    out += [f"locked:{r}" for r in problem.locked if r not in refs]
    families = [c.family.id for c in chosen]
    for f in sorted(set(families)):
        own = sum(c.family.id == f and c.ref in problem.locked for c in chosen)
        if families.count(f) > max(1, own):
            out.append("family")
    return out


def effort_surplus(problem: Problem, c: Choice) -> int:
    """How far one step lies above the mean effort that was chosen, weighted by its time."""
    return int(round(10 * (c.step.effort - problem.effort))) * c.seconds


__all__ = [
    "CHANGE",
    "CHANGE_S",
    "MOST",
    "MOST_MOVEMENTS",
    "OBLIGED",
    "PROP",
    "TASK",
    "WEIGHTS",
    "WELL",
    "Problem",
    "Wish",
    "broken",
    "changes_of",
    "covered",
    "effort_surplus",
    "hundredths",
    "serves",
    "serves_well",
    "spent_seconds",
    "taste",
    "worth",
]
