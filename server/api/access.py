"""What a role may do, checked in one place; reaching a client: only inside one's own organisation, never without a trace."""

import uuid
from typing import Any

from django.http import Http404, HttpRequest
from ninja.security import SessionAuth

from accounts.idle import asked_by_itself
from accounts.roles import Action
from amvel.languages import said
from clients.casework import audit
from clients.models import Client


class NotForThisRole(Exception):
    """Whoever asks has another role."""

    def __init__(self, action: Action) -> None:
        super().__init__(said("your role may not: {action}", action=action))
        self.action = action


class Needs(SessionAuth):
    """Opens an endpoint to the roles that have the action: logged in, then the role, before anything else is read.

    Every endpoint behind the log-in names one; a test sweeps them.
    """

    def __init__(self, action: Action, by_itself: bool = False) -> None:
        super().__init__()
        self.action, self.by_itself = action, by_itself  # an open page asks by itself: nobody is at work for it

    def authenticate(self, request: HttpRequest, key: str | None) -> Any:
        user = super().authenticate(request, key)
        if user is not None and not user.may(self.action):
            raise NotForThisRole(self.action)
        if self.by_itself:
            asked_by_itself(request)
        return user


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
