"""What an accepted proposal does to the programme: a step up or down takes the place of the one before it."""

from typing import Any

from accounts.models import User
from amvel.languages import said
from amvel.planning import edit
from amvel.progress import ProposalKind
from clients.models import Client
from programmes import building
from programmes.models import Programme


class NotProposed(Exception):
    """This is not proposed, or not any more: something was logged or changed meanwhile."""

    def __init__(self, proposal: str) -> None:
        super().__init__(said("proposal: '{proposal}' is not proposed any more; look at what is proposed now", proposal=proposal))


_CHANGES = (ProposalKind.STEP_UP, ProposalKind.STEP_DOWN, ProposalKind.PAUSE)


def decided(client: Client, user: User, number: int, p: dict[str, Any]) -> Programme:
    """The programme after an accepted proposal; one that changes no movement leaves it as it is."""
    _, programme = building.opened_programme(client)
    step, into, kind = p["step"], p["to"], ProposalKind(p["kind"])
    if p["waits"] or step not in building.in_use(programme):
        return programme
    if p["more_sets_on"]:
        return building.edit(client, user, number, lambda items, chosen: edit.one_set_more(items, step, p["more_sets_on"]), f"one set more: {step}")
    if kind not in _CHANGES:
        return programme
    if into and into not in building.in_use(programme):
        return building.edit(client, user, number, lambda items, chosen: edit.exchanged(items, step, into, chosen), f"{kind}: {step} {into}")
    if kind is ProposalKind.STEP_DOWN and not into:
        return building.edit(client, user, number, lambda items, chosen: edit.halved(items, step), f"half of the repetitions: {step}")
    if kind is ProposalKind.PAUSE or (kind is ProposalKind.STEP_DOWN and into):
        return building.edit(client, user, number, lambda items, chosen: edit.removed(items, step), f"{kind}: {step}")
    return programme
