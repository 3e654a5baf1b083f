"""A group of figures that screening decides by, beside those of one test."""

from dataclasses import dataclass
from datetime import date

from amvel.numbers import Draft, Number, Numbers, in_force


@dataclass(frozen=True)
class Standard:
    """Named like a rule, so that its numbers stand in the rule-book and can be tried in a draft."""

    id: str
    title: str
    about: str
    numbers: tuple[Number, ...]

    def in_force(self, on: date, draft: Draft | None = None) -> Numbers:
        """Its numbers as of a day."""
        return in_force(self.id, self.numbers, on, draft)
