"""Reaching a client: only inside one's own organisation, and never without a trace."""

import uuid

from django.http import Http404, HttpRequest

from clients.casework import audit
from clients.models import Client


def client_of(request: HttpRequest, client_id: str, action: str = "") -> Client:
    """The client, or 404 when it belongs to somebody else or does not exist."""
    try:
        key = uuid.UUID(client_id)
    except ValueError as error:
        raise Http404 from error
    client = Client.objects.filter(organisation_id=request.user.organisation_id, pk=key).first()
    if client is None or request.user.organisation_id is None:
        raise Http404
    if action:
        audit(request.user, client, action)
    return client
