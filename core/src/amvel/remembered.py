"""Answers that are worked out again only where something that they looked at reads otherwise.

Nobody says beforehand what a function looks at: it is handed a stand-in for its subject that notes every question it is asked, and
what it told.  Where another subject would tell the same, the answer stands.
"""

from collections.abc import Callable, Mapping
from operator import attrgetter
from types import MethodType
from typing import Any, Generic, NamedTuple, TypeVar, cast

S = TypeVar("S")
A = TypeVar("A")
Figures = Mapping[str, float]

_KEPT = 4  # answers of one function: what there was, and a few results that are being tried
_NO_FIGURES: Figures = {}


class _Question(NamedTuple):
    """What was read of a subject or of a part that was looked into ('age', 'case.tests'): an attribute, or a method with what it was given."""

    name: str
    given: tuple[Any, ...] | None = None


_Told = dict[_Question, Any]


class _StandIn:
    """A subject that notes what it is asked.  Parts of some kinds are stood in for as well, so that what is read of them counts
    and not the whole of them.  What no attribute or method answers (a loop over it, a length) it refuses."""

    def __init__(self, subject: Any, looked_into: tuple[type, ...], told: _Told, within: str = "") -> None:
        self._subject, self._looked_into, self._told, self._within = subject, looked_into, told, within

    def __getattr__(self, name: str) -> Any:
        read, full_name = getattr(self._subject, name), f"{self._within}{name}"
        if isinstance(read, self._looked_into):
            return _StandIn(read, self._looked_into, self._told, f"{full_name}.")
        if isinstance(read, MethodType):
            return lambda *given: self._told.setdefault(_Question(full_name, given), read(*given))
        return self._told.setdefault(_Question(full_name), read)


class _Kept(Generic[A]):
    """An answer, and what it rests on."""

    def __init__(self, answer: A, beside: Figures, told: _Told) -> None:
        self.answer, self._beside = answer, beside
        self._rests_on = [(attrgetter(q.name), q.given, t) for q, t in told.items()]

    def stands_for(self, subject: Any, beside: Figures) -> bool:
        """Whether this subject would tell the same.  What it tells is what counts from then on: itself is quickly recognised."""
        if beside is not self._beside and beside != self._beside:
            return False
        anew = False
        rests_on = []
        for read, given, told in self._rests_on:
            now = read(subject) if given is None else read(subject)(*given)
            if now is not told:
                if now != told:
                    return False
                anew = True
            rests_on.append((read, given, now))
        if anew:
            self._rests_on = rests_on
        return True


class Remembered(Generic[S, A]):
    """A function of a subject and some figures, whose last answers are kept.

    The function reads its subject by attributes and methods alone, changes nothing, and its answer is not changed by anybody.
    Parts of the subject of the kinds `looked_into` count by what is read of them, and a method by what it returns.
    """

    def __init__(self, ask: Callable[[S, Figures], A], looked_into: tuple[type, ...] = ()) -> None:
        self._ask, self._looked_into = ask, looked_into
        self._kept: tuple[_Kept[A], ...] = ()  # newest first; replaced whole, so that threads see one state or the other

    def of(self, subject: S, beside: Figures = _NO_FIGURES) -> A:
        """The answer: a kept one where everything that it looked at reads the same."""
        for kept in self._kept:
            if kept.stands_for(subject, beside):
                return kept.answer
        told: _Told = {}
        answer = self._ask(cast(S, _StandIn(subject, self._looked_into, told)), beside)
        self._kept = (_Kept(answer, beside, told), *self._kept[: _KEPT - 1])
        return answer


__all__ = ["Remembered"]
