"""The week: spacing, days that are owed, hours of medicine."""

from dataclasses import replace
from datetime import time

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from amvel.case import Case, read_case
from amvel.movements import all_steps
from amvel.planning.item import Item, SetUp
from amvel.planning.programme import Covered
from amvel.planning.week import hours, kind_of, plan_week
from tests.conftest import demo


def item(ref: str, position: str = "sitting", minutes: float = 3.0) -> Item:
    return Item(ref, position, (SetUp("both", {}, 8, 2),), minutes)


BREATH = item("breathing_rest/knees_bent", "on the back")
RISE = item("sit_to_stand/two_legs")
TANDEM = item("tandem_stand/firm_hand", "standing")
ALL = (BREATH, RISE, TANDEM)


def case(**wishes) -> Case:
    found = read_case(demo("low-bone-mass"))
    return found.model_copy(update={"wishes": found.wishes.model_copy(update=wishes)})


def days(week, ref: str, items=ALL) -> list[int]:
    return [s.day for s in week.sessions if not s.light and any(items[i].ref == ref for i in s.rows)]


def test_strength_has_a_day_between() -> None:
    found = days(plan_week(case(days_per_week=7), ALL, ()), RISE.ref)
    assert found
    assert all((a + 1) % 7 not in found for a in found)


def test_light_practice_comes_twice_a_day() -> None:
    week = plan_week(case(), ALL, ())
    light = [s for s in week.sessions if s.light]
    assert {s.day for s in light} == set(range(7))
    assert all(ALL[i].ref == BREATH.ref for s in light for i in s.rows)


@pytest.mark.parametrize("given_days", [1, 2, 3, 5, 7])
def test_no_more_days_than_were_given(given_days: int) -> None:
    week = plan_week(case(days_per_week=given_days), ALL, ())
    assert len({s.day for s in week.sessions if not s.light}) <= given_days


def test_an_obligation_gets_its_days_or_says_why_not() -> None:
    balance = Covered("o", "Balance on 3 days a week or more", (TANDEM.ref,), "", 3)
    enough = plan_week(case(days_per_week=4), ALL, (balance,))
    assert len(days(enough, TANDEM.ref)) >= 3
    assert enough.short == {}
    few = plan_week(case(days_per_week=2), ALL, (balance,))
    assert "2 of 3 days; 2 days a week are given" in few.short["o"]


def test_an_obligation_that_nothing_covers_is_not_blamed_on_the_days() -> None:
    nothing = Covered("o", "Sit to stand", (), "no admissible step", 3)
    assert (
        plan_week(case(days_per_week=7), ALL, (nothing,))
        .short["o"]
        .endswith("nothing in the programme covers it")
    )


def test_sessions_keep_to_the_hours_at_which_medicine_works() -> None:
    first, second = hours(case(medicine_hours=(time(8, 0), time(13, 0), time(18, 0)), at=time(10, 0)))
    assert first == time(9, 0)
    assert second == time(19, 0)


def test_without_medicine_the_wished_hour_stands() -> None:
    assert hours(case(at=time(15, 30)))[0] == time(15, 30)


def test_a_late_dose_goes_round_midnight() -> None:
    assert hours(case(medicine_hours=(time(23, 30),)))[0] == time(0, 30)


def test_every_step_of_the_library_has_a_kind() -> None:
    kinds = {kind_of(item(f.ref(s), f.position)) for f, s in all_steps()}
    assert kinds == {"light", "balance", "strength", "other"}


@settings(max_examples=25, deadline=None)
@given(
    st.lists(
        st.sampled_from([f.ref(s) for f, s in all_steps() if not f.asked_for]),
        min_size=1,
        max_size=8,
        unique=True,
    ),
    st.integers(1, 7),
    st.integers(10, 40),
)
def test_no_day_is_longer_than_wished_and_strength_always_rests(
    refs: list[str], given_days: int, minutes: int
) -> None:
    items = tuple(item(r, minutes=2.5) for r in refs)
    week = plan_week(case(days_per_week=given_days, minutes=minutes), items, ())
    assert week == plan_week(case(days_per_week=given_days, minutes=minutes), items, ())
    for s in week.sessions:
        assert sum(items[i].minutes for i in s.rows) <= minutes
    for one in items:
        if kind_of(one) == "strength":
            found = days(week, one.ref, items)
            assert all((d + 1) % 7 not in found for d in found)


def test_the_session_keeps_the_order_of_the_programme() -> None:
    week = plan_week(case(), ALL, ())
    assert all(list(s.rows) == sorted(s.rows) for s in week.sessions)
    assert replace(week, sessions=()).rest_days == week.rest_days


ONLY_A = replace(item("clam/small_opening", "on the side"), sessions=("A",))
ONLY_B = replace(item("tall_turn/hands_on_ribs"), sessions=("B",))
IN_BOTH = replace(BREATH, sessions=("A", "B"))
TWO = (IN_BOTH, ONLY_A, ONLY_B)


@pytest.mark.parametrize("given_days", [2, 3, 4, 5, 6, 7])
def test_sessions_take_turns_and_each_day_holds_only_its_own(given_days: int) -> None:
    week = plan_week(case(days_per_week=given_days), TWO, ())
    full = [s for s in week.sessions if not s.light]
    letters = [s.letter for s in full]
    assert letters == list("ABABABA")[:len(letters)]
    for s in full:
        assert all(s.letter in TWO[i].sessions for i in s.rows)
        if given_days <= 6:  # on the seventh there is nothing left but the daily breath
            assert any(TWO[i].sessions == (s.letter,) for i in s.rows)


def test_strength_of_two_sessions_still_rests_a_day() -> None:
    both = (IN_BOTH, replace(RISE, sessions=("A", "B")))
    found = days(plan_week(case(days_per_week=7), both, ()), RISE.ref, both)
    assert found and all((d + 1) % 7 not in found for d in found)
