"""How different the programmes of different people are: which families are used how often, and what of the open positions.

./bench variety prints the figures that stand in docs/programme.md.
"""

import statistics
from collections import Counter
from collections.abc import Sequence
from time import process_time

from people import generated_clients

from amvel.movements import find, library
from amvel.planning import Programme, plan
from amvel.planning.obligations import counts_for
from amvel.planning.programme import distinct
from amvel.planning.tasks import ends_of
from amvel.safety import Verdict


def obliged(programme: Programme, engine) -> set[str]:
    """Families that stand for an obligation of this client, or that are the task of an own goal."""
    owed = distinct(engine.envelope.obligations)
    due = {find(m.ref)[0].id for m in programme.movements if any(counts_for(find(m.ref)[1], len(m.set_ups), o) for o in owed)}
    return due.union(*ends_of(engine.case.wishes.goals))


def open_families(verdicts: Sequence[Verdict]) -> set[str]:
    """Families of which at least one step may be done as it is or changed."""
    return {v.family for v in verdicts if v.verdict in ("as_is", "modified") and not library()[v.family].asked_for}


def variety_lines(count: int) -> Sequence[str]:
    """The lines that ./bench prints."""
    free, used, unused, could = Counter(), Counter(), Counter(), Counter()
    seconds, gaps, moves, shares = [], [], [], []
    for engine in generated_clients(count):
        verdicts = engine.judge(contexts=("home",))
        start = process_time()
        programme = plan(engine, "home", verdicts=verdicts)
        seconds.append(process_time() - start)
        gaps.append(programme.gap)
        families = {find(m.ref)[0].id for m in programme.movements}
        moves.append(len(programme.movements))
        there = open_families(verdicts)
        could.update(there)
        shares.append(len(families) / max(1, len(there)))
        used.update(families)
        free.update(families - obliged(programme, engine))
        unused.update(f"{p}: {why}" for p, why in programme.positions.items())
    planned = [f.id for f in library().values() if not f.asked_for]
    often = "; ".join(f"{f} {100 * n / count:.0f} %" for f, n in free.most_common(8))
    all_often = "; ".join(f"{f} {100 * n / count:.0f} %" for f, n in used.most_common(8))
    return (
        f"variety: most used families where nothing obliges: {often}",
        f"variety: of the families that are open to somebody a programme uses {100 * statistics.mean(shares):.0f} % in the mean; open to the most: {'; '.join(f'{f} {100 * n / count:.0f} %' for f, n in could.most_common(5))}",
        f"variety: most used families in all: {all_often}",
        f"variety: families used {len(used)} of {len(planned)} ({100 * len(used) / len(planned):.0f} %); never: {', '.join(sorted(set(planned) - set(used)))}",
        f"variety: movements a programme, median {statistics.median(moves):.0f}; most {max(moves)}, least {min(moves)}",
        f"variety: solver, median {statistics.median(seconds):.2f} s, worst {max(seconds):.2f} s; gap median {100 * statistics.median(gaps):.2f} %, worst {100 * max(gaps):.1f} %, none left in {sum(g == 0 for g in gaps)}",
        *(f"variety: open and not used, {n}: {why}" for why, n in unused.most_common(12)),
    )
