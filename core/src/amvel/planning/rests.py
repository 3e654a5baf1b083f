"""Planned rests: for older people and where fatigue, heart or nerves ask for them, a minute after every third movement.

Common practice, no source; multiple sclerosis: planned rests, Kalb et al. 2020.
"""

from dataclasses import dataclass

from amvel.case import Case
from amvel.case.traits import Trait
from amvel.languages import said, said_together, term
from amvel.screening import Findings

OLD_YEARS = 75
EVERY, REST_S = 3, 60

@dataclass(frozen=True)
class Rests:
    """A rest of `seconds` after every `every` movements, and because of what; none when `every` is 0."""

    every: int = 0
    seconds: int = 0
    because: str = ""

    @property
    def share_s(self) -> int:
        """What the rests add to each movement."""
        return round(self.seconds / self.every) if self.every else 0

    def says(self) -> str:
        if not self.every:
            return ""
        return said("rest a minute after every {every} movements, because of {because}", every=term(self.every), because=term(self.because))


def rests_for(case: Case, findings: Findings) -> Rests:
    """The rests that this person gets."""
    why = list(dict.fromkeys(c.TITLE for c in case.conditions if Trait.NEEDS_RESTS in c.traits()))
    if findings.age >= OLD_YEARS:
        why.append(said("the age of {age} years", age=term(findings.age)))
    return Rests(EVERY, REST_S, said_together(map(said, why), said(" and "))) if why else Rests()


__all__ = ["EVERY", "REST_S", "Rests", "rests_for"]
