"""What counts for an obligation: the right purpose, on both sides where that is asked, for its minutes."""

from collections.abc import Sequence

from amvel.movements import Step, find
from amvel.planning.dose import Dosed, minutes_of
from amvel.planning.item import Item
from amvel.planning.purposes import COVERS
from amvel.safety import Obligation


def counts_for(step: Step, sides: int, o: Obligation) -> bool:
    """Whether a step that is done on so many sides counts for an obligation."""
    if o.both_sides and sides < 2:
        return False
    return any(step.purposes.get(p, 0.0) >= COVERS for p in o.purposes)


def minutes_for(items: Sequence[Item], o: Obligation) -> float:
    """Working minutes of one session that count for an obligation."""
    return sum(working_minutes(i) for i in items if counts_for(find(i.ref)[1], len(i.set_ups), o))


def met_by(items: Sequence[Item], o: Obligation) -> bool:
    """Whether one session meets an obligation."""
    found = minutes_for(items, o)
    return found > 0 and round(60 * found) >= round(60 * o.minutes)


def working_minutes(item: Item) -> float:
    """What a movement takes without setting it up."""
    doses = [Dosed(s.side, s.repetitions, s.sets, s.hold_s) for s in item.set_ups]
    return minutes_of(find(item.ref)[1], doses)


__all__ = ["counts_for", "met_by", "minutes_for", "working_minutes"]
