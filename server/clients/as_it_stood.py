"""How a client stood on an earlier day: the case of that day under the rules of that day, and what has changed since in words."""

from dataclasses import dataclass
from datetime import date
from typing import Any

from django.http import Http404

from accounts.models import User
from amvel.engine import Engine
from amvel.languages import Message, said_together
from amvel.movements import find
from clients.engines import end_of, engine_of
from clients.models import CaseRevision, Client
from jobs.asking import Question, worked_out
from jobs.models import Work
from programmes.models import Programme


@dataclass(frozen=True)
class Standing:
    """One day of a client.  The body model is always that of today: it is right or it is mended, and has no earlier truth."""

    day: date
    revision: CaseRevision
    engine: Engine
    programme: Programme | None


def stood(client: Client, day: date) -> Standing:
    """The newest case and programme at the end of a day; raises Http404 for a day before the first entry."""
    over = end_of(day)
    revision = client.revisions.select_related("author").filter(created_at__lt=over).order_by("-number").first()
    if revision is None:
        raise Http404
    programme = client.programmes.select_related("author").filter(created_at__lt=over).order_by("-number").first()
    return Standing(day, revision, engine_of(revision, day), programme)


def allowed_on(standing: Standing, user: User | None) -> set[tuple[str, str]]:
    """Steps that were allowed, by context; none while a stop sign stood.  Raises NotYet while a worker judges that day.

    That nobody was asked for stop signs on that day says nothing of them.
    """
    if any(not s.missing for s in standing.engine.stop_signs):
        return set()
    revision = standing.revision
    question = Question(Work.VERDICTS, revision.client.organisation, standing.engine.verdicts_digest, standing.day, str(revision.pk))
    verdicts: list[dict[str, Any]] = worked_out(question, user)
    closed = {(f"{v['family']}/{v['step']}", v["context"]) for v in verdicts if v["verdict"] == "excluded"}
    return {(f"{v['family']}/{v['step']}", v["context"]) for v in verdicts} - closed


def movements_of(programme: Programme | None) -> set[str]:
    return {m["ref"] for m in programme.answer["movements"]} if programme else set()


def titled(refs: set[str]) -> list[Message]:
    """Steps by their titles, in the order of the library's names."""
    return [said_together((family.title, step.title), ": ") for family, step in map(find, sorted(refs))]
