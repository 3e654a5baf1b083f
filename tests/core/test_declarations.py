"""Every declaration of the library read through as somebody would who has to teach from it."""

import re
from collections.abc import Callable

import pytest

from amvel.case import PROPS
from amvel.movements import Family, Step, all_steps, find, library
from amvel.movements.needs import Furniture
from amvel.movements.schools import do_lines
from tests.bodies import SIZES, body

SNAKE = re.compile(r"[a-z0-9]+(_[a-z0-9]+)*")


def for_each_step(reads: Callable[[Family, Step], None]) -> Callable[[Family], None]:
    """A test of every family that reads all its steps, and names each that it finds wrong."""

    def test(family: Family) -> None:
        wrong = []
        for step in family.steps:
            try:
                reads(family, step)
            except AssertionError as found:
                wrong.append(f"{step.id}: {found}")
        assert not wrong, "\n".join(wrong)

    test.__name__, test.__doc__ = reads.__name__, reads.__doc__
    return pytest.mark.parametrize("family", library().values(), ids=list(library()))(test)


@for_each_step
def test_ids_are_snake_case_and_titles_are_for_people(family, step) -> None:
    for name in (family.id, step.id, *(p.id for p in step.parameters)):
        assert SNAKE.fullmatch(name), name
    for title in (family.title, step.title):
        assert (title[0].isupper() or title[0].isdigit()) and "_" not in title and not title.endswith(".")


@for_each_step
def test_what_the_client_is_told_has_no_angles(family, step) -> None:
    """Measures in what a person has at hand; angles never (interface page)."""
    for line in (*step.setup, *step.cues):
        assert "°" not in line and not re.search(r"\bdeg(rees?)?\b", line), line


@for_each_step
def test_set_up_lines_are_sentences_and_cues_are_short(family, step) -> None:
    for line in step.setup:
        assert line[0].isupper() and line.endswith("."), line
    for cue in step.cues:
        assert not cue.endswith(".") and len(cue) < 90, cue


@for_each_step
def test_every_fault_is_named_seen_explained_and_answered(family, step) -> None:
    names = [f.name for f in step.faults]
    assert len(names) == len(set(names)), names
    for f in step.faults:
        assert all((f.name, f.seen, f.means, f.cue)), f
        assert f.cue not in step.cues, f.cue


@for_each_step
def test_the_breath_is_said_and_never_held(family, step) -> None:
    assert re.search(r"\b(breaths?|breathe|in|out)\b", step.breath.says())
    assert not re.search(r"\bhold (the|your) breath\b", " ".join((step.breath.says(), *step.cues, *step.setup)))


@for_each_step
def test_what_to_do_is_one_to_three_sentences_in_plain_words(family, step) -> None:
    lines = do_lines(step, "out_on_effort")
    assert 1 <= len(lines) <= 3
    for line in lines:
        assert line[0].isupper() and line.endswith((".", "?")), line
        assert "{" not in line and "°" not in line and not re.search(r"\b(deg|rung|level \d)\b", line), line
    assert not any("{" in x for x in (*step.setup, *step.cues, step.felt, step.not_felt, step.title))


def test_no_two_steps_of_a_family_say_the_same() -> None:
    """Two steps that read alike would be told apart by the picture only."""
    for family in library().values():
        said = [s.do for s in family.steps]
        assert len(set(said)) == len(said), family.id
        middles = [s.do[min(1, len(s.do) - 1)] for s in family.steps]
        assert len(set(middles)) == len(middles), family.id


@for_each_step
def test_a_dose_can_be_done(family, step) -> None:
    dose = step.dose
    assert 1 <= dose.repetitions <= 20 and 1 <= dose.sets <= 5
    assert dose.hold_s <= dose.seconds or dose.hold_s >= 20, "a hold fits into its repetition, or is the repetition"
    assert 0 < dose.minutes(1) < 15


@for_each_step
def test_purposes_are_shares_and_efforts_are_on_their_scale(family, step) -> None:
    assert step.purposes and all(0 < w <= 1 for w in step.purposes.values())
    assert 0 <= step.effort <= 10


@for_each_step
def test_every_parameter_has_a_start_inside_its_range_on_every_body(family, step) -> None:
    ids = [p.id for p in step.parameters]
    assert len(ids) == len(set(ids))
    for p in step.parameters:
        for size in SIZES:
            start = p.default_for(body(size))
            if p.choices:
                assert start in p.choices
            else:
                assert p.low <= float(start) <= p.high and p.low < p.high and p.grid > 0
        assert p.title and (p.choices or p.unit)


@for_each_step
def test_what_comes_before_exists_and_is_not_the_step_itself(family, step) -> None:
    own = family.ref(step)
    for ref in step.after:
        other, before = find(ref)
        assert ref != own and before in other.steps


def test_nothing_comes_before_itself_by_a_detour() -> None:
    first = {family.ref(step): set(step.after) for family, step in all_steps()}
    for family in library().values():
        for below, above in zip(family.steps, family.steps[1:], strict=False):
            first[family.ref(above)].add(family.ref(below))

    def follow(ref: str, seen: tuple[str, ...]) -> None:
        assert ref not in seen, " → ".join((*seen, ref))
        for before in first[ref]:
            follow(before, (*seen, ref))

    for ref in first:
        follow(ref, ())


@for_each_step
def test_what_is_needed_can_be_had_or_named(family, step) -> None:
    for need in step.props:
        assert need.says and need.says[0].islower()
        for thing in (*need.serves, *need.on_bed):
            assert isinstance(thing, Furniture) or thing in PROPS, need.says
        assert set(need.on_bed) <= {*need.serves, "bolster"}, need.says


@for_each_step
def test_ladders_begin_low(family, step) -> None:
    """The first rung of a ladder is never its hardest; what clients ask for has its own reasons."""
    if not family.asked_for:
        assert family.steps[0].effort <= 5


def test_substitutes_are_families_of_the_library() -> None:
    for family in library().values():
        for name in family.replaces:
            assert name in library() and name != family.id


@pytest.mark.parametrize("need", sorted({n for _, s in all_steps() for n in s.props}, key=lambda n: n.says), ids=lambda n: n.says)
def test_only_furniture_may_be_without_a_stand_in(need) -> None:
    """A stretch band and furniture have none; everything else does, so that a plan never stops at a missing cushion."""
    small = [t for t in need.serves if not isinstance(t, Furniture)]
    if small and not need.pulls:
        assert any(PROPS[t].stand_in for t in small), need.says
