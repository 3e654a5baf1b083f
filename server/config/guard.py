"""What reaches the API is text, of a sane size and depth; whatever goes wrong there is answered as problem details."""

import json

import structlog
from django.conf import settings
from django.db import OperationalError
from django.http import HttpRequest, JsonResponse

from amvel.case.texts import TooDeep, is_text, texts
from config.problem import problem

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
        refused = _refused(request)
        if refused is not None:
            return refused
        response = self.get_response(request)
        if response.status_code >= 400 and "json" not in response.headers.get("Content-Type", ""):
            return problem(response.status_code, _TITLES.get(response.status_code, "Refused"), "")
        return response

    def process_exception(self, request: HttpRequest, error: Exception):
        if not request.path.startswith("/api/"):
            return None
        if isinstance(error, OperationalError):
            log.error("the database does not answer", kind=type(error).__name__)
            answer = problem(503, "The database does not answer", "try again in 5 s; nothing was lost")
            answer.headers["Retry-After"] = "5"
            return answer
        return None


_TITLES = {403: "Not allowed", 404: "Not found", 405: "No such method here", 429: "Too many attempts", 500: "Something went wrong here; nothing was stored"}


def _refused(request: HttpRequest) -> JsonResponse | None:
    if not all(is_text(x) for x in (request.path, *request.GET.keys(), *(v for vs in request.GET.lists() for v in vs[1]))):
        return problem(422, "The request is refused", "the address holds a character that is no text")
    if request.method not in _BODIES:
        return None
    size = int(request.META.get("CONTENT_LENGTH") or 0)
    if size > settings.DATA_UPLOAD_MAX_MEMORY_SIZE:
        return problem(413, "Too large", f"at most {settings.DATA_UPLOAD_MAX_MEMORY_SIZE} bytes at once")
    if not request.body:
        return None
    try:
        data = json.loads(request.body)
    except (ValueError, RecursionError):
        return problem(400, "The request is refused", "the body is not JSON that can be read")
    try:
        bad = next((path for path, text in texts(data, DEEPEST) if not is_text(text)), None)
    except TooDeep as error:
        return problem(422, "The request is refused", f"{error.path}: {error}")
    return problem(422, "The request is refused", f"{bad}: holds a character that is no text") if bad else None
