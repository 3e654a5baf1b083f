"""Movements: families as ladders of parametrised poses, and their demand profiles."""

from amvel.movements.declaration import (
    ON_FLOOR,
    POSITIONS,
    PURPOSES,
    DeclarationError,
    Dose,
    Family,
    Fault,
    Parameter,
    Position,
    Setting,
    Step,
)
from amvel.movements.library import UnknownMovement, all_steps, find, library
from amvel.movements.profile import Profile, Request
from amvel.movements.profiler import MODEL_VERSION, Profiler

__all__ = [
    "MODEL_VERSION",
    "ON_FLOOR",
    "POSITIONS",
    "PURPOSES",
    "DeclarationError",
    "Dose",
    "Family",
    "Fault",
    "Parameter",
    "Position",
    "Profile",
    "Profiler",
    "Request",
    "Setting",
    "Step",
    "UnknownMovement",
    "all_steps",
    "find",
    "library",
]
