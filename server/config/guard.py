"""What reaches the API is text, of a sane size and depth; whatever goes wrong there is answered as problem details."""

import json
import logging
from collections.abc import Iterator
from typing import Any

from django.conf import settings
from django.db import OperationalError
from django.http import HttpRequest, JsonResponse

log = logging.getLogger(__name__)
DEEPEST = 40  # levels of nested JSON: a case has ten
_BODIES = ("POST", "PATCH", "PUT", "DELETE")


def _problem(status: int, title: str, detail: str, **headers: str) -> JsonResponse:
    body = {"type": "about:blank", "title": title, "status": status, "detail": detail, "faults": []}
    return JsonResponse(body, status=status, content_type="application/problem+json", headers=headers)


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
            return _problem(response.status_code, _TITLES.get(response.status_code, "Refused"), "")
        return response

    def process_exception(self, request: HttpRequest, error: Exception):
        if not request.path.startswith("/api/"):
            return None
        if isinstance(error, OperationalError):
            log.error("the database does not answer: %s", type(error).__name__)
            return _problem(503, "The database does not answer", "try again in 5 s; nothing was lost", **{"Retry-After": "5"})
        return None


_TITLES = {403: "Not allowed", 404: "Not found", 405: "No such method here", 429: "Too many attempts", 500: "Something went wrong here; nothing was stored"}


def _refused(request: HttpRequest) -> JsonResponse | None:
    if any(_not_text(x) for x in (request.path, *request.GET.keys(), *(v for vs in request.GET.lists() for v in vs[1]))):
        return _problem(422, "The request is refused", "the address holds a character that is no text")
    if request.method not in _BODIES:
        return None
    size = int(request.META.get("CONTENT_LENGTH") or 0)
    if size > settings.DATA_UPLOAD_MAX_MEMORY_SIZE:
        return _problem(413, "Too large", f"at most {settings.DATA_UPLOAD_MAX_MEMORY_SIZE} bytes at once")
    if not request.body:
        return None
    try:
        data = json.loads(request.body)
    except (ValueError, RecursionError):
        return _problem(400, "The request is refused", "the body is not JSON that can be read")
    for path, text in _texts(data):
        if text is None:
            return _problem(422, "The request is refused", f"{path[:200]}: nested deeper than {DEEPEST} levels")
        if _not_text(text):
            return _problem(422, "The request is refused", f"{path[:200]}: holds a character that is no text")
    return None


def _texts(data: Any) -> Iterator[tuple[str, str | None]]:
    """Every string with its path; None where it is nested too deep."""
    waiting: list[tuple[str, Any, int]] = [("$", data, 0)]
    while waiting:
        path, value, depth = waiting.pop()
        if depth > DEEPEST:
            yield path, None
            return
        if isinstance(value, str):
            yield path, value
        elif isinstance(value, dict):
            yield from ((path, k) for k in value)
            waiting += [(f"{path}.{k}", v, depth + 1) for k, v in value.items()]
        elif isinstance(value, list):
            waiting += [(f"{path}[{i}]", v, depth + 1) for i, v in enumerate(value)]


def _not_text(text: str) -> bool:
    return "\0" in text or any("\ud800" <= c <= "\udfff" for c in text)
