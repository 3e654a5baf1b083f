"""Logs as JSON lines, one event each: what happened, how long it took, for which person and house by their keys.

No name, no case, no value of a field ever gets in: an exception is logged by its kind and the places it passed, without its message.
"""

import logging
import time
import traceback
from typing import Any

import structlog
from django.http import HttpRequest, HttpResponse

_QUIET = ("/healthz", "/readyz")
Event = dict[str, Any]


def places_only(logger: Any, name: str, event: Event) -> Event:
    """An exception as its kind and the lines of code that it passed; messages quote what people have entered."""
    info = event.pop("exc_info", None)
    if info and info[0] is not None:
        frames = traceback.extract_tb(info[2])
        event["exception"] = info[0].__name__
        event["places"] = [f"{f.filename.rpartition('/')[2]}:{f.lineno} {f.name}" for f in frames]
    return event


def without_arguments(logger: Any, name: str, event: Event) -> Event:
    """Of what other packages log, the text before anything was filled in."""
    record: logging.LogRecord | None = event.get("_record")
    if record is not None and event.get("_from_structlog") is False:
        event["event"] = str(record.msg)
        event["logger"] = record.name
    return event


_SHARED: list[Any] = [structlog.processors.TimeStamper(fmt="iso", utc=True), structlog.stdlib.add_log_level]


def logging_config(level: str) -> Event:
    """For Django's LOGGING: everything to standard error, one JSON object a line."""
    formatter = {
        "()": structlog.stdlib.ProcessorFormatter,
        "foreign_pre_chain": _SHARED,
        "processors": [
            without_arguments,
            places_only,
            structlog.stdlib.ProcessorFormatter.remove_processors_meta,
            structlog.processors.JSONRenderer(),
        ],
    }
    return {
        "version": 1,
        "disable_existing_loggers": False,
        "formatters": {"json": formatter},
        "handlers": {"console": {"class": "logging.StreamHandler", "formatter": "json"}},
        # Django's own line about a refusal names an address, which may hold a name; the one of each request (below) says more.
        "loggers": {"django.request": {"level": "ERROR"}},
        "root": {"handlers": ["console"], "level": level},
    }


def configure() -> None:
    """Our own events through the same lines."""
    structlog.configure(
        processors=[*_SHARED, structlog.stdlib.ProcessorFormatter.wrap_for_formatter],
        logger_factory=structlog.stdlib.LoggerFactory(),
        wrapper_class=structlog.stdlib.BoundLogger,
        cache_logger_on_first_use=True,
    )


class Logged:
    """One line a request: the address pattern (never the address), status and time; by whom, as keys."""

    def __init__(self, get_response):
        self.get_response = get_response
        self.log = structlog.get_logger("requests")

    def __call__(self, request: HttpRequest) -> HttpResponse:
        begun = time.monotonic()
        response = self.get_response(request)
        if request.path not in _QUIET:
            tell = self.log.error if response.status_code >= 500 else self.log.info
            tell("request", ms=round(1000 * (time.monotonic() - begun)), status=response.status_code, **_about(request))
        return response


def _about(request: HttpRequest) -> Event:
    # Only who was asked for already: a database that is away is not asked once more for a line in the log.
    found, user = request.resolver_match, getattr(request, "_cached_user", None)
    who = {"user": str(user.pk), "organisation": str(user.organisation_id)} if user is not None and user.is_authenticated else {}
    return {"method": request.method, "route": found.route if found else "", **who}
