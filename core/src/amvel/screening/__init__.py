"""Screening: tests with their readings, and the findings that follow from a case."""

from amvel.screening.bone_status import BoneStatus, bone_status
from amvel.screening.contradictions import Contradiction, contradictions
from amvel.screening.declaration import Reading, ScreenTest
from amvel.screening.findings import Assumption, Findings, find_out
from amvel.screening.library import test_library
from amvel.screening.stop_signs import StopSign, stop_signs

__all__ = [
    "Assumption",
    "BoneStatus",
    "Contradiction",
    "Findings",
    "Reading",
    "ScreenTest",
    "StopSign",
    "bone_status",
    "contradictions",
    "find_out",
    "stop_signs",
    "test_library",
]
