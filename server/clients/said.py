"""What people say of a client stays as it was said: words and reviews are added, withdrawn or confirmed, never rewritten.

An assistant only makes things stricter.  A clinician's clearing that somebody else enters is *reported*: it counts when a
second person has looked at the document.
"""

from collections.abc import Mapping
from typing import Any

from accounts.models import User
from accounts.roles import Action
from amvel.case import CaseError
from amvel.languages import said

Case = Mapping[str, Any]
_STRICTER_ONLY = ("stop_signs", "own_limits")
_ADDED_TO = ("clinician_words", "reviews")


class NotYours(Exception):
    """Somebody else has to do this; the message says who."""


def as_said_by(user: User, before: Case, sections: dict[str, Any]) -> dict[str, Any]:
    """The sections as they may be kept for this person; raises NotYours, or CaseError naming the field."""
    if not user.may(Action.SCREEN):
        sections = _only_stricter(before, sections)
    else:
        sections = {**sections, **{n: _added(n, before, sections) for n in _ADDED_TO if n in sections}}
    if "clinician_words" not in sections:
        return sections
    old = before.get("clinician_words") or []
    new = [_recorded(user, w) for w in sections["clinician_words"][len(old) :]]
    return {**sections, "clinician_words": [*old, *new]}


def _only_stricter(before: Case, sections: dict[str, Any]) -> dict[str, Any]:
    foreign = sorted(set(sections) - set(_STRICTER_ONLY))
    if foreign:
        raise NotYours(said("an assistant changes stop signs and stricter limits; a specialist changes: {sections}", sections=", ".join(foreign)))
    if "stop_signs" in sections:
        known = set((before.get("stop_signs") or {}).get("present") or [])
        told = set(_mapping(sections["stop_signs"]).get("present") or [])
        if not known <= told:
            raise NotYours(said("a stop sign is lifted by a specialist"))
    added = {"own_limits": _added("own_limits", before, sections)} if "own_limits" in sections else {}
    return {**sections, **added}


def _added(name: str, before: Case, sections: Mapping[str, Any]) -> list[Any]:
    """The entries as they were stored, and after them what is new."""
    old, new = before.get(name) or [], sections[name]
    if not isinstance(new, list) or _plain(new[: len(old)]) != _plain(old):
        raise CaseError([(f"$.sections.{name}", said("what was said stays as it is: withdraw it, or add another"))])
    return [*old, *new[len(old) :]]


def _plain(entries: list[Any]) -> list[Any]:
    """Entries without what is empty: a page sends back what it was given, with or without the defaults."""
    return [{k: v for k, v in e.items() if v not in (None, "", False)} if isinstance(e, dict) else e for e in entries]


def _mapping(value: Any) -> Mapping[str, Any]:
    return value if isinstance(value, dict) else {}


def _recorded(user: User, word: Any) -> Any:
    """A new word with who entered it; nobody confirms or dates what is only being said."""
    if not isinstance(word, dict):
        return word  # the case refuses it with its field
    loosens = word.get("kind") == "clears"
    return {
        **{k: v for k, v in word.items() if k not in ("confirmed_by", "confirmed_on", "withdrawn_on")},
        "recorded_by": user.username,
        "reported": loosens and not user.may(Action.LIFT_FORBIDDEN),
    }


Fault = tuple[str, str]


def as_brought_in(user: User, case: Case) -> tuple[dict[str, Any], list[Fault]]:
    """A case from outside as it may be kept here, and what of it is left out: nobody's clearing counts before somebody here saw it.

    A clearing without a document, or of what was opened by hand elsewhere, is entered here again by whoever may.
    """
    told, opened = (case.get(name) or [] for name in ("clinician_words", "overrides"))
    if not isinstance(told, list) or not isinstance(opened, list):
        return dict(case), []  # the case refuses it with its field
    left: list[Fault] = []
    words = []
    for i, word in enumerate(told):
        own = _recorded(user, word)
        if isinstance(own, dict) and own.get("kind") == "clears":
            own["reported"] = True
            if len(str(own.get("document") or "").strip()) < _A_DOCUMENT:
                left.append((f"$.clinician_words[{i}]", said("a clearing counts only with the document that says so: enter it anew")))
                continue
        words.append(own)
    left += [(f"$.overrides[{i}]", said("what was opened by hand is opened here again, by whoever may")) for i, _ in enumerate(opened)]
    return {**case, "clinician_words": words, "overrides": []}, left


_A_DOCUMENT = 3  # letters at least, as the case asks


def confirmed(user: User, words: list[dict[str, Any]], index: int, today: str) -> list[dict[str, Any]]:
    """The words with one that was reported confirmed by a second person; raises NotYours, IndexError."""
    word = words[index]
    if not word.get("reported") or word.get("confirmed_by"):
        raise NotYours(said("this word does not wait for anybody"))
    if word.get("recorded_by") == user.username:
        raise NotYours(said("whoever entered it cannot confirm it: a second person looks at the document"))
    return _with(words, index, {"confirmed_by": user.username, "confirmed_on": today})


def withdrawn(user: User, words: list[dict[str, Any]], index: int, today: str) -> list[dict[str, Any]]:
    """The words with one that counts no more; what restricts is withdrawn by a clinician or whoever entered it."""
    word = words[index]
    own = word.get("recorded_by") == user.username
    if word.get("kind") != "clears" and not own and not user.may(Action.LIFT_FORBIDDEN):
        raise NotYours(said("a limit is withdrawn by whoever entered it, or by a clinician"))
    return _with(words, index, {"withdrawn_on": today})


def _with(entries: list[dict[str, Any]], index: int, change: dict[str, Any]) -> list[dict[str, Any]]:
    return [{**e, **change} if i == index else e for i, e in enumerate(entries)]
