"""Loaded before Django is set up: what a test run needs in its environment."""

import os

os.environ.setdefault("AMVEL_SECRET_KEY", "only-for-tests")
os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")
os.environ.setdefault("AMVEL_DB_KEEP_S", "0")
os.environ.setdefault("AMVEL_HTTPS", "0")
