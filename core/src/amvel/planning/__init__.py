"""Planning: the programme by constraint solving, swaps, and the re-check of stored programmes."""

from amvel.planning.programme import (
    NEEDS,
    SETUP_MINUTES,
    Covered,
    Item,
    Programme,
    ProgrammeBlocked,
    blocked_by,
    plan,
    swaps,
    words,
)
from amvel.planning.recheck import Violation, violations

__all__ = [
    "NEEDS",
    "SETUP_MINUTES",
    "Covered",
    "Item",
    "Programme",
    "ProgrammeBlocked",
    "Violation",
    "blocked_by",
    "plan",
    "swaps",
    "violations",
    "words",
]
