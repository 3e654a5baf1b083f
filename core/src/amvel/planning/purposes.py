"""What a session serves, in words, and how much each counts when nothing else is known."""

from amvel.case.purposes import PURPOSE_TITLES
from amvel.languages import Message

# Weights of a general session; findings, tests and goals add to them (our choice).
GENERAL: dict[str, int] = {
    "breath": 3,
    "deep_control": 6,
    "resist_extension": 5,
    "turning": 4,
    "hip_out": 4,
    "hip_back": 3,
    "upper_back": 5,
    "balance": 5,
    "sit_to_stand": 5,
    "leg_loading": 4,
    "hip_bend": 2,
    "side_bend": 2,
    "foot": 1,
    "position_change": 1,
}
COVERS = 0.5  # a step counts for an obligation from this purpose weight
COVERS_WELL = 0.8  # and does it in full from this one


def words(purpose: str) -> Message:
    """A purpose in plain words."""
    return PURPOSE_TITLES[purpose]


__all__ = ["COVERS", "COVERS_WELL", "GENERAL", "words"]
