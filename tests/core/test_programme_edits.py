"""A programme changed by hand: every edit is a new list, inside its bounds and inside every limit."""

from dataclasses import replace

import pytest

from amvel.movements import find
from amvel.planning import violations
from amvel.planning.edit import (
    EditRefused,
    added,
    chosen_for,
    dosed,
    exchanged,
    judged,
    removed,
    reordered,
    summary,
)
from amvel.planning.item import Item, SetUp
from tests.engines import planned
from tests.planned import engine, pool

NAME = "low-bone-mass"


@pytest.fixture
def items() -> list[Item]:
    return list(planned(engine(NAME), "home").movements)


def test_edits_give_a_new_list_and_leave_the_old_one(items: list[Item]) -> None:
    refs = [i.ref for i in items]
    assert [i.ref for i in reordered(items, refs[::-1])] == refs[::-1]
    assert [i.ref for i in removed(items, refs[0])] == refs[1:]
    own = items[1].set_ups[0]
    more = dosed(items, refs[1], own.repetitions + 3, own.sets, own.hold_s)
    assert more[1].minutes > items[1].minutes
    assert [i.ref for i in items] == refs


def test_an_exchanged_or_added_movement_is_one_that_is_allowed(items: list[Item]) -> None:
    e, used = engine(NAME), {i.ref for i in items}
    other = next(c.ref for c in pool(NAME) if c.ref not in used)
    chosen = chosen_for(e, "home")
    assert exchanged(items, items[0].ref, other, chosen)[0].ref == other
    there = added(items, other, chosen)
    assert len(there) == len(items) + 1
    assert violations(e.case, e.envelope_in("home"), e.profiler, there, "home") == []
    for wrong in ("curl_family/legs_straight", "sit_up/roll_up", items[1].ref):
        with pytest.raises(EditRefused):
            added(items, wrong, chosen)


@pytest.mark.parametrize("dose", [(0, 1, 0.0), (30, 6, 0.0), (31, 1, 0.0), (8, 7, 0.0), (8, 1, -1.0), (8, 1, 300.0)])
def test_a_dose_outside_its_bounds_is_refused(items: list[Item], dose: tuple[int, int, float]) -> None:
    with pytest.raises(EditRefused):
        dosed(items, items[0].ref, *dose)


def test_thirty_stands_six_times_are_refused_for_anybody() -> None:
    """Strength is dosed by the step, not by endless repetition (Baechle & Earle, from memory; the bound is our choice)."""
    stands = Item("sit_to_stand/two_legs", "sitting", (SetUp("both", {}, 8, 2),))
    with pytest.raises(EditRefused, match="next step up"):
        dosed([stands], stands.ref, 30, 6, 0.0)
    assert dosed([stands], stands.ref, 12, 3, 0.0)[0].set_ups[0].repetitions == 12


def test_an_edit_that_would_break_a_limit_is_refused_as_a_whole(items: list[Item]) -> None:
    e = engine(NAME)
    step = find("curl_family/one_knee_bent")[1]
    values = step.defaults(e.profiler.body)
    smuggled = [*items, replace(items[0], ref="curl_family/one_knee_bent", set_ups=(SetUp("left", values, 8),))]
    with pytest.raises(EditRefused, match="rounding under load"):
        judged(e, "home", smuggled)


def test_a_summary_says_what_is_over_and_what_nothing_covers(items: list[Item]) -> None:
    e = engine(NAME)
    assert summary(e, items).warnings == ()
    assert any("nothing covers it" in w for w in summary(e, items[:1]).warnings)
    long = [replace(i, minutes=9.0) for i in items]
    assert any("over the" in w for w in summary(e, long).warnings)
