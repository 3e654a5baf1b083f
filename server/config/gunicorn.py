"""How the server runs: two processes serve pages; what takes long is left to workers beside them (jobs/)."""

workers = 2
threads = 8
timeout = 60
loglevel = "warning"
