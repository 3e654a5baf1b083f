"""A day as it is written in a language: 28 November 2026, 28. November 2026; with its weekday where somebody has to come; in the
middle of a line 28 Nov 2026, 28.11.2026."""

from datetime import date
from typing import Literal

from babel.dates import format_date

Length = Literal["medium", "long", "full"]
_LOCALES = {"en": "en_GB"}  # the day before the month


def day_in(language: str, on: date, length: Length = "long") -> str:
    written: str = format_date(on, length, locale=_LOCALES.get(language, language))
    return written


__all__ = ["Length", "day_in"]
