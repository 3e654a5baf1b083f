"""The open input: one client's case."""

from amvel.case.age import age_years
from amvel.case.client import (
    CLEARING_PROFESSIONS,
    CONDITIONS,
    LONGEST_OVERRIDE,
    RESULTS,
    Case,
    CaseError,
    ClinicianProfession,
    ClinicianWord,
    Override,
    Review,
    amended,
    read_case,
)
from amvel.case.condition import Condition
from amvel.case.forms import Field, form_of
from amvel.case.parts import SIDE_SAID, SPINE_LEVELS, Side
from amvel.case.props import PROPS
from amvel.case.result import Result
from amvel.case.room import Prop, Room, Seat

__all__ = [
    "CLEARING_PROFESSIONS",
    "CONDITIONS",
    "LONGEST_OVERRIDE",
    "PROPS",
    "RESULTS",
    "SIDE_SAID",
    "SPINE_LEVELS",
    "Case",
    "CaseError",
    "ClinicianProfession",
    "ClinicianWord",
    "Condition",
    "Field",
    "Override",
    "Prop",
    "Result",
    "Review",
    "Room",
    "Seat",
    "Side",
    "age_years",
    "amended",
    "form_of",
    "read_case",
]
