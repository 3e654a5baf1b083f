"""The one shape in which something is refused: problem details (RFC 9457), in the language of who asked."""

from collections.abc import Sequence
from enum import StrEnum

from django.http import JsonResponse

from amvel.languages import Message, in_language
from config.speaking import speaking


class ProblemType(StrEnum):
    """What a page does otherwise for: titles are words in the reader's language, and decide nothing."""

    PLAIN = "about:blank"
    CHANGED = "/problems/changed-in-between"  # somebody else was faster: fetch what is there now


def problem(
    status: int,
    title: Message,
    detail: str | Message = "",
    faults: Sequence[tuple[str, str]] = (),
    kind: ProblemType = ProblemType.PLAIN,
    **more: object,
) -> JsonResponse:
    """`faults` are fields with what is wrong with each, and are the detail where none is given; `more` are members beside the usual ones."""
    language = speaking.get()
    named = [{"path": path, "reason": in_language(reason, language)} for path, reason in faults]
    body = {
        "type": kind.value,
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
