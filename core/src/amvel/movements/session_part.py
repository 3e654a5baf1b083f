"""What part of a session a family makes."""

from enum import StrEnum


class SessionPart(StrEnum):
    """A session begins with what settles, works, rests in between, and ends with a task of daily life (common practice)."""

    SETTLES = "settles"  # breath and the deep set
    WORKS = "works"
    RESTS = "rests"
    CARRIES_OVER = "carries_over"


__all__ = ["SessionPart"]
