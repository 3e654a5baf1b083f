"""Making up a height from what is there: the fewest pieces that come near enough."""

from collections.abc import Collection
from dataclasses import dataclass
from itertools import combinations_with_replacement

from amvel.case import PROPS, Room
from amvel.languages import Message, said, said_together


@dataclass(frozen=True)
class Piece:
    """A prop that may be stacked: how one and how several of it read, and how many every household has."""

    one: str
    several: str
    always: int = 0


# What may be stacked under a seat, a calf, a hand or a head, firmest first; every household has books and towels.
STACKABLE = {
    "block": Piece(said("1 firm block"), "{n} firm blocks"),
    "books": Piece(said("1 book"), "{n} books", always=12),
    "thick_pad": Piece(said("1 thick pad"), "{n} thick pads"),
    "blanket": Piece(said("1 folded blanket"), "{n} folded blankets", always=1),
    "towel": Piece(said("1 towel"), "{n} towels", always=6),
    "cushion": Piece(said("1 firm cushion"), "{n} firm cushions"),
}
FIRM = ("block", "books")
FOR_THE_HEAD = ("cushion", "blanket", "towel")
_MOST_PIECES = 6


@dataclass(frozen=True)
class Stack:
    """Pieces, their height in cm, and how they read."""

    pieces: tuple[str, ...]
    height_cm: float

    def says(self) -> str:
        """'1 firm block and 2 books (14 cm)'; 'nothing' for an empty stack."""
        if not self.pieces:
            return said("nothing")
        parts = []
        for kind in STACKABLE:
            count = self.pieces.count(kind)
            if count:
                parts.append(piece(kind, count))
        return said("{pieces} ({cm} cm)", pieces=said_together(parts, said(" and ")), cm=self.height_cm)


def piece(kind: str, count: int) -> Message:
    """'1 firm block', '2 books'."""
    own = STACKABLE[kind]
    return said(own.one) if count == 1 else said(own.several, n=count)


def stack(gap_cm: float, room: Room, tolerance_cm: float, kinds: Collection[str] = FIRM, at_least: bool = False) -> Stack | None:
    """The stack nearest to a gap; of those within the tolerance the one with the fewest pieces.

    `kinds` says what may be used; only what is firm unless told otherwise.  `at_least` where a limit stands behind the gap: then
    nothing lower will do.  None when nothing comes within twice the tolerance.
    """
    if gap_cm <= (0.0 if at_least else tolerance_cm / 2):
        return Stack((), 0.0)
    height = {k: _height(room, k) for k in kinds}
    most = {k: max(STACKABLE[k].always, _count(room, k)) for k in kinds}
    there = [k for k in kinds if most[k]]
    best: Stack | None = None
    for size in range(1, _MOST_PIECES + 1):
        for pieces in combinations_with_replacement(there, size):
            if any(pieces.count(k) > most[k] for k in set(pieces)):
                continue
            made = Stack(pieces, round(sum(height[k] for k in pieces), 1))
            if at_least and made.height_cm < gap_cm:
                continue
            if best is None or abs(made.height_cm - gap_cm) < abs(best.height_cm - gap_cm) - 1e-9:
                best = made
        if best is not None and abs(best.height_cm - gap_cm) <= tolerance_cm:
            return best
    return best if best is not None and abs(best.height_cm - gap_cm) <= 2 * tolerance_cm else None


def _height(room: Room, kind: str) -> float:
    own = room.prop(kind)
    return own.size_cm if own is not None and own.size_cm is not None else PROPS[kind].usual_cm


def _count(room: Room, kind: str) -> int:
    return sum(p.count for p in room.props if p.kind == kind)


__all__ = ["FIRM", "FOR_THE_HEAD", "STACKABLE", "Stack", "piece", "stack"]
