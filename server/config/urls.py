"""Addresses: the API, and the web application for everything else."""

from django.conf import settings
from django.http import FileResponse, HttpResponse
from django.urls import path, re_path

from api.root import api
from config.health import healthz, readyz
from operation.metrics import metrics


def page(request, *args, **kwargs):
    """The built web application; its router takes over."""
    index = settings.WEB_BUILD / "index.html"
    if not index.exists():
        return HttpResponse(
            "The web application is not built yet: run ./start", status=503, content_type="text/plain"
        )
    return FileResponse(index.open("rb"), content_type="text/html")


urlpatterns = [
    path("healthz", healthz),
    path("readyz", readyz),
    path("metrics", metrics),
    path("api/v1/", api.urls),
    re_path(r"^(?!api/|static/|assets/).*$", page),
]
