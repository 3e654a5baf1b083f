"""What the engine proposes after visits: one change, its evidence, and what would change it."""

from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from amvel.languages import Message
from amvel.sources import Source


class ProposalKind(StrEnum):
    """What is proposed, the most urgent first."""

    REFER = "refer"
    PAUSE = "pause"
    STEP_DOWN = "step_down"
    RETEST = "retest"
    GRADED_RETURN = "graded_return"
    STEP_UP = "step_up"
    STAY = "stay"


ORDER = tuple(ProposalKind)


@dataclass(frozen=True)
class Evidence:
    """One session, or one date, that a proposal rests on; `visit` is empty for what no visit showed."""

    on: date
    says: Message
    visit: str = ""
    step: str = ""
    side: str = ""


@dataclass(frozen=True)
class Proposal:
    """One change for one movement, or for the whole; `to` is the step that takes its place.

    `more_sets_on` names the weaker side that gets an extra set.  `waits` says that it is ready and another one goes first.
    """

    kind: ProposalKind
    says: Message
    evidence: tuple[Evidence, ...]
    would_change: Message
    source: Source
    step: str = ""
    side: str = "both"
    to: str = ""
    about: str = ""  # the rule or test that it is about
    more_sets_on: str = ""
    waits: bool = False

    @property
    def id(self) -> str:
        """The same as long as the same is proposed on the same evidence."""
        last = max((e.on for e in self.evidence), default=None)
        return ":".join((self.kind, self.step or self.about or "all", self.side, self.to or "-", last.isoformat() if last else "-"))


__all__ = ["ORDER", "Evidence", "Proposal", "ProposalKind"]
