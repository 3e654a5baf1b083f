"""A group of figures that screening decides by, beside those of one test."""

from dataclasses import dataclass, field
from datetime import date

from amvel.checked import READ_AGAIN_AFTER, Profession
from amvel.numbers import Draft, Number, Numbers, in_force


@dataclass(frozen=True)
class Standard:
    """Named like a rule, so that its numbers stand in the rule-book and can be tried in a draft."""

    id: str
    title: str
    about: str
    numbers: tuple[Number, ...]
    read_on: date = field(kw_only=True)
    check_by: Profession = field(kw_only=True)

    @property
    def check_again_on(self) -> date:
        """When it is to be read again at the latest."""
        return self.read_on + READ_AGAIN_AFTER

    def in_force(self, on: date, draft: Draft | None = None) -> Numbers:
        """Its numbers as of a day."""
        return in_force(self.id, self.numbers, on, draft)
