"""What reaches the API is text, of a sane size and depth; whatever goes wrong there is answered as problem details."""

import json

import structlog
from django.conf import settings
from django.db import OperationalError
from django.http import HttpRequest, JsonResponse

from amvel.case.texts import TooDeep, is_text, no_texts
from amvel.languages import said
from config.problem import problem, what_it_says
from config.speaking import language_of, speaking

log = structlog.get_logger(__name__)
DEEPEST = 40  # levels of nested JSON: a case has ten
_BODIES = ("POST", "PATCH", "PUT", "DELETE")


class Guard:
    """For addresses of the API: refuses what no database can store, and never answers with a page of HTML."""

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request: HttpRequest):
        if not request.path.startswith("/api/"):
            return self.get_response(request)
        speaking.set(language_of(request))
        refused = _refused(request)
        if refused is not None:
            return refused
        response = self.get_response(request)
        if response.status_code >= 400 and "json" not in response.headers.get("Content-Type", ""):
            return problem(response.status_code, _TITLES.get(response.status_code, said("Refused")))
        return response

    def process_exception(self, request: HttpRequest, error: Exception):
        if not request.path.startswith("/api/"):
            return None
        if isinstance(error, OperationalError):
            log.error("the database does not answer", kind=type(error).__name__)
            answer = problem(503, said("The database does not answer"), said("try again in 5 s; nothing was lost"))
            answer.headers["Retry-After"] = "5"
            return answer
        return None


_TITLES = {
    403: said("Not allowed"),
    404: said("Not found"),
    405: said("No such method here"),
    429: said("Too many attempts"),
    500: said("Something went wrong here; nothing was stored"),
}


def _refused(request: HttpRequest) -> JsonResponse | None:
    if not all(is_text(x) for x in (request.path, *request.GET.keys(), *(v for vs in request.GET.lists() for v in vs[1]))):
        return problem(422, said("The request is refused"), said("the address holds a character that is no text"))
    if request.method not in _BODIES:
        return None
    size = int(request.META.get("CONTENT_LENGTH") or 0)
    if size > settings.DATA_UPLOAD_MAX_MEMORY_SIZE:
        return problem(413, said("Too large"), said("at most {bytes} bytes at once", bytes=settings.DATA_UPLOAD_MAX_MEMORY_SIZE))
    if not request.body:
        return None
    try:
        data = json.loads(request.body)
    except (ValueError, RecursionError):
        return problem(400, said("The request is refused"), said("the body is not JSON that can be read"))
    try:
        bad = no_texts(data, DEEPEST)
    except TooDeep as error:
        return problem(422, said("The request is refused"), faults=[(error.path, what_it_says(error))])
    return problem(422, said("The request is refused"), faults=[(bad[0], said("holds a character that is no text"))]) if bad else None
