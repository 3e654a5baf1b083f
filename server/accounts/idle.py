"""Whoever does nothing for a while is logged out; a page that only asks whether something changed is not somebody at work."""

import time

from django.conf import settings
from django.contrib.auth import logout
from django.http import HttpRequest, HttpResponse

from accounts.open_sessions import still_open

_SEEN = "seen_at"
_EVERY_S = 60  # how often the moment is written down
_BY_ITSELF = ("/pulse", "/session")


class Idle:
    """Ends a session in which nobody has done anything for `AMVEL_IDLE_MINUTES`."""

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        if request.user.is_authenticated:
            now = time.time()
            seen = request.session.get(_SEEN, now)
            if now - seen > settings.IDLE_MINUTES * 60:
                logout(request)
            elif not still_open(request):
                pass  # somebody has ended it from elsewhere
            elif not request.path.endswith(_BY_ITSELF) and (_SEEN not in request.session or now - seen > _EVERY_S):
                request.session[_SEEN] = now
        return self.get_response(request)
