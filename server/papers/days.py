"""A day as it is written in a language: 28 November 2026, 28. November 2026."""

from datetime import date

from babel.dates import format_date

_LOCALES = {"en": "en_GB"}  # the day before the month


def day_in(language: str, on: date) -> str:
    written: str = format_date(on, "long", locale=_LOCALES.get(language, language))
    return written


__all__ = ["day_in"]
