"""The movements of a programme as they are written down, and the sessions that they make."""

from collections.abc import Sequence
from dataclasses import dataclass, field

from amvel.movements import POSITIONS, Position
from amvel.safety import VerdictKind

LETTERS = "ABC"
UPRIGHT: tuple[Position, ...] = ("at the wall", "standing")
CHANGE_S = 90  # from one position to the next; common practice: a minute or two


def way_through(backwards: bool) -> tuple[Position, ...]:
    """The positions in the order of a session: from lying to standing; for who loses pressure on standing on the feet
    first, then down, so that nobody rises twice."""
    if not backwards:
        return POSITIONS
    return (*UPRIGHT, *(p for p in reversed(POSITIONS) if p not in UPRIGHT))


@dataclass(frozen=True)
class SetUp:
    """How one side of a movement is set up and dosed."""

    side: str
    values: dict[str, float | str] = field(hash=False)
    repetitions: int
    sets: int = 1
    hold_s: float = 0.0
    verdict: VerdictKind = "as_is"


@dataclass(frozen=True)
class Item:
    """One movement of a programme: each side by itself."""

    ref: str
    position: Position
    set_ups: tuple[SetUp, ...]
    minutes: float = 0.0
    why: str = ""
    stand_ins: tuple[str, ...] = ()
    sessions: tuple[str, ...] = ("A",)

    @property
    def sides(self) -> tuple[str, ...]:
        return tuple(s.side for s in self.set_ups)

    @property
    def one_set_up(self) -> bool:
        """Whether every side is set up alike."""
        return all(s.values == self.set_ups[0].values for s in self.set_ups)


@dataclass(frozen=True)
class SessionPlan:
    """One of the sessions that alternate: its movements in order, minutes, changes of position."""

    id: str
    refs: tuple[str, ...]
    minutes: float
    changes_of_position: int


def sessions_of(items: Sequence[Item]) -> tuple[SessionPlan, ...]:
    """The sessions that these movements make, each in their order."""
    out = []
    for letter in LETTERS:
        own = [i for i in items if letter in i.sessions]
        if own:
            out.append(SessionPlan(letter, tuple(i.ref for i in own), total_minutes(own), changes_in(own)))
    return tuple(out)


def total_minutes(items: Sequence[Item]) -> float:
    """Minutes of these movements one after the other, with their changes of position."""
    return round(sum(i.minutes for i in items) + CHANGE_S / 60 * changes_in(items), 1)


def changes_in(items: Sequence[Item]) -> int:
    """How often the position changes in the order in which the movements stand."""
    return sum(a.position != b.position for a, b in zip(items, items[1:], strict=False))


__all__ = ["CHANGE_S", "LETTERS", "UPRIGHT", "Item", "SessionPlan", "SetUp", "changes_in", "sessions_of", "total_minutes", "way_through"]
