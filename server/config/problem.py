"""The one shape in which something is refused: problem details (RFC 9457), in the language of who asked."""

from collections.abc import Sequence

from django.http import JsonResponse

from amvel.languages import Message, in_language
from config.speaking import speaking


def problem(
    status: int, title: Message, detail: str | Message = "", faults: Sequence[tuple[str, str]] = (), **more: object
) -> JsonResponse:
    """`faults` are fields with what is wrong with each, and are the detail where none is given; `more` are members beside the usual ones."""
    language = speaking.get()
    named = [{"path": path, "reason": in_language(reason, language)} for path, reason in faults]
    body = {
        "type": "about:blank",
        "title": in_language(title, language),
        "status": status,
        "detail": in_language(detail, language) or "; ".join(f"{f['path']}: {f['reason']}" for f in named),
        "faults": named,
        **more,
    }
    return JsonResponse(body, status=status, content_type="application/problem+json")


def what_it_says(error: Exception) -> str:
    """The message of an error, still a message where it is one: `str` would leave its sentence behind."""
    return str(error) if not error.args or not isinstance(error.args[0], str) else error.args[0]
