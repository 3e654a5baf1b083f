"""What tells whether it is right, and when it misleads: with a thing that is there, or what stands in for it."""

import pytest

from amvel.case import PROPS, Room
from amvel.case.schools import QUESTIONS
from amvel.fitting.needs import stand_ins_for
from amvel.movements import all_steps, find
from amvel.movements.feedback import Feedback
from amvel.movements.schools import concerns, feedback_of, school_lines

DEFAULTS = {q.id: q.default for q in QUESTIONS.values()}


# Common practice, no source: what the trade gives a client to know by.
@pytest.mark.parametrize(
    ("ref", "thing", "word"),
    [
        ("breathing_rest/belt_round_waist", "belt", "every side"),
        ("belly_lift/with_the_breath", "block", "tips"),
        ("wall_plank/one_foot_lifted", "tape", "drops"),
        ("seated_deep_set/back_supported", "", "firming"),
    ],
)
def test_the_trades_own_ways_of_knowing_stand_with_their_steps(ref: str, thing: str, word: str) -> None:
    own = find(ref)[1].feedback
    assert [(f.thing, word in f.tells) for f in own] == [(thing, True)]


def test_everything_that_tells_also_says_when_it_misleads() -> None:
    own = {f for _, step in all_steps() for f in step.feedback}
    assert len(own) >= 5
    assert all(f.tells and f.misleads and f.tells != f.misleads for f in own)


def test_a_thing_that_the_catalogue_does_not_have_is_refused() -> None:
    with pytest.raises(KeyError):
        Feedback("it tells", "it misleads", "no_such_thing")


def test_the_strip_belongs_to_the_flat_low_back_alone() -> None:
    flat = {**DEFAULTS, "low_back": "flat"}
    leg_work = [(f, s) for f, s in all_steps() if concerns(f, s, "low_back")]
    assert leg_work
    for family, step in leg_work:
        assert feedback_of(family, step, flat)[-1].thing == "strap"
        assert feedback_of(family, step, DEFAULTS) == step.feedback
        assert "pulls free" in school_lines(family, step, flat)["feedback"]
        assert "pulls free" not in school_lines(family, step, DEFAULTS).get("feedback", "")


def test_what_is_not_there_has_its_stand_in_and_what_is_there_has_none() -> None:
    bare, full = Room(), Room(props=tuple(PROPS))
    assert stand_ins_for(bare, ("block", "tape")) == (
        "books tied together as the firm block",
        "a strip of cloth pinned level to the waistband as the stripe of tape",
    )
    assert stand_ins_for(bare, ("band",)) == ()  # nothing else pulls by its length
    assert stand_ins_for(full, ("block", "tape", "band")) == ()
