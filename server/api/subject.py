"""Whom an answer is about: a page shows it only while that is still what is on screen."""

from ninja import Schema

from clients.engines import engine_of
from clients.models import CaseRevision, Client


class Subject(Schema):
    """The client, the revision of its case, and the digest under which the core answered."""

    client: str
    revision: int
    digest: str


def subject_of(client: Client, revision: CaseRevision) -> dict[str, str | int]:
    return {"client": str(client.pk), "revision": revision.number, "digest": engine_of(revision).digest}
