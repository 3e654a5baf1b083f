"""When the next visit would suit (common practice, no source: a week, sooner after a flare, fewer once it goes well)."""

from datetime import date, time, timedelta

from hypothesis import given
from hypothesis import strategies as st

from amvel.case import read_case
from amvel.progress.next_visit import suggested_visits
from tests.generated import TODAY, base
from tests.visits import once, visit

STEP = "tall_sitting/unsupported"


def seen(days_ago: int, clean: int = 8, flare: bool = False) -> dict:
    return visit(days_ago, once(STEP, clean=clean), flare=flare, context="visit", by="specialist")


def suggested(visits: list[dict], **wishes):
    return suggested_visits(read_case(base("1960-05-01", "female", [], [], visits=visits, wishes=wishes)))


def test_a_week_later_at_the_hour_that_suits() -> None:
    first, second = suggested([seen(0)], at="14:30")
    assert (first.on - TODAY, first.at) == (timedelta(days=7), time(14, 30))
    assert second.on - TODAY == timedelta(days=14)


def test_sooner_after_a_flare() -> None:
    first = suggested([seen(0, flare=True)])[0]
    assert first.on - TODAY == timedelta(days=3)
    assert "flared" in first.why.sentence


def test_fewer_after_four_clean_sessions_and_not_after_three() -> None:
    clean = [seen(d) for d in (21, 14, 7, 0)]
    assert suggested(clean)[0].on - TODAY == timedelta(days=14)
    assert suggested(clean[1:])[0].on - TODAY == timedelta(days=7)
    assert suggested([*clean[:3], seen(0, clean=4)])[0].on - TODAY == timedelta(days=7)


def test_an_hour_after_medicine_where_that_helps() -> None:
    assert suggested([], at="11:00", medicine_hours=["08:00", "12:00"])[0].at in (time(9), time(13))


@given(st.lists(st.tuples(st.integers(0, 40), st.integers(0, 20)), max_size=4))
def test_nobody_is_planned_on_a_day_away(away: list[tuple[int, int]]) -> None:
    gone = [{"first": (TODAY + timedelta(days=a)).isoformat(), "last": (TODAY + timedelta(days=a + n)).isoformat()} for a, n in away]
    found = suggested([seen(0)], away=gone)
    assert found
    for s in found:
        assert s.on > TODAY
        assert not any(date.fromisoformat(g["first"]) <= s.on <= date.fromisoformat(g["last"]) for g in gone)
    assert len({s.on for s in found}) == len(found)
