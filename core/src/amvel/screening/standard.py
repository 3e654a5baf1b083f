"""A group of figures that screening decides by, beside those of one test."""

from dataclasses import dataclass, field
from datetime import date

from amvel.case import Case
from amvel.checked import READ_AGAIN_AFTER, Profession
from amvel.languages import said
from amvel.numbers import Number, Numbers, in_force


@dataclass(frozen=True)
class Standard:
    """Named like a rule, so that its numbers stand in the rule-book and can be tried and changed."""

    id: str
    title: str
    about: str
    numbers: tuple[Number, ...]
    read_on: date = field(kw_only=True)
    check_by: Profession = field(kw_only=True)

    def __post_init__(self) -> None:
        object.__setattr__(self, "title", said(self.title))
        object.__setattr__(self, "about", said(self.about))

    @property
    def check_again_on(self) -> date:
        """When it is to be read again at the latest."""
        return self.read_on + READ_AGAIN_AFTER

    def in_force(self, case: Case) -> Numbers:
        """Its numbers as of the day of a case, where this client is."""
        return in_force(self.id, self.numbers, case.as_of, case.local_values)
