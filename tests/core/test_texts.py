"""The catalogue of texts: complete, unambiguous, plain, and ready for another language."""

import re

from amvel.movements import all_steps, find
from amvel.movements.texts import catalogue, missing, translated


def test_every_step_is_in_the_catalogue_with_all_that_it_says() -> None:
    known = catalogue()
    for family, step in all_steps():
        base = f"{family.id}.{step.id}"
        for key in ("title", "felt", "not_felt", "do.0", "setup.0", "cues.0", "fault.0.name", "fault.0.cue"):
            assert known[f"{base}.{key}"].strip(), (base, key)


def test_a_whole_language_leaves_nothing_missing_and_a_wrong_key_is_named() -> None:
    shouted = {k: v.upper() for k, v in catalogue().items()}
    assert missing(shouted) == []
    gone = dict(shouted)
    gone.pop("knee_fold.single_fold.title")
    assert missing({**gone, "knee_fold.no_such": "X"}) == ["knee_fold.single_fold.title", "!knee_fold.no_such"]


def test_another_language_replaces_every_text_of_a_step_and_no_number() -> None:
    shouted = {k: v.upper() for k, v in catalogue().items()}
    for ref in ("knee_fold/single_fold", "clam/band_above_knees", "sit_to_stand/one_leg"):
        family, step = find(ref)
        other = translated(family, step, shouted)
        texts = (
            other.title,
            other.felt,
            *(p.words for p in other.breath.phases),
            *other.do,
            *other.setup,
            *other.cues,
            *(f.seen for f in other.faults),
        )
        assert all(t == t.upper() for t in texts)
        assert [p.title for p in other.parameters] == [p.title.upper() for p in step.parameters]
        assert (other.dose.repetitions, other.frames, other.purposes) == (
            step.dose.repetitions,
            step.frames,
            step.purposes,
        )


def test_what_a_language_lacks_stays_english() -> None:
    family, step = find("knee_fold/single_fold")
    assert translated(family, step, {}) == step


def test_no_text_uses_wording_that_the_trade_dropped_or_says_you_cannot() -> None:
    for key, text in catalogue().items():
        assert not re.search(r"navel to (the )?spine|you can.?t\b|you cannot", text, re.I), (key, text)
