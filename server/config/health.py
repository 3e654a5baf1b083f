"""Whether the server lives, and whether it can do its work: for whoever supervises it; nothing of anybody's data."""

from django.db import DatabaseError, connection
from django.db.migrations.executor import MigrationExecutor
from django.http import HttpRequest, JsonResponse


def healthz(request: HttpRequest) -> JsonResponse:
    """The process answers."""
    return JsonResponse({"lives": True})


def readyz(request: HttpRequest) -> JsonResponse:
    """The database answers and is migrated; 503 with what is missing otherwise."""
    try:
        connection.ensure_connection()
        with connection.cursor() as cursor:
            cursor.execute("SELECT 1")
        executor = MigrationExecutor(connection)
        behind = bool(executor.migration_plan(executor.loader.graph.leaf_nodes()))
    except DatabaseError:
        connection.close()
        return JsonResponse({"ready": False, "missing": "the database does not answer"}, status=503)
    if behind:
        return JsonResponse({"ready": False, "missing": "the database is not migrated"}, status=503)
    return JsonResponse({"ready": True})
