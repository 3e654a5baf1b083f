"""Movements that rest at home until somebody has looked: what hurt, and what a flare most likely came from."""

from amvel.case import Case
from amvel.case.visits import Visit, in_order
from amvel.progress.proposals import blamed_for
from amvel.screening.progress_standard import PROGRESS


def resting(case: Case) -> list[str]:
    """Steps that a symptom ended, or that a flare is laid to, since nobody has decided on them or seen them done without.

    No session at home lifts it, however well it went.
    """
    n = PROGRESS.in_force(case)
    since: dict[str, Visit] = {}
    for visit in in_order(case.visits):
        if (case.as_of - visit.on).days > n["looks_back_days"]:
            continue
        hurt = {m.step for m in visit.movements if m.stopped_by_symptom}
        since.update({step: visit for step in (*hurt, *(blamed_for(case, visit, n) if visit.flared else ()))})
        if visit.seen and not visit.flared:
            for step in {m.step for m in visit.movements if m.sets} - hurt:
                since.pop(step, None)
    decided = {step for step, visit in since.items() if any(d.step == step and d.on >= visit.on for d in case.decisions)}
    return [step for step in since if step not in decided]


__all__ = ["resting"]
