"""Every text of the movement library in one catalogue, by key; a second language is one mapping of the same keys.

The English words stand with the steps that they describe; the catalogue is read off the library, so that nothing can
be said that is not in it.  `translated` lays another language over a step; what is missing stays English and is named.
"""

from collections.abc import Callable, Iterator
from dataclasses import replace
from typing import Any

from amvel.movements.declaration import Family, Fault, Parameter, Step
from amvel.movements.library import library

Catalogue = dict[str, str]
_LINES = ("setup", "cues", "do")
_WORDS = ("title", "felt", "not_felt")


def catalogue() -> Catalogue:
    """Key to English text: families, steps, faults by name, parameters by id, props and notes."""
    out: Catalogue = {}
    for family in library().values():
        out[f"{family.id}.title"], out[f"{family.id}.about"] = family.title, family.about
        for step in family.steps:
            for key, text in _of_step(family, step):
                if out.setdefault(key, text) != text:
                    raise ValueError(f"texts: '{key}' means two things: '{out[key]}' and '{text}'")
    return out


def _of_step(family: Family, step: Step) -> Iterator[tuple[str, str]]:
    base = f"{family.id}.{step.id}"
    for name in _WORDS:
        yield f"{base}.{name}", getattr(step, name)
    for name in _LINES:
        for i, line in enumerate(getattr(step, name)):
            yield f"{base}.{name}.{i}", line
    for i, phase in enumerate(step.breath.phases):
        if phase.words:
            yield f"{base}.breath.{i}", phase.words
    if step.dose.note:
        yield f"{base}.dose.note", step.dose.note
    for i, f in enumerate(step.faults):
        for part in ("name", "seen", "means", "cue"):
            yield f"{base}.fault.{i}.{part}", getattr(f, part)
    for p in step.parameters:
        yield f"{base}.parameter.{p.id}", p.title
        for choice in p.choices:
            yield f"choice.{choice.replace(' ', '_')}", choice
    for need in step.props:
        yield f"prop.{need.says.replace(' ', '_')}", need.says


def missing(language: Catalogue) -> list[str]:
    """Keys that a language does not say yet, and keys that nobody asks for (with a leading '!')."""
    own = catalogue()
    return sorted(set(own) - set(language)) + sorted(f"!{k}" for k in set(language) - set(own))


def translated(family: Family, step: Step, language: Catalogue) -> Step:
    """The step in another language; what is missing there stays English."""
    base = f"{family.id}.{step.id}"

    def say(key: str, english: str) -> str:
        return language.get(f"{base}.{key}", english)

    changes: dict[str, Any] = {name: say(name, getattr(step, name)) for name in _WORDS}
    for name in _LINES:
        changes[name] = tuple(say(f"{name}.{i}", line) for i, line in enumerate(getattr(step, name)))
    changes["breath"] = step.breath.in_words([say(f"breath.{i}", p.words) for i, p in enumerate(step.breath.phases)])
    changes["dose"] = replace(step.dose, note=say("dose.note", step.dose.note))
    changes["faults"] = tuple(_fault(f, i, say) for i, f in enumerate(step.faults))
    changes["parameters"] = tuple(_parameter(p, say) for p in step.parameters)
    return replace(step, **changes)


def _fault(f: Fault, i: int, say: Callable[[str, str], str]) -> Fault:
    name, seen, means, cue = (say(f"fault.{i}.{part}", getattr(f, part)) for part in ("name", "seen", "means", "cue"))
    return Fault(name, seen, means, cue, f.looks)


def _parameter(p: Parameter, say: Callable[[str, str], str]) -> Parameter:
    return replace(p, title=say(f"parameter.{p.id}", p.title))
