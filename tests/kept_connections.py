"""Connections of the live server that are kept: each of its requests comes in a thread of its own, and would log in to the
database anew, which takes longer than most of what is asked there."""

from collections.abc import Iterator

import pytest


@pytest.fixture(autouse=True)
def kept_connections(request: pytest.FixtureRequest) -> Iterator[None]:
    if "live_server" not in request.fixturenames:
        yield
        return
    from django.db import connections

    settings = connections.settings["default"]
    before = {k: settings[k] for k in ("OPTIONS", "CONN_MAX_AGE")}
    settings |= {"OPTIONS": {**before["OPTIONS"], "pool": {"min_size": 1, "max_size": 8}}, "CONN_MAX_AGE": 0}
    yield
    connections["default"].close_pool()
    settings |= before
