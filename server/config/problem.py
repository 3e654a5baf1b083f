"""The one shape in which something is refused: problem details (RFC 9457)."""

from django.http import JsonResponse


def problem(status: int, title: str, detail: str = "", **more: object) -> JsonResponse:
    """`more` are members beside the usual ones."""
    body = {"type": "about:blank", "title": title, "status": status, "detail": detail, "faults": [], **more}
    return JsonResponse(body, status=status, content_type="application/problem+json")
