"""Planning: the programme by constraint solving, swaps, and the re-check of stored programmes."""

from amvel.planning.choices import SETUP_MINUTES
from amvel.planning.item import Item, SetUp
from amvel.planning.programme import (
    Covered,
    Programme,
    ProgrammeBlocked,
    blocked_by,
    plan,
    stopped_by,
)
from amvel.planning.purposes import words
from amvel.planning.recheck import Violation, violations
from amvel.planning.swaps import chosen_by_hand, swaps

__all__ = [
    "SETUP_MINUTES",
    "Covered",
    "Item",
    "Programme",
    "ProgrammeBlocked",
    "SetUp",
    "Violation",
    "blocked_by",
    "chosen_by_hand",
    "plan",
    "stopped_by",
    "swaps",
    "violations",
    "words",
]
