"""A day as it is written in a language: 28 November 2026, 28. November 2026; in the middle of a line 28 Nov 2026, 28.11.2026."""

from datetime import date
from typing import Literal

from babel.dates import format_date

_LOCALES = {"en": "en_GB"}  # the day before the month


def day_in(language: str, on: date, length: Literal["medium", "long"] = "long") -> str:
    written: str = format_date(on, length, locale=_LOCALES.get(language, language))
    return written


__all__ = ["day_in"]
