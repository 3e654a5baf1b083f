"""A sentence that knows its parts, and what it reads like in another language."""

from collections.abc import Iterable, Mapping
from datetime import date
from functools import lru_cache
from typing import Any, Self

from babel.numbers import format_decimal

from amvel.languages.catalogue import SOURCE, catalogue
from amvel.languages.days import day_in

MINUS = "−"
_OPENS = "{rest}"  # what opens a sentence is this, and never said otherwise


class Message(str):
    """The English sentence; `sentence` is the one with named places, `values` what stands in them."""

    sentence: str
    values: Mapping[str, Any]
    parts: tuple[str, ...]  # of several messages in a row: what stands between them stays as it is

    def __new__(cls, text: str, sentence: str, values: Mapping[str, Any], parts: tuple[str, ...] = ()) -> Self:
        own = super().__new__(cls, text)
        own.sentence, own.values, own.parts = sentence, values, parts
        return own

    def __getnewargs__(self) -> tuple[Any, ...]:
        return (str(self), self.sentence, self.values, self.parts)

    def __add__(self, more: str) -> "Message":
        """One message after the other; plain text stays as it is in every language."""
        return said_together((self, more))

    def __radd__(self, before: str) -> "Message":
        return said_together((before, self))

    def opening(self) -> "Message":
        """The same at the start of a sentence: with a capital letter in every language."""
        return Message(str(self)[:1].upper() + str(self)[1:], _OPENS, {"rest": self})

    def in_language(self, language: str) -> str:
        """Said in this language; what its catalogue lacks stays English."""
        if language == SOURCE:
            return str(self)
        if self.sentence == _OPENS:
            rest = in_language(self.values["rest"], language)
            return str(rest[:1].upper() + rest[1:])
        if self.parts:
            return "".join(in_language(part, language) for part in self.parts)
        sentence = catalogue(language).get(self.sentence, self.sentence)
        if not self.values:
            return sentence
        return sentence.format_map({k: _value(v, language) for k, v in self.values.items()})


def said(sentence: str, /, **values: Any) -> Message:
    """A message; numbers are written as short as they are, days as in 27 Nov 2026.  Raises KeyError when a named place has no value."""
    if not values:
        return sentence if isinstance(sentence, Message) else _plain(sentence)
    return Message(sentence.format_map({k: _value(v, SOURCE) for k, v in values.items()}), str(sentence), values)


@lru_cache(maxsize=8192)
def _plain(sentence: str) -> Message:
    """A sentence with nothing in it that changes: most of what rules say."""
    return Message(sentence, str(sentence), {})


def term(value: Any) -> Any:
    """A value that has a word of its own ('left', 'not_tolerated') as a message; a number or a message as it is."""
    return said(value.replace("_", " ")) if isinstance(value, str) and not isinstance(value, Message) else value


def said_together(parts: Iterable[str], between: str = "") -> Message:
    """Several messages as one line; what is no message of its own stays as it is in every language."""
    row: list[str] = []
    for part in parts:
        row += [between, part] if row and between else [part]
    return Message("".join(row), "", {}, tuple(row))


def in_language(answer: Any, language: str) -> Any:
    """An answer, text, list or mapping with every message in it said in this language."""
    if language == SOURCE:
        return answer
    if isinstance(answer, Message):
        return answer.in_language(language)
    if isinstance(answer, Mapping):
        return {k: in_language(v, language) for k, v in answer.items()}
    if isinstance(answer, list):
        return [in_language(v, language) for v in answer]
    if type(answer) is tuple:
        return tuple(in_language(v, language) for v in answer)
    return answer


_KEPT = "said"  # the one key of a mapping that stands for a message
_KEPT_DAY = "said_day"  # the same for a day in a message


def kept(answer: Any) -> Any:
    """The answer as plain data, each message as its parts, so that it can be stored and said later in any language."""
    if isinstance(answer, Message):
        parts = [kept(p) for p in answer.parts]
        return {_KEPT: [answer.sentence, {k: kept(v) for k, v in answer.values.items()}, *([parts] if parts else [])]}
    if isinstance(answer, Mapping):
        return {k: kept(v) for k, v in answer.items()}
    if isinstance(answer, list | tuple):
        return [kept(v) for v in answer]
    if isinstance(answer, date):
        return {_KEPT_DAY: answer.isoformat()}
    return answer


def told(data: Any) -> Any:
    """What was kept, its messages as messages again."""
    if isinstance(data, dict):
        if len(data) == 1 and isinstance(own := data.get(_KEPT), list):
            if len(own) > 2:
                return said_together(told(own[2]))
            values = told(own[1])
            return values["rest"].opening() if own[0] == _OPENS else said(own[0], **values)
        if len(data) == 1 and _KEPT_DAY in data:
            return date.fromisoformat(data[_KEPT_DAY])
        return {k: told(v) for k, v in data.items()}
    if isinstance(data, list):
        return [told(v) for v in data]
    return data


def _value(value: Any, language: str) -> str:
    if isinstance(value, Message):
        return value.in_language(language)
    if isinstance(value, float):
        digits: str = f"{value:g}" if language == SOURCE else format_decimal(value, locale=language, group_separator=False)
        return MINUS + digits[1:] if digits.startswith("-") else digits
    if isinstance(value, date):
        return day_in(language, value, "medium")
    return str(value)


__all__ = ["Message", "in_language", "kept", "said", "said_together", "term", "told"]
