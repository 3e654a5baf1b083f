"""What is proposed after visits, as plain data."""

from typing_extensions import TypedDict

from amvel.engine import Engine
from amvel.movements import find
from amvel.progress import Evidence, Proposal, ProposalKind, proposals


class EvidenceData(TypedDict):
    """One session, or one date, that a proposal rests on."""

    on: str
    says: str
    visit: str


class ProposalData(TypedDict):
    """One change with its evidence and what would change it; `waits` for its turn."""

    id: str
    kind: ProposalKind
    step: str
    title: str
    side: str
    to: str
    to_title: str
    about: str
    more_sets_on: str
    waits: bool
    says: str
    would_change: str
    evidence: list[EvidenceData]
    source: str


def progress(engine: Engine, context: str = "home") -> list[ProposalData]:
    """Every proposal, the most urgent first."""
    return [proposal_data(p) for p in proposals(engine, context)]


def proposal_data(p: Proposal) -> ProposalData:
    return {
        "id": p.id,
        "kind": p.kind,
        "step": p.step,
        "title": find(p.step)[1].title if p.step else "",
        "side": p.side,
        "to": p.to,
        "to_title": find(p.to)[1].title if p.to else "",
        "about": p.about,
        "more_sets_on": p.more_sets_on,
        "waits": p.waits,
        "says": p.says,
        "would_change": p.would_change,
        "evidence": [_evidence(e) for e in p.evidence],
        "source": p.source.told,
    }


def _evidence(e: Evidence) -> EvidenceData:
    return {"on": e.on.isoformat(), "says": e.says, "visit": e.visit}


__all__ = ["EvidenceData", "ProposalData", "progress", "proposal_data"]
