"""The week as a calendar file (RFC 5545), written by the icalendar library: sessions that repeat, with a reminder before each.

Hours are wall-clock hours of the person's own time zone, so that ten o'clock stays ten o'clock when summer time comes.
Nothing in it says more of a person's health than the names of the movements.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, time, timedelta
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError

from icalendar import Alarm, Calendar, Event, vRecur

from amvel.languages import in_language, said, said_together
from amvel.languages.catalogue import SOURCE
from amvel.movements import find
from amvel.planning.dose_words import dose_words
from amvel.planning.item import Item
from amvel.planning.week import Session, Week

_DAY = ("MO", "TU", "WE", "TH", "FR", "SA", "SU")
MOST_WEEKS = 26


class CalendarError(ValueError):
    """The calendar cannot be written; the message names the field and what is wrong with it."""


@dataclass(frozen=True)
class CalendarAsk:
    """From which day, for how many weeks, in which time zone; `version` grows with every change of the programme."""

    first: date
    weeks: int
    zone: str
    uid: str
    written: datetime
    version: int = 0
    remind_minutes: int = 15
    away: tuple[tuple[date, date], ...] = ()  # first and last days on which nothing is practised
    language: str = SOURCE


def calendar(week: Week, items: Sequence[Item], ask: CalendarAsk) -> bytes:
    """The calendar file; raises CalendarError for an unknown time zone or a length outside 1–26 weeks."""
    zone = _zone(ask.zone)
    if not 1 <= ask.weeks <= MOST_WEEKS:
        raise CalendarError(said("weeks: {weeks} is outside 1–{most_weeks}", weeks=ask.weeks, most_weeks=MOST_WEEKS))
    book = Calendar()
    book.add("prodid", "-//Amvel//programme//EN")
    book.add("version", "2.0")
    book.add("method", "PUBLISH")
    book.add("x-wr-calname", said("Exercises").in_language(ask.language))
    for i, group in enumerate(_alike(week.sessions)):
        book.add_component(_event(group, items, ask, zone, i))
    if week.sessions:
        # A reader has to know which time stood before the first event: two years back hold a change of either kind.
        book.add_missing_timezones(date(ask.first.year - 2, 1, 1), date(ask.first.year + 2, 1, 1))
    return bytes(book.to_ical())


def _zone(name: str) -> ZoneInfo:
    try:
        return ZoneInfo(name)
    except (ZoneInfoNotFoundError, ValueError) as error:
        raise CalendarError(said("zone: there is no time zone '{name}'", name=name)) from error


def _alike(sessions: Sequence[Session]) -> list[list[Session]]:
    """Sessions of the same hour with the same movements, each group one repeating event."""
    groups: dict[tuple[time, tuple[int, ...]], list[Session]] = {}
    for s in sessions:
        groups.setdefault((s.at, s.rows), []).append(s)
    return list(groups.values())


def _event(group: list[Session], items: Sequence[Item], ask: CalendarAsk, zone: ZoneInfo, number: int) -> Event:
    one = group[0]
    start_day = min(_on_or_after(ask.first, s.day) for s in group)
    start = datetime.combine(start_day, one.at, zone)
    last_day = ask.first + timedelta(days=7 * ask.weeks - 1)
    event = Event()
    event.add("uid", f"{ask.uid}-{number}")
    event.add("sequence", ask.version)
    event.add("dtstamp", ask.written.astimezone(UTC))
    event.add("dtstart", start)
    event.add("dtend", start + timedelta(minutes=max(5, round(one.minutes))))
    event.add("summary", said("Short practice" if one.light else "Exercises").in_language(ask.language))
    event.add("description", "\n".join(in_language(_line(items[i]), ask.language) for i in one.rows))
    # RFC 5545: with a start in local time and a zone, the end of a rule is given in UTC.
    until = datetime.combine(last_day, time(23, 59, 59), zone).astimezone(UTC)
    event.add("rrule", vRecur(freq="WEEKLY", byday=[_DAY[s.day] for s in group], until=until))
    for day in _left_out(group, ask, last_day):
        event.add("exdate", datetime.combine(day, one.at, zone))
    event.add_component(_reminder(ask))
    return event


def _left_out(group: list[Session], ask: CalendarAsk, last_day: date) -> list[date]:
    """The days of a repeating event on which the person is away."""
    weekdays = {s.day for s in group}
    days = (ask.first + timedelta(days=k) for k in range((last_day - ask.first).days + 1))
    return [d for d in days if d.weekday() in weekdays and any(a <= d <= b for a, b in ask.away)]


def _reminder(ask: CalendarAsk) -> Alarm:
    alarm = Alarm()
    alarm.add("action", "DISPLAY")
    alarm.add("description", said("Exercises").in_language(ask.language))
    alarm.add("trigger", timedelta(minutes=-ask.remind_minutes))
    return alarm


def _on_or_after(first: date, weekday: int) -> date:
    return first + timedelta(days=(weekday - first.weekday()) % 7)


def _line(item: Item) -> str:
    family, step = find(item.ref)
    return said_together((family.title, ": ", step.title, " – ", dose_words(item)))


__all__ = ["MOST_WEEKS", "CalendarAsk", "CalendarError", "calendar"]
