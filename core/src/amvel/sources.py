"""Where a number comes from.

Nothing in Amvel holds a number without a Source.  Publications and guidelines stand once, in `literature.py`; what one is
quoted for is said where it is used.  `from_memory` marks what is quoted without the publication at hand; `reading` marks
figures that are our own reading of a source's words.
"""

from dataclasses import dataclass, replace
from enum import StrEnum

from amvel.languages import Message, said, said_together


class Kind(StrEnum):
    """What stands behind a number."""

    PUBLICATION = "publication"
    GUIDELINE = "guideline"
    PRACTICE = "practice"  # a fact of the trade: many say it, no one work is cited
    OURS = "ours"  # our own choice, estimate or measure
    WORD = "word"  # what a person with the right to it said of this client
    MODEL = "model"  # computed by the body model, or arithmetic


_WITH_AUTHORS = (Kind.PUBLICATION, Kind.GUIDELINE)


@dataclass(frozen=True)
class Source:
    """A citation, and how far the number can be trusted to be the source's own.

    `title` is the work's own title; `quoted_for` what it is quoted for here.  Where there is no work, `quoted_for` alone
    says what is meant.  Raises ValueError for a work without authors, year and title, and for a source that says nothing.
    """

    kind: Kind
    authors: str = ""
    year: int | None = None
    title: str = ""
    where: str = ""
    quoted_for: str = ""
    reading: bool = False
    from_memory: bool = False

    def __post_init__(self) -> None:
        if self.kind in _WITH_AUTHORS and not (self.authors and self.year and self.title):
            raise ValueError(f"Source.authors, year, title: a {self.kind} needs all three ('{self.authors}')")
        if self.kind not in _WITH_AUTHORS and (self.authors or self.year or self.title or self.where):
            raise ValueError(f"Source.kind: '{self.kind}' cites no work")
        if self.kind not in (*_WITH_AUTHORS, Kind.PRACTICE) and not self.quoted_for.strip():
            raise ValueError("Source.quoted_for: a number needs a citation")
        object.__setattr__(self, "quoted_for", said(self.quoted_for))

    def says(self, quoted_for: str, reading: bool = False) -> "Source":
        """The same work, quoted for something; `reading` when the number is our reading of its words."""
        return replace(self, quoted_for=quoted_for, reading=reading)

    @property
    def as_read(self) -> "Source":
        """The same, its numbers being our reading."""
        return replace(self, reading=True)

    @property
    def cite(self) -> Message:
        """In one line, without the marks."""
        if self.kind is Kind.PRACTICE:
            return said("common practice, no source: {fact}", fact=self.quoted_for) if self.quoted_for else said("common practice, no source")
        if self.kind not in _WITH_AUTHORS:
            return said(self.quoted_for)
        work = f"{self.authors} {self.year}" + (f", {self.where}" if self.where else "")
        return said_together((work, self.quoted_for or self.title), ": ")

    @property
    def told(self) -> Message:
        """In one line, with how far the number can be trusted to be the source's own."""
        marks = [
            word
            for on, word in (
                (self.kind is Kind.OURS, said("our choice")),
                (self.reading, said("our reading")),
                (self.from_memory, said("from memory")),
            )
            if on
        ]
        return said_together((self.cite, " (", said_together(marks, ", "), ")")) if marks else self.cite

    def __str__(self) -> str:
        return str(self.told)


def practice(quoted_for: str = "", reading: bool = False) -> Source:
    """A fact of the trade without a source; `reading` when its figure is ours."""
    return Source(Kind.PRACTICE, quoted_for=quoted_for, reading=reading)


def ours(quoted_for: str) -> Source:
    """Our own choice, estimate or measure."""
    return Source(Kind.OURS, quoted_for=quoted_for)


COMMON_PRACTICE = practice()
