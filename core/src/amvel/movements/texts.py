"""Every text of the movement library as a message, so that it can be said in another language.

The English words stand with the steps that they describe; nothing is said of a step that is not one of these messages.
"""

from collections.abc import Iterator
from dataclasses import replace

from amvel.languages import Message, said
from amvel.movements.breath import Breath
from amvel.movements.declaration import Family, Parameter, Step


def worded(family: Family) -> Family:
    """The same family, its texts as messages."""
    steps = tuple(_step(s) for s in family.steps)
    return replace(family, title=said(family.title), about=said(family.about), steps=steps)


def _step(step: Step) -> Step:
    return replace(
        step,
        title=said(step.title),
        setup=_lines(step.setup),
        cues=_lines(step.cues),
        do=_lines(step.do),
        felt=said(step.felt),
        not_felt=said(step.not_felt),
        breath=_breath(step.breath),
        dose=replace(step.dose, note=said(step.dose.note)),
        faults=tuple(f.worded() for f in step.faults),
        parameters=tuple(_parameter(p) for p in step.parameters),
        props=tuple(replace(n, says=said(n.says)) for n in step.props),
        feedback=tuple(f.worded() for f in step.feedback),
        side_says=said(step.side_says),
    )


def _lines(lines: tuple[str, ...]) -> tuple[str, ...]:
    return tuple(said(line) for line in lines)


def _breath(own: Breath) -> Breath:
    return own.in_words([said(p.words) for p in own.phases])


def _parameter(p: Parameter) -> Parameter:
    return replace(p, title=said(p.title))


def messages_of(family: Family) -> Iterator[Message]:
    """Everything that a worded family may say."""
    for text in _texts_of(family):
        if text:
            yield said(text)


def _texts_of(family: Family) -> Iterator[str]:
    yield from (family.title, family.about)
    for step in family.steps:
        yield from (step.title, *step.setup, *step.cues, *step.do, step.felt, step.not_felt, step.dose.note, step.side_says)
        yield from (p.words for p in step.breath.phases)
        for f in step.faults:
            yield from (f.name, f.seen, f.means, f.cue)
        for p in step.parameters:
            yield from (p.title, *p.choices)
        yield from (n.says for n in step.props)
        yield from (text for f in step.feedback for text in (f.tells, f.misleads))


__all__ = ["messages_of", "worded"]
