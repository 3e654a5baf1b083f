"""What may stand in for one movement of a programme: only what is allowed, ready and possible in this room, ranked."""

from collections.abc import Collection, Iterable

from amvel.engine import Engine
from amvel.languages import said, said_together
from amvel.movements import Step, find
from amvel.planning.choices import Choice, choices
from amvel.planning.item import Item
from amvel.planning.programme import item_of, problem_for, setting_of
from amvel.planning.purposes import words
from amvel.safety import Verdict

_SAME_FAMILY, _SAME_POSITION = 0.15, 0.1


def swaps(
    engine: Engine, context: str, ref: str, in_use: tuple[str, ...], verdicts: list[Verdict] | None = None
) -> list[tuple[str, float, str]]:
    """Admissible replacements of a step, best first: (ref, score 0–1, reason)."""
    pool, _ = choices(setting_of(engine, context), verdicts if verdicts is not None else engine.verdicts)
    return [(c.ref, score, why) for c, score, why in ranked(pool, ref, in_use)]


def share_served(step: Step, by: Step) -> float:
    """How much of what a step is there for another one serves, 0 to 1."""
    return sum(min(w, by.purposes.get(p, 0.0)) for p, w in step.purposes.items()) / sum(step.purposes.values())


def ranked(pool: Iterable[Choice], ref: str, in_use: Collection[str]) -> list[tuple[Choice, float, str]]:
    """What of a pool serves the purposes of a step, best first."""
    family, step = find(ref)
    out = []
    for c in pool:
        if c.ref in in_use:
            continue
        score = share_served(step, c.step)
        score += _SAME_FAMILY if c.family.id == family.id else 0.0
        score += _SAME_POSITION if c.family.position == family.position else 0.0
        serves = [words(p) for p in step.purposes if p in c.step.purposes]
        why = said("serves {what}", what=said_together(serves[:2], said(" and "))) if serves else said("serves another purpose")
        out.append((c, round(min(1.0, score), 2), why))
    return sorted(out, key=lambda s: (-s[1], s[0].ref))


def chosen_by_hand(engine: Engine, context: str, ref: str, verdicts: list[Verdict] | None = None) -> Item | str:
    """One step as it would stand in a programme, or why it may not."""
    pool, why_not = choices(setting_of(engine, context), verdicts if verdicts is not None else engine.verdicts)
    found: Choice | None = next((c for c in pool if c.ref == ref), None)
    if found is None:
        return why_not.get(ref, said("this step is not known in this context"))
    return item_of(problem_for(engine, pool, engine.case.wishes.minutes), found)


__all__ = ["chosen_by_hand", "ranked", "share_served", "swaps"]
