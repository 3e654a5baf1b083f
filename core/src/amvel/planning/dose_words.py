"""A dose in words, as it is printed: '8 times each side, 2 rounds, one round more on the left'."""

from collections.abc import Sequence

from amvel.languages import said, said_together
from amvel.movements import Step, find
from amvel.planning.item import Item, SetUp

_OTHER = {"left": "right", "right": "left"}


def side_words(step: Step, sides: Sequence[str]) -> str:
    """Which side, for a movement that has two and is done on one; '' where nothing needs to be said."""
    if len(sides) != 1 or not step.sides:
        return ""
    (side,) = sides
    return said(str(step.side_says or "{side} side only"), side=said(side), other=said(_OTHER[side]))


def dose_words(item: Item) -> str:
    """The dose of a movement; sides that are dosed otherwise are named one by one."""
    first = item.set_ups[0]
    if any((s.repetitions, s.hold_s) != (first.repetitions, first.hold_s) for s in item.set_ups):
        return said_together((said_together((said(s.side), _of_one(s)), " ") for s in item.set_ups), "; ")
    parts: list[str] = []
    one = side_words(find(item.ref)[1], item.sides)
    fewest = min(item.set_ups, key=lambda s: s.sets)
    if one:
        parts.append(one)
    parts += [said("one round more on the {side}", side=said(s.side)) for s in item.set_ups if s.sets > fewest.sets]
    return said_together((_of_one(fewest, each_side=len(item.set_ups) == 2), *parts), ", ")


def _of_one(own: SetUp, each_side: bool = False) -> str:
    times = said("{n} times each side", n=own.repetitions) if each_side else said("{n} times", n=own.repetitions)
    hold = (said("hold {seconds} s", seconds=own.hold_s),) if own.hold_s else ()
    rounds = (said("{n} rounds", n=own.sets),) if own.sets > 1 else ()
    return said_together((times, *hold, *rounds), ", ")


__all__ = ["dose_words", "side_words"]
