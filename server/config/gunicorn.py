"""How the server runs: two processes serve pages; what takes long is left to workers beside them (jobs/)."""

workers = 2
threads = 8
timeout = 60
loglevel = "warning"


def post_worker_init(worker: object) -> None:
    """Before it takes its first request, a process reads what answers need."""
    from amvel.warm_up import read_ahead

    read_ahead()
