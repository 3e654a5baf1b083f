"""How the server runs.  One process serves pages; what takes long is answered beside it (clients/apart.py)."""

from clients import apart

workers = 1
threads = 8
timeout = 180
loglevel = "warning"


def worker_exit(server, worker):
    """Whoever still works out a long answer ends with the server."""
    apart.stop()
