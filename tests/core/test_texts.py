"""The texts of the library: complete, plain, and messages that another language can say."""

import re

from amvel.languages import Message, catalogue
from amvel.movements import all_steps, find, library
from amvel.movements.texts import messages_of


def test_everything_that_a_step_says_is_a_message() -> None:
    for family, step in all_steps():
        said = (family.title, family.about, step.title, *step.setup, *step.do, *step.cues, step.felt, step.not_felt)
        faults = (t for f in step.faults for t in (f.name, f.seen, f.means, f.cue))
        told = (*said, *faults, *(p.words for p in step.breath.phases), *(p.title for p in step.parameters), *(n.says for n in step.props))
        assert all(isinstance(t, Message) for t in told), family.ref(step)


def test_a_family_lists_all_that_it_may_say() -> None:
    family, step = find("knee_fold/single_fold")
    listed = set(messages_of(family))
    assert {family.title, step.title, *step.do, *step.setup, *step.cues, step.felt, step.faults[0].cue} <= listed


def test_another_language_replaces_every_text_of_a_step_and_no_number() -> None:
    own = catalogue("de")
    for ref in ("knee_fold/single_fold", "clam/band_above_knees", "sit_to_stand/one_leg"):
        family, step = find(ref)
        for text in (family.title, step.title, step.felt, *step.setup, *step.cues, *(f.seen for f in step.faults)):
            assert text.in_language("de") == own[str(text)] != text


def test_no_text_uses_wording_that_the_trade_dropped_or_says_you_cannot() -> None:
    for family in library().values():
        for text in messages_of(family):
            assert not re.search(r"navel to (the )?spine|you can.?t\b|you cannot", text, re.I), (family.id, text)


def test_a_step_is_read_alone() -> None:
    """Who gets this step may never have seen the one before it on the ladder: nothing is done 'as before'."""
    elsewhere = re.compile(r"\b(as|than) before\b|\bearlier\b|\bprevious\b|\blast step\b|\bas above\b", re.IGNORECASE)
    # Within one repetition it is the start that is meant.
    of_the_same_step = {"heel_raise/fingertips"}
    found = {f.ref(s): str(t) for f, s in all_steps() for t in (*s.do, *s.setup) if elsewhere.search(str(t))}
    assert set(found) <= of_the_same_step, found


def test_no_step_is_named_as_its_family() -> None:
    """The two stand beside each other on paper."""
    assert [f.ref(s) for f, s in all_steps() if str(f.title).casefold() == str(s.title).casefold()] == []
