"""The papers that are made of a programme."""

from collections.abc import Callable
from enum import StrEnum

from clients.models import Client
from papers.course_report import course_html
from papers.fridge import fridge_html
from papers.hand_out import hand_out_html
from papers.letter import letter_html
from papers.writer import Writer


class Kind(StrEnum):
    """Which paper."""

    HAND_OUT = "hand-out"
    FRIDGE = "fridge"
    LETTER = "letter"
    COURSE = "course"


_MAKE: dict[Kind, Callable[[Client, Writer], str]] = {Kind.HAND_OUT: hand_out_html, Kind.FRIDGE: fridge_html, Kind.LETTER: letter_html, Kind.COURSE: course_html}


def html_of(kind: Kind, client: Client, writer: Writer) -> str:
    """The page; raises ProgrammeBlocked, NotAllowed, or Http404 when there is no programme."""
    return _MAKE[kind](client, writer)
