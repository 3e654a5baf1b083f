"""Which of a client's conditions has a trait, and the reason it gives."""

from amvel.case import Case
from amvel.case.traits import Trait


def has(case: Case, trait: Trait) -> bool:
    """Whether any known condition has it."""
    return any(trait in c.traits() for c in case.conditions)


def because(case: Case, trait: Trait) -> str:
    """The reason that the first condition with this trait gives; empty when none has it."""
    return next((f"{c.TITLE}: {trait.value}" for c in case.conditions if trait in c.traits()), "")


__all__ = ["because", "has"]
