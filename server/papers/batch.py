"""One paper of many clients in one file, for the printer; who has none is named with the reason."""

from base64 import b64decode, b64encode
from dataclasses import asdict, dataclass
from datetime import date
from typing import Any

import structlog
from django.conf import settings
from django.http import Http404

from accounts.models import Organisation, User
from amvel.body import BodyError
from amvel.case import CaseError
from amvel.languages import said
from amvel.planning import ProgrammeBlocked
from clients.casework import audit
from clients.engines import today
from clients.models import Client
from jobs.asking import Question, digest_of, known, worked_out
from jobs.models import Work
from jobs.of_a_house import Args, Told
from papers.kinds import Kind, html_of
from papers.texts import texts_of
from papers.writer import Writer
from programmes.building import NotAllowed

log = structlog.get_logger(__name__)
MOST = 50  # clients in one file


class BatchGone(Exception):
    """These papers are no longer the ones that were asked for: make them again."""


@dataclass(frozen=True)
class Asked:
    """Which paper, of whom, in whose name."""

    organisation: Organisation
    kind: Kind
    clients: tuple[Client, ...]
    writer: Writer

    @property
    def question(self) -> Question:
        args = {"kind": self.kind, "clients": [str(c.pk) for c in self.clients], **asdict(self.writer)}
        stand = [standing(c) for c in self.clients]
        return Question(Work.PAPERS, self.organisation, digest_of(args, stand, texts_of(self.organisation), str(today())), today(), args=args)


def standing(client: Client) -> dict[str, Any]:
    """What the paper of a client is made from: its newest revision and programme."""
    newest = client.programmes.order_by("-number").first()
    return {"client": str(client.pk), "revision": client.latest().number, "programme": newest.number if newest else 0}


def asked_by(user: User, writer: Writer, kind: Kind, ids: list[str]) -> Asked:
    """The clients of the own organisation, in the order asked; raises Http404 when one is not among them."""
    found = {str(c.pk): c for c in Client.objects.filter(organisation=user.organisation, pk__in=ids)}
    if set(found) != set(ids):
        raise Http404
    return Asked(user.organisation, kind, tuple(found[i] for i in ids), writer)


def made(asked: Asked, user: User) -> tuple[str, dict[str, Any]]:
    """Name and account of the file; raises NotYet while a worker is at it."""
    return asked.question.digest, worked_out(asked.question, user)


def work_out(organisation_id: Any, day: date, args: Args, told: Told) -> dict[str, Any]:
    """All papers in one file; one that cannot be made is named, the others go on."""
    from weasyprint import HTML

    clients = [Client.objects.get(pk=pk, organisation_id=organisation_id) for pk in args["clients"]]
    documents, holds, left_out = [], [], []
    for i, client in enumerate(clients):
        told(i / len(clients))
        try:
            html = html_of(Kind(args["kind"]), client, Writer(args["name"], args["language"]))
        except (ProgrammeBlocked, NotAllowed, CaseError, BodyError, Http404) as error:
            why = "There is no programme yet:" if isinstance(error, Http404) else str(error)
            left_out.append({"id": str(client.pk), "name": client.name, "why": why})
            continue
        documents.append(HTML(string=html, base_url=str(settings.ROOT)).render())
        holds.append(standing(client))
    log.info("papers made", made=len(documents), left_out=len(left_out))
    pages = [page for document in documents for page in document.pages]
    data = documents[0].copy(pages).write_pdf() if documents else b""
    return {"pdf": b64encode(data).decode(), "holds": holds, "pages": len(pages), "left_out": left_out}


def file_of(user: User, digest: str) -> bytes:
    """The file, noted as printed for everybody in it.

    Raises Http404 when there is none, BatchGone when a client or programme in it has changed: a stop sign may stand by now.
    """
    answer = known(Question(Work.PAPERS, user.organisation, digest, today()))
    if answer is None or not answer["pdf"]:
        raise Http404
    clients = {str(c.pk): c for c in Client.objects.filter(organisation=user.organisation, pk__in=[h["client"] for h in answer["holds"]])}
    for held in answer["holds"]:
        client = clients.get(held["client"])
        if client is None or standing(client) != held:
            raise BatchGone(said("{who} was changed since these papers were made: make them again", who=client.name if client else said("somebody")))
    for client in clients.values():
        audit(user, client, "papers printed", "in one file")
    return b64decode(answer["pdf"])
