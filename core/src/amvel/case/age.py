"""Age in completed years, and between which ages the tables speak."""

from datetime import date

YOUNGEST, OLDEST = 6, 110


def age_years(birth: date, on: date) -> int:
    """Completed years of age."""
    return on.year - birth.year - ((on.month, on.day) < (birth.month, birth.day))


__all__ = ["OLDEST", "YOUNGEST", "age_years"]
