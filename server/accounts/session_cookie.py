"""The cookie of a session goes when somebody logs out, and not before."""

from django.conf import settings
from django.contrib.sessions.middleware import SessionMiddleware
from django.http import HttpRequest, HttpResponse

_LOGS_OUT = "logs_out"


def take_away(request: HttpRequest) -> None:
    """Whoever asks has logged out: the answer takes the cookie away."""
    setattr(request, _LOGS_OUT, True)


class SessionCookie(SessionMiddleware):
    """Django's sessions, but an answer to a session that has ended leaves the cookie where it is.

    Such an answer may arrive after a log-in that was asked for later, and would take away the cookie of that log-in.  What is
    left names a session that is no longer there.
    """

    def process_response(self, request: HttpRequest, response: HttpResponse) -> HttpResponse:
        answer = super().process_response(request, response)
        cookie = answer.cookies.get(settings.SESSION_COOKIE_NAME)
        if cookie is not None and not cookie.value and not getattr(request, _LOGS_OUT, False):
            del answer.cookies[settings.SESSION_COOKIE_NAME]
        return answer
