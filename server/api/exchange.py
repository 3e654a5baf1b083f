"""Records out and in: a whole client as one file, tables, a bundle for other programs."""

from django.http import HttpRequest, HttpResponse
from ninja import Schema, Status

from accounts.roles import Action
from api.access import Needs, client_of
from api.any_json import Json
from api.problems import PROBLEMS, Fault
from api.spoken import Router
from exchange.client_file import ClientFile, brought_in, taken_out

router = Router(tags=["exchange"])


@router.get("/clients/{client_id}/file", response={200: ClientFile, **PROBLEMS}, auth=Needs(Action.EXCHANGE))
def take_out(request: HttpRequest, client_id: str):
    """All that is kept of one client: every revision, visit and programme."""
    file = taken_out(client_of(request, client_id, "client taken out"))
    # As pydantic writes it: the usual encoder cuts moments to milliseconds, and the order of two entries could be lost.
    return HttpResponse(file.model_dump_json(), content_type="application/json")


class Brought(Schema):
    """A file as it was taken out, here or elsewhere."""

    file: Json


class BroughtIn(Schema):
    """The new client, and what of the file could not be taken, by its path."""

    id: str
    left_out: list[Fault]


@router.post("/client-files", response={201: BroughtIn, **PROBLEMS}, auth=Needs(Action.EXCHANGE))
def bring_in(request: HttpRequest, body: Brought):
    """A client from such a file; it is read and judged anew, and no clearing counts before somebody here confirmed it."""
    client, left = brought_in(request.user, body.file)
    return Status(201, {"id": str(client.pk), "left_out": [{"path": path, "reason": why} for path, why in left]})
