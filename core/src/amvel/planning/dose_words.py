"""A dose in words, as it is printed: '8 times each side, 2 rounds, one round more on the left'."""

from collections.abc import Sequence

from amvel.movements import Step, find
from amvel.planning.item import Item, SetUp

_OTHER = {"left": "right", "right": "left"}


def side_words(step: Step, sides: Sequence[str]) -> str:
    """Which side, for a movement that has two and is done on one; '' where nothing needs to be said."""
    if len(sides) != 1 or not step.sides:
        return ""
    (side,) = sides
    return (step.side_says or "{side} side only").format(side=side, other=_OTHER[side])


def dose_words(item: Item) -> str:
    """The dose of a movement; sides that are dosed otherwise are named one by one."""
    first = item.set_ups[0]
    if any((s.repetitions, s.hold_s) != (first.repetitions, first.hold_s) for s in item.set_ups):
        return "; ".join(f"{s.side} {_of_one(s, '')}" for s in item.set_ups)
    one = side_words(find(item.ref)[1], item.sides)
    each = " each side" if len(item.set_ups) == 2 else f", {one}" if one else ""
    fewest = min(item.set_ups, key=lambda s: s.sets)
    more = [s.side for s in item.set_ups if s.sets > fewest.sets]
    return _of_one(fewest, each) + "".join(f", one round more on the {side}" for side in more)


def _of_one(own: SetUp, each: str) -> str:
    hold = f", hold {own.hold_s:g} s" if own.hold_s else ""
    rounds = f", {own.sets} rounds" if own.sets > 1 else ""
    return f"{own.repetitions} times{each}{hold}{rounds}"


__all__ = ["dose_words", "side_words"]
