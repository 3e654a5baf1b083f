"""The base of every condition."""

from datetime import date

from amvel.case.parts import Titled, ask


class Condition(Titled):
    """Something known. `noted_on` is when it was heard of; temporary limits count their reviews from there."""

    kind: str
    noted_on: date | None = ask("Noted on", default=None)
