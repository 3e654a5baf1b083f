"""All clients of an organisation in one archive, for the day it moves elsewhere: every file can be brought in by itself."""

import json
import os
from pathlib import Path
from zipfile import ZIP_DEFLATED, ZipFile

from django.utils import timezone

from accounts.models import Organisation, User
from amvel.body import BodyError
from amvel.case import CaseError
from amvel.formats.tables import dictionary, table_of_tests, table_of_visits
from clients.casework import audit
from clients.engines import engine_of
from clients.models import Client
from exchange.client_file import taken_out
from papers.texts import texts_of


def write(organisation: Organisation, to: Path) -> int:
    """The archive as a new file that only its owner reads; gives the number of clients.  Raises FileExistsError, OSError.

    `clients/ID/` holds each client's file, tests and visits; `people.json` the people without anything secret; `texts.json` the
    organisation's own texts.
    """
    clients = Client.objects.filter(organisation=organisation).order_by("created_at", "id")
    count = 0
    with os.fdopen(os.open(to, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600), "wb") as out, ZipFile(out, "w", ZIP_DEFLATED) as archive:
        archive.writestr("organisation.json", json.dumps({"name": organisation.name, "written_at": timezone.now().isoformat()}))
        archive.writestr("people.json", json.dumps(_people(organisation), ensure_ascii=False, indent=1))
        archive.writestr("texts.json", json.dumps(texts_of(organisation), ensure_ascii=False, indent=1))
        archive.writestr("dictionary.csv", dictionary())
        for client in clients.iterator():
            _add(archive, client)
            audit(None, client, "client taken out", "with the whole organisation")
            count += 1
    return count


def _add(archive: ZipFile, client: Client) -> None:
    archive.writestr(f"clients/{client.pk}/client.json", taken_out(client).model_dump_json())
    try:
        case = engine_of(client.latest()).case
    except (CaseError, BodyError) as error:  # the file holds everything all the same; only the tables need a case that can be read
        archive.writestr(f"clients/{client.pk}/no-tables.txt", str(error))
        return
    archive.writestr(f"clients/{client.pk}/tests.csv", table_of_tests(case.tests))
    archive.writestr(f"clients/{client.pk}/visits.csv", table_of_visits(case.visits))


def _people(organisation: Organisation) -> list[dict[str, str]]:
    people = User.objects.filter(organisation=organisation).order_by("username")
    return [{"username": p.username, "name": p.called, "role": str(p.role), "mail": p.email} for p in people]


__all__ = ["write"]
