"""The base of every condition."""

from dataclasses import dataclass
from datetime import date, timedelta
from typing import ClassVar

from amvel.case.affected import Affected
from amvel.case.parts import Titled, ask
from amvel.case.purposes import Purpose
from amvel.case.stop_sign_names import StopSignName
from amvel.case.traits import Trait

# An operation on trunk or belly, or a birth: the first weeks are an acute state (common practice, no source).
ACUTE_AFTER = timedelta(weeks=6)


@dataclass(frozen=True)
class Asks:
    """What a condition weakens or asks for beside its obligations, and why (common practice, no source)."""

    purposes: tuple[Purpose, ...] = ()
    why: str = ""


class Condition(Titled):
    """Something known. `noted_on` is when it was heard of; temporary limits count their reviews from there.

    `AFFECTS` is what it touches of that by which the trunk is held; every kind says it, if only that it is nothing.
    `STOP_SIGNS` are asked of this person beside those of everybody.
    `SNOMED` is its code where SNOMED CT means the same, not more and not less (from memory, not looked up).
    `WATCH` is what this person stops at beside what everybody does: "Stop when …".
    """

    AFFECTS: ClassVar[frozenset[Affected] | None] = None
    ASKS: ClassVar[Asks] = Asks()
    EXAMPLE_YEARS: ClassVar[int | None] = None  # how old the person of its examples is, where it matters
    WATCH: ClassVar[str] = ""
    SNOMED: ClassVar[str] = ""
    STOP_SIGNS: ClassVar[tuple[StopSignName, ...]] = ()
    TRAITS: ClassVar[frozenset[Trait]] = frozenset()
    kind: str
    noted_on: date | None = ask("Noted on", default=None)

    def traits(self) -> frozenset[Trait]:
        """What other rooms have to know of this one: as its kind says, unless it knows better."""
        return self.TRAITS

    def happened_on(self) -> date | None:
        """The day of the operation, birth or injury that a clearing must be younger than; None where there is none."""
        return None

    def affects(self) -> frozenset[Affected]:
        """What this one touches: as its kind does, unless it knows better."""
        assert self.AFFECTS is not None, f"{self.kind}: AFFECTS is missing"
        return self.AFFECTS

    def paralyses_the_trunk(self) -> bool:
        """Whether the muscles of the trunk do not answer as they should, so that sitting free has to be seen first."""
        return False

    def acute(self, on: date) -> bool:
        """Whether the trunk may only rest, breathe and tilt on that day: pain at rest, a fresh fracture, the first weeks."""
        return False
