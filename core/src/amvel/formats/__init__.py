"""Formats that other programs read."""

from amvel.formats.calendar import CalendarAsk, CalendarError, calendar

__all__ = ["CalendarAsk", "CalendarError", "calendar"]
