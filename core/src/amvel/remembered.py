"""Answers that are worked out again only where something that they looked at reads otherwise.

Nobody says beforehand what a function looks at: it is handed a stand-in for its subject that notes every question it is asked, and
what it told.  Where another subject would tell the same, the answer stands.
"""

from collections.abc import Callable, Mapping, Sequence
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


class _Noted(NamedTuple):
    """What a function asked and was told, and every attribute that was read for it, by itself or by the methods it called."""

    told: dict[_Question, Any]
    attributes: dict[str, Any]


class _StandIn:
    """A subject that notes what it is asked.  Parts of some kinds are stood in for as well, so that what is read of them counts
    and not the whole of them.  What no attribute or method answers (a loop over it, a length) it refuses."""

    def __init__(self, subject: Any, looked_into: tuple[type, ...], noted: _Noted, within: str = "", in_a_method: bool = False) -> None:
        self._subject, self._looked_into, self._noted, self._within, self._in_a_method = subject, looked_into, noted, within, in_a_method

    def __getattr__(self, name: str) -> Any:
        read, full_name = getattr(self._subject, name), f"{self._within}{name}"
        if isinstance(read, self._looked_into):
            return _StandIn(read, self._looked_into, self._noted, f"{full_name}.", self._in_a_method)
        if isinstance(read, MethodType) and read.__self__ is self._subject:  # not one of its class, which reads nothing of it
            return self._method(read, full_name)
        self._noted.attributes.setdefault(full_name, read)
        return read if self._in_a_method else self._noted.told.setdefault(_Question(full_name), read)

    def _method(self, read: MethodType, full_name: str) -> Callable[..., Any]:
        method = MethodType(read.__func__, _StandIn(self._subject, self._looked_into, self._noted, self._within, in_a_method=True))
        if self._in_a_method:
            return method
        return lambda *given: self._noted.told.setdefault(_Question(full_name, given), method(*given))


def _same(now: Any, told: Any) -> bool:
    return now is told or bool(now == told)


class _Kept(Generic[A]):
    """An answer, and what it rests on."""

    def __init__(self, answer: A, beside: Figures, noted: _Noted) -> None:
        self.answer, self._beside = answer, beside
        self.attributes = frozenset(noted.attributes)
        self._rests_on = [(attrgetter(q.name), q.given, t) for q, t in noted.told.items()]

    def stands_for(self, subject: Any, beside: Figures) -> bool:
        """Whether this subject would tell the same.  What it tells is what counts from then on: itself is quickly recognised."""
        if not _same(beside, self._beside):
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
        return self.kept_for(subject, beside).answer

    def kept_for(self, subject: S, beside: Figures) -> _Kept[A]:
        """The answer with what it rests on."""
        for kept in self._kept:
            if kept.stands_for(subject, beside):
                return kept
        noted = _Noted({}, {})
        answer = self._ask(cast(S, _StandIn(subject, self._looked_into, noted)), beside)
        found = _Kept(answer, beside, noted)
        self._kept = (found, *self._kept[: _KEPT - 1])
        return found


class _KeptTogether(NamedTuple, Generic[A]):
    beside: Sequence[Figures]
    reads: Callable[[Any], tuple[Any, ...]]
    read: tuple[Any, ...]
    answers: tuple[A, ...]


class RememberedTogether(Generic[S, A]):
    """Several functions of one subject: none is asked where no attribute that any of them read is another one."""

    def __init__(self, each: Sequence[Remembered[S, A]]) -> None:
        self._each = each
        self._last: _KeptTogether[A] | None = None

    def of(self, subject: S, beside: Sequence[Figures]) -> tuple[A, ...]:
        """The answer of each, with its own figures."""
        last = self._last
        if last is not None and last.beside is beside and all(map(_same, last.reads(subject), last.read)):
            return last.answers
        kept = [one.kept_for(subject, figures) for one, figures in zip(self._each, beside, strict=True)]
        names = sorted(frozenset().union(*(k.attributes for k in kept)))
        reads = attrgetter(*names) if len(names) > 1 else lambda subject: tuple(attrgetter(n)(subject) for n in names)
        self._last = _KeptTogether(beside, reads, reads(subject), tuple(k.answer for k in kept))
        return self._last.answers


__all__ = ["Remembered", "RememberedTogether"]
