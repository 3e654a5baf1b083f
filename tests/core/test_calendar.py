"""The calendar read back with an independent parser (vobject, dateutil), over the change of summer time."""

import io
from datetime import UTC, date, datetime, time, timedelta
from zoneinfo import ZoneInfo

import pytest
import vobject
from dateutil import tz

from amvel.formats import CalendarAsk, CalendarError, calendar
from amvel.planning.item import Item, SetUp
from amvel.planning.week import Session, Week

ITEMS = (
    Item("breathing_rest/knees_bent", "on the back", (SetUp("both", {}, 10, 3),), 4.0),
    Item("clam/small_opening", "on the side", (SetUp("left", {}, 10, 2), SetUp("right", {}, 10, 2)), 4.0),
)
WEEK = Week(
    (
        Session(0, time(10, 0), (0, 1), 25.0),
        Session(2, time(10, 0), (0, 1), 25.0),
        Session(2, time(18, 0), (0,), 5.0, light=True),
        Session(4, time(10, 0), (0, 1), 25.0),
    ),
    {},
    (),
    True,
)
WRITTEN = datetime(2027, 3, 1, 9, 0, tzinfo=UTC)


def ask(first: date = date(2027, 3, 24), weeks: int = 3, zone: str = "Europe/Berlin", **more) -> CalendarAsk:
    return CalendarAsk(first, weeks, zone, "programme-1@amvel", WRITTEN, **more)


def starts(data: bytes, summary: str = "Exercises") -> list[datetime]:
    book = vobject.readOne(data.decode())
    return [
        d
        for event in book.vevent_list
        if event.summary.value == summary
        for d in event.getrruleset(addRDate=True)
    ]


def test_it_is_read_back_with_every_day_in_it() -> None:
    found = starts(calendar(WEEK, ITEMS, ask()))
    assert [d.date() for d in found] == [
        date(2027, 3, 24), date(2027, 3, 26), date(2027, 3, 29), date(2027, 3, 31),
        date(2027, 4, 2), date(2027, 4, 5), date(2027, 4, 7), date(2027, 4, 9), date(2027, 4, 12),
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("zone", "first"),
    [
        ("Europe/Berlin", date(2027, 3, 22)),  # summer time begins on 28 March 2027
        ("Europe/Berlin", date(2027, 10, 25)),  # and ends on 31 October 2027
        ("America/New_York", date(2027, 3, 8)),  # 14 March 2027
        ("Australia/Sydney", date(2027, 3, 29)),  # ends on 4 April 2027
        ("Asia/Kolkata", date(2027, 3, 22)),  # none
    ],
)
def test_ten_o_clock_stays_ten_o_clock_over_summer_time(zone: str, first: date) -> None:
    data = calendar(WEEK, ITEMS, ask(first, zone=zone))
    found = starts(data)
    assert {(d.hour, d.minute) for d in found} == {(10, 0)}
    own, real = zone_in(data), ZoneInfo(zone)
    moments = [(d.replace(tzinfo=own).astimezone(UTC), d.replace(tzinfo=real).astimezone(UTC)) for d in found]
    assert all(a == b for a, b in moments), "the file's own zone says the same moment as the zone's rules"
    assert len({b.hour for _, b in moments}) == (1 if zone == "Asia/Kolkata" else 2)


def zone_in(data: bytes):
    """The zone as the file itself describes it, read by dateutil."""
    text = data.decode().replace("\r\n", "\n")
    block = text[text.index("BEGIN:VTIMEZONE") : text.index("END:VTIMEZONE")]
    return tz.tzical(io.StringIO(f"BEGIN:VCALENDAR\n{block}END:VTIMEZONE\nEND:VCALENDAR\n")).get()


def test_there_is_a_reminder_before_each() -> None:
    book = vobject.readOne(calendar(WEEK, ITEMS, ask(remind_minutes=30)).decode())
    for event in book.vevent_list:
        assert event.valarm.trigger.value == timedelta(minutes=-30)


def test_the_short_practice_is_an_event_of_its_own() -> None:
    data = calendar(WEEK, ITEMS, ask())
    assert {d.hour for d in starts(data, "Short practice")} == {18}
    book = vobject.readOne(data.decode())
    assert len(book.vevent_list) == 2


def test_the_same_week_gives_the_same_file_and_a_change_the_next_version() -> None:
    assert calendar(WEEK, ITEMS, ask()) == calendar(WEEK, ITEMS, ask())
    assert b"SEQUENCE:4" in calendar(WEEK, ITEMS, ask(version=4))


def test_lines_are_folded_as_the_standard_asks() -> None:
    data = calendar(WEEK, ITEMS * 6, ask())
    assert b"\r\n" in data
    assert max(len(line) for line in data.split(b"\r\n")) <= 75


@pytest.mark.parametrize(
    ("field", "value"), [("zone", "Nowhere/Town"), ("zone", ""), ("weeks", 0), ("weeks", 60)]
)
def test_what_cannot_be_written_names_the_field(field: str, value: object) -> None:
    with pytest.raises(CalendarError, match=field):
        calendar(WEEK, ITEMS, ask(**{field: value}))


def test_an_empty_week_has_no_event() -> None:
    assert b"VEVENT" not in calendar(Week((), {}, tuple(range(7)), True), ITEMS, ask())


def test_days_away_are_left_out_and_all_others_stay() -> None:
    away = ((date(2027, 3, 29), date(2027, 4, 4)),)
    usual = [d.date() for d in starts(calendar(WEEK, ITEMS, ask()))]
    left = [d.date() for d in starts(calendar(WEEK, ITEMS, ask(away=away)))]
    assert left == [d for d in usual if not date(2027, 3, 29) <= d <= date(2027, 4, 4)]
    assert len(left) < len(usual)


def test_a_week_away_over_the_change_of_summer_time_leaves_out_the_right_hours() -> None:
    """The hour that is left out is the hour at which the session would be, in that zone on that day."""
    first = date(2027, 3, 22)
    found = starts(calendar(WEEK, ITEMS, ask(first, away=((date(2027, 3, 26), date(2027, 3, 28)),))))
    assert date(2027, 3, 26) not in {d.date() for d in found}
    assert {d.hour for d in found} == {10}
