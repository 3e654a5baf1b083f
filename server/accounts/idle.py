"""Whoever does nothing for a while is logged out; a page that only asks whether something changed is not somebody at work."""

import time

from django.conf import settings
from django.contrib.auth import logout
from django.http import HttpRequest, HttpResponse

from accounts.open_sessions import still_open

_SEEN = "seen_at"
_EVERY_S = 60  # how often the moment is written down
_BY_ITSELF = "amvel.asked_by_itself"


def asked_by_itself(request: HttpRequest) -> None:
    """This request is a page's own, not somebody's at work: it keeps no session open."""
    request.META[_BY_ITSELF] = True


class Idle:
    """Ends a session in which nobody has done anything for `AMVEL_IDLE_MINUTES`."""

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        now = time.time()
        if request.user.is_authenticated and now - request.session.get(_SEEN, now) > settings.IDLE_MINUTES * 60:
            logout(request)
        elif request.user.is_authenticated:
            still_open(request)  # logs out where somebody has ended it from elsewhere
        response = self.get_response(request)
        if request.user.is_authenticated and _BY_ITSELF not in request.META:
            _seen(request, now)
        return response


def _seen(request: HttpRequest, now: float) -> None:
    if now - request.session.get(_SEEN, 0.0) > _EVERY_S:
        request.session[_SEEN] = now
