"""From visits to what comes next: explicit rules over logged sessions, each proposal with its evidence.

Nothing opens by itself: a proposal is accepted, changed or declined by a person, and every step is judged again first.
"""

from amvel.progress.proposal import Evidence, Proposal, ProposalKind
from amvel.progress.proposals import proposals

__all__ = ["Evidence", "Proposal", "ProposalKind", "proposals"]
