"""Response headers that Django does not set itself."""

from wsgiref.headers import Headers

POLICY = (
    "default-src 'self'; frame-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; font-src 'self' data:; "
    "connect-src 'self' ws://127.0.0.1:* ws://localhost:*; frame-ancestors 'self'; base-uri 'self'; form-action 'self'"
)


def policy_headers(headers: Headers, path: str, url: str) -> None:
    """The same for files that are served before any middleware: the built pages, their scripts and pictures."""
    headers["Content-Security-Policy"] = POLICY
    headers["X-Frame-Options"] = "SAMEORIGIN"


class ContentPolicy:
    """Nothing is loaded from elsewhere; health data is never kept by shared caches."""

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request):
        response = self.get_response(request)
        response.headers.setdefault("Content-Security-Policy", POLICY)
        if request.path.startswith("/api/"):
            response.headers.setdefault("Cache-Control", "no-store")
        return response
