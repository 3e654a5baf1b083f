"""How a movement is breathed: what air does on the way there, at its end and on the way back, with the words for it.

Typed, so that picture, print and pacer say the same and no program reads a sentence.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

from amvel.languages import said, said_together


class Air(StrEnum):
    """In, out, or on: whatever comes."""

    IN = "in"
    OUT = "out"
    ON = "on"

    @property
    def other(self) -> "Air":
        """The other way round; what goes on goes on."""
        return {Air.IN: Air.OUT, Air.OUT: Air.IN}.get(self, self)


@dataclass(frozen=True)
class Phase:
    """One breath, or two after each other, and what it goes with: ('out', 'to lift')."""

    airs: tuple[Air, ...]
    words: str

    def says(self) -> str:
        """'out to lift'; what only goes on is its words."""
        air = said_together((said(a.value) for a in self.airs if a is not Air.ON), said(" and "))
        return said_together((x for x in (air, said(self.words)) if x), " ")


def inhale(words: str = "") -> Phase:
    return Phase((Air.IN,), words)


def exhale(words: str = "") -> Phase:
    return Phase((Air.OUT,), words)


def in_and_out(words: str = "") -> Phase:
    return Phase((Air.IN, Air.OUT), words)


def breathe(words: str) -> Phase:
    """Whatever comes; the words are all that is said."""
    return Phase((Air.ON,), words)


@dataclass(frozen=True)
class Breath:
    """The breath of one repetition.  `ready` is what comes before the movement; without `back` the air turns by itself."""

    there: tuple[Phase, ...]
    end: Phase | None = None
    back: Phase | None = None
    ready: Phase | None = None

    @property
    def phases(self) -> tuple[Phase, ...]:
        """Everything that is said, in order."""
        return tuple(p for p in (self.ready, *self.there, self.end, self.back) if p is not None)

    def says(self) -> str:
        """One line: 'out to lift, in at the top, out to lower'."""
        return said_together((p.says() for p in self.phases), ", ")

    def turned(self) -> "Breath":
        """In and out exchanged."""
        return self._with([replace(p, airs=tuple(a.other for a in p.airs)) for p in self.phases])

    def in_words(self, words: Sequence[str]) -> "Breath":
        """The same breath in other words, one for each phase."""
        return self._with([replace(p, words=w) for p, w in zip(self.phases, words, strict=True)])

    def _with(self, phases: Sequence[Phase]) -> "Breath":
        left = iter(phases)
        ready = None if self.ready is None else next(left)
        there = tuple(next(left) for _ in self.there)
        end = None if self.end is None else next(left)
        return Breath(there, end, None if self.back is None else next(left), ready)


def breath(there: Phase | tuple[Phase, ...], end: Phase | None = None, back: Phase | None = None, ready: Phase | None = None) -> Breath:
    """A breath; one phase on the way there needs no tuple."""
    return Breath(there if isinstance(there, tuple) else (there,), end, back, ready)


def steady(words: str) -> Breath:
    """A breath that goes on by itself through the whole of it."""
    return breath(breathe(words))


__all__ = ["Air", "Breath", "Phase", "breath", "breathe", "exhale", "in_and_out", "inhale", "steady"]
